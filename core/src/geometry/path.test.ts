import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { inverseOfSpan, turnOfSpan } from './span.ts';
import { outlinesFromPathData } from '../drawing/path-data.ts';
import {
  angleOfFrame,
  countIntegrations,
  emptyFrame,
  nearestOnPath,
  pathThrough,
  splitCubic,
  type Path,
  type PathNode,
} from './index.ts';

interface Truth {
  id: string;
  name: string;
  d: string;
  length: number;
  samples: [number, number, number, number | null, number | null][];
}

const truth = JSON.parse(readFileSync(new URL('../testing/arc-length.json', import.meta.url), 'utf8')) as {
  paths: Truth[];
};

function pathOf(d: string): Path {
  const read = outlinesFromPathData(d, 1e-10);
  if (!read.ok) throw new Error(read.message);
  const [outline] = read.outlines;
  if (!outline) throw new Error('no outline');
  return pathThrough(outline.nodes, outline.closed);
}

describe.each(truth.paths)('$name against fine integration', ({ d, length, samples }) => {
  const path = pathOf(d);
  test('length within 1e-9 px', () => {
    expect(Math.abs(path.length - length)).toBeLessThan(1e-9);
  });
  test('position within 1e-5 px and tangent within 0.001°', () => {
    const frame = emptyFrame();
    let tangents = 0;
    for (const [s, x, y, tx, ty] of samples) {
      path.frameAtDistance(s, 1, frame);
      expect(Math.hypot(frame.x - x, frame.y - y)).toBeLessThan(1e-5);
      if (tx === null || ty === null) continue;
      tangents++;
      const off = Math.abs(
        Math.atan2(frame.tangentX * ty - frame.tangentY * tx, frame.tangentX * tx + frame.tangentY * ty),
      );
      expect((off * 180) / Math.PI).toBeLessThan(1e-3);
      const between = angleOfFrame(frame) - Math.atan2(ty, tx);
      expect(Math.abs(between - 2 * Math.PI * Math.round(between / (2 * Math.PI)))).toBeLessThan(2e-5);
    }
    expect(tangents).toBeGreaterThan(samples.length / 2);
  });
});

describe('speed ripple of 500 equal steps', () => {
  // The exact curve's own chords, from a bisection on a plain recursive integration that shares no code with the path.
  test.each(truth.paths.filter((p) => ['a', 'b', 'b2', 'c'].includes(p.id)))('$name', ({ d }) => {
    const path = pathOf(d);
    const [p0, p1, p2, p3] = path.spans[0]!.points;
    const at = (t: number, i: 0 | 1): number =>
      (1 - t) ** 3 * p0[i] + 3 * (1 - t) ** 2 * t * p1[i] + 3 * (1 - t) * t * t * p2[i] + t ** 3 * p3[i];
    const fine = 400_000;
    const s = new Float64Array(fine + 1);
    for (let i = 1; i <= fine; i++)
      s[i] = s[i - 1]! + Math.hypot(at(i / fine, 0) - at((i - 1) / fine, 0), at(i / fine, 1) - at((i - 1) / fine, 1));
    let k = 0;
    const exact = Array.from({ length: 501 }, (_, n) => {
      const wanted = (s[fine]! * n) / 500;
      while (k < fine - 1 && s[k + 1]! < wanted) k++;
      const t = (k + (wanted - s[k]!) / (s[k + 1]! - s[k]!)) / fine;
      return [at(t, 0), at(t, 1)] as const;
    });
    let worst = 0;
    for (let n = 1; n <= 500; n++) {
      const a = path.frameAtDistance((path.length * (n - 1)) / 500, 1);
      const b = path.frameAtDistance((path.length * n) / 500, 1);
      const ours = Math.hypot(b.x - a.x, b.y - a.y);
      const theirs = Math.hypot(exact[n]![0] - exact[n - 1]![0], exact[n]![1] - exact[n - 1]![1]);
      worst = Math.max(worst, Math.abs(ours - theirs) / (path.length / 500));
    }
    expect(worst).toBeLessThan(1e-4);
  });
});

test('after one node moves exactly two spans are integrated again', () => {
  const nodes: PathNode[] = Array.from({ length: 500 }, (_, i) => ({
    x: 10 * i,
    y: 20 * Math.sin(i),
    in: [-3, 1],
    out: [3, -1],
  }));
  void pathThrough(nodes, true).length;
  const before = countIntegrations();
  const moved = nodes.map((node, i) => (i === 250 ? { ...node, x: node.x + 1 } : node));
  expect(pathThrough(moved, true).length).not.toBe(pathThrough(nodes, true).length);
  expect(countIntegrations() - before).toBe(2);
});

describe('nearest point', () => {
  test.each(truth.paths.filter((p) => 'abcd'.includes(p.id[0] ?? '')))('$name agrees with 200,000 looks', ({ d }) => {
    const path = pathOf(d);
    const looks = Array.from({ length: 20_000 }, (_, i) => path.frameAtDistance((path.length * i) / 19_999));
    for (let i = 0; i < 40; i++) {
      const x = 300 * Math.sin(i * 7.1) + 200;
      const y = 200 * Math.cos(i * 3.3) + 100;
      const best = Math.min(...looks.map((p) => Math.hypot(p.x - x, p.y - y)));
      const found = nearestOnPath(path, x, y)!;
      expect(found.gap).toBeLessThanOrEqual(best + 1e-9);
      expect(found.gap).toBeGreaterThan(best - 0.4);
      const there = path.frameAtDistance(found.distance);
      expect(Math.hypot(there.x - found.x, there.y - found.y)).toBeLessThan(1e-5);
    }
  });
});

describe('sides, corners and windings', () => {
  const square = pathThrough(
    [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ],
    true,
  );
  test('the side decides the tangent at a corner', () => {
    const before = square.frameAtDistance(100, -1);
    const after = square.frameAtDistance(100, 1);
    expect([before.tangentX, before.tangentY]).toEqual([1, 0]);
    expect(after.tangentX).toBeCloseTo(0, 12);
    expect(after.tangentY).toBeCloseTo(1, 12);
    expect([before.normalX, before.normalY]).toEqual([0, -1]);
  });
  test('a clockwise lap turns by +360°, also over the start', () => {
    expect(square.winding).toBeCloseTo(2 * Math.PI, 12);
    expect(angleOfFrame(square.frameAtDistance(450, 1))).toBeCloseTo(2 * Math.PI, 12);
    expect(angleOfFrame(square.frameAtDistance(-50, 1))).toBeCloseTo(-Math.PI / 2, 12);
    expect(square.corners()).toEqual([0, 100, 200, 300]);
  });
  test('an exact cusp turns clockwise at once, and is a corner', () => {
    const cusp = pathOf('M0 0C60 120 -60 60 180 -180');
    const [at] = cusp.corners();
    expect(cusp.corners()).toHaveLength(1);
    const turn = angleOfFrame(cusp.frameAtDistance(at!, 1)) - angleOfFrame(cusp.frameAtDistance(at!, -1));
    expect(turn).toBeCloseTo(Math.PI, 6);
  });
  test('an open path goes on straight past its ends', () => {
    const line = pathThrough(
      [
        { x: 0, y: 0 },
        { x: 30, y: 40 },
      ],
      false,
    );
    const past = line.frameAtDistance(60);
    expect([past.x, past.y]).toEqual([36, 48]);
    const before = line.frameAtDistance(-5);
    expect(before.x).toBeCloseTo(-3, 12);
  });
});

describe('degenerate paths have a defined answer', () => {
  const cases: [string, PathNode[], boolean][] = [
    ['no node', [], false],
    ['one node', [{ x: 7, y: 9 }], false],
    ['one node, closed', [{ x: 7, y: 9, out: [1, 1] }], true],
    [
      'coincident nodes',
      [
        { x: 1, y: 1 },
        { x: 1, y: 1 },
        { x: 1, y: 1 },
      ],
      true,
    ],
    [
      'a zero-length span inside',
      [
        { x: 0, y: 0 },
        { x: 5, y: 0 },
        { x: 5, y: 0 },
        { x: 9, y: 3 },
      ],
      false,
    ],
    [
      'handles of length zero',
      [
        { x: 0, y: 0, out: [0, 0] },
        { x: 5, y: 0, in: [0, 0] },
      ],
      false,
    ],
    [
      'coordinates of a million',
      [
        { x: 1e6, y: -1e6, out: [1e5, 1e6] },
        { x: -1e6, y: 1e6, in: [-1e6, 3] },
      ],
      false,
    ],
    [
      'there and back on itself',
      [
        { x: 0, y: 0, out: [100, 0] },
        { x: 0, y: 0, in: [100, 0] },
      ],
      false,
    ],
  ];
  test.each(cases)('%s', (_, nodes, closed) => {
    const path = pathThrough(nodes, closed);
    for (const s of [-10, 0, path.length / 3, path.length / 2, path.length, path.length + 10])
      for (const side of [1, -1] as const) {
        const frame = path.frameAtDistance(s, side);
        for (const value of Object.values(frame)) if (typeof value === 'number') expect(value).not.toBeNaN();
        expect(Math.hypot(frame.x, frame.y)).toBeLessThan(1e7);
        expect(Math.hypot(frame.tangentX, frame.tangentY)).toBeCloseTo(1, 9);
      }
    expect(path.length).toBeGreaterThanOrEqual(0);
    expect(() => nearestOnPath(path, 3, 4)).not.toThrow();
  });
});

test('splitting a cubic keeps the shape', () => {
  const whole = pathOf('M0 0C150 0 150 200 300 200').spans[0]!.points;
  const [left, right] = splitCubic(whole, 0.3);
  const joined = pathThrough(
    [
      { x: 0, y: 0, out: [left[1][0], left[1][1]] },
      {
        x: left[3][0],
        y: left[3][1],
        in: [left[2][0] - left[3][0], left[2][1] - left[3][1]],
        out: [right[1][0] - left[3][0], right[1][1] - left[3][1]],
      },
      { x: 300, y: 200, in: [right[2][0] - 300, right[2][1] - 200] },
    ],
    false,
  );
  const original = pathOf('M0 0C150 0 150 200 300 200');
  expect(joined.length).toBeCloseTo(original.length, 9);
  for (let i = 0; i <= 50; i++) {
    const a = joined.frameAtDistance((joined.length * i) / 50);
    const b = original.frameAtDistance((original.length * i) / 50);
    expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeLessThan(1e-6);
  }
});

describe('the turn of a span by its derivative is that of its fitted inverse', () => {
  test.each(truth.paths.filter((p) => 'abcdg'.includes(p.id[0] ?? '')))('$name', ({ d }) => {
    for (const span of pathOf(d).spans.slice(0, 200))
      expect(turnOfSpan(span)).toBeCloseTo(inverseOfSpan(span)?.turn ?? 0, 6);
  });
});
