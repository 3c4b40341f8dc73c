import type { PathNode } from '../span.ts';
import { distanceBetween, multiply, subtract, unit, type Vec } from '../vec.ts';
import { at, runOf, type Run } from './points.ts';
import { cornersOf } from './corners.ts';
import { fitRun, nodesOfPieces, type TangentAt } from './run.ts';

/** A fitted path: its nodes, and which of them are corners. */
export interface Fitted {
  readonly nodes: readonly PathNode[];
  readonly corners: readonly number[];
  /** For each node, the index of the stroke's point on which it stands. */
  readonly stands: readonly number[];
}

export interface StrokeOptions {
  /** px. Largest distance from every point of the stroke to the curve, and of the curve to the stroke. */
  readonly tolerance: number;
  /** rad. Turn of the stroke from which a corner stands there. */
  readonly corner?: number;
}

/** rad. A hand turns this sharply only where it means a corner. */
export const STROKE_CORNER = (55 * Math.PI) / 180;

/** Fits a freehand stroke with few cubics, corners where it turns sharply. Coincident points are one; one point gives one node. */
export function fitStroke(stroke: readonly Vec[], { tolerance, corner = STROKE_CORNER }: StrokeOptions): Fitted {
  const kept = stroke.flatMap((p, i) => (i === 0 || distanceBetween(p, stroke[i - 1] ?? p) > 1e-6 ? [i] : []));
  const points = kept.map((i): Vec => stroke[i] ?? [0, 0]);
  const [first] = points;
  if (!first) return { nodes: [], corners: [], stands: [] };
  if (points.length === 1) return { nodes: [{ x: first[0], y: first[1] }], corners: [], stands: [0] };
  const run = runOf(points);
  // The tangents are felt over a little more of the way than the wobble of the hand that the tolerance allows.
  const reach = Math.max(4, 3 * tolerance);
  const feel: TangentAt = (i, side) => feltTangent(run, i, side, reach);
  const stops = [0, ...cornersOf(run, corner, 3 * tolerance), points.length - 1];
  const nodes: PathNode[] = [];
  const corners: number[] = [];
  const stands = [0];
  for (let k = 0; k + 1 < stops.length; k++) {
    const a = stops[k] ?? 0;
    const b = stops[k + 1] ?? 0;
    const within: TangentAt = (i, side) => feel(i, i === a ? 1 : i === b ? -1 : side);
    const pieces = fitRun(run, a, b, within, tolerance * 0.999);
    const made = nodesOfPieces(pieces);
    stands.push(...pieces.map(({ end }) => kept[end] ?? 0));
    const last = nodes.pop();
    if (last && made[0]) {
      made[0] = { ...last, ...(made[0].out ? { out: made[0].out } : {}) };
      corners.push(nodes.length);
    }
    nodes.push(...made);
  }
  return { nodes, corners, stands };
}

/** Direction of the stroke at a point: the line of least squares through what lies within `reach` px to one side or both. */
function feltTangent(run: Run, i: number, side: -1 | 0 | 1, reach: number): Vec {
  const here = run.along[i] ?? 0;
  let a = i;
  let b = i;
  const last = run.count - 1;
  if (side <= 0) while (a > 0 && (here - (run.along[a] ?? 0) < reach || a === i)) a--;
  if (side >= 0) while (b < last && ((run.along[b] ?? 0) - here < reach || b === i)) b++;
  const p = at(run, a);
  const q = at(run, b);
  let along: Vec = subtract(q, p);
  if (side !== 0 && b - a >= 2) {
    // At an end: the direction at the end itself, from a parabola through end, middle and far point.
    const m = at(run, (a + b) >> 1);
    const end = side > 0 ? p : q;
    const far = side > 0 ? q : p;
    const near = subtract(m, end);
    const whole = subtract(far, end);
    const u = ((run.along[(a + b) >> 1] ?? 0) - (run.along[a] ?? 0)) / ((run.along[b] ?? 0) - (run.along[a] ?? 0) || 1);
    const share = side > 0 ? u : 1 - u;
    if (share > 0.05 && share < 0.95) {
      const bent: Vec = [
        (near[0] - share * share * whole[0]) / (share * (1 - share)),
        (near[1] - share * share * whole[1]) / (share * (1 - share)),
      ];
      along = side > 0 ? bent : multiply(bent, -1);
    }
  }
  return unit(along) ?? unit(subtract(at(run, Math.min(i + 1, last)), at(run, Math.max(0, i - 1)))) ?? [1, 0];
}
