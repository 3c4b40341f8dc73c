import { farthest } from '../search.ts';
import { quantised } from './sample.ts';
import { easedShare, type Curve, type CurveKey } from './curve.ts';

/** A value at a time, s. */
export interface Point {
  readonly time: number;
  readonly value: number;
}

export interface ReduceOptions {
  /** Largest difference of the curve from the points, and from the straight lines between them. */
  readonly tolerance: number;
  /** Keys' values are multiples of this. */
  readonly grid: number;
  /** Legs may be cubic in time. */
  readonly cubic: boolean;
}

/**
 * The curve with the fewest keys that follows pieces of points: each leg reaches as far as it can. Piece by piece the curve is smooth; where one ends elsewhere than
 * the next begins it jumps. One key where one value serves for all.
 */
export function reducedCurve(pieces: readonly (readonly Point[])[], options: ReduceOptions): Curve {
  const all = pieces.flat();
  const low = all.reduce((least, { value }) => Math.min(least, value), Infinity);
  const high = all.reduce((most, { value }) => Math.max(most, value), -Infinity);
  if (high - low <= 2 * options.tolerance - options.grid || high === low)
    return [{ time: 0, value: high === low ? low : rounded((low + high) / 2, options.grid) }];
  const keys: CurveKey[] = [];
  for (const piece of pieces) {
    const made = reducedPiece(piece, options);
    const last = keys[keys.length - 1];
    const first = made[0];
    if (last && first && last.time === first.time && last.value === first.value) keys.pop();
    for (const key of made) keys.push(key);
  }
  return keys;
}

/** A place at a time, s. */
export interface PlacedAt {
  readonly time: number;
  readonly x: number;
  readonly y: number;
}

/** Both channels of a place with keys at the same times, and straight legs: the fewest that stay within a tolerance, px, of pieces of places. */
export function reducedPlace(
  pieces: readonly (readonly PlacedAt[])[],
  { tolerance, grid }: Pick<ReduceOptions, 'tolerance' | 'grid'>,
): { readonly x: Curve; readonly y: Curve } {
  const keys: PlacedAt[] = [];
  for (const piece of pieces)
    for (const { time, x, y } of straightPlaces(piece, tolerance)) {
      const key = { time, x: rounded(x, grid), y: rounded(y, grid) };
      const last = keys[keys.length - 1];
      if (last && last.time === key.time && last.x === key.x && last.y === key.y) continue;
      keys.push(key);
    }
  return { x: keys.map(({ time, x }) => ({ time, value: x })), y: keys.map(({ time, y }) => ({ time, value: y })) };
}

/** Of the places of a piece the fewest between which straight legs, at an even speed each, stay within a tolerance of all the others. */
function straightPlaces(piece: readonly PlacedAt[], tolerance: number): PlacedAt[] {
  const last = piece.length - 1;
  const kept = piece.slice(0, 1);
  for (let from = 0; from < last;) {
    const { end } = farthest(from, last, true, (to) => (isStraight(piece, from, to, tolerance) ? true : undefined));
    kept.push(...piece.slice(end, end + 1));
    from = end;
  }
  return kept;
}

function isStraight(piece: readonly PlacedAt[], a: number, b: number, tolerance: number): boolean {
  const [from, to] = [piece[a], piece[b]];
  if (!from || !to) return false;
  for (let i = a + 1; i < b; i++) {
    const at = piece[i] ?? to;
    const share = (at.time - from.time) / (to.time - from.time);
    const off = Math.hypot(from.x + (to.x - from.x) * share - at.x, from.y + (to.y - from.y) * share - at.y);
    if (off > tolerance) return false;
  }
  return true;
}

/** The nearest multiple of a grid's step. */
const rounded = (value: number, grid: number): number => quantised(Math.round(value / grid) * grid);

function reducedPiece(points: readonly Point[], options: ReduceOptions): CurveKey[] {
  const keys: CurveKey[] = [];
  const last = points.length - 1;
  let start = 0;
  while (start < last) {
    const from = start;
    const straight: Leg = { ease: undefined };
    const { end, made } = farthest(from, last, straight, (to) => legBetween(points, from, to, options));
    keys.push(keyAt(points, from, options.grid, made.ease));
    start = end;
  }
  keys.push(keyAt(points, last, options.grid, undefined));
  return keys;
}

function keyAt(points: readonly Point[], i: number, grid: number, ease: CurveKey['ease']): CurveKey {
  const { time, value } = points[i] ?? { time: 0, value: 0 };
  return ease ? { time, value: rounded(value, grid), ease } : { time, value: rounded(value, grid) };
}

interface Leg {
  readonly ease: CurveKey['ease'];
}

/** The leg from one point to another that stays within the tolerance of all between, the plainest that does; undefined where none does. */
function legBetween(points: readonly Point[], a: number, b: number, options: ReduceOptions): Leg | undefined {
  if (holds(points, a, b, undefined, options)) return { ease: undefined };
  if (!options.cubic) return undefined;
  const exact = bestEase(points, a, b, options.grid);
  if (!exact) return undefined;
  for (const digits of EASE_DIGITS) {
    const scale = 10 ** digits;
    const ease = [Math.round(exact[0] * scale) / scale + 0, Math.round(exact[1] * scale) / scale + 0] as const;
    if (holds(points, a, b, ease, options)) return { ease };
  }
  return undefined;
}

/** Decimals of an ease's shares, the shortest tried first. */
const EASE_DIGITS = [2, 3, 4];

/** Largest share of the way that a leg's inner control values may reach: beyond it a rounding of theirs shows. */
const MOST_EASE = 40;

function holds(
  points: readonly Point[],
  a: number,
  b: number,
  ease: CurveKey['ease'],
  { tolerance, grid }: ReduceOptions,
): boolean {
  const from = points[a];
  const to = points[b];
  if (!from || !to) return false;
  const wide = to.time - from.time;
  const start = rounded(from.value, grid);
  const way = rounded(to.value, grid) - start;
  let before = from.value;
  let reached = from.time;
  for (let i = a + 1; i <= b; i++) {
    const { time, value } = points[i] ?? to;
    if (i < b && Math.abs(start + way * easedShare(ease, (time - from.time) / wide) - value) > tolerance) return false;
    // Between two points a cubic may stray as well.
    const middle = start + way * easedShare(ease, ((reached + time) / 2 - from.time) / wide);
    if (ease && Math.abs(middle - (before + value) / 2) > tolerance) return false;
    before = value;
    reached = time;
  }
  return true;
}

/** The inner control shares of the cubic from one point to another that is nearest to those between, by least squares; then weighted by what is off, so that the largest error shrinks. */
function bestEase(points: readonly Point[], a: number, b: number, grid: number): [number, number] | undefined {
  const from = points[a];
  const to = points[b];
  if (!from || !to || b - a < 2) return undefined;
  const start = rounded(from.value, grid);
  const way = rounded(to.value, grid) - start;
  if (Math.abs(way) <= 4 * grid) return undefined;
  const wide = to.time - from.time;
  const weights = new Float64Array(b - a + 1).fill(1);
  let best: [number, number] | undefined;
  let least = Infinity;
  for (let round = 0; round < ROUNDS; round++) {
    const ease = weighted(points, a, b, start, way, wide, weights);
    if (!ease || Math.max(Math.abs(ease[0]), Math.abs(ease[1])) > MOST_EASE) return best;
    let worst = 0;
    for (let i = a + 1; i < b; i++) {
      const { time, value } = points[i] ?? to;
      const off = Math.abs(start + way * easedShare(ease, (time - from.time) / wide) - value);
      worst = Math.max(worst, off);
      weights[i - a] = (weights[i - a] ?? 1) * (off + 1e-12);
    }
    if (worst < least) {
      least = worst;
      best = ease;
    }
    const sum = weights.reduce((total, one) => total + one, 0) || 1;
    for (let i = 0; i < weights.length; i++) weights[i] = (weights[i] ?? 0) / sum;
  }
  return best;
}

/** Rounds of weighting. C. L. Lawson, "Contributions to the theory of linear least maximum approximation", 1961. */
const ROUNDS = 6;

function weighted(
  points: readonly Point[],
  a: number,
  b: number,
  start: number,
  way: number,
  wide: number,
  weights: Float64Array,
): [number, number] | undefined {
  const begin = points[a]?.time ?? 0;
  let c11 = 0;
  let c12 = 0;
  let c22 = 0;
  let r1 = 0;
  let r2 = 0;
  for (let i = a + 1; i < b; i++) {
    const point = points[i];
    if (!point) continue;
    const u = (point.time - begin) / wide;
    const w = weights[i - a] ?? 1;
    const b1 = 3 * u * (1 - u) * (1 - u);
    const b2 = 3 * u * u * (1 - u);
    const rest = (point.value - start) / way - u * u * u;
    c11 += w * b1 * b1;
    c12 += w * b1 * b2;
    c22 += w * b2 * b2;
    r1 += w * b1 * rest;
    r2 += w * b2 * rest;
  }
  const det = c11 * c22 - c12 * c12;
  if (!(Math.abs(det) > 1e-14 * c11 * c22)) return undefined;
  return [(r1 * c22 - r2 * c12) / det, (c11 * r2 - c12 * r1) / det];
}
