import { describe, expect, test } from 'vitest';
import { Body } from './body.ts';
import { gapBetween, isPartlyIn, nearParts, noGap, stretchOf } from './body-gap.ts';

const square = (x: number, y: number, side: number): number[] => [x, y, x + side, y, x + side, y + side, x, y + side];
const circle = (radius: number, count = 720): number[] =>
  Array.from({ length: 2 * count }, (_, k) => {
    const angle = (Math.PI * (k - (k % 2))) / count;
    return radius * (k % 2 === 0 ? Math.cos(angle) : Math.sin(angle));
  });

const AT = [1, 0, 0, 1, 0, 0];
const gap = (a: Body, ma: number[], b: Body, mb: number[], cutoff = Infinity) =>
  gapBetween({ body: a, data: ma, offset: 0 }, { body: b, data: mb, offset: 0 }, cutoff, noGap());

describe('the gap of two bodies in closed form', () => {
  const one = new Body([square(0, 0, 10)]);

  test('beside each other, corner to corner, crossing and touching', () => {
    expect(gap(one, AT, one, [1, 0, 0, 1, 13, 2]).gap).toBeCloseTo(3, 12);
    expect(gap(one, AT, one, [1, 0, 0, 1, 13, 14]).gap).toBeCloseTo(5, 12);
    expect(gap(one, AT, one, [1, 0, 0, 1, 4, 4]).gap).toBe(0);
    expect(gap(one, AT, one, [1, 0, 0, 1, 10, 0]).gap).toBeCloseTo(0, 12);
    // Asked for what overlaps alone, it is found too.
    expect(gap(one, AT, one, [1, 0, 0, 1, 4, 4], 0).gap).toBe(0);
    expect(gap(one, AT, one, [1, 0, 0, 1, 13, 2], 0).gap).toBe(Infinity);
  });

  test('turned by an eighth, its corner is nearest: half the diagonal from its middle', () => {
    const s = Math.SQRT1_2;
    const { gap: found, ax, ay, bx, by } = gap(one, AT, new Body([square(-5, -5, 10)]), [s, s, -s, s, 30, 5]);
    expect(found).toBeCloseTo(20 - 5 * Math.SQRT2, 10);
    expect([ax, ay, by]).toEqual([10, expect.closeTo(5, 9), expect.closeTo(5, 9)]);
    expect(bx).toBeCloseTo(30 - 5 * Math.SQRT2, 9);
  });

  test('two discs of 720 edges, one of them stretched: as far as their middles less both radii', () => {
    const disc = new Body([circle(10)]);
    expect(gap(disc, AT, disc, [2, 0, 0, 0.5, 50, 0]).gap).toBeCloseTo(50 - 10 - 20, 6);
    expect(gap(disc, AT, disc, [2, 0, 0, 0.5, 0, 50]).gap).toBeCloseTo(50 - 10 - 5, 6);
  });

  test('one within the other overlaps, either way round; within its hole it does not', () => {
    const small = new Body([square(-1, -1, 2)]);
    const disc = new Body([circle(10)]);
    const ring = new Body([circle(10), circle(6).reverse()]);
    expect(gap(small, AT, disc, AT).gap).toBe(0);
    expect(gap(disc, AT, small, AT).gap).toBe(0);
    expect(gap(small, AT, ring, AT).gap).toBeCloseTo(6 - Math.SQRT2, 3);
    expect(ring.holds(8, 0)).toBe(true);
    expect(ring.holds(3, 0)).toBe(false);
  });

  test('beyond the cutoff nothing is measured; what paints nothing is near nothing', () => {
    expect(gap(one, AT, one, [1, 0, 0, 1, 40, 0], 20).gap).toBe(Infinity);
    expect(gap(one, AT, one, [1, 0, 0, 1, 40, 0], 31).gap).toBeCloseTo(30, 12);
    expect(gap(new Body([]), AT, one, AT).gap).toBe(Infinity);
    // A ring of two places has no area.
    expect(new Body([[0, 0, 5, 5]]).isEmpty).toBe(true);
  });

  test('flattened to nothing it holds no place, and is still measured', () => {
    const flat = gap(one, [1, 0, 0, 0, 0, 0], one, [1, 0, 0, 1, 0, 7]);
    expect(flat.gap).toBeCloseTo(7, 12);
  });
});

test('how much longer a matrix makes a length at most: of a turn 1, of a stretch its larger part, of a shear the golden ratio', () => {
  expect(stretchOf(Math.cos(1), Math.sin(1), -Math.sin(1), Math.cos(1))).toBeCloseTo(1, 12);
  expect(stretchOf(3, 0, 0, -0.5)).toBeCloseTo(3, 12);
  expect(stretchOf(1, 0, 1, 1)).toBeCloseTo((1 + Math.sqrt(5)) / 2, 12);
});

describe('a body and an area with long edges beside it', () => {
  // A lane of 40 px about a ring of 100 px, as the area outside of it.
  const outside = new Body([square(-300, -300, 600), circle(120), circle(80)]);
  const car = new Body([square(-8, -5, 12), square(4, -2, 6)]);
  const standing = (angle: number, radius: number): number[] => {
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    return [cos, sin, -sin, cos, radius * cos, radius * sin];
  };

  test('the gap by the parts that may be near is the gap by all, at 300 places', () => {
    for (let k = 0; k < 300; k++) {
      const a = { body: car, data: standing(k * 0.7, 85 + ((k * 7.3) % 32)), offset: 0 };
      const b = { body: outside, data: [1, 0, 0, 1, k % 5, 0], offset: 0 };
      for (const cutoff of [0, 2, 9]) {
        const whole = gapBetween(a, b, cutoff, noGap()).gap;
        const parts = nearParts(a, b, cutoff);
        const found = parts.length === 0 ? Infinity : gapBetween(a, b, cutoff, noGap(), parts).gap;
        expect(found, `${k} ${cutoff}`).toBe(whole);
        if (isPartlyIn(a, b)) expect(whole).toBe(0);
      }
    }
  });

  test('the nearest place of its edges, and whether it holds a place, beside asking each edge', () => {
    for (let k = 0; k < 200; k++) {
      const [x, y] = [((k * 37.7) % 500) - 250, ((k * 91.3) % 500) - 250];
      const [nx, ny] = outside.nearest(x, y);
      const r = Math.hypot(x, y);
      const toEdges = Math.min(Math.abs(r - 120), Math.abs(r - 80), 300 - Math.abs(x), 300 - Math.abs(y));
      expect(Math.abs(Math.hypot(nx - x, ny - y) - toEdges)).toBeLessThan(0.01);
      if (toEdges > 0.01) expect(outside.holds(x, y)).toBe(r > 120 || r < 80);
    }
  });
});
