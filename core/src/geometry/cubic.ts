import { VANISHING_SPEED } from '../tolerances.ts';
import type { Box } from './box.ts';
import { rootsInUnit } from './roots.ts';
import { mix, type Vec } from './vec.ts';

/**
 * One cubic Bézier as its power basis, for evaluation without branches: B(t) = ((ax·t + bx)·t + cx)·t + dx, t in [0, 1], px.
 */
export interface Cubic {
  readonly ax: number;
  readonly bx: number;
  readonly cx: number;
  readonly dx: number;
  readonly ay: number;
  readonly by: number;
  readonly cy: number;
  readonly dy: number;
  /** Length of the control polygon, px: the scale against which a derivative counts as vanished. */
  readonly reach: number;
}

/** The four control points of a cubic. */
export type ControlPoints = readonly [Vec, Vec, Vec, Vec];

export function cubicFrom([p0, p1, p2, p3]: ControlPoints): Cubic {
  return {
    dx: p0[0],
    cx: 3 * (p1[0] - p0[0]),
    bx: 3 * (p2[0] - 2 * p1[0] + p0[0]),
    ax: p3[0] - p0[0] + 3 * (p1[0] - p2[0]),
    dy: p0[1],
    cy: 3 * (p1[1] - p0[1]),
    by: 3 * (p2[1] - 2 * p1[1] + p0[1]),
    ay: p3[1] - p0[1] + 3 * (p1[1] - p2[1]),
    reach:
      Math.hypot(p1[0] - p0[0], p1[1] - p0[1]) +
      Math.hypot(p2[0] - p1[0], p2[1] - p1[1]) +
      Math.hypot(p3[0] - p2[0], p3[1] - p2[1]),
  };
}

export const pointAtParameter = (c: Cubic, t: number): Vec => [
  ((c.ax * t + c.bx) * t + c.cx) * t + c.dx,
  ((c.ay * t + c.by) * t + c.cy) * t + c.dy,
];

/** |B′(t)|, px per unit of parameter. */
export function speedAtParameter(c: Cubic, t: number): number {
  const x = (3 * c.ax * t + 2 * c.bx) * t + c.cx;
  const y = (3 * c.ay * t + 2 * c.by) * t + c.cy;
  return Math.sqrt(x * x + y * y);
}

/**
 * Unit tangent at t. Where the derivative vanishes it is the limit from the given side: +1 from larger t, −1 from smaller t.
 * Undefined for a cubic that is a single point.
 */
export function tangentAtParameter(c: Cubic, t: number, side: number): Vec | undefined {
  const least = VANISHING_SPEED * c.reach;
  const unit = (x: number, y: number, floor: number): Vec | undefined => {
    const size = Math.sqrt(x * x + y * y);
    return size > floor ? [x / size, y / size] : undefined;
  };
  if (c.reach === 0) return undefined;
  const first = unit((3 * c.ax * t + 2 * c.bx) * t + c.cx, (3 * c.ay * t + 2 * c.by) * t + c.cy, least);
  if (first) return first;
  const second = unit((6 * c.ax * t + 2 * c.bx) * side, (6 * c.ay * t + 2 * c.by) * side, least);
  return second ?? unit(c.ax, c.ay, 0);
}

/** The parameters in (0, 1) where |B′|² is stationary: integration is cut there, so that a cusp falls on an end of a panel. */
export function stationarySpeeds(c: Cubic): number[] {
  const p = [c.cx, 2 * c.bx, 3 * c.ax];
  const q = [c.cy, 2 * c.by, 3 * c.ay];
  const product = (u: number[], v: number[]): number[] => {
    const result = new Array<number>(u.length + v.length - 1).fill(0);
    u.forEach((a, i) => v.forEach((b, j) => (result[i + j] = (result[i + j] ?? 0) + a * b)));
    return result;
  };
  const derivative = (u: number[]): number[] => u.slice(1).map((a, i) => a * (i + 1));
  const x = product(p, derivative(p));
  const y = product(q, derivative(q));
  return rootsInUnit(x.map((a, i) => a + (y[i] ?? 0)));
}

/** The two halves of a cubic cut at t (de Casteljau): the shape stays. */
export function splitCubic([p0, p1, p2, p3]: ControlPoints, t: number): [ControlPoints, ControlPoints] {
  const a = mix(p0, p1, t);
  const b = mix(p1, p2, t);
  const c = mix(p2, p3, t);
  const d = mix(a, b, t);
  const e = mix(b, c, t);
  const m = mix(d, e, t);
  return [
    [p0, a, d, m],
    [m, e, c, p3],
  ];
}

/** Tight bounds of a cubic: its ends and its extremes in x and y. */
export function boundsOfCubic(c: Cubic): Box {
  const xs = [0, 1, ...rootsInUnit([c.cx, 2 * c.bx, 3 * c.ax])].map((t) => pointAtParameter(c, t)[0]);
  const ys = [0, 1, ...rootsInUnit([c.cy, 2 * c.by, 3 * c.ay])].map((t) => pointAtParameter(c, t)[1]);
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
}
