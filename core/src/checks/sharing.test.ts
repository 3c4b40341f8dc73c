import { expect, test, vi } from 'vitest';
import { prepare } from '../motion/index.ts';
import { RiderMotion } from '../motion/rider-motion.ts';
import type { Scene } from '../scene/index.ts';
import { LOOPS, riderOn, sceneOf } from '../testing/scenes.ts';
import { checkClearance } from './clearance/index.ts';
import { sharing } from './sharing.ts';

const lap = (delay: number, id: string) =>
  riderOn(
    id,
    'loops',
    [
      { time: 0, place: { by: 'node', node: 'l1' } },
      { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
    ],
    { pace: { delay } },
  );

const scene = (): Scene =>
  sceneOf({ guides: [LOOPS], riders: Array.from({ length: 10 }, (_, i) => lap(i * 0.37, `r${i}`)) });

/** How often a rider is posed by a check of a scene, and what it finds. */
function posed(one: Scene): { readonly times: number; readonly found: unknown } {
  const spy = vi.spyOn(RiderMotion.prototype, 'poseAt');
  const found = checkClearance(one, prepare(one));
  const times = spy.mock.calls.length;
  spy.mockRestore();
  return { times, found };
}

test('a copy of a scene is made of what is known; what did not change is not looked at again', () => {
  const first = scene();
  const all = posed(first);
  expect(all.times).toBeGreaterThan(5000);
  const same = sharing(first, structuredClone(first));
  expect(same.riders).toBe(first.riders);
  expect(posed(same)).toEqual({ times: 0, found: all.found });

  const copy = structuredClone(first);
  const moved: Scene = {
    ...copy,
    riders: copy.riders.map((one, i) => (i === 4 ? { ...one, pace: { ...one.pace, delay: 3.1 } } : one)),
  };
  const shared = sharing(first, moved);
  expect(shared.riders.filter((one, i) => one === first.riders[i])).toHaveLength(9);
  const again = posed(shared);
  const fresh = posed(structuredClone(moved));
  // Its own track, and its nine pairs of forty-five.
  expect(again.times).toBeLessThan(fresh.times / 2);
  expect(again.found).toEqual(fresh.found);
});

test('another limit, length of the loop or size of the canvas is looked at anew', () => {
  const first = scene();
  const { found } = posed(first);
  expect(checkClearance(first, prepare(first), 30)).not.toEqual(found);
  const slower: Scene = { ...first, clock: { ...first.clock, duration: 8 } };
  expect(posed(slower).times).toBeGreaterThan(0);
  const smaller: Scene = { ...first, canvas: { ...first.canvas, width: 300 } };
  expect(posed(sharing(first, smaller))).toEqual({
    ...posed(structuredClone(smaller)),
    times: expect.any(Number) as number,
  });
});
