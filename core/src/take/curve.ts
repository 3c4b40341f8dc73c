import { lastAtMost } from '../search.ts';

/** A value at a time, s, and how the curve gets from there to the next key. */
export interface CurveKey {
  readonly time: number;
  readonly value: number;
  /** Shares of the way at which a cubic in time has its inner control values, those of time at thirds; absent: a straight line. As CSS: cubic-bezier(1/3, ease[0], 2/3, ease[1]). */
  readonly ease?: readonly [number, number] | undefined;
}

/** A channel over the loop: keys in order of time from 0 to its length, two at one time are a jump; a constant has one key. */
export type Curve = readonly CurveKey[];

export const isConstant = (curve: Curve): boolean => curve.length === 1;

/** Progress of a leg with cubic timing at a share u of its time. */
export function easedShare(ease: readonly [number, number] | undefined, u: number): number {
  if (!ease) return u;
  const s = 1 - u;
  return u * (3 * s * s * ease[0] + u * (3 * s * ease[1] + u));
}

const timesOf = new WeakMap<Curve, Float64Array>();

/** The value of a curve at a time, s. At a jump: after it. */
export function valueOfCurve(curve: Curve, time: number): number {
  const first = curve[0];
  if (!first) return 0;
  if (curve.length === 1) return first.value;
  let times = timesOf.get(curve);
  if (!times) timesOf.set(curve, (times = Float64Array.from(curve, (key) => key.time)));
  const i = lastAtMost(times, time);
  const a = curve[i] ?? first;
  const b = curve[i + 1];
  if (!b || !(b.time > a.time)) return a.value;
  return a.value + (b.value - a.value) * easedShare(a.ease, (time - a.time) / (b.time - a.time));
}
