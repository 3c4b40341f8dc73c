import { farthest } from '../search.ts';
import { STEADY, type Ease } from './eases/index.ts';

/** A distance at a time: s, px. */
export interface Moment {
  readonly time: number;
  readonly distance: number;
}

/** A mark of a fitted pace line. */
export interface FittedMark {
  readonly time: number;
  readonly distance: number;
  readonly ease: Ease;
}

/** Highest and lowest distance share that a fitted ease may reach between its ends: a leg that turns back is cut there. */
const LEAST = -0.02;
const MOST = 1.02;

/**
 * Few marks whose pace line stays within `tolerance` px, or `slack` s, of given moments (in order of time, at least two): each leg reaches as far as one
 * cubic-bezier() with its time handles at thirds (so that its progress is a cubic in time) can follow, by least squares.
 */
export function fitPaceLine(given: readonly Moment[], tolerance: number, slack = 0): FittedMark[] {
  const moments = given.map((moment, i) => ({
    ...moment,
    reach: tolerance + slack * speedAround(given, i, 2 * slack),
  }));
  const marks: FittedMark[] = [];
  const last = moments.length - 1;
  let start = 0;
  while (start < last) {
    const from = start;
    const leg = farthest(from, last, legEase(moments, from, from + 1) ?? STEADY, (end) => legEase(moments, from, end));
    const first = moments[from];
    if (first) marks.push({ time: first.time, distance: first.distance, ease: leg.made });
    start = leg.end;
  }
  const end = moments[last];
  if (end) marks.push({ time: end.time, distance: end.distance, ease: STEADY });
  return marks;
}

/** Mean speed about a moment, px/s, over so many seconds to both sides. */
function speedAround(moments: readonly Moment[], i: number, seconds: number): number {
  const time = moments[i]?.time ?? 0;
  let a = i;
  let b = i;
  while (a > 0 && time - (moments[a - 1]?.time ?? 0) <= seconds) a--;
  while (b < moments.length - 1 && (moments[b + 1]?.time ?? 0) - time <= seconds) b++;
  const wide = (moments[b]?.time ?? 0) - (moments[a]?.time ?? 0);
  return wide > 0 ? Math.abs((moments[b]?.distance ?? 0) - (moments[a]?.distance ?? 0)) / wide : 0;
}

/** A moment with how far, px, the line may be from it. */
interface Reached extends Moment {
  readonly reach: number;
}

/** The ease that follows the moments from a to b within their reaches, or undefined. */
function legEase(moments: readonly Reached[], a: number, b: number): Ease | undefined {
  const from = moments[a];
  const to = moments[b];
  if (!from || !to) return undefined;
  const wide = to.time - from.time;
  const way = to.distance - from.distance;
  if (Math.abs(way) < 1e-6 || wide <= 0) {
    for (let i = a + 1; i < b; i++)
      if (Math.abs((moments[i]?.distance ?? 0) - from.distance) > (moments[i]?.reach ?? 0)) return undefined;
    return STEADY;
  }
  let c11 = 0;
  let c12 = 0;
  let c22 = 0;
  let r1 = 0;
  let r2 = 0;
  for (let i = a + 1; i < b; i++) {
    const moment = moments[i];
    if (!moment) continue;
    const u = (moment.time - from.time) / wide;
    const b1 = 3 * u * (1 - u) * (1 - u);
    const b2 = 3 * u * u * (1 - u);
    const rest = (moment.distance - from.distance) / way - u * u * u;
    c11 += b1 * b1;
    c12 += b1 * b2;
    c22 += b2 * b2;
    r1 += b1 * rest;
    r2 += b2 * rest;
  }
  const det = c11 * c22 - c12 * c12;
  const isSteady = b - a < 3 || Math.abs(det) < 1e-12;
  const held = (value: number): number => Math.round(Math.min(3, Math.max(-2, value)) * 1e4) / 1e4;
  const y1 = isSteady ? 1 / 3 : held((r1 * c22 - r2 * c12) / det);
  const y2 = isSteady ? 2 / 3 : held((c11 * r2 - c12 * r1) / det);
  for (let i = a + 1; i < b; i++) {
    const moment = moments[i];
    if (!moment) continue;
    const u = (moment.time - from.time) / wide;
    const progress = 3 * u * (1 - u) * (1 - u) * y1 + 3 * u * u * (1 - u) * y2 + u * u * u;
    if (progress < LEAST || progress > MOST) return undefined;
    if (Math.abs(from.distance + way * progress - moment.distance) > moment.reach) return undefined;
  }
  if (isSteady) return STEADY;
  return { kind: 'bezier', values: [1 / 3, y1, 2 / 3, y2] };
}
