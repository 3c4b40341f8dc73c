import { describe, expect, test } from 'vitest';
import {
  arcThrough,
  landmarksOf,
  nodesOfShape,
  pathThrough,
  pulledSpan,
  splitCubic,
  whipOf,
  type GuideShape,
  type ShapeForm,
} from './index.ts';

const stand = (form: ShapeForm, more: Partial<GuideShape> = {}): GuideShape =>
  ({ x: 0, y: 0, turn: 0, reversed: false, start: 0, ...form, ...more }) as GuideShape;
const pathOf = (shape: GuideShape) => {
  const { nodes, closed } = nodesOfShape(shape);
  return pathThrough(nodes, closed);
};
/** Points at even distances. */
const points = (shape: GuideShape, count = 500): [number, number][] => {
  const path = pathOf(shape);
  return Array.from({ length: count + 1 }, (_, i) => {
    const { x, y } = path.frameAtDistance((path.length * i) / count);
    return [x, y];
  });
};

describe('shapes', () => {
  test('a circle is true within 0.03 % of its radius, and so is an arc of any sweep', () => {
    for (const shape of [
      stand({ kind: 'circle', radius: 500 }),
      ...[10, 90, 137, 250, 360].map((sweep) => stand({ kind: 'arc', radius: 500, from: 20, sweep })),
    ])
      for (const [x, y] of points(shape)) expect(Math.abs(Math.hypot(x, y) - 500)).toBeLessThan(500 * 0.0003);
  });
  test('an ellipse, a wave, a spiral, an eight and loops follow their formulas', () => {
    for (const [x, y] of points(stand({ kind: 'ellipse', width: 400, height: 200 })))
      expect(Math.abs((x / 200) ** 2 + (y / 100) ** 2 - 1)).toBeLessThan(0.001);
    for (const [x, y] of points(stand({ kind: 'wave', length: 600, height: 160, waves: 3 })))
      expect(Math.abs(y + 80 * Math.sin((2 * Math.PI * 3 * (x + 300)) / 600))).toBeLessThan(0.8);
    for (const [x, y] of points(stand({ kind: 'spiral', inner: 20, outer: 220, turns: 3 }), 800)) {
      const r = Math.hypot(x, y);
      const turn = ((r - 20) / 200) * 6 * Math.PI;
      const [dx, dy] = [x - r * Math.cos(turn), y - r * Math.sin(turn)];
      expect(Math.hypot(dx, dy)).toBeLessThan(3.2);
    }
    for (const [x, y] of points(stand({ kind: 'figure-eight', width: 400, height: 200 })))
      expect(Math.abs(Math.abs(y) - 200 * Math.abs(x / 200) * Math.sqrt(Math.max(0, 1 - (x / 200) ** 2)))).toBeLessThan(
        1.5,
      );
    const loops = pathOf(stand({ kind: 'loops', length: 400, radius: 70, loops: 3 }));
    expect(Math.abs(loops.winding)).toBeGreaterThan(3 * 2 * Math.PI - 3);
  });
  test('a rectangle’s corners are rounded by its radius; a polygon has its sides', () => {
    const length = (form: ShapeForm): number => pathOf(stand(form)).length;
    expect(length({ kind: 'rectangle', width: 300, height: 200, radius: 0 })).toBeCloseTo(1000, 9);
    expect(length({ kind: 'rectangle', width: 300, height: 200, radius: 40 })).toBeCloseTo(
      1000 - 320 + 80 * Math.PI,
      0,
    );
    expect(length({ kind: 'rectangle', width: 300, height: 200, radius: 400 })).toBeCloseTo(200 + 200 * Math.PI, 0);
    for (const sides of [3, 5, 8])
      expect(length({ kind: 'polygon', sides, radius: 100 })).toBeCloseTo(200 * sides * Math.sin(Math.PI / sides), 6);
    expect(length({ kind: 'line', length: 321 })).toBeCloseTo(321, 9);
  });
  test('turned, begun elsewhere and run the other way, it is the same line', () => {
    const plain = stand({ kind: 'rectangle', width: 300, height: 200, radius: 30 });
    const other = pathOf({ ...plain, start: 3, reversed: true });
    expect(other.length).toBeCloseTo(pathOf(plain).length, 9);
    expect(other.winding).toBeCloseTo(-pathOf(plain).winding, 9);
    const [first] = nodesOfShape({ ...plain, start: 3, reversed: true }).nodes;
    expect(first).toMatchObject({ x: nodesOfShape(plain).nodes[3]!.x, y: nodesOfShape(plain).nodes[3]!.y });
    const [turned] = nodesOfShape({ ...stand({ kind: 'line', length: 100 }), x: 10, y: 20, turn: 90 }).nodes;
    expect([turned!.x, turned!.y].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([10, -30]);
  });
});

describe('pulling a span', () => {
  const span = [
    [0, 0],
    [100, 0],
    [200, 100],
    [300, 100],
  ] as const;
  test.each([0.2, 0.5, 0.77])('it passes under the pointer at t = %f, its ends stay', (t) => {
    const pulled = pulledSpan(span, t, [140, -60]);
    expect(splitCubic(pulled, t)[0][3][0]).toBeCloseTo(140, 9);
    expect(splitCubic(pulled, t)[0][3][1]).toBeCloseTo(-60, 9);
    expect([pulled[0], pulled[3]]).toEqual([span[0], span[3]]);
  });
  test('pulled where it is, nothing changes', () => {
    const at = splitCubic(span, 0.4)[0][3];
    pulledSpan(span, 0.4, at).forEach(([x, y], i) => {
      expect(x).toBeCloseTo(span[i]![0], 9);
      expect(y).toBeCloseTo(span[i]![1], 9);
    });
  });
  test('an arc through three points is a circle, and passes the third', () => {
    for (const through of [
      [50, -20],
      [80, 12],
      [30, 45],
    ] as const) {
      const nodes = arcThrough([0, 0], through, [100, 0])!;
      const path = pathThrough(
        [
          { x: 0, y: 0, out: [nodes[1][0], nodes[1][1]] },
          { x: 100, y: 0, in: [nodes[2][0] - 100, nodes[2][1]] },
        ],
        false,
      );
      const gap = Math.min(
        ...Array.from({ length: 2001 }, (_, i) => path.frameAtDistance((path.length * i) / 2000)).map((f) =>
          Math.hypot(f.x - through[0], f.y - through[1]),
        ),
      );
      expect(gap).toBeLessThan(0.9);
    }
    expect(arcThrough([0, 0], [50, 0], [100, 0])).toBeUndefined();
  });
});

test('landmarks: crests, troughs and the tightest bend of a wave', () => {
  const { nodes, closed } = nodesOfShape(stand({ kind: 'wave', length: 600, height: 160, waves: 2 }));
  const found = landmarksOf(pathThrough(nodes, closed));
  const at = (kind: string): number[] => found.filter((one) => one.kind === kind).map(({ x }) => Math.round(x));
  expect(at('crest')).toEqual([-225, 75]);
  expect(at('trough')).toEqual([-75, 225]);
  const corner = landmarksOf(
    pathThrough(
      [
        { x: 0, y: 0 },
        { x: 50, y: -50 },
        { x: 100, y: 0 },
      ],
      false,
    ),
  );
  expect(corner.map(({ kind, x }) => [kind, x])).toEqual([['crest', 50]]);
});

test('bounces: parabolas from landing to landing, each keeping its share of the height, all gone across at one speed', () => {
  const { nodes, closed } = nodesOfShape(stand({ kind: 'bounces', length: 600, height: 160, bounces: 3, keep: 0.25 }));
  expect(closed).toBe(false);
  // Heights 160, 40, 10; widths as their roots, 4 : 2 : 1.
  expect(nodes.map(({ x, y }) => [Math.round(x), y])).toEqual([
    [-300, 0],
    [43, 0],
    [214, 0],
    [300, 0],
  ]);
  const path = pathThrough(nodes, closed);
  const wide = (600 * 4) / 7;
  for (let s = 0; s < (path.starts[1] ?? 0); s += 7) {
    const { x, y } = path.frameAtDistance(s);
    const share = (x + 300) / wide;
    expect(y).toBeCloseTo(-4 * 160 * share * (1 - share), 6);
  }
  expect(path.corners()).toHaveLength(2);
});

describe('what is carried on the inner side of a bend', () => {
  const circle = pathOf(stand({ kind: 'circle', radius: 80 }));
  test('runs backward where it is farther from the guide than the bend’s radius', () => {
    // Clockwise: the right side is the inner one.
    const [out, inner] = [79, -81].map((lift) => whipOf(circle, lift, 0, circle.length));
    expect(out).toBeUndefined();
    // A circle of four cubics is one within a hundredth.
    expect(Math.abs(inner!.radius - 80)).toBeLessThan(0.8);
    expect(whipOf(circle, -79, 0, circle.length)).toBeUndefined();
    expect(whipOf(circle, 500, 0, circle.length)).toBeUndefined();
  });
  test('and at every corner on its inner side, within the way that is gone', () => {
    const square = pathOf(stand({ kind: 'rectangle', width: 100, height: 100, radius: 0 }));
    expect(whipOf(square, -5, 10, 150)).toMatchObject({ radius: 0 });
    expect(whipOf(square, 5, 0, 400)).toBeUndefined();
    expect(whipOf(square, -5, 10, 40)).toBeUndefined();
  });
});
