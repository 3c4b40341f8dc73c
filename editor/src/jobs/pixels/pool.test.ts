import { expect, test } from 'vitest';
import { coarse } from './pool.ts';

const whole = { width: 800, height: 600 };

test.each([
  [
    { x: 10, y: 20, width: 100, height: 64 },
    { x: 10, y: 20, width: 128, height: 64 },
  ],
  [
    { x: 700, y: 590, width: 90, height: 5 },
    { x: 672, y: 536, width: 128, height: 64 },
  ],
  [
    { x: 0, y: 0, width: 800, height: 600 },
    { x: 0, y: 0, width: 800, height: 600 },
  ],
  [
    { x: 3, y: 4, width: 790, height: 590 },
    { x: 0, y: 0, width: 800, height: 600 },
  ],
])('a piece %j becomes %j: it holds all of it, within the frame', (rect, made) => {
  expect(coarse(rect, whole)).toEqual(made);
  expect(made.x <= rect.x && made.y <= rect.y).toBe(true);
  expect(made.x + made.width).toBeGreaterThanOrEqual(rect.x + rect.width);
  expect(made.y + made.height).toBeGreaterThanOrEqual(rect.y + rect.height);
});

test('what is smaller than a step is held by what there is', () => {
  expect(coarse({ x: 1, y: 1, width: 2, height: 2 }, { width: 10, height: 10 })).toEqual({
    x: 0,
    y: 0,
    width: 10,
    height: 10,
  });
});
