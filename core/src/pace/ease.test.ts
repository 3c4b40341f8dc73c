import { describe, expect, test } from 'vitest';
import { compileLeg, EASE_FAMILIES, EASE_MODES, wordsOfEase, type Ease } from './index.ts';

/** A cubic-bezier by plain bisection on the parameter. */
function bezierTruth([x1, y1, x2, y2]: readonly [number, number, number, number], u: number): number {
  const value = (a: number, b: number, t: number): number =>
    3 * a * t * (1 - t) ** 2 + 3 * b * t * t * (1 - t) + t ** 3;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (value(x1, x2, middle) < u) low = middle;
    else high = middle;
  }
  return value(y1, y2, (low + high) / 2);
}

const us = Array.from({ length: 101 }, (_, i) => i / 100);

describe('families, in their usual closed forms', () => {
  const known: [string, string, number, number][] = [
    ['sine', 'in', 0.5, 1 - Math.SQRT1_2],
    ['sine', 'in-out', 0.25, (1 - Math.cos(Math.PI / 4)) / 2],
    ['quad', 'in', 0.3, 0.09],
    ['quad', 'in-out', 0.75, 1 - 2 * 0.25 ** 2],
    ['cubic', 'out', 0.5, 0.875],
    ['quart', 'in', 0.5, 0.0625],
    ['quint', 'in-out', 0.25, 16 * 0.25 ** 5],
    ['expo', 'in', 0.5, 2 ** -5],
    ['expo', 'out', 0.5, 1 - 2 ** -5],
    ['circ', 'in', 0.6, 0.2],
    ['circ', 'out', 0.4, 0.8],
    ['back', 'in', 0.5, 2.70158 * 0.125 - 1.70158 * 0.25],
    ['back', 'in-out', 0.25, (0.25 * (3.5949095 * 0.5 - 2.5949095)) / 2],
    ['elastic', 'out', 0.5, 2 ** -5 * Math.sin((5 - 0.75) * ((2 * Math.PI) / 3)) + 1],
    ['elastic', 'in-out', 0.25, -(2 ** (5 - 10) * Math.sin((5 - 11.125) * ((2 * Math.PI) / 4.5))) / 2],
    ['bounce', 'out', 0.2, 7.5625 * 0.04],
    ['bounce', 'out', 0.6, 7.5625 * (0.6 - 1.5 / 2.75) ** 2 + 0.75],
    ['bounce', 'in', 0.4, 1 - (7.5625 * (0.6 - 1.5 / 2.75) ** 2 + 0.75)],
  ];
  test.each(known)('%s %s at %f', (family, mode, u, value) => {
    expect(compileLeg({ kind: 'family', family, mode } as Ease).progress(u)).toBeCloseTo(value, 12);
  });
  test.each(EASE_FAMILIES.flatMap((family) => EASE_MODES.map((mode) => [family, mode] as const)))(
    '%s %s begins at 0, ends at 1, and its rate is its slope',
    (family, mode) => {
      const ease = compileLeg({ kind: 'family', family, mode });
      expect(ease.progress(0)).toBeCloseTo(0, 12);
      expect(ease.progress(1)).toBeCloseTo(1, 12);
      const h = 1e-6;
      for (const u of us.slice(2, -2)) {
        if (ease.breaks.some((at) => Math.abs(at - u) < 2 * h)) continue;
        const slope = (ease.progress(u + h) - ease.progress(u - h)) / (2 * h);
        expect(ease.rate(u)).toBeCloseTo(slope, 4);
      }
    },
  );
});

describe('cubic-bezier', () => {
  // Where x'(t) vanishes the y of an x is known only to the root of the rounding error: fewer digits can agree.
  test.each([
    [9, [0.42, 0, 0.58, 1]],
    [9, [0, 0, 1, 1]],
    [5, [1, 0, 0, 1]],
    [7, [0, 1, 1, 0]],
    [9, [0.3, -2, 0.7, 3]],
    [9, [0, 0, 0, 1]],
  ] as const)('to %i digits of bisection: %j', (digits, values) => {
    const ease = compileLeg({ kind: 'bezier', values });
    for (const u of us) expect(ease.progress(u)).toBeCloseTo(bezierTruth(values, u), digits);
  });
});

describe('points', () => {
  const ease = compileLeg({
    kind: 'points',
    points: [
      [0, 0],
      [0.25, 0.5],
      [0.25, 0.8],
      [1, 1],
    ],
  });
  test('straight between points, a jump where two share a time', () => {
    expect(ease.progress(0.125)).toBeCloseTo(0.25, 12);
    expect(ease.progress(0.25 - 1e-12)).toBeCloseTo(0.5, 9);
    expect(ease.progress(0.25)).toBeCloseTo(0.8, 12);
    expect(ease.progress(0.625)).toBeCloseTo(0.9, 12);
    expect(ease.breaks).toEqual([0.25]);
  });
});

test('the parts of an ease are its pieces, stretched', () => {
  const whole = compileLeg({ kind: 'family', family: 'elastic', mode: 'out' });
  const part = compileLeg({ kind: 'family', family: 'elastic', mode: 'out', part: [0.1, 0.7] });
  for (const u of us) {
    const expected =
      (whole.progress(0.1 + 0.6 * u) - whole.progress(0.1)) / (whole.progress(0.7) - whole.progress(0.1));
    expect(part.progress(u)).toBeCloseTo(expected, 12);
  }
});

test('a curve of one’s own is told by how it begins and ends, not by a row of numbers', () => {
  const words = (...values: [number, number, number, number]): string => wordsOfEase({ kind: 'bezier', values });
  expect(words(0.4, 0.16, 0.6, 0.9)).toBe('custom, in-out');
  expect(words(0.4, 0.1, 0.6, 0.6)).toBe('custom, in');
  expect(words(0.2, 0.6, 0.6, 0.9)).toBe('custom, out');
});

test.each([
  [[0.3, 0, 0.2, 1], 0, 0],
  [[0.25, 0.5, 0.5, 0.9], 2, 0.2],
  [[0.5, -0.25, 0.75, 1.5], -0.5, -2],
] as const)('a bezier %j is as steep at its ends as its handles are', (values, first, last) => {
  const { rate } = compileLeg({ kind: 'bezier', values });
  expect(rate(0)).toBeCloseTo(first, 12);
  expect(rate(1)).toBeCloseTo(last, 12);
});
