import { describe, expect, test } from 'vitest';
import { countedRandom } from '../testing/random.ts';
import { hullOf } from './hull.ts';

describe('the hull of points', () => {
  test('is made of some of them, holds all of them, and turns one way', () => {
    const random = countedRandom(7);
    for (let n = 0; n < 40; n++) {
      const points = Float64Array.from({ length: 2 * (3 + Math.floor(random() * 60)) }, () =>
        Math.round(random() * 50),
      );
      const given = new Set(
        Array.from({ length: points.length / 2 }, (_, i) => `${points[2 * i]} ${points[2 * i + 1]}`),
      );
      const hull = hullOf(points);
      expect(hull.length).toBeGreaterThanOrEqual(4);
      for (let i = 0; i < hull.length; i += 2) {
        const [ax = 0, ay = 0] = hull.subarray(i, i + 2);
        const [bx = 0, by = 0] = i + 2 < hull.length ? hull.subarray(i + 2, i + 4) : hull.subarray(0, 2);
        expect(given).toContain(`${ax} ${ay}`);
        for (let k = 0; k < points.length; k += 2)
          expect((bx - ax) * (points[k + 1]! - ay) - (by - ay) * (points[k]! - ax)).toBeGreaterThanOrEqual(0);
      }
    }
  });
  test('of a square with points in and on it is its corners; of one point that point', () => {
    expect([...hullOf([1, 1, 0, 0, 2, 0, 1, 0, 2, 2, 0, 2, 0, 1])]).toEqual([0, 0, 2, 0, 2, 2, 0, 2]);
    expect([...hullOf([3, 4])]).toEqual([3, 4]);
  });
});
