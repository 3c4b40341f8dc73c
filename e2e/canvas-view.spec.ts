import { expect, test, type Page } from '@playwright/test';
import { WRITER_SCENES } from '../core/src/testing/scenes.ts';
import { openScene } from './desk.ts';

const time = async (page: Page): Promise<string | null> => page.locator('[data-readout="time"]').textContent();

/** How far the canvas's middle is from that of its pane, px. */
async function unfitted(page: Page): Promise<number> {
  const edge = (await page.locator('.canvas-edge').boundingBox())!;
  const pane = (await page.locator('.canvas-surface').boundingBox())!;
  return Math.abs(edge.x + edge.width / 2 - (pane.x + pane.width / 2));
}

test('opened, a scene plays; loaded anew, it stands still until it is told to play', async ({ page }) => {
  await openScene(page, WRITER_SCENES['eased']!);
  const [one] = [await time(page), await page.waitForTimeout(400)];
  expect(await time(page)).not.toBe(one);
  await page.reload();
  await page.locator('.pace-line').first().waitFor();
  await page.waitForTimeout(600);
  expect(Number(await time(page))).toBe(0);
  await page.keyboard.press('Space');
  await expect.poll(async () => Number(await time(page))).toBeGreaterThan(0.2);
});

test('fitted, the canvas stays so when it or the window gets another size; moved by hand, it stays where it is', async ({
  page,
}) => {
  await openScene(page, WRITER_SCENES['eased']!);
  const edge = page.locator('.canvas-edge');
  const width = async (): Promise<number> => (await edge.boundingBox())!.width;
  const size = async (value: string): Promise<void> => {
    const field = page.getByRole('textbox', { name: /^Canvas width|^Width/ }).first();
    await field.fill(value);
    await field.press('Enter');
  };
  await size('1600');
  const fitted = await width();
  expect(await unfitted(page)).toBeLessThan(40);
  // Moved by hand it stays as it is.
  await page.mouse.move(300, 300);
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -400);
  await page.keyboard.up('Control');
  await expect.poll(width).toBeGreaterThan(fitted * 1.5);
  const moved = await width();
  await page.setViewportSize({ width: 1100, height: 720 });
  await page.waitForTimeout(200);
  expect(Math.abs((await width()) - moved)).toBeLessThan(1);
  // 0 fits it again, and from then on it goes with the window and with its own size.
  await page.keyboard.press('Escape');
  await page.keyboard.press('0');
  await expect.poll(async () => (await width()) < moved / 1.5).toBe(true);
  const small = await width();
  await page.setViewportSize({ width: 1400, height: 900 });
  await expect.poll(async () => (await width()) > small * 1.1).toBe(true);
  await size('400');
  await expect.poll(() => unfitted(page)).toBeLessThan(40);
});
