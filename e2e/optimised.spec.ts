import { expect, test } from '@playwright/test';
import { optimize } from 'svgo';
import { prepare } from '@pace-line/core';
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
