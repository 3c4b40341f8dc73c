import fc from 'fast-check';
import { expect, test } from 'vitest';
import { farthest, lastAtMost, lastReached, wholeNumbers } from './search.ts';

test('the farthest end is found in few tries where all before it are accepted', () => {
  fc.assert(
    fc.property(fc.nat(200), fc.nat(2000), fc.nat(2000), (start, reach, more) => {
      const last = start + 1 + reach + more;
      const limit = start + 1 + reach;
      let tries = 0;
      const { end, made } = farthest(start, last, start + 1, (to) => {
        tries++;
        return to <= limit ? to : undefined;
      });
      expect(end).toBe(limit);
      expect(made).toBe(limit);
      expect(tries).toBeLessThan(4 + 2 * Math.log2(reach + 2) + 2);
    }),
    { seed: 3 },
  );
});

test('the last that has come, at a time that several share and from both sides', () => {
  const times = Float64Array.from([0, 1, 1, 2]);
  const at = (time: number, side: 1 | -1): number => lastReached(times, Float64Array.of(time), side);
  expect([-1, 0, 0.5, 1, 1.5, 2, 9].map((time) => at(time, 1))).toEqual([-1, 0, 0, 2, 2, 3, 3]);
  expect([-1, 0, 0.5, 1, 1.5, 2, 9].map((time) => at(time, -1))).toEqual([-1, -1, 0, 0, 2, 2, 3]);
  expect([-1, 0, 1, 5].map((value) => lastAtMost(times, value))).toEqual([0, 0, 2, 3]);
  expect(lastAtMost(times, 5, 2)).toBe(1);
});

test('whole numbers include both ends', () => {
  expect(wholeNumbers(-1, 2)).toEqual([-1, 0, 1, 2]);
  expect(wholeNumbers(2, 1)).toEqual([]);
});
