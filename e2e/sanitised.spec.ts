import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test, type Page } from '@playwright/test';
import { prepare, type Scene } from '@pace-line/core';
import { seededScene } from '../core/src/testing/seeded.ts';
import { BOX_ART, colouredArt, riderOn, sceneOf, SQUARE } from '../core/src/testing/scenes.ts';
import { calmTimes } from './motion.ts';
import { differingShare, drawingAt } from './pictures.ts';
import { write } from './writing.ts';

const SANITISER = readFileSync(createRequire(import.meta.url).resolve('dompurify/dist/purify.min.js'), 'utf8');

/** What a sanitiser with its default settings leaves of a text. */
async function sanitised(page: Page, text: string): Promise<string> {
  await page.setContent('<!doctype html><body></body>');
  await page.addScriptTag({ content: SANITISER });
  return page.evaluate((markup) => {
    const { DOMPurify } = globalThis as unknown as { DOMPurify: { sanitize: (text: string) => string } };
    return DOMPurify.sanitize(markup);
  }, text);
}

/** Sixty riders of one art, one behind the other. */
const sixty: Scene = sceneOf({
  name: 'Sixty lamps',
  guides: [SQUARE],
  art: [BOX_ART, colouredArt('lamp', '#b03000', 12, 12)],
  riders: Array.from({ length: 60 }, (_, i) =>
    riderOn(
      `lamp${i}`,
      'square',
      [
        { time: 0, place: { by: 'share', value: 0 } },
        { time: 4, place: { by: 'share', value: 1 } },
      ].map((mark) => ({ ...mark, id: `lamp${i}-${mark.time}` })),
      { art: 'lamp', pace: {} },
    ),
  ).map((rider, i) => ({ ...rider, pace: { ...(rider['pace'] as object), delay: (i * 4) / 60 } })),
});

for (const scene of [sixty, seededScene(12), seededScene(37), seededScene(58)])
  test(`${scene.name}, written without what sanitisers take away, is the same after one with its defaults`, async ({
    page,
  }) => {
    const { text } = await write(scene, 'animated-svg', { uses: false });
    expect(text).not.toContain('<use');
    const times = calmTimes(prepare(scene), [0.13, 0.61]);
    const before = await drawingAt(page, text, times);
    const left = await sanitised(page, text);
    const after = await drawingAt(page, left, times);
    for (const [i, picture] of before.entries())
      expect(await differingShare(page, [picture, after[i]!]), `at ${times[i]}`).toBeLessThan(0.0002);
    expect(await page.evaluate(() => document.getAnimations().length)).toBeGreaterThan(0);
  });

test('without being told so, what is shown several times is written once, unless it is to play lightly', async () => {
  const written = async (options: Record<string, unknown>): Promise<string> =>
    (await write(sixty, 'animated-svg', options)).text;
  const once = await written({ plays: 'small' });
  expect(once.match(/<use/g)).toHaveLength(60);
  expect(once.length).toBeLessThan((await written({ plays: 'small', uses: false })).length);
  // Sixty riders play lightly unless it is said otherwise.
  expect(await written({})).not.toContain('<use');
});
