import type { Vec } from '../vec.ts';

/** Points in order, px, with the chord length up to each. Coordinates in lists of their own: the fit runs over them hundreds of times. */
export interface Run {
  readonly count: number;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly along: Float64Array;
}

export function runOf(points: readonly Vec[]): Run {
  const x = Float64Array.from(points, ([px]) => px);
  const y = Float64Array.from(points, ([, py]) => py);
  const along = new Float64Array(points.length);
  for (let i = 1; i < points.length; i++)
    along[i] = (along[i - 1] ?? 0) + Math.hypot((x[i] ?? 0) - (x[i - 1] ?? 0), (y[i] ?? 0) - (y[i - 1] ?? 0));
  return { count: points.length, x, y, along };
}

export const at = (run: Run, i: number): Vec => [run.x[i] ?? 0, run.y[i] ?? 0];
