import { expect, test, type Page } from '@playwright/test';
import { prepare, type Scene } from '@pace-line/core';
import { LAYERED_SCENES } from '../core/src/testing/scenes.ts';
import { colourAt } from './layers.ts';
import { write } from './writing.ts';

/** The colours of the boxes that the browser shows at points of what was sent, at times, s. */
async function shownColours(
  page: Page,
  looks: readonly { time: number; x: number; y: number }[],
): Promise<(string | null)[]> {
  return page.evaluate((list) => {
    const animations = document.getAnimations();
    animations.forEach((animation) => animation.pause());
    const isSeen = (element: Element): boolean => {
      for (let at: Element | null = element; at; at = at.parentElement)
        if (Number(getComputedStyle(at).opacity) === 0) return false;
      return true;
    };
    return list.map(({ time, x, y }) => {
      animations.forEach((animation) => (animation.currentTime = time * 1000));
      const all = document.elementsFromPoint(x, y);
      const top = all.find(
        (element) => element.localName === 'rect' && element.getAttribute('fill') !== '#FFFFFF' && isSeen(element),
      );
      return top?.getAttribute('fill') ?? null;
    });
  }, looks);
}

/** Scattered looks, none within a pixel and a half of an edge, nor near a time at which something changes at once. */
function looksOf(scene: Scene): { time: number; x: number; y: number; colour: string | null }[] {
  const motion = prepare(scene);
  const steps = motion.riders.flatMap((rider) => rider.steps(0, motion.length));
  const { width, height } = scene.canvas;
  const looks: { time: number; x: number; y: number; colour: string | null }[] = [];
  for (let i = 0; looks.length < 400 && i < 4000; i++) {
    const time = ((i * 0.6180339887 + 0.0417) % 1) * motion.length;
    if (steps.some((step) => Math.abs(step - time) < 0.004)) continue;
    const rider = motion.riders[i % motion.riders.length];
    const near = rider?.poseAt(time) ?? new Float64Array(16);
    // Half of the looks are cast where riders are.
    const x = i % 2 === 0 ? (i * 0.7548776662 * width) % width : (near[8] ?? 0) + (((i * 37) % 80) - 40);
    const y = i % 2 === 0 ? (i * 0.5698402909 * height) % height : (near[9] ?? 0) + (((i * 53) % 60) - 30);
    if (x < 2 || y < 2 || x > width - 2 || y > height - 2) continue;
    const colour = colourAt(scene, time, x, y);
    const beside = [
      [1.5, 0],
      [-1.5, 0],
      [0, 1.5],
      [0, -1.5],
    ] as const;
    if (beside.some(([dx, dy]) => colourAt(scene, time, x + dx, y + dy) !== colour)) continue;
    looks.push({ time, x, y, colour: colour ?? null });
  }
  return looks;
}

for (const [name, scene] of Object.entries(LAYERED_SCENES))
  test(`${name}: what is sent shows at every point what the scene says`, async ({ page }) => {
    const looks = looksOf(scene);
    expect(looks.length).toBeGreaterThan(300);
    const colours = new Set(looks.map(({ colour }) => colour));
    expect(colours.size).toBeGreaterThan(3);
    const { text } = await write(scene, 'animated-svg');
    await page.setContent(`<!doctype html><body style="margin:0">${text}</body>`);
    const shown = await shownColours(page, looks);
    const wrong = looks.filter(({ colour }, i) => shown[i] !== colour);
    expect(wrong.slice(0, 3), `${wrong.length} of ${looks.length}`).toEqual([]);
  });
