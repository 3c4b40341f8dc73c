import { add, distanceBetween, dot, multiply, subtract, type Vec } from '../vec.ts';
import type { ControlPoints } from '../cubic.ts';
import { at, type Run } from './points.ts';

/** Rounds of reparametrising by one Newton step each. */
const ROUNDS = 5;
/** The same where one piece must be as near as one cubic can be. */
export const PATIENT_ROUNDS = 40;

/**
 * The cubic with given end tangents that fits points a..b best by least squares. P. J. Schneider, "An Algorithm for Automatically Fitting Digitized
 * Curves", Graphics Gems, 1990: chord-length parameters, the two handle lengths from a 2 × 2 system, parameters improved by Newton's method.
 */
export function fitCubic(
  run: Run,
  a: number,
  b: number,
  from: Vec,
  to: Vec,
  tolerance: number,
  far = FAR * tolerance,
  rounds = ROUNDS,
): { cubic: ControlPoints; off: number } {
  const p0 = at(run, a);
  const p3 = at(run, b);
  const chord = distanceBetween(p0, p3);
  const length = (run.along[b] ?? 0) - (run.along[a] ?? 0);
  const third = (length > 0 ? Math.max(chord, length * 0.3) : chord) / 3;
  const plain: ControlPoints = [p0, add(p0, multiply(from, third)), subtract(p3, multiply(to, third)), p3];
  const u = new Float64Array(b - a + 1);
  for (let i = a; i <= b; i++) u[i - a] = ((run.along[i] ?? 0) - (run.along[a] ?? 0)) / (length || 1);
  if (b - a < 2) {
    const off = offOf(run, a, b, plain, u, tolerance);
    if (off <= tolerance) return { cubic: plain, off };
    const way = multiply(subtract(p3, p0), 1 / 3);
    return { cubic: [p0, add(p0, way), subtract(p3, way), p3], off: 0 };
  }
  let best = { cubic: plain, off: Infinity };
  for (let round = 0; round <= rounds; round++) {
    const cubic = leastSquares(run, a, b, from, to, u, third);
    const off = offOf(run, a, b, cubic, u, tolerance);
    if (off < best.off) best = { cubic, off };
    // Far off, no choice of parameters will help.
    if (off <= tolerance || off > far) break;
    improve(run, a, b, cubic, u);
  }
  return best;
}

/** How many times the tolerance a fit may be off for better parameters to be worth looking for. */
const FAR = 12;

function leastSquares(
  run: Run,
  a: number,
  b: number,
  from: Vec,
  to: Vec,
  u: Float64Array,
  third: number,
): ControlPoints {
  const p0 = at(run, a);
  const p3 = at(run, b);
  const [x0, y0] = p0;
  const [x3, y3] = p3;
  const [fx, fy] = from;
  const [tx, ty] = to;
  let c00 = 0;
  let c01 = 0;
  let c11 = 0;
  let r0 = 0;
  let r1 = 0;
  for (let i = a; i <= b; i++) {
    const t = u[i - a] ?? 0;
    const s = 1 - t;
    const b1 = 3 * t * s * s;
    const b2 = 3 * t * t * s;
    const b0 = s * s * s + b1;
    const b3 = t * t * t + b2;
    const rx = (run.x[i] ?? 0) - b0 * x0 - b3 * x3;
    const ry = (run.y[i] ?? 0) - b0 * y0 - b3 * y3;
    c00 += b1 * b1;
    c01 += b1 * b2;
    c11 += b2 * b2;
    r0 += b1 * (fx * rx + fy * ry);
    r1 -= b2 * (tx * rx + ty * ry);
  }
  c01 *= -dot(from, to);
  const det = c00 * c11 - c01 * c01;
  const isSound = det > 1e-12 * c00 * c11;
  let left = isSound ? (r0 * c11 - r1 * c01) / det : 0;
  let right = isSound ? (c00 * r1 - c01 * r0) / det : 0;
  const least = third * 1e-3;
  if (!(left > least && right > least)) {
    // Wu and Barsky's rule: handles of a third of the way when the system has no sensible answer.
    left = third;
    right = third;
  }
  return [p0, add(p0, multiply(from, left)), subtract(p3, multiply(to, right)), p3];
}

/** One Newton step of each inner parameter towards the foot of its point. */
function improve(
  run: Run,
  a: number,
  b: number,
  [[x0, y0], [x1, y1], [x2, y2], [x3, y3]]: ControlPoints,
  u: Float64Array,
): void {
  let last = 0;
  for (let i = a + 1; i < b; i++) {
    const t = u[i - a] ?? 0;
    const s = 1 - t;
    const w0 = s * s * s;
    const w1 = 3 * t * s * s;
    const w2 = 3 * t * t * s;
    const w3 = t * t * t;
    const dx = w0 * x0 + w1 * x1 + w2 * x2 + w3 * x3 - (run.x[i] ?? 0);
    const dy = w0 * y0 + w1 * y1 + w2 * y2 + w3 * y3 - (run.y[i] ?? 0);
    const v0 = 3 * s * s;
    const v1 = 6 * t * s;
    const v2 = 3 * t * t;
    const vx = v0 * (x1 - x0) + v1 * (x2 - x1) + v2 * (x3 - x2);
    const vy = v0 * (y1 - y0) + v1 * (y2 - y1) + v2 * (y3 - y2);
    const ax = 6 * (s * (x2 - 2 * x1 + x0) + t * (x3 - 2 * x2 + x1));
    const ay = 6 * (s * (y2 - 2 * y1 + y0) + t * (y3 - 2 * y2 + y1));
    const slope = vx * vx + vy * vy + dx * ax + dy * ay;
    const next = Math.abs(slope) < 1e-12 ? t : t - (dx * vx + dy * vy) / slope;
    if (next > last && next < 1) u[i - a] = next;
    last = u[i - a] ?? last;
  }
}

/** Looks at the curve between two neighbouring points. */
const BETWEEN = 3;

/**
 * Largest distance, px, between the points and their places on the curve (never less than the true distance), and, where those hold, between the
 * curve and the line through the points.
 */
function offOf(run: Run, a: number, b: number, cubic: ControlPoints, u: Float64Array, tolerance: number): number {
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = cubic;
  let worst = 0;
  for (let i = a + 1; i < b; i++) {
    const t = u[i - a] ?? 0;
    const s = 1 - t;
    const w0 = s * s * s;
    const w1 = 3 * t * s * s;
    const w2 = 3 * t * t * s;
    const w3 = t * t * t;
    const dx = w0 * x0 + w1 * x1 + w2 * x2 + w3 * x3 - (run.x[i] ?? 0);
    const dy = w0 * y0 + w1 * y1 + w2 * y2 + w3 * y3 - (run.y[i] ?? 0);
    const square = dx * dx + dy * dy;
    if (square > worst) worst = square;
  }
  worst = Math.sqrt(worst);
  if (worst > tolerance) return worst;
  for (let i = a; i < b; i++) {
    const t0 = u[i - a] ?? 0;
    const t1 = u[i - a + 1] ?? 1;
    for (let k = 1; k < BETWEEN; k++) {
      const t = t0 + ((t1 - t0) * k) / BETWEEN;
      const s = 1 - t;
      const w0 = s * s * s;
      const w1 = 3 * t * s * s;
      const w2 = 3 * t * t * s;
      const w3 = t * t * t;
      const x = w0 * x0 + w1 * x1 + w2 * x2 + w3 * x3;
      const y = w0 * y0 + w1 * y1 + w2 * y2 + w3 * y3;
      let gap = Infinity;
      for (let j = Math.max(a, i - 1); j <= Math.min(b - 1, i + 1); j++) {
        const one = squareGapTo(run.x[j] ?? 0, run.y[j] ?? 0, run.x[j + 1] ?? 0, run.y[j + 1] ?? 0, x, y);
        if (one < gap) gap = one;
      }
      if (gap > worst * worst) worst = Math.sqrt(gap);
    }
  }
  return worst;
}

function squareGapTo(ax: number, ay: number, bx: number, by: number, x: number, y: number): number {
  const dx = bx - ax;
  const dy = by - ay;
  const size = dx * dx + dy * dy;
  const u = size > 0 ? Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / size)) : 0;
  const ex = x - ax - u * dx;
  const ey = y - ay - u * dy;
  return ex * ex + ey * ey;
}

/** Distance from a point to a straight segment, px. */
export const gapToSegment = (a: Vec, b: Vec, x: number, y: number): number =>
  Math.sqrt(squareGapTo(a[0], a[1], b[0], b[1], x, y));
