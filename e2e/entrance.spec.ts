import { expect, test, type Page } from '@playwright/test';
import { artById, leadInOf, prepare, type Scene } from '@pace-line/core';
import { LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { openScene, savedScene } from './desk.ts';
import { cornersInPage, expectedCorners } from './motion.ts';
import { write } from './writing.ts';

const lap = (id: string) => [
  { time: 0, place: { by: 'node', node: 'l1' }, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
  { time: 2, place: { by: 'node', node: 'l1', lap: 1 }, id: `${id}-end` },
];

/** A boat that springs in, a lamp on it, and a bird that stands still and drops in later. */
const entering = (clock: Record<string, unknown> = {}): Scene =>
  sceneOf({
    clock: { duration: 2, fps: 30, repeat: 'loop', ...clock },
    guides: [LOOPS],
    riders: [
      riderOn('boat', 'loops', lap('boat'), {
        entrance: {
          seconds: 0.8,
          from: [-60, 20],
          turn: 40,
          scale: 0.3,
          opacity: 0,
          ease: { kind: 'spring', overshoot: 20, settle: 0.9 },
        },
      }),
      { ...riderOn('lamp', 'loops', []), guide: null, at: [40, 10], carrier: { rider: 'boat' }, scale: [0.5, 0.5] },
      {
        ...riderOn('bird', 'loops', []),
        guide: null,
        at: [600, 120],
        entrance: { start: 0.5, seconds: 0.6, from: [0, -90] },
      },
    ],
  });

const RUN = (page: Page, times: readonly number[], boxes: readonly { width: number; height: number }[]) =>
  page.evaluate(cornersInPage, { times, boxes, seek: true });

for (const [name, scene] of [
  ['for ever', entering()],
  ['three times', entering({ times: 3 })],
  ['once', entering({ repeat: 'once' })],
] as const)
  test(`animated SVG, ${name}: the lead-in plays once, then the loop, as the evaluator has them`, async ({ page }) => {
    await page.setContent(`<!doctype html><body style="margin:0">${(await write(scene, 'animated-svg')).text}</body>`);
    const [motion, led] = [prepare(scene), leadInOf(scene)];
    expect(led).toBeCloseTo(1.1, 9);
    // First: what is over is no longer told.
    const seen = await page.evaluate(() => {
      const animations = document.getAnimations();
      const groups = [...document.querySelectorAll('svg g')];
      return [0, 1500].map((time) => {
        animations.forEach((animation) => (animation.currentTime = time));
        return groups.map((one) => Number(getComputedStyle(one).opacity)).filter((one) => one < 0.5).length;
      });
    });
    expect(seen).toEqual([3, 0]);
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
  await page.getByRole('group', { name: 'Enters before it' }).getByRole('button', { name: 'yes' }).click();
  const fill = async (field: string, value: string): Promise<void> => {
    await page.getByRole('textbox', { name: field, exact: true }).fill(value);
    await page.keyboard.press('Enter');
  };
  await fill('Entering takes', '20');
  await fill('Enters from x', '-120');
  await fill('Opacity as it enters', '50');
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
