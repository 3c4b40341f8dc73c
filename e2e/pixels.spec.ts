import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import { sceneFromJson } from '@pace-line/core';
import { decoded } from './decoded.ts';
import { openScene } from './desk.ts';
import { redScene as scene, sent, wanted, worst } from './red-rider.ts';

test('GIF, animated PNG and animated WebP: frames, time, repeats, and where the rider is in each', async ({ page }) => {
  test.setTimeout(120_000);
  await openScene(page, scene);
  await page.getByRole('link', { name: 'Send' }).click();
  for (const [name, type, within] of [
    ['GIF', 'image/gif', 0.6],
    ['Animated PNG', 'image/png', 0.5],
    ['Animated WebP', 'image/webp', 0.8],
  ] as const) {
    const file = await sent(page, name);
    const { places, delays, repeats, size } = await decoded(page, file, type);
    expect(size, name).toEqual([400, 300]);
    expect(places, name).toHaveLength(30);
    expect(
      delays.reduce((sum, one) => sum + one, 0),
      name,
    ).toBeCloseTo(2000, 0);
    // Shown twice: once more after the first time.
    expect(repeats, name).toBe(1);
    expect(worst(places, wanted(scene, 30)), name).toBeLessThan(within);
    // The check sees motion at all.
    expect(worst(places, wanted(scene, 30).slice(3).concat(wanted(scene, 3))), name).toBeGreaterThan(5);
  }
});

test('transparent, twice as large, at another rate: what is not painted is clear', async ({ page }) => {
  test.setTimeout(120_000);
  await openScene(page, scene);
  await page.getByRole('link', { name: 'Send' }).click();
  for (const [name, type] of [
    ['GIF', 'image/gif'],
    ['Animated PNG', 'image/png'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
    const scale = page.getByLabel('Scale, up to 4');
    await scale.fill('2');
    await page.getByLabel(/^Frame rate/).fill('10');
    await page.getByRole('switch', { name: 'Paint the canvas’s background' }).uncheck({ force: true });
    await page.waitForTimeout(400);
    const file = await sent(page, name);
    const { places, size } = await decoded(page, file, type);
    expect(size).toEqual([800, 600]);
    expect(places).toHaveLength(20);
    expect(worst(places, wanted(scene, 20, 2))).toBeLessThan(1);
    const corner = await page.evaluate(
      async ({ data, type }) => {
        const bitmap = await createImageBitmap(
          new Blob([Uint8Array.from(atob(data), (c) => c.charCodeAt(0))], { type }),
        );
        const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
        const context = canvas.getContext('2d')!;
        context.drawImage(bitmap, 0, 0);
        return [...context.getImageData(2, 590, 1, 1).data];
      },
      { data: file.toString('base64'), type },
    );
    expect(corner[3]).toBe(0);
  }
});

test('from below 0: the lead-in is painted before the loop, and Send no longer says that it is left out', async ({
  page,
}) => {
  test.setTimeout(120_000);
  const entrance = { seconds: 0.6, from: [60, 40], turn: 30, scale: 0.6, opacity: 1 };
  const [still, red] = scene.riders;
  const led = sceneFromJson({ ...scene, riders: [still, { ...red, entrance }] });
  if (!led.ok) throw new Error(JSON.stringify(led.problems));
  await openScene(page, led.scene);
  await page.getByRole('link', { name: 'Send' }).click();
  await page.getByRole('button', { name: 'Animated PNG', exact: true }).click();
  const left = page.getByText('How “r” enters: the loop begins at once.');
  await expect(left).toBeVisible();
  await page.getByLabel(/^From, s/).fill('-5');
  await expect(left).toHaveCount(0);
  await page.waitForTimeout(400);
  const { places, delays } = await decoded(page, await sent(page, 'Animated PNG'), 'image/png');
  expect(places).toHaveLength(39);
  expect(delays.reduce((sum, one) => sum + one, 0)).toBeCloseTo(2600, 0);
  expect(worst(places, wanted(led.scene, 39, 1, -0.6))).toBeLessThan(0.5);
  expect(worst(places, wanted(scene, 39, 1, -0.6))).toBeGreaterThan(5);
});

test('a film: its time, its size, and where the rider is in it', async ({ page }) => {
  test.setTimeout(120_000);
  await openScene(page, scene);
  await page.getByRole('link', { name: 'Send' }).click();
  const file = await sent(page, 'WebM film');
  const seen = await page.evaluate(async (data) => {
    const video = document.createElement('video');
    video.muted = true;
    video.src = URL.createObjectURL(
      new Blob([Uint8Array.from(atob(data), (one) => one.charCodeAt(0))], { type: 'video/webm' }),
    );
    await new Promise((resolve) => (video.onloadeddata = resolve));
    const canvas = new OffscreenCanvas(video.videoWidth, video.videoHeight);
    const context = canvas.getContext('2d', { willReadFrequently: true })!;
    const places: [number, number][] = [];
    for (const frame of [3, 11, 20, 28]) {
      video.currentTime = (frame + 0.5) / 15;
      await new Promise((resolve) => (video.onseeked = resolve));
      context.drawImage(video, 0, 0);
      const { data: rgba } = context.getImageData(0, 0, canvas.width, canvas.height);
      let [x, y, count] = [0, 0, 0];
      for (let k = 0; k < rgba.length; k += 4)
        if (rgba[k]! > 150 && rgba[k + 1]! < 110 && rgba[k + 2]! < 110) {
          x += (k / 4) % canvas.width;
          y += Math.floor(k / 4 / canvas.width);
          count++;
        }
      places.push([x / count + 0.5, y / count + 0.5]);
    }
    return { places, duration: video.duration, size: [video.videoWidth, video.videoHeight] };
  }, file.toString('base64'));
  expect(seen.size).toEqual([400, 300]);
  expect(seen.duration).toBeCloseTo(2, 1);
  const all = wanted(scene, 30);
  expect(
    worst(
      seen.places,
      [3, 11, 20, 28].map((i) => all[i]!),
    ),
  ).toBeLessThan(1);
});

test('a sequence and a sheet hold the same frames', async ({ page }) => {
  test.setTimeout(120_000);
  await openScene(page, scene);
  await page.getByRole('link', { name: 'Send' }).click();
  const frames = unzipSync(await sent(page, 'PNG sequence'));
  expect(Object.keys(frames)).toHaveLength(30);
  const sheet = unzipSync(await sent(page, 'Sprite sheet'));
  const [image, list] = Object.values(sheet);
  const told = JSON.parse(Buffer.from(list!).toString()) as { frames: { x: number; y: number }[] };
  const differing = await page.evaluate(
    async ({ one, all, at }) => {
      const read = async (data: string): Promise<ImageBitmap> =>
        createImageBitmap(new Blob([Uint8Array.from(atob(data), (c) => c.charCodeAt(0))], { type: 'image/png' }));
      const [a, b] = [await read(one), await read(all)];
      const pixels = (bitmap: ImageBitmap, x: number, y: number): Uint8ClampedArray => {
        const canvas = new OffscreenCanvas(400, 300);
        const context = canvas.getContext('2d')!;
        context.drawImage(bitmap, -x, -y);
        return context.getImageData(0, 0, 400, 300).data;
      };
      const [p, q] = [pixels(a, 0, 0), pixels(b, at.x, at.y)];
      return p.reduce((count, value, i) => count + (value === q[i] ? 0 : 1), 0);
    },
    {
      one: Buffer.from(Object.values(frames)[17]!).toString('base64'),
      all: Buffer.from(image!).toString('base64'),
      at: told.frames[17]!,
    },
  );
  expect(differing).toBe(0);
});

test('what is being painted can be stopped', async ({ page }) => {
  test.setTimeout(120_000);
  await openScene(page, { ...scene, clock: { ...scene.clock, duration: 2, fps: 120 } });
  await page.getByRole('link', { name: 'Send' }).click();
  await page.getByRole('button', { name: /^Animated WebP/ }).click();
  await page.getByLabel('Scale, up to 4').fill('3');
  await expect(page.getByRole('button', { name: 'Cancel', exact: true })).toBeVisible();
  await page.waitForTimeout(1500);
  await page.getByRole('button', { name: 'Cancel', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Write it again' })).toBeVisible();
});
