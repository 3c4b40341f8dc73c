import { expect, test, type Page } from '@playwright/test';
import { artById, leadInOf, prepare } from '@pace-line/core';
import { addTo } from './cards.ts';
import { openScene, savedScene } from './desk.ts';
import { entering, seenEntering } from './entering.ts';
import { cornersInPage, expectedCorners } from './motion.ts';
import { write } from './writing.ts';

const RUN = (page: Page, times: readonly number[], boxes: readonly { width: number; height: number }[]) =>
  page.evaluate(cornersInPage, { times, boxes, seek: true });

for (const [name, scene] of [
  ['for ever', entering()],
  ['three times', entering({ times: 3 })],
  ['once', entering({ repeat: 'once' })],
  ['through a camera that enters', seenEntering()],
] as const)
  test(`animated SVG, ${name}: the lead-in plays once, then the loop, as the evaluator has them`, async ({ page }) => {
    const { text } = await write(scene, 'animated-svg');
    // Held from the beginning: a lead-in that is over is no longer told by the page.
    const held = '<style>*{animation-play-state:paused!important}</style>';
    await page.setContent(`<!doctype html>${held}<body style="margin:0">${text}</body>`);
    const [motion, led] = [prepare(scene), leadInOf(scene)];
    expect(led).toBeCloseTo(1.1, 9);
    // Its beginning last, for the same reason.
    const seen = await page.evaluate(() => {
      const animations = document.getAnimations();
      const groups = [...document.querySelectorAll('svg g')];
      return [1500, 0].map((time) => {
        animations.forEach((animation) => (animation.currentTime = time));
        return groups.map((one) => Number(getComputedStyle(one).opacity)).filter((one) => one < 0.5).length;
      });
    });
    expect(seen).toEqual([0, 3]);
    const rounds = name === 'once' ? 1 : 2;
    const times = Array.from(
      { length: 80 },
      (_, i) => ((i * 0.6180339887 + 0.0417) % 1) * (led + rounds * motion.length),
    );
    const boxes = scene.riders.map(({ art }) => artById(scene, art)!);
    const shown = await RUN(page, times, boxes);
    let worst = 0;
    times.forEach((time, i) => {
      const at = time - led;
      for (const [index] of scene.riders.entries())
        expectedCorners(scene, motion, index, at < 0 ? at : at % motion.length).forEach(([x, y], k) => {
          const [u, v] = shown[i]![index]![k]!;
          worst = Math.max(worst, Math.hypot(x - u, y - v));
        });
    });
    expect(worst).toBeLessThan(0.5);
    expect(times.filter((time) => time < led).length).toBeGreaterThan(10);
  });

test('who asked for less motion sees all of it in its place at once', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const scene = entering();
  await page.setContent(`<!doctype html><body style="margin:0">${(await write(scene, 'animated-svg')).text}</body>`);
  expect(await page.evaluate(() => document.getAnimations().length)).toBe(0);
  const boxes = scene.riders.map(({ art }) => artById(scene, art)!);
  const [shown] = await page.evaluate(cornersInPage, { times: [0], boxes, seek: false });
  for (const [index] of scene.riders.entries())
    expectedCorners(scene, prepare(scene), index, 0).forEach(([x, y], k) =>
      expect(Math.hypot(x - shown![index]![k]![0], y - shown![index]![k]![1])).toBeLessThan(0.5),
    );
});

test('an entrance is made on the card and seen on the canvas; Send says which formats leave it out', async ({
  page,
}) => {
  const plain = entering();
  await openScene(page, { ...plain, riders: plain.riders.map((rider) => ({ ...rider, entrance: null })) });
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  await expect(page.getByRole('button', { name: 'Play the lead-in' })).toHaveCount(0);
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Enter');
  await page.locator('[data-card=rider] .card-head').click();
  await addTo(page, 'rider', 'Entrance');
  const fill = async (field: string, value: string): Promise<void> => {
    await page.getByRole('textbox', { name: field, exact: true }).fill(value);
    await page.keyboard.press('Enter');
  };
  await fill('Entrance duration', '20');
  await fill('Start offset x', '-120');
  await fill('Start opacity', '50');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Play the lead-in' }).click();
  await expect(page.locator('[data-readout=time]')).toHaveText(/^−/);
  await page.keyboard.press('Space');
  const scene = await savedScene(page);
  expect(scene.riders[0]!.entrance).toMatchObject({ seconds: 20, from: [-120, 0], opacity: 0.5, scale: 1 });
  await page.keyboard.press('Home');
  await expect(page.locator('[data-readout=time]')).toHaveText('0.00');
  await page.getByRole('link', { name: 'Send' }).click();
  await page.getByRole('button', { name: 'GIF', exact: true }).click();
  await expect(page.getByText('How “boat” enters: the loop begins at once.')).toBeVisible();
});

test('held on Send, an output with a lead-in is shown at the loop’s time as the Desk’s picture is', async ({
  page,
}) => {
  await openScene(page, entering());
  await page.getByRole('link', { name: 'Send' }).click();
  await page.getByRole('button', { name: 'Animated SVG', exact: true }).click();
  await expect(page.locator('.facts')).toContainText('Size');
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
  const frame = page.frameLocator('iframe');
  const times = (): Promise<(number | null)[]> =>
    frame.locator('body').evaluate(() => document.getAnimations().map((animation) => Number(animation.currentTime)));
  await expect.poll(async () => new Set(await times())).toEqual(new Set([1100]));
});
