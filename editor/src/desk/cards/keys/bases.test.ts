import fc from 'fast-check';
import { expect, test } from 'vitest';
import { LOOPS, riderOn, sceneOf } from '../../../../../core/src/testing/scenes.ts';
import { BASES, keyFor, whole } from './bases.ts';

const value = fc.double({ min: 0.01, max: 1000, noNaN: true });

test.each(Object.entries(BASES))('%s: a keyframe for a wanted whole makes that whole', (_, base) =>
  fc.assert(
    fc.property(fc.tuple(value, value), fc.tuple(value, value), (constant, wanted) => {
      const made = whole(base, constant, keyFor(base, constant, wanted));
      made.forEach((one, i) => expect(one).toBeCloseTo(wanted[i]!, 6));
    }),
  ),
);

test.each(Object.entries(BASES))('%s: a constant that was put is the one that is there', (_, base) => {
  const scene = sceneOf({ guides: [LOOPS], riders: [riderOn('boat', 'loops', [])] });
  const wanted = base.of(scene.riders[0]!).map(() => 0.25);
  expect(base.of(base.put(scene, scene.riders[0]!, wanted).riders[0]!)).toEqual(wanted);
});

test('a constant of nothing is not divided by', () => {
  expect(keyFor(BASES.scale, [0, 2], [3, 3])).toEqual([3, 1.5]);
});
