/** A point or an offset on the canvas, px, y down. */
export type Vec = readonly [x: number, y: number];

export const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1]];
export const subtract = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1]];
export const multiply = (a: Vec, k: number): Vec => [a[0] * k, a[1] * k];
export const mix = (a: Vec, b: Vec, t: number): Vec => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
export const distanceBetween = (a: Vec, b: Vec): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Signed angle in radians from `(ax, ay)` to `(bx, by)`, clockwise positive on a y-down canvas, in (−π, π]; an exact reversal is +π (clockwise). */
export function turnBetween(ax: number, ay: number, bx: number, by: number, reversal: number): number {
  const cross = ax * by - ay * bx;
  const dot = ax * bx + ay * by;
  if (dot < 0 && Math.abs(cross) <= reversal * -dot) return Math.PI;
  return Math.atan2(cross, dot);
}

export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1];

/** The vector at length 1; undefined where it has none to speak of. */
export function unit(v: Vec): Vec | undefined {
  const size = Math.hypot(v[0], v[1]);
  return size > 1e-9 ? [v[0] / size, v[1] / size] : undefined;
}
