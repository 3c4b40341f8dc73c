import { expect, test, type CDPSession, type Page } from '@playwright/test';
import { canvasAt, openSample, savedScene } from './desk.ts';

test.use({ hasTouch: true });

type Point = readonly [number, number];

/** The browser's own touches: each step is where all fingers are. */
async function touch(cdp: CDPSession, type: 'Start' | 'Move' | 'End', points: readonly Point[]): Promise<void> {
  await cdp.send('Input.dispatchTouchEvent', {
    type: `touch${type}`,
    touchPoints: points.map(([x, y], id) => ({ x, y, id })),
  });
}

const zoomOf = async (page: Page): Promise<number> => (await page.locator('.canvas-edge').boundingBox())?.width ?? 0;

test('one finger bends, two move and zoom; a second finger plots nothing', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  const cdp = await page.context().newCDPSession(page);
  const before = await savedScene(page);
  const guide = before.guides[0];
  const node = guide?.nodes[1];
  if (!guide || !node) throw new Error('no guide');
  await page.locator('.canvas-surface').focus();
  const at = await canvasAt(page, node.x, node.y);

  // Two fingers on a guide: the view, and nothing else.
  await page.mouse.click(...at);
  const width = await zoomOf(page);
  await touch(cdp, 'Start', [at]);
  await touch(cdp, 'Start', [at, [at[0] + 60, at[1] + 10]]);
  for (let i = 1; i <= 6; i++)
    await touch(cdp, 'Move', [
      [at[0] - 10 * i, at[1]],
      [at[0] + 60 + 10 * i, at[1] + 10],
    ]);
  await touch(cdp, 'End', []);
  expect(await zoomOf(page)).toBeGreaterThan(1.5 * width);
  expect((await savedScene(page)).guides).toEqual(before.guides);

  // Plotting, a second finger takes back what the first one's press put there.
  await page.locator('[data-action="fit"]').click();
  await page.getByRole('button', { name: 'Plot', exact: true }).click();
  const [a, b] = [await canvasAt(page, 200, 100), await canvasAt(page, 420, 100)];
  for (const point of [a, b]) {
    await touch(cdp, 'Start', [point]);
    await touch(cdp, 'End', []);
  }
  const c = await canvasAt(page, 640, 100);
  await touch(cdp, 'Start', [c]);
  await touch(cdp, 'Move', [[c[0] + 30, c[1]]]);
  await touch(cdp, 'Start', [[c[0] + 30, c[1]], await canvasAt(page, 700, 300)]);
  await touch(cdp, 'End', []);
  await page.keyboard.press('Enter');
  const plotted = (await savedScene(page)).guides.at(-1);
  expect(plotted?.nodes.map(({ x, y }) => [Math.round(x / 10), Math.round(y / 10)])).toEqual([
    [20, 10],
    [42, 10],
  ]);

  // One finger drags a node.
  await page.keyboard.press('1');
  const end = await canvasAt(page, 420, 100);
  await touch(cdp, 'Start', [end]);
  for (let i = 1; i <= 5; i++) await touch(cdp, 'Move', [[end[0] + 8 * i, end[1] + 6 * i]]);
  await touch(cdp, 'End', []);
  const moved = (await savedScene(page)).guides.at(-1)?.nodes[1];
  expect(moved?.x).toBeGreaterThan(450);
});

test('on the sheet one finger drags a mark, two zoom in time', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.locator('.mark').nth(1).focus();
  const cdp = await page.context().newCDPSession(page);
  const ring = page.locator('.mark').nth(1).locator('.mark-ring');
  const box = await ring.boundingBox();
  if (!box) throw new Error('no mark');
  const at: Point = [box.x + box.width / 2, box.y + box.height / 2];
  await touch(cdp, 'Start', [at]);
  await touch(cdp, 'Start', [at, [at[0] + 80, at[1]]]);
  for (let i = 1; i <= 5; i++)
    await touch(cdp, 'Move', [
      [at[0] - 16 * i, at[1]],
      [at[0] + 80 + 16 * i, at[1]],
    ]);
  await touch(cdp, 'End', []);
  await expect(page.getByRole('button', { name: 'whole loop' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
  await page.getByRole('button', { name: 'whole loop' }).click();
  await touch(cdp, 'Start', [at]);
  for (let i = 1; i <= 5; i++) await touch(cdp, 'Move', [[at[0] + 8 * i, at[1]]]);
  await touch(cdp, 'End', []);
  await expect(page.getByRole('button', { name: 'Undo: Move mark' })).toBeEnabled();
});
