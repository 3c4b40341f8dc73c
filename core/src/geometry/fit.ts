import { add, distanceBetween, multiply, subtract, type Vec } from './vec.ts';
import { farthest } from '../search.ts';
import type { ControlPoints } from './cubic.ts';
import type { PathNode } from './span.ts';

/** Points in order, px, with the chord length up to each. Coordinates in lists of their own: the fit runs over them hundreds of times. */
interface Run {
  readonly count: number;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly along: Float64Array;
}

const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1];

function unit(v: Vec): Vec | undefined {
  const size = Math.hypot(v[0], v[1]);
  return size > 1e-9 ? [v[0] / size, v[1] / size] : undefined;
}

function runOf(points: readonly Vec[]): Run {
  const x = Float64Array.from(points, ([px]) => px);
  const y = Float64Array.from(points, ([, py]) => py);
  const along = new Float64Array(points.length);
  for (let i = 1; i < points.length; i++)
    along[i] = (along[i - 1] ?? 0) + Math.hypot((x[i] ?? 0) - (x[i - 1] ?? 0), (y[i] ?? 0) - (y[i - 1] ?? 0));
  return { count: points.length, x, y, along };
}

const at = (run: Run, i: number): Vec => [run.x[i] ?? 0, run.y[i] ?? 0];

/** Rounds of reparametrising by one Newton step each. */
const ROUNDS = 5;
/** The same where one piece must be as near as one cubic can be. */
const PATIENT_ROUNDS = 40;

/**
 * The cubic with given end tangents that fits points a..b best by least squares. P. J. Schneider, "An Algorithm for Automatically Fitting Digitized
 * Curves", Graphics Gems, 1990: chord-length parameters, the two handle lengths from a 2 × 2 system, parameters improved by Newton's method.
 */
function fitCubic(
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

/** A tangent (unit) at a point of a run, looking some way to both sides, or to one at its ends. */
type TangentAt = (index: number, side: -1 | 0 | 1) => Vec;

/** Fits points a..b with as few cubics as the tolerance allows, each reaching as far as it can. */
function fitRun(
  run: Run,
  a: number,
  b: number,
  tangent: TangentAt,
  tolerance: number,
): { cubic: ControlPoints; end: number }[] {
  const pieces: { cubic: ControlPoints; end: number }[] = [];
  let start = a;
  let from = tangent(a, 1);
  const attempt = (end: number): { cubic: ControlPoints; off: number } =>
    fitCubic(run, start, end, from, tangent(end, end === b ? -1 : 0), tolerance);
  const accepted = (end: number): ControlPoints | undefined => {
    const { cubic, off } = attempt(end);
    return off <= tolerance ? cubic : undefined;
  };
  // The last few points that might still be reached are not worth as many fits.
  const fewLeft = (reached: number): number => reached >> 5;
  while (start < b) {
    const piece = farthest(start, b, attempt(start + 1).cubic, accepted, fewLeft);
    pieces.push({ cubic: piece.made, end: piece.end });
    from = tangent(piece.end, 0);
    start = piece.end;
  }
  return pieces;
}

function nodesOfPieces(pieces: readonly { cubic: ControlPoints }[]): PathNode[] {
  const nodes: PathNode[] = [];
  for (const { cubic } of pieces) {
    const [p0, p1, p2, p3] = cubic;
    const last = nodes.pop() ?? { x: p0[0], y: p0[1] };
    nodes.push({ ...last, out: subtract(p1, p0) }, { x: p3[0], y: p3[1], in: subtract(p2, p3) });
  }
  return nodes;
}

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
  const stops = [0, ...cornersOf(run, corner, reach), points.length - 1];
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

/** Indexes where the stroke turns by more than `least` rad between what lies `reach` px before and after: the sharpest of each neighbourhood. */
function cornersOf(run: Run, least: number, reach: number): number[] {
  const found: { i: number; turn: number; at: number }[] = [];
  const last = run.count - 1;
  let a = 0;
  let b = 0;
  for (let i = 1; i < last; i++) {
    const here = run.along[i] ?? 0;
    while (a + 1 < i && here - (run.along[a + 1] ?? 0) >= reach) a++;
    while (b < last && (b <= i || (run.along[b] ?? 0) - here < reach)) b++;
    const p = at(run, i);
    const before = subtract(p, at(run, a));
    const after = subtract(at(run, b), p);
    const turn = Math.abs(Math.atan2(before[0] * after[1] - before[1] * after[0], dot(before, after)));
    if (turn > least) found.push({ i, turn, at: here });
  }
  const kept: typeof found = [];
  for (const one of [...found].sort((x, y) => y.turn - x.turn || x.i - y.i))
    if (kept.every((other) => Math.abs(other.at - one.at) > 2 * reach)) kept.push(one);
  return kept.map(({ i }) => i).sort((x, y) => x - y);
}

/** A point of an exactly known curve with its unit tangent. */
export interface Sample {
  readonly x: number;
  readonly y: number;
  readonly tangentX: number;
  readonly tangentY: number;
}

/** Fits one smooth, exactly known curve with few cubics; the tangents at the joints are those of the samples. */
export function fitSamples(samples: readonly Sample[], tolerance: number): PathNode[] {
  const kept = samples.filter((one, i) => {
    const last = samples[i - 1];
    return !last || Math.hypot(one.x - last.x, one.y - last.y) > 1e-9;
  });
  const [first] = kept;
  if (!first) return [];
  if (kept.length === 1) return [{ x: first.x, y: first.y }];
  const run = runOf(kept.map(({ x, y }): Vec => [x, y]));
  const tangent: TangentAt = (i) => [kept[i]?.tangentX ?? 1, kept[i]?.tangentY ?? 0];
  return nodesOfPieces(fitRun(run, 0, kept.length - 1, tangent, tolerance));
}

/** The one cubic with the samples' end tangents that lies nearest to them: its handles at both ends. */
export function fitOneCubic(samples: readonly Sample[]): { out: Vec; in: Vec; off: number } | undefined {
  const first = samples[0];
  const last = samples[samples.length - 1];
  if (!first || !last || samples.length < 2) return undefined;
  const run = runOf(samples.map(({ x, y }): Vec => [x, y]));
  const { cubic, off } = fitCubic(
    run,
    0,
    samples.length - 1,
    [first.tangentX, first.tangentY],
    [last.tangentX, last.tangentY],
    1e-3,
    Infinity,
    PATIENT_ROUNDS,
  );
  return { out: subtract(cubic[1], cubic[0]), in: subtract(cubic[2], cubic[3]), off };
}
