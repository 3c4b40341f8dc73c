import { expect, test, type Page } from '@playwright/test';
import { prepare, type Scene } from '@pace-line/core';
import { windowOn } from './carried-window.ts';
import { decoded } from './decoded.ts';
import { openScene } from './desk.ts';
import { drawingAt } from './pictures.ts';
import { sent, worst } from './red-rider.ts';
import { write } from './writing.ts';

type Place = readonly [number, number];

/** Where the middle of the carried square is at a time, s. */
function middleAt(scene: Scene, time: number): Place {
  const poses = prepare(scene).poseAt(time);
  const boat = scene.riders.findIndex(({ id }) => id === 'boat');
  const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => poses.of(boat, key);
  return [m('a') * 30 + m('c') * -25 + m('e'), m('b') * 30 + m('d') * -25 + m('f')];
}

/** The middle of what is red in each picture. */
async function redIn(page: Page, pictures: readonly Buffer[]): Promise<Place[]> {
  const places: Place[] = [];
  for (const picture of pictures) places.push(...(await decoded(page, picture, 'image/png')).places);
  return places;
}

const TIMES = Array.from({ length: 12 }, (_, i) => ((i * 0.618 + 0.03) % 1) * 2);

for (const keep of ['inside', 'outside'] as const) {
  const scene = windowOn(keep);

  test(`${keep} of a carried guide: an animated SVG shows it where its carrier has it, in the lead-in too`, async ({
    page,
  }) => {
    await page.setViewportSize({ width: 400, height: 300 });
    // Only pages of an address decode pictures.
    await page.goto('/preview.html');
    // Held from the beginning: a lead-in that is over is no longer told by the page.
    const held = '<style>*{animation-play-state:paused!important}</style>';
    const text = held + (await write(scene, 'animated-svg')).text;
    // The lead-in of half a second comes first.
    const times = [0.1, 0.3, ...TIMES.map((time) => 0.5 + time)];
    const places = await redIn(page, await drawingAt(page, text, times));
    const wanted = times.map((time) => middleAt(scene, time - 0.5));
    expect(worst(places, wanted)).toBeLessThan(0.7);
    expect(worst(places, wanted.slice(3).concat(wanted.slice(0, 3)))).toBeGreaterThan(20);
  });

  test(`${keep} of a carried guide: pictures, and the Desk as it is sent`, async ({ page }) => {
    test.setTimeout(120_000);
    await openScene(page, scene);
    await page.keyboard.press('.');
    await page.keyboard.press('Home');
    for (let i = 0; i < 7; i++) await page.keyboard.press('.');
    const edge = (await page.locator('.canvas-edge').boundingBox())!;
    const [x, y] = middleAt(scene, 7 / 12);
    const shown = async (): Promise<number> => {
      const [place] = await redIn(page, [await page.screenshot({ clip: edge })]);
      return Math.hypot((place![0] * 400) / edge.width - x, (place![1] * 400) / edge.width - y);
    };
    await expect.poll(shown).toBeLessThan(1.5);
    await page.getByRole('link', { name: 'Send' }).click();
    const { places } = await decoded(page, await sent(page, 'Animated PNG'), 'image/png');
    const wanted = places.map((_, i) => middleAt(scene, (i * 2) / places.length));
    expect(places).toHaveLength(24);
    expect(worst(places, wanted)).toBeLessThan(0.7);
    expect(worst(places, wanted.slice(3).concat(wanted.slice(0, 3)))).toBeGreaterThan(20);
  });
}
