import { expect, test, type Page } from '@playwright/test';
import { optimize } from 'svgo';
import { prepare, type Scene } from '@pace-line/core';
import { LOOPS, riderOn, sceneOf, WRITER_SCENES } from '../core/src/testing/scenes.ts';
import { seededScene } from '../core/src/testing/seeded.ts';
import { SAMPLES } from '../samples/scenes.ts';
import { entering } from './entering.ts';
import { hostPage } from './hosting.ts';
import { boxesOf, eventsAndBeside, jumping, worstOf } from './jumping.ts';
import { calmTimes, cornersInPage, tellingTimes, worstGap, type Corners } from './motion.ts';
import { differingShare, drawingAt } from './pictures.ts';
import { write } from './writing.ts';

// What is written to be light to play: one group and one animation of place for each rider.

const LIGHT = { plays: 'light' };

const scenes: Record<string, Scene> = {
  ...WRITER_SCENES,
  ...Object.fromEntries(SAMPLES.map(({ file, scene }) => [file, scene])),
};

const inPage = (svg: string): string => `<!doctype html><body style="margin:0">${svg}</body>`;

for (const [name, scene] of Object.entries(scenes))
  test(`${name}, light, stays within half a pixel of the evaluator`, async ({ page }) => {
    const { text } = await write(scene, 'animated-svg', LIGHT);
    expect(text).toContain('{translate:');
    expect(text).not.toContain('offset-path');
    await page.setContent(inPage(text));
    const worst = await worstGap(page, scene, tellingTimes(prepare(scene)));
    expect(worst.gap, `${worst.rider} at ${worst.time}`).toBeLessThan(0.5);
    expect(worst.gap).toBeGreaterThan(0);
  });

/** Where a module shows the corners of riders' art when it is told times. */
async function cornersTold(page: Page, scene: Scene, times: readonly number[]): Promise<Corners[][]> {
  const shown: Corners[][] = [];
  for (const time of times) {
    await page.evaluate(`made.seek(${time})`);
    shown.push((await page.evaluate(cornersInPage, { times: [0], boxes: boxesOf(scene), seek: false }))[0]!);
  }
  return shown;
}

test('at the exact time of every event, and beside it, one side or the other is shown: as a drawing, and as a module', async ({
  page,
}) => {
  const scene = jumping();
  const asked = eventsAndBeside(scene);
  await page.setContent(inPage((await write(scene, 'animated-svg', LIGHT)).text));
  const shown = await page.evaluate(cornersInPage, { times: asked.times, boxes: boxesOf(scene), seek: true });
  const drawing = worstOf(scene, asked, shown);
  expect(drawing.gap, drawing.where).toBeLessThan(0.5);
  await hostPage(page, scene, `mount(document.querySelector('#here'), { driver: 'none' })`, undefined, {
    options: LIGHT,
  });
  const module = worstOf(scene, asked, await cornersTold(page, scene, asked.times));
  expect(module.gap, module.where).toBeLessThan(0.5);
  // Every rider that moves both ways is one group with one animation of its place.
  expect(await page.evaluate(() => document.querySelectorAll('g[class*="-m"] g[class*="-m"]').length)).toBeLessThan(3);
});

test('a module that is taken away leaves what was built elsewhere as it was', async ({ page }) => {
  const scene = WRITER_SCENES['eased']!;
  await hostPage(page, scene, `mount(document.querySelector('#here'), { driver: 'none' })`, undefined, {
    options: LIGHT,
  });
  const [before, during, after] = await page.evaluate<string[]>(`(async () => {
    made.destroy();
    const { mount, picture } = await import('/loop.js');
    const svg = picture((kind, attributes, inside) => {
      const one = document.createElementNS('http://www.w3.org/2000/svg', kind);
      for (const name in attributes) one.setAttribute(name, attributes[name]);
      one.append(...inside);
      return one;
    }, 'x');
    document.querySelector('#here').append(svg);
    const styles = () => [...svg.querySelectorAll('g')].map((one) => one.style.transform).join();
    const first = styles();
    const again = mount(document.querySelector('#here'), { driver: 'none', svg });
    const second = styles();
    again.destroy();
    return [first, second, styles()];
  })()`);
  expect(during).toContain('matrix(1, 0, 0, 1, -20, -20)');
  expect(before).not.toContain('matrix');
  expect(after).toBe(before);
});

test('what enters, what repeats others, what goes there and back: as without it, for less motion as well', async ({
  page,
  browser,
}) => {
  const calm = await browser.newPage({ reducedMotion: 'reduce' });
  const there: Scene = { ...scenes['there-and-back']! };
  for (const scene of [entering(), there, scenes['tea-order.paceline.json']!, scenes['dragonfly.paceline.json']!]) {
    const times = calmTimes(prepare(scene), [0.07, 0.31, 0.52, 0.83]);
    const small = await drawingAt(page, (await write(scene, 'animated-svg', { plays: 'small' })).text, times);
    const { text } = await write(scene, 'animated-svg', LIGHT);
    const light = await drawingAt(page, text, times);
    for (const [i, picture] of small.entries())
      expect(await differingShare(page, [picture, light[i]!]), `${scene.name} at ${times[i]}`).toBeLessThan(0.0005);
    await calm.setContent(inPage(text));
    expect(await calm.evaluate(() => document.getAnimations().length)).toBe(0);
    const still = await calm.screenshot();
    await calm.setContent(inPage((await write(scene, 'animated-svg', { plays: 'small' })).text));
    expect(await differingShare(page, [still, await calm.screenshot()]), scene.name).toBeLessThan(0.0005);
  }
  await calm.close();
});

test('what repeats another whose art turns about another point does so about its own', async ({ page }) => {
  const lap = (delay: number, pivot: readonly [number, number]) =>
    riderOn(
      `r${delay}`,
      'loops',
      [
        { time: 0, place: { by: 'node', node: 'l1' } },
        { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
      ],
      { pace: { delay }, pivot },
    );
  const scene = sceneOf({ guides: [LOOPS], riders: [lap(0, [20, 20]), lap(1, [30, 8]), lap(2, [20, 20])] });
  const { text } = await write(scene, 'animated-svg', LIGHT);
  await page.setContent(inPage(text));
  const worst = await worstGap(page, scene, tellingTimes(prepare(scene)));
  expect(worst.gap, `${worst.rider} at ${worst.time}`).toBeLessThan(0.5);
});

test('an optimiser changes nothing of it', async ({ page }) => {
  test.setTimeout(180_000);
  const seeded = Array.from({ length: 12 }, (_, i) => seededScene(200 + i));
  for (const scene of [...SAMPLES.map((one) => one.scene), ...seeded]) {
    const { text } = await write(scene, 'animated-svg', LIGHT);
    const times = calmTimes(prepare(scene), [0.13, 0.61]);
    const before = await drawingAt(page, text, times);
    const after = await drawingAt(page, optimize(text, { multipass: true }).data, times);
    for (const [i, picture] of before.entries())
      expect(await differingShare(page, [picture, after[i]!]), `${scene.name} at ${times[i]}`).toBeLessThan(0.0004);
  }
});
