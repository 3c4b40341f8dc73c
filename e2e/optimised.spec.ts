import { expect, test, type Page } from '@playwright/test';
import { optimize, type Config } from 'svgo';
import { prepare, type Scene } from '@pace-line/core';
import { seededScene } from '../core/src/testing/seeded.ts';
import { SAMPLES } from '../samples/scenes.ts';
import { windowOn } from './carried-window.ts';
import { entering } from './entering.ts';
import { calmTimes } from './motion.ts';
import { differingShare, drawingAt } from './pictures.ts';
import { write } from './writing.ts';

const MORE = [
  { file: 'what enters', scene: entering() },
  { file: 'what is inside of a carried guide', scene: windowOn('inside') },
  { file: 'what is outside of a carried guide', scene: windowOn('outside') },
];

for (const { file, scene } of [...SAMPLES, ...MORE])
  test(`${file} looks the same after an optimiser with its default settings`, async ({ page, browser }) => {
    const { text } = await write(scene, 'animated-svg');
    const optimised = optimize(text).data;
    expect(optimised.length).toBeLessThan(text.length);
    const times = calmTimes(prepare(scene), [0.07, 0.31, 0.52, 0.83]);
    const before = await drawingAt(page, text, times);
    const after = await drawingAt(page, optimised, times);
    const shares: number[] = [];
    for (const [i, picture] of before.entries()) shares.push(await differingShare(page, [picture, after[i]!]));
    expect(Math.max(...shares)).toBeLessThan(0.0002);
    // The check sees what is elsewhere: other times of the loop are other pictures.
    expect(await differingShare(page, [before[0]!, before[1]!])).toBeGreaterThan(0.0005);
    // It stands still for those who asked for that, and for nobody else.
    const calm = await browser.newPage({ reducedMotion: 'reduce' });
    const running: number[] = [];
    for (const one of [page, calm]) {
      await one.setContent(`<!doctype html><body>${optimised}</body>`);
      running.push(await one.evaluate(() => document.getAnimations().length));
    }
    expect(running[0]).toBeGreaterThan(0);
    expect(running[1]).toBe(0);
    await calm.close();
  });

/** What people set beside the defaults: sizes left to the page, lengths rounded, styles made attributes, shapes made paths. */
const SETS: readonly (readonly [string, Config])[] = [
  ['its default settings', {}],
  ['its default settings and sizes left to the page', { plugins: ['preset-default', 'removeDimensions'] }],
  [
    'all that it is asked for besides',
    {
      multipass: true,
      plugins: [
        'preset-default',
        ...(['removeDimensions', 'convertStyleToAttrs', 'convertOneStopGradients', 'reusePaths'] as const),
        ...(['removeXMLProcInst', 'sortAttrs', 'removeOffCanvasPaths'] as const),
      ],
    },
  ],
];

/** What of a scene is another picture after an optimiser, whatever that is asked for. */
async function changedBy(page: Page, scene: Scene): Promise<string[]> {
  const { text } = await write(scene, 'animated-svg');
  const times = calmTimes(prepare(scene), [0.13, 0.61]);
  const before = await drawingAt(page, text, times);
  const wrong: string[] = [];
  for (const [name, config] of SETS) {
    const after = await drawingAt(page, sized(optimize(text, config).data, scene), times);
    for (const [i, picture] of before.entries()) {
      const share = await differingShare(page, [picture, after[i]!]);
      if (share > 0.0004) wrong.push(`${scene.name} at ${times[i]} with ${name}: ${share}`);
    }
  }
  return wrong;
}

// In lots, as the laws of motion: LAW=full looks at all of them.
for (const first of process.env['LAW'] === 'full' ? [1, 35, 69] : [1])
  test(`scenes ${first} to ${first + 33} of a hundred and two look the same, whatever an optimiser is asked for`, async ({
    page,
  }) => {
    test.setTimeout(900_000);
    const wrong: string[] = [];
    for (let seed = first; seed < first + 34; seed++) wrong.push(...(await changedBy(page, seededScene(seed))));
    expect(wrong).toEqual([]);
  });

test('the samples look the same, whatever an optimiser is asked for', async ({ page }) => {
  test.setTimeout(300_000);
  const wrong: string[] = [];
  for (const { scene } of [...SAMPLES, ...MORE]) wrong.push(...(await changedBy(page, scene)));
  expect(wrong).toEqual([]);
});

/** Where its size is left to the page, the page gives it the one that it had. */
const sized = (text: string, { canvas: { width, height } }: Scene): string =>
  /^<svg[^>]* width=/.test(text) ? text : `<style>body>svg{width:${width}px;height:${height}px}</style>${text}`;
