import { artById, prepare, type Scene } from '@pace-line/core';
import { LINE, LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { expectedCorners, type Corners } from './motion.ts';

const at = (node: string, lap = 0) => ({ by: 'node', node, lap });

/** What wraps at odd shares of the loop, what is there at once, what turns round, what is held and let go, all in one. */
export const jumping = (): Scene =>
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
export interface AskedAtEvents {
  readonly times: readonly number[];
  readonly events: readonly number[];
}

/** Each event of the motion, and the numbers next to it on either side. */
export function eventsAndBeside(scene: Scene): AskedAtEvents {
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
export function worstOf(
  scene: Scene,
  { times, events }: AskedAtEvents,
  shown: readonly Corners[][],
): { gap: number; where: string } {
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

export const boxesOf = (scene: Scene): { width: number; height: number }[] =>
  scene.riders.map(({ art }) => artById(scene, art)!);
