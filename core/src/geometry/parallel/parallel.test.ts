import { describe, expect, test } from 'vitest';
import { nearestOnPath, parallelNodes, pathThrough, type PathNode } from '../index.ts';

const S: PathNode[] = [
  { x: 0, y: 0, out: [150, 0] },
  { x: 300, y: 200, in: [-150, 0], out: [150, 0] },
  { x: 600, y: 0, in: [-150, 0] },
];
const TIGHT: PathNode[] = [
  { x: 0, y: 0, out: [200, 0] },
  { x: 200, y: 200, in: [0, -190], out: [0, 4] },
  { x: 196, y: 204, in: [4, 0], out: [-60, 0] },
  { x: 0, y: 220 },
];
const CUSP: PathNode[] = [
  { x: 0, y: 0, out: [200, 200] },
  { x: 200, y: 0, in: [-200, 200] },
];
const CIRCLE: PathNode[] = [0, 1, 2, 3].map((i) => {
  const a = (i * Math.PI) / 2;
  const k = 100 * 0.5519150244935106;
  const h = [-Math.sin(a) * k, Math.cos(a) * k] as const;
  return { x: 100 * Math.cos(a), y: 100 * Math.sin(a), out: h, in: [-h[0], -h[1]] as const };
});
const SQUARE: PathNode[] = [
  { x: 0, y: 0 },
  { x: 200, y: 0 },
  { x: 200, y: 200 },
  { x: 0, y: 200 },
];

/** How far a parallel is off: of its points' distance to the path. */
function offBy(
  nodes: readonly PathNode[],
  closed: boolean,
  distance: number,
): { worst: number; count: number; length: number } {
  const path = pathThrough(nodes, closed);
  const made = parallelNodes(path, distance);
  const parallel = pathThrough(made.nodes, made.closed);
  let worst = 0;
  for (let i = 0; i <= 1500; i++) {
    const { x, y } = parallel.frameAtDistance((parallel.length * i) / 1500);
    worst = Math.max(worst, Math.abs((nearestOnPath(path, x, y)?.gap ?? 0) - Math.abs(distance)));
  }
  return { worst, count: made.nodes.length, length: parallel.length };
}

describe('a parallel is within 0.1 px of the true one', () => {
  test.each([
    ['a gentle S', S, false, [10, -10, 40, -40]],
    ['a bend tighter than the distance', TIGHT, false, [10, -10, 25, -25]],
    ['an exact cusp', CUSP, false, [10, -10]],
    ['a circle', CIRCLE, true, [30, -30, -60]],
    ['a square with corners', SQUARE, true, [20, -20]],
  ] as const)('%s', (_, nodes, closed, distances) => {
    for (const distance of distances) {
      const { worst, count } = offBy(nodes, closed, distance);
      expect(worst, `at ${distance}`).toBeLessThan(0.1);
      expect(count).toBeLessThan(24);
    }
  });
});

test('it keeps the side: left of the direction is up where the path runs right', () => {
  const { nodes } = parallelNodes(
    pathThrough(
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
      ],
      false,
    ),
    12,
  );
  expect(nodes.map(({ x, y }) => [x, y])).toEqual([
    [0, -12],
    [100, -12],
  ]);
});

test('few cubics: a circle’s parallel takes at most eight, a square’s inner one four straight spans', () => {
  expect(offBy(CIRCLE, true, 30).count).toBeLessThanOrEqual(8);
  const inner = parallelNodes(pathThrough(SQUARE, true), -20);
  expect(inner.nodes).toHaveLength(4);
  expect(inner.nodes.every((node) => !node.in && !node.out)).toBe(true);
  expect(offBy(SQUARE, true, 20).length).toBeCloseTo(800 + 2 * Math.PI * 20, 0);
});

test('no loops: inside a tight bend it is shorter than the path, and does not turn back', () => {
  const path = pathThrough(TIGHT, false);
  for (const distance of [-10, -25]) {
    const made = parallelNodes(path, distance);
    const parallel = pathThrough(made.nodes, false);
    expect(parallel.length).toBeLessThan(path.length);
    expect(parallel.length).toBeGreaterThan(path.length / 2);
  }
});

test('nothing is left inside a circle at more than its radius; degenerate paths give nothing or a point', () => {
  expect(parallelNodes(pathThrough(CIRCLE, true), -120).nodes).toEqual([]);
  expect(parallelNodes(pathThrough([], false), 10).nodes).toEqual([]);
  expect(
    parallelNodes(
      pathThrough(
        [
          { x: 1, y: 1 },
          { x: 1, y: 1 },
        ],
        true,
      ),
      10,
    ).nodes,
  ).toEqual([]);
});

test('span by span: after one node moves it is what it would be made anew, and what lies apart from it is the very same', () => {
  const path = (nodes: readonly PathNode[]) => pathThrough(nodes, false);
  const waves = Array.from({ length: 24 }, (_, i): PathNode => ({
    x: 60 * i,
    y: i % 2 === 0 ? 0 : 50,
    in: [-25, i % 3 === 0 ? 0 : 12],
    out: [25, i % 3 === 0 ? 0 : -12],
  }));
  const before = parallelNodes(path(waves), 9).nodes;
  const moved = waves.map((node, i) => (i === 12 ? { ...node, y: node.y + 17 } : node));
  const after = parallelNodes(path(moved), 9).nodes;
  expect(after).toEqual(parallelNodes(path(moved.map((node) => ({ ...node }))), 9).nodes);
  expect(after).not.toEqual(before);
  const stays = before.filter((node) => after.includes(node));
  // All but the ends of stretches, which neighbours share, and what lies beside the two spans at the moved node.
  expect(stays.length).toBeGreaterThan(before.length / 3);
});
