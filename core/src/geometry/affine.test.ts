import fc from 'fast-check';
import { expect, test } from 'vitest';
import { inverseOf, linearOf, matrixAbout, productOf, transformed, type Matrix } from './affine.ts';

const number = fc.integer({ min: -500, max: 500 }).map((k) => k / 100);
const matrix = fc.tuple(number, number, number, number, number, number).map((all): Matrix => all);
const point = fc.tuple(number, number);

test('a product is one after the other, an inverse undoes, the linear part is of directions', () => {
  fc.assert(
    fc.property(matrix, matrix, point, (outer, inner, at) => {
      const [x, y] = transformed(productOf(outer, inner), at);
      const [u, v] = transformed(outer, transformed(inner, at));
      expect([x, y]).toEqual([expect.closeTo(u, 9), expect.closeTo(v, 9)]);
      const back = inverseOf(outer);
      const det = outer[0] * outer[3] - outer[1] * outer[2];
      if (!back) expect(Math.abs(det)).toBeLessThan(1e-12);
      else if (Math.abs(det) > 1e-3) {
        const [bx, by] = transformed(back, transformed(outer, at));
        expect([bx, by]).toEqual([expect.closeTo(at[0], 6), expect.closeTo(at[1], 6)]);
      }
      const [ox, oy] = transformed(outer, [0, 0]);
      const [dx, dy] = transformed(linearOf(outer), at);
      const [ax, ay] = transformed(outer, at);
      expect([ax - ox, ay - oy]).toEqual([expect.closeTo(dx, 9), expect.closeTo(dy, 9)]);
    }),
    { seed: 3, numRuns: 200 },
  );
});

test('about a point: it stays, a quarter turn goes clockwise with y down', () => {
  const turned = matrixAbout([10, 20], 1, 1, Math.PI / 2);
  expect(transformed(turned, [10, 20])).toEqual([expect.closeTo(10, 12), expect.closeTo(20, 12)]);
  expect(transformed(turned, [11, 20])).toEqual([expect.closeTo(10, 12), expect.closeTo(21, 12)]);
  expect(transformed(matrixAbout([10, 20], 2, -1, 0), [11, 21])).toEqual([
    expect.closeTo(12, 12),
    expect.closeTo(19, 12),
  ]);
});
