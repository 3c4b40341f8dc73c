import { describe, expect, test } from 'vitest';
import { nearestOnPath, pathThrough, type Vec } from '../geometry/index.ts';
import { addGuide } from '../commands/index.ts';
import { emptyScene, MOST_NODES, newGuide, problemsOf, readScene, writeScene } from '../scene/index.ts';
import { readTrails } from './read-trails.ts';
import { heldOutline, outlineOfTrail } from './trails.ts';

/** Numbers from 0 to 1 that look as if by chance, the same in every run (Park and Miller, 1988). */
function chance(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}

/** A walk as a receiver notes it: with a wobble, standing still now and then. */
function walk(count: number): Vec[] {
  const next = chance(7);
  let [x, y, angle] = [0, 0, 0];
  return Array.from({ length: count }, (_, i): Vec => {
    angle += (next() - 0.5) * 0.6;
    const step = Math.floor(i / 500) % 7 === 3 ? 0 : 2;
    [x, y] = [x + Math.cos(angle) * step, y + Math.sin(angle) * step];
    return [x + next() - 0.5, y + next() - 0.5];
  });
}

const canvas = { width: 1280, height: 720 };
const csv = (points: readonly Vec[]): string => points.map(([x, y]) => `${x.toFixed(3)},${y.toFixed(3)}`).join('\n');

/** Takes outlines into a scene as the Desk does, and gives it as its file is read again. */
function taken(result: ReturnType<typeof readTrails>) {
  if (!result.ok) throw new Error(result.message);
  const scene = result.outlines.reduce((sum, { nodes, closed }, i) => {
    const named = nodes.map((node, k) => ({ ...node, id: `n${i}-${k}`, join: 'corner' as const }));
    return addGuide(sum, {
      guide: newGuide({ id: `g${i}`, name: `Way ${i}`, color: '#0B7A75', nodes: named, closed }),
    });
  }, emptyScene('Trails'));
  expect(problemsOf(scene)).toEqual([]);
  const read = readScene(writeScene(scene));
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return { outlines: result.outlines, scene: read.scene };
}

describe('what comes in is thinned to what a file holds', () => {
  test('a few points are nodes each; a walk of many stays within its tolerance of every one', () => {
    const few = outlineOfTrail({ name: 'a', points: walk(200) });
    expect([few.nodes.length, few.tolerance]).toEqual([200, 0]);
    const points = walk(6000);
    const many = outlineOfTrail({ name: 'b', points });
    expect(many.nodes.length).toBeLessThan(points.length / 3);
    const path = pathThrough(many.nodes, many.closed);
    const gaps = points.filter((_, i) => i % 50 === 0).map(([x, y]) => nearestOnPath(path, x, y)!.gap);
    // What was left out for lying on the point before lies nearer to that than the last quarter.
    expect(Math.max(...gaps)).toBeLessThan(many.tolerance + 0.25);
  });
  test('400,000 points of a walk', () => {
    const { outlines, scene } = taken(readTrails({ kind: 'points', name: 'Walk', text: csv(walk(400_000)), canvas }));
    expect(outlines[0]?.points).toBe(400_000);
    expect(scene.guides[0]!.nodes.length).toBeLessThanOrEqual(MOST_NODES);
  });
  test('points that jump about at random, which no curve is near', () => {
    const next = chance(3);
    const noise = Array.from({ length: 150_000 }, (): Vec => [next() * 1280, next() * 720]);
    const { scene } = taken(readTrails({ kind: 'points', name: 'Noise', text: csv(noise), canvas }));
    expect(scene.guides[0]!.nodes.length).toBeLessThanOrEqual(MOST_NODES);
  });
  test('a GPX file of many long tracks, all together', () => {
    const next = chance(5);
    const track = (n: number): string =>
      `<trk><name>T${n}</name><trkseg>${Array.from({ length: 3000 }, () => `<trkpt lat="${50 + next()}" lon="${8 + next()}"/>`).join('')}</trkseg></trk>`;
    const text = `<gpx xmlns="http://www.topografix.com/GPX/1/1">${Array.from({ length: 30 }, (_, n) => track(n)).join('')}</gpx>`;
    const shares: number[] = [];
    const { outlines, scene } = taken(
      readTrails({ kind: 'gpx', name: 'Tracks', text, canvas }, (share) => shares.push(share)),
    );
    expect(outlines).toHaveLength(30);
    expect(scene.guides.reduce((sum, { nodes }) => sum + nodes.length, 0)).toBeLessThanOrEqual(60_000);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(shares.at(-1)).toBe(1);
  });
  test('a path of more nodes than a guide holds keeps its way', () => {
    const count = 30_000;
    const nodes = Array.from({ length: count }, (_, i) => ({
      x: (i / count) * 1200,
      y: 360 + 200 * Math.sin(i / 900),
    }));
    const held = heldOutline({ nodes, closed: false });
    expect(held.nodes.length).toBeLessThan(1000);
    const path = pathThrough(held.nodes, false);
    const gaps = nodes.filter((_, i) => i % 100 === 0).map(({ x, y }) => nearestOnPath(path, x, y)!.gap);
    expect(Math.max(...gaps)).toBeLessThan(1.25);
  });
});
