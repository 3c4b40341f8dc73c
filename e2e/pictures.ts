import type { JSHandle, Page } from '@playwright/test';

/** The channels of PNGs, red, green, blue and alpha of each pixel, decoded by the page and kept there. */
const decodedIn = (page: Page, pictures: readonly Buffer[]): Promise<JSHandle<Uint8ClampedArray[]>> =>
  page.evaluateHandle(
    (list) =>
      Promise.all(
        list.map(async (data) => {
          const image = new Image();
          image.src = `data:image/png;base64,${data}`;
          await image.decode();
          const canvas = new OffscreenCanvas(image.width, image.height);
          const context = canvas.getContext('2d')!;
          context.drawImage(image, 0, 0);
          return context.getImageData(0, 0, image.width, image.height).data;
        }),
      ),
    pictures.map((one) => one.toString('base64')),
  );

/** The share of pixels in which two PNGs of one size differ by more than a little in any channel: what has moved shows, the edge of a rounded number does not. */
export async function differingShare(page: Page, both: readonly [Buffer, Buffer]): Promise<number> {
  const decoded = await decodedIn(page, both);
  return decoded.evaluate(([first, second]) => {
    if (!first || !second || first.length !== second.length) return 1;
    let differing = 0;
    for (let i = 0; i < first.length; i += 4)
      if ([0, 1, 2].some((k) => Math.abs(first[i + k]! - second[i + k]!) > 48)) differing++;
    return (differing * 4) / first.length;
  });
}

/** The mean of all channels of a picture, 0 to 255. */
export async function brightness(page: Page, picture: Buffer): Promise<number> {
  const decoded = await decodedIn(page, [picture]);
  return decoded.evaluate(
    ([rgba]) => rgba!.reduce((sum, value, i) => (i % 4 === 3 ? sum : sum + value), 0) / (rgba!.length * 0.75),
  );
}

/** Pictures of a drawing that is put into a page, at some times of its loop, s. */
export async function drawingAt(page: Page, text: string, times: readonly number[]): Promise<Buffer[]> {
  await page.setContent(`<!doctype html><body style="margin:0;background:#fff">${text}</body>`);
  const pictures: Buffer[] = [];
  for (const time of times) {
    await page.evaluate(async (ms) => {
      for (const animation of document.getAnimations()) {
        animation.pause();
        animation.currentTime = ms;
      }
      // What is held is shown in the next frame but one: some of it is moved beside the page's own thread.
      for (let i = 0; i < 2; i++) await new Promise(requestAnimationFrame);
    }, time * 1000);
    pictures.push(await page.screenshot());
  }
  return pictures;
}

/** The colour of a pixel of the page, as a screen shows it: red, green and blue. */
export async function pixelAt(page: Page, x: number, y: number): Promise<string> {
  const picture = await page.screenshot({ clip: { x, y, width: 1, height: 1 } });
  const decoded = await decodedIn(page, [picture]);
  return decoded.evaluate(([rgba]) => [...rgba!].slice(0, 3).join());
}
