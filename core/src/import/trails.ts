import { distanceBetween, fitStroke, pathThrough, emptyFrame, type PathNode, type Vec } from '../geometry/index.ts';
import { MOST_NODES } from '../scene/index.ts';
import { fittedTo, nodesThrough } from './points.ts';
import type { Outline } from '../drawing/path-data.ts';

/** Points that follow each other, as a list of points or a GPX track holds them. */
export interface Trail {
  readonly name: string;
  readonly points: readonly Vec[];
}

/** What a trail has become. */
export interface TrailOutline extends Outline {
  readonly name: string;
  /** Points that it had. */
  readonly points: number;
  /** px. How far from its points it may be; 0: every point is a node. */
  readonly tolerance: number;
}

/** Told the share done, 0 to 1. */
type Progress = (share: number) => void;

/** Up to so many points each is a node, to be moved one by one; more are a trail to be fitted. */
const MOST_KEPT = 300;

/** px. Points that are nearer to the one before say nothing that can be seen. */
const NEAR = 0.25;

/** Points that are fitted at most: of more, every so many. */
const MOST_FITTED = 200_000;

/** px. A fit stays so near to its points; twice as near each time that it has too many nodes. */
const TOLERANCE = 1;
const LOOSEST = 32;

/** Points of a piece that is fitted to see what becomes of all. */
const TRIED = 2000;

/** Nodes of all guides that come in at once: what a scene holds, with room for as many again. */
const MOST_OF_ALL = 60_000;

/** Points that come back to their start are closed. */
function isRound(points: readonly Vec[]): boolean {
  const [first, last] = [points[0], points.at(-1)];
  return points.length > 3 && first !== undefined && last !== undefined && distanceBetween(first, last) < 1e-6;
}

/** Points without those that stand on the one before, as far as can be seen. The first and the last stay. */
function apart(points: readonly Vec[]): Vec[] {
  const kept: Vec[] = [];
  for (const point of points) {
    const last = kept.at(-1);
    if (!last || distanceBetween(last, point) >= NEAR) kept.push(point);
  }
  const end = points.at(-1);
  if (end && kept.at(-1) !== end) kept.push(end);
  return kept;
}

/** Every so many of a list, with its first and its last, so that there are `most` at the most. */
function everyFew<T>(list: readonly T[], most: number): readonly T[] {
  if (list.length <= most) return list;
  const step = (list.length - 1) / (most - 1);
  return Array.from({ length: most }, (_, i) => list[Math.round(i * step)] as T);
}

/** Points as an outline of at most `most` nodes: each a node where they are few, else a curve fitted as near to them as that allows. */
export function outlineOfTrail({ name, points }: Trail, most = MOST_NODES): TrailOutline {
  const closed = isRound(points);
  const made = (nodes: readonly PathNode[], isClosed: boolean, tolerance: number): TrailOutline => ({
    name,
    nodes,
    closed: isClosed,
    points: points.length,
    tolerance,
  });
  if (points.length <= Math.min(MOST_KEPT, most)) return made(nodesThrough(points, 1, closed), closed, 0);
  const seen = everyFew(apart(points), MOST_FITTED);
  const piece = seen.slice(seen.length >> 1, (seen.length >> 1) + TRIED);
  for (let tolerance = TOLERANCE; tolerance <= LOOSEST; tolerance *= 2) {
    // A fit takes as long as it has nodes: a piece of it tells how many those would be.
    const expected = (fitStroke(piece, { tolerance }).nodes.length / piece.length) * seen.length;
    if (expected > 1.5 * most) continue;
    const { nodes } = fitStroke(seen, { tolerance });
    if (nodes.length <= most) return made(nodes, false, tolerance);
  }
  // Points that jump about are no trail: no curve is near them.
  return made(nodesThrough(everyFew(seen, most), 0, false), false, LOOSEST);
}

/** Each of several trails as an outline, all together within what a scene holds. */
export function outlinesOfTrails(trails: readonly Trail[], progress: Progress = () => undefined): TrailOutline[] {
  const all = trails.reduce((sum, { points }) => sum + points.length, 0);
  let done = 0;
  return trails.map((trail) => {
    const share = Math.max(2, Math.floor((MOST_OF_ALL * trail.points.length) / all));
    const outline = outlineOfTrail(trail, Math.min(MOST_NODES, Math.max(share, 16)));
    progress((done += trail.points.length) / all);
    return outline;
  });
}

/** An outline with no more nodes than a guide holds: one that has more is fitted anew through points of its curve. */
export function heldOutline(outline: Outline): Outline {
  if (outline.nodes.length <= MOST_NODES) return outline;
  const path = pathThrough(outline.nodes, outline.closed);
  const count = Math.min(MOST_FITTED, 4 * outline.nodes.length);
  const frame = emptyFrame();
  const points = Array.from({ length: count + 1 }, (_, i): Vec => {
    const { x, y } = path.frameAtDistance((path.length * i) / count, 1, frame);
    return [x, y];
  });
  const { nodes } = outlineOfTrail({ name: '', points });
  return { nodes, closed: false };
}

/** A canvas's size, px. */
interface Size {
  readonly width: number;
  readonly height: number;
}

/** Points as they are where they look as if they were canvas px already; else fitted to the canvas. */
export function placedOn(points: readonly Vec[], { width, height }: Size): readonly Vec[] {
  const isNear = points.every(([x, y]) => x > -width && x < 2 * width && y > -height && y < 2 * height);
  const extent = (axis: 0 | 1): number => {
    let [low, high] = [Infinity, -Infinity];
    for (const point of points) [low, high] = [Math.min(low, point[axis]), Math.max(high, point[axis])];
    return high - low;
  };
  return isNear && extent(0) + extent(1) > 20 ? points : fittedTo(points, width, height);
}

/** Trails fitted to the canvas together, as tracks of one journey. */
export function trailsOn(trails: readonly Trail[], { width, height }: Size): Trail[] {
  const fitted = fittedTo(
    trails.flatMap(({ points }) => points),
    width,
    height,
  );
  let at = 0;
  return trails.map(({ name, points }) => ({ name, points: fitted.slice(at, (at += points.length)) }));
}
