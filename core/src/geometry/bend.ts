import type { ControlPoints } from './cubic.ts';
import { add, distanceBetween, multiply, subtract, type Vec } from './vec.ts';

/** How near to a span's ends it is still pulled at the place that was pressed; nearer, handles would run away. */
const PULL_INSET = 0.08;

/**
 * A span bent so that it passes through `target` at parameter t: of all ways to move the two handles, the one that moves them least (least squares
 * under one constraint). Near the ends the place is held inside the span.
 */
export function pulledSpan(points: ControlPoints, t: number, target: Vec): ControlPoints {
  const at = Math.min(1 - PULL_INSET, Math.max(PULL_INSET, t));
  const s = 1 - at;
  const w1 = 3 * at * s * s;
  const w2 = 3 * at * at * s;
  const [p0, p1, p2, p3] = points;
  const now: Vec = [
    s * s * s * p0[0] + w1 * p1[0] + w2 * p2[0] + at * at * at * p3[0],
    s * s * s * p0[1] + w1 * p1[1] + w2 * p2[1] + at * at * at * p3[1],
  ];
  const way = multiply(subtract(target, now), 1 / (w1 * w1 + w2 * w2));
  return [p0, add(p1, multiply(way, w1)), add(p2, multiply(way, w2)), p3];
}

/** rad. Widest arc that one cubic draws within a hundredth of its radius. */
const WIDEST_ARC = Math.PI * 1.2;

/**
 * The arc of a circle from one point to another through a third, as one span; undefined where the three lie on a line. Handles of 4/3 · tan(θ/4) · r
 * (the usual form; within 0.03 % of the radius up to a quarter turn, 2 % at a half).
 */
export function arcThrough(from: Vec, through: Vec, to: Vec): ControlPoints | undefined {
  const chord = distanceBetween(from, to);
  const a = subtract(through, from);
  const b = subtract(to, from);
  const cross = a[0] * b[1] - a[1] * b[0];
  if (chord < 1e-9 || Math.abs(cross) < 1e-6 * chord) return undefined;
  // The angle under which the chord is seen from the point on the arc is half of what the arc leaves of the circle.
  const p = subtract(from, through);
  const q = subtract(to, through);
  const seen = Math.abs(Math.atan2(p[0] * q[1] - p[1] * q[0], p[0] * q[0] + p[1] * q[1]));
  const sweep = Math.min(WIDEST_ARC, 2 * Math.PI - 2 * seen);
  const radius = chord / (2 * Math.sin(sweep / 2));
  const handle = (4 / 3) * Math.tan(sweep / 4) * radius;
  const side = cross > 0 ? -1 : 1;
  const along = multiply(b, 1 / chord);
  const turn = (angle: number): Vec => [
    along[0] * Math.cos(angle) - along[1] * Math.sin(angle),
    along[0] * Math.sin(angle) + along[1] * Math.cos(angle),
  ];
  const start = turn((side * sweep) / 2);
  const end = turn((-side * sweep) / 2);
  return [from, add(from, multiply(start, handle)), subtract(to, multiply(end, handle)), to];
}
