import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { countedRandom } from '../../testing/random.ts';
import { fitOneCubic, fitSamples, fitStroke, gapToSegment, nearestOnPath, pathThrough, type Vec } from '../index.ts';

/** Largest distance from the stroke's points to the curve, and from 1,000 points of the curve to the stroke. */
function worstGaps(stroke: readonly Vec[], nodes: ReturnType<typeof fitStroke>['nodes']): [number, number] {
  const path = pathThrough(nodes, false);
  const toCurve = Math.max(...stroke.map(([x, y]) => nearestOnPath(path, x, y)?.gap ?? Infinity));
  let toStroke = 0;
  for (let i = 0; i <= 1000; i++) {
    const { x, y } = path.frameAtDistance((path.length * i) / 1000);
    let gap = Infinity;
    for (let k = 0; k + 1 < stroke.length; k++) gap = Math.min(gap, gapToSegment(stroke[k]!, stroke[k + 1]!, x, y));
    toStroke = Math.max(toStroke, gap);
  }
  return [toCurve, toStroke];
}

/** A stroke as a hand draws it: a curve of few waves with a little tremor. */
function handStroke(seed: number, count: number, tremor: number): Vec[] {
  const random = countedRandom(seed);
  const waves = Array.from({ length: 4 }, () => [random() * 220, random() * 5 + 0.5, random() * 6] as const);
  return Array.from({ length: count }, (_, i) => {
    const u = i / (count - 1);
    const wave = (phase: number): number =>
      waves.reduce((sum, [size, speed, shift]) => sum + size * Math.sin(speed * u * 2 + shift + phase), 0);
    return [
      640 + wave(0) + 300 * u + (random() - 0.5) * tremor,
      360 + 0.7 * wave(1.3) + (random() - 0.5) * tremor,
    ] as const;
  });
}

describe('a freehand stroke', () => {
  test.each([1, 2.5, 6])('is fitted within %f px, everywhere and both ways, with few cubics', (tolerance) => {
    for (let seed = 1; seed <= 6; seed++) {
      const stroke = handStroke(seed, 400, 0.6);
      const { nodes } = fitStroke(stroke, { tolerance });
      const [toCurve, toStroke] = worstGaps(stroke, nodes);
      expect(toCurve).toBeLessThanOrEqual(tolerance);
      expect(toStroke).toBeLessThanOrEqual(tolerance);
      expect(nodes.length).toBeLessThan(tolerance < 2 ? 30 : 16);
    }
  });
  test('any points at all are fitted within the tolerance', () => {
    const point = fc.tuple(
      fc.double({ min: -300, max: 300, noNaN: true }),
      fc.double({ min: -300, max: 300, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 40 }), (stroke) => {
        const { nodes } = fitStroke(stroke, { tolerance: 2 });
        expect(
          nodes.flatMap(({ x, y, in: a = [0, 0], out: b = [0, 0] }) => [x, y, ...a, ...b]).every(Number.isFinite),
        ).toBe(true);
        if (nodes.length < 2) return;
        const [toCurve, toStroke] = worstGaps(stroke, nodes);
        expect(toCurve).toBeLessThanOrEqual(2 + 1e-6);
        expect(toStroke).toBeLessThanOrEqual(2 + 1e-6);
      }),
      { numRuns: 60, seed: 3 },
    );
  });
  test('corners are found where the hand turned sharply, nowhere else', () => {
    const stroke: Vec[] = [
      ...Array.from({ length: 60 }, (_, i): Vec => [100 + 4 * i, 300]),
      ...Array.from({ length: 60 }, (_, i): Vec => [336, 304 + 4 * i]),
    ];
    const { nodes, corners } = fitStroke(stroke, { tolerance: 2 });
    expect(corners).toHaveLength(1);
    const corner = nodes[corners[0]!]!;
    expect(Math.hypot(corner.x - 336, corner.y - 300)).toBeLessThan(8);
    expect(nodes).toHaveLength(3);
    const round = Array.from({ length: 90 }, (_, i): Vec => [400 + 90 * Math.cos(i / 15), 300 + 90 * Math.sin(i / 15)]);
    expect(fitStroke(round, { tolerance: 2 }).corners).toEqual([]);
  });
  test('a smooth wave drawn without a tremor has no corner at any fit', () => {
    for (const [height, length] of [
      [30, 240],
      [60, 200],
      [100, 260],
      [60, 120],
    ] as const)
      for (const every of [0.7, 2, 3]) {
        const wave = Array.from({ length: Math.round(800 / every) }, (_, i): Vec => [
          100 + every * i,
          300 + height * Math.sin((2 * Math.PI * every * i) / length),
        ]);
        for (const tolerance of [0.5, 1, 2, 4, 8, 16, 24])
          expect(fitStroke(wave, { tolerance }).corners, `${height} ${length} ${every} ${tolerance}`).toEqual([]);
      }
  });
  test('a looser fit never has more corners than a tighter one', () => {
    const zigzag = (seed: number, tremor: number): Vec[] => {
      const random = countedRandom(seed);
      const points: Vec[] = [];
      let [x, y, way] = [100, 300, 0];
      for (let leg = 0; leg < 9; leg++) {
        way += (random() - 0.5) * 4.4;
        const steps = 6 + Math.floor(random() * 40);
        for (let i = 0; i < steps; i++) {
          x += 3 * Math.cos(way);
          y += 3 * Math.sin(way);
          points.push([x + (random() - 0.5) * tremor, y + (random() - 0.5) * tremor]);
        }
      }
      return points;
    };
    let most = 0;
    for (let seed = 1; seed <= 40; seed++)
      for (const tremor of [0, 0.6, 2.5]) {
        const stroke = zigzag(seed, tremor);
        const counts = [0.5, 1, 2, 3, 5, 8, 12, 18, 24].map(
          (tolerance) => fitStroke(stroke, { tolerance }).corners.length,
        );
        most = Math.max(most, counts[0]!);
        for (let i = 1; i < counts.length; i++)
          expect(counts[i], `${seed} ${tremor}`).toBeLessThanOrEqual(counts[i - 1]!);
      }
    expect(most).toBeGreaterThan(3);
  });
  test('a hand’s corners are found at every usual fit, tremor or not', () => {
    for (const tremor of [0, 0.8]) {
      const random = countedRandom(7);
      const shake = (): number => (random() - 0.5) * tremor;
      const corner: Vec[] = [];
      for (let i = 0; i < 90; i++) corner.push([100 + 2 * i + shake(), 300 + shake()]);
      for (let i = 0; i < 90; i++) corner.push([280 + shake(), 300 + 2 * i + shake()]);
      for (let i = 0; i < 90; i++) corner.push([280 - 2 * i + shake(), 480 - 0.5 * i + shake()]);
      for (const tolerance of [1, 2, 4, 8]) expect(fitStroke(corner, { tolerance }).corners).toHaveLength(2);
    }
  });
  test('a wider tolerance needs no more nodes', () => {
    const stroke = handStroke(9, 600, 2);
    const counts = [2, 4, 8, 16].map((tolerance) => fitStroke(stroke, { tolerance }).nodes.length);
    for (let i = 1; i < counts.length; i++) expect(counts[i]!).toBeLessThanOrEqual(counts[i - 1]! + 1);
  });
  test('nothing, one point, the same point many times', () => {
    expect(fitStroke([], { tolerance: 2 }).nodes).toEqual([]);
    expect(fitStroke([[3, 4]], { tolerance: 2 }).nodes).toEqual([{ x: 3, y: 4 }]);
    expect(
      fitStroke(
        Array.from({ length: 50 }, (): Vec => [3, 4]),
        { tolerance: 2 },
      ).nodes,
    ).toEqual([{ x: 3, y: 4 }]);
  });
});

test('an exact quarter of a circle becomes one cubic, as near as one can be', () => {
  const samples = Array.from({ length: 101 }, (_, i) => {
    const a = (i / 100) * (Math.PI / 2);
    return { x: 100 * Math.cos(a), y: 100 * Math.sin(a), tangentX: -Math.sin(a), tangentY: Math.cos(a) };
  });
  const nodes = fitSamples(samples, 0.05);
  expect(nodes).toHaveLength(2);
  const one = fitOneCubic(samples)!;
  expect(Math.hypot(...one.out)).toBeCloseTo(55.2, 0);
  expect(one.off).toBeLessThan(0.03);
});
