import { expect, test } from 'vitest';
import { SQUARE } from '../testing/scenes.ts';
import { pathData, shortPathData } from './path-data.ts';

const BEND = [
  { id: 'a', x: 0, y: 0, out: [10, 0] },
  { id: 'b', x: 20.02, y: -5, in: [0, -3.4] },
] as const;

test('absolute, in px', () => {
  expect(pathData(BEND as never, false)).toBe('M0 0C10 0 20.02 -8.4 20.02 -5');
  expect(pathData(SQUARE.nodes as never, true)).toBe('M200 200L300 200L300 300L200 300L200 200Z');
  expect(pathData([], true)).toBe('');
});

test('whole numbers of a unit, each relative to the point before, without a space before a sign', () => {
  expect(shortPathData(BEND as never, false, 25)).toBe('M0 0c250 0 501-210 501-125');
  expect(shortPathData(SQUARE.nodes as never, true, 1)).toBe('M200 200l100 0l0 100l-100 0l0-100z');
});

test('what is rounded does not add up: every point is where it is rounded to by itself', () => {
  const nodes = Array.from({ length: 40 }, (_, i) => ({
    ...{ id: `n${i}`, x: 100 + i * 7.013 },
    ...{ y: 50 + 30 * Math.sin(i), in: [-2.017, 0.3] as const, out: [2.017, -0.3] as const },
  }));
  // Summed up by hand, as a browser does.
  const [start = '', ...spans] = shortPathData(nodes, false, 25).split('c');
  let [x = 0, y = 0] = start.slice(1).split(' ').map(Number);
  spans.forEach((span, i) => {
    const numbers = span.match(/-?\d+/g)!.map(Number);
    x += numbers[4]!;
    y += numbers[5]!;
    expect([x, y]).toEqual([Math.round(nodes[i + 1]!.x * 25), Math.round(nodes[i + 1]!.y * 25)]);
  });
  expect(spans).toHaveLength(39);
});
