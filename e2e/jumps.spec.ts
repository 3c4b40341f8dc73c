import { expect, test } from '@playwright/test';
import { artById, prepare, type Scene } from '@pace-line/core';
import { LINE, LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { hostPage } from './hosting.ts';
import { cornersInPage, expectedCorners, type Corners } from './motion.ts';
import { write } from './writing.ts';

const at = (node: string, lap = 0) => ({ by: 'node', node, lap });

/** What wraps at odd shares of the loop, what is there at once, what turns round, what is held and let go, all in one. */
const jumping = (): Scene =>
  sceneOf({
    clock: { duration: 3, fps: 30, repeat: 'loop' },
    guides: [LOOPS, LINE],
    riders: [
      // Three rounds and a delay that no decimal share meets: it wraps at 0.25 + 1/11 …
      riderOn(
        'bead',
        'loops',
        [
          { time: 0, place: at('l1') },
          { time: 1, place: at('l1', 1) },
        ],
        { pace: { cycle: 1, delay: 1 / 11 } },
      ),
      riderOn(
        'comet',
        'line',
        [
          { time: 0, place: at('a') },
          { time: 0.5, place: at('c') },
        ],
        { pace: { cycle: 0.5, delay: 2 / 7 } },
      ),
      riderOn('flea', 'line', [
        { time: 0, place: at('a') },
        { time: 1 / 3, place: at('b') },
        { time: 1 / 3, place: at('c') },
        { time: 2.9, place: at('a') },
      ]),
      riderOn(
        'turner',
        'line',
        [
          { time: 0, place: at('a') },
          { time: 1.1, place: at('c') },
          { time: 2.6, place: at('a') },
        ],
        { heading: { mode: 'along', reverse: 'turn' } },
      ),
      riderOn(
        'blinker',
        'loops',
        [
          { time: 0, place: at('l1') },
          { time: 3, place: at('l1', 1) },
        ],
        {
          keys: {
            scale: [
              { id: 's1', time: 0.7, value: [1, 1], ease: { kind: 'hold' } },
              { id: 's2', time: 1.9, value: [2, 2] },
            ],
          },
        },
      ),
    ],
  });

/** s. So near to an event it is on one side of it, however its time is rounded. */
const BESIDE = 2e-8;

/** Times that are asked, and the event that each is at, or beside. */
interface Asked {
  readonly times: readonly number[];
  readonly events: readonly number[];
}

/** Each event of the motion, and the numbers next to it on either side. */
function eventsAndBeside(scene: Scene): Asked {
  const { riders, length } = prepare(scene);
  const events = [...new Set(riders.flatMap((one) => one.events(0, length)))].filter(
    (time) => time > 0 && time < length,
  );
  return {
    times: events.flatMap((time) => [time * (1 - Number.EPSILON), time, time * (1 + Number.EPSILON)]),
    events: events.flatMap((time) => [time, time, time]),
  };
}

/** How far what is shown at times is from the evaluator's, at a jump from the nearer of both sides, px. */
function worstOf(scene: Scene, { times, events }: Asked, shown: readonly Corners[][]): { gap: number; where: string } {
  const motion = prepare(scene);
  let worst = { gap: 0, where: '' };
  times.forEach((time, t) =>
    scene.riders.forEach(({ id }, i) => {
      const gaps = ([1, -1] as const).map((side) =>
        Math.max(
          ...expectedCorners(scene, motion, i, events[t]! + side * BESIDE, side).map(([x, y], k) => {
            const [u, v] = shown[t]![i]![k]!;
            return Math.hypot(x - u, y - v);
          }),
        ),
      );
      const gap = Math.min(...gaps);
      if (gap > worst.gap) worst = { gap, where: `${id} at ${time}` };
    }),
  );
  return worst;
}

const boxesOf = (scene: Scene): { width: number; height: number }[] =>
  scene.riders.map(({ art }) => artById(scene, art)!);

test('an animated SVG shows one side or the other at the exact time of every event, and beside it; never between', async ({
  page,
}) => {
  const scene = jumping();
  const asked = eventsAndBeside(scene);
  const { times } = asked;
  expect(times.length).toBeGreaterThan(60);
  await page.setContent(`<!doctype html><body style="margin:0">${(await write(scene, 'animated-svg')).text}</body>`);
  const shown = await page.evaluate(cornersInPage, { times, boxes: boxesOf(scene), seek: true });
  const worst = worstOf(scene, asked, shown);
  expect(worst.gap, worst.where).toBeLessThan(0.5);
});

test('so does a module, wherever it is told to be', async ({ page }) => {
  const scene = jumping();
  const asked = eventsAndBeside(scene);
  const { times } = asked;
  await hostPage(page, scene, `mount(document.querySelector('#here'), { driver: 'none' })`);
  const shown: Corners[][] = [];
  for (const time of times) {
    await page.evaluate(`made.seek(${time})`);
    shown.push((await page.evaluate(cornersInPage, { times: [0], boxes: boxesOf(scene), seek: false }))[0]!);
  }
  const worst = worstOf(scene, asked, shown);
  expect(worst.gap, worst.where).toBeLessThan(0.5);
});
