import { describe, expect, test } from 'vitest';
import { countedRandom } from '../testing/random.ts';
import { fitPaceLine, PaceLine, type Moment } from './index.ts';

const lineOf = (moments: readonly Moment[], tolerance: number, slack?: number): { line: PaceLine; count: number } => {
  const marks = fitPaceLine(moments, tolerance, slack);
  return {
    line: new PaceLine(
      marks.map((mark) => ({ ...mark, dwell: 0 })),
      'once',
    ),
    count: marks.length,
  };
};
const worst = (moments: readonly Moment[], line: PaceLine): number =>
  Math.max(...moments.map(({ time, distance }) => Math.abs(line.distanceAt(time) - distance)));
const made = (count: number, way: (u: number) => number): Moment[] =>
  Array.from({ length: count }, (_, i) => ({ time: (3 * i) / (count - 1), distance: way(i / (count - 1)) }));

describe('a pace line fitted to moments', () => {
  test.each([
    ['a steady way', (u: number) => 600 * u, 2],
    ['a cubic ease, which one leg can follow', (u: number) => 600 * (3 * u * u - 2 * u * u * u), 2],
    ['a start from rest', (u: number) => 600 * u * u * u, 2],
    ['waves of speed', (u: number) => 600 * (u + 0.1 * Math.sin(12 * u)), 12],
  ] as [string, (u: number) => number, number][])('%s: within the tolerance, with few marks', (_, way, most) => {
    const moments = made(200, way);
    const { line, count } = lineOf(moments, 1);
    expect(worst(moments, line)).toBeLessThanOrEqual(1 + 1e-3);
    expect(count).toBeLessThanOrEqual(most);
  });
  test('a rest is a leg of its own that goes nowhere', () => {
    const moments = made(120, (u) => 600 * Math.min(u, Math.max(0.4, u - 0.3)));
    const marks = fitPaceLine(moments, 0.5);
    const rests = marks
      .slice(1)
      .filter((mark, i) => Math.abs(mark.distance - marks[i]!.distance) < 2 && mark.time - marks[i]!.time > 0.5);
    expect(rests).toHaveLength(1);
    expect(worst(moments, lineOf(moments, 0.5).line)).toBeLessThanOrEqual(0.501);
  });
  test('jitter of any kind stays within the tolerance', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const random = countedRandom(seed);
      let distance = 0;
      const moments = Array.from({ length: 90 }, (_, i) => ({ time: i * 0.02, distance: (distance += random() * 30) }));
      expect(worst(moments, lineOf(moments, 2).line)).toBeLessThanOrEqual(2.001);
    }
  });
  test('slack in time allows more where it is fast, and needs fewer marks', () => {
    const random = countedRandom(5);
    const moments = made(150, (u) => 900 * u).map(({ time, distance }) => ({
      time,
      distance: distance + (random() - 0.5) * 8,
    }));
    expect(lineOf(moments, 1, 1 / 60).count).toBeLessThan(lineOf(moments, 1).count);
  });
  test('two moments are one leg; times and ends are exact', () => {
    const marks = fitPaceLine(
      [
        { time: 0, distance: 5 },
        { time: 2, distance: 9 },
      ],
      1,
    );
    expect(marks.map(({ time, distance }) => [time, distance])).toEqual([
      [0, 5],
      [2, 9],
    ]);
  });
});
