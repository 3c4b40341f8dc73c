import { expect, test, type Page } from '@playwright/test';
import { canvasAt, openSample } from './desk.ts';

declare global {
  interface Window {
    /** How often React has changed the page. */
    renders: number;
  }
}

/** Counts what React renders, by the hook that its own tools use; it is there in what is delivered too. */
async function countRenders(page: Page): Promise<void> {
  await page.addInitScript(() => {
    window.renders = 0;
    Object.assign(window, {
      __REACT_DEVTOOLS_GLOBAL_HOOK__: {
        supportsFiber: true,
        renderers: new Map(),
        inject: () => 1,
        checkDCE: () => undefined,
        onCommitFiberUnmount: () => undefined,
        onCommitFiberRoot: () => {
          window.renders++;
        },
        onPostCommitFiberRoot: () => undefined,
      },
    });
  });
}

/** Waits until nothing has been rendered for a while. */
async function quiet(page: Page): Promise<void> {
  let last = -1;
  await expect
    .poll(
      async () => {
        const before = last;
        last = await page.evaluate(() => window.renders);
        return last === before;
      },
      { intervals: [700] },
    )
    .toBe(true);
}

type Place = readonly [number, number];

/** Presses at a place, moves to others, and gives how often React rendered between the first move and giving it up: kept, it would be written, which is said. */
async function renderedBy(page: Page, from: Place, to: readonly Place[]): Promise<number> {
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move(from[0] + 2, from[1] + 2, { steps: 3 });
  // What the press itself has chosen is rendered, and that what was done before is kept.
  await quiet(page);
  const painted = (): Promise<string> =>
    page.locator('.overlay').evaluateAll((all) => all.map((one) => one.outerHTML).join());
  const [before, looked] = [await page.evaluate(() => window.renders), await painted()];
  for (const [x, y] of to) await page.mouse.move(x, y, { steps: 8 });
  await expect.poll(painted).not.toBe(looked);
  const after = await page.evaluate(() => window.renders);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  return after - before;
}

test.beforeEach(async ({ page }) => {
  await countRenders(page);
  await openSample(page, /Open the sample Two ferries/);
});

test('while a hand is at work on the canvas nothing is rendered: it is painted', async ({ page }) => {
  const near = async (x: number, y: number): Promise<Place> => canvasAt(page, x, y);
  // It plays on from its start, where no rider lies where the guide is pressed.
  await page.keyboard.press('Home');
  await page.mouse.click(...(await near(640, 190)));
  await expect(page.locator('.node')).toHaveCount(4);
  // A guide is bent, while the loop plays.
  expect(await renderedBy(page, await near(640, 190), [await near(700, 150), await near(660, 240)])).toBe(0);
  // A node is moved.
  const node = (await page.locator('.node').nth(1).boundingBox())!;
  const at: Place = [node.x + node.width / 2, node.y + node.height / 2];
  expect(
    await renderedBy(page, at, [
      [at[0] + 30, at[1] - 20],
      [at[0] + 5, at[1] + 24],
    ]),
  ).toBe(0);
  // All of it goes by its cross.
  const grip = (await page.locator('.grip').boundingBox())!;
  expect(await renderedBy(page, [grip.x + 8, grip.y + 8], [[grip.x + 40, grip.y + 30]])).toBe(0);
  // A box is drawn about nodes.
  expect(await renderedBy(page, await near(30, 700), [await near(400, 300), await near(900, 100)])).toBe(0);
});

test('nor on the sheet; the open card says what the hand makes of it all the same', async ({ page }) => {
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
  const ring = async (n: number): Promise<Place> => {
    const box = (await page.locator('.mark-ring').nth(n).boundingBox())!;
    return [box.x + box.width / 2, box.y + box.height / 2];
  };
  const [x, y] = await ring(1);
  await page.mouse.click(x, y);
  const time = page.getByLabel('Time of the mark');
  const was = await time.inputValue();
  const shape = page.locator('.pace-line.selected');
  const before = await shape.getAttribute('d');
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 3, y, { steps: 2 });
  await quiet(page);
  const renders = await page.evaluate(() => window.renders);
  await page.mouse.move(x + 40, y - 12, { steps: 10 });
  await expect.poll(() => shape.getAttribute('d')).not.toBe(before);
  await expect.poll(() => time.inputValue()).not.toBe(was);
  expect(await page.evaluate(() => window.renders)).toBe(renders);
  await page.keyboard.press('Escape');
  await expect.poll(() => shape.getAttribute('d')).toBe(before);
  await expect.poll(() => time.inputValue()).toBe(was);
  await page.mouse.up();
  // Time is scrubbed.
  const strip = (await page.locator('.strip-ground').boundingBox())!;
  await page.mouse.move(strip.x + 60, strip.y + 10);
  await page.mouse.down();
  await quiet(page);
  const still = await page.evaluate(() => window.renders);
  await page.mouse.move(strip.x + 200, strip.y + 10, { steps: 12 });
  expect(await page.evaluate(() => window.renders)).toBe(still);
  await page.mouse.up();
});

test('nor while the loop plays and nobody does anything', async ({ page }) => {
  await page.keyboard.press('Home');
  await page.mouse.click(...(await canvasAt(page, 640, 190)));
  await quiet(page);
  const before = await page.evaluate(() => window.renders);
  await page.waitForTimeout(1500);
  expect(await page.evaluate(() => window.renders)).toBe(before);
});
