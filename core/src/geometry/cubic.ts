import { REVERSAL, VANISHING_SPEED } from '../tolerances.ts';
import type { Box } from './box.ts';
import { rootsInUnit } from './roots.ts';
import { mix, turnBetween, type Vec } from './vec.ts';

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

/** The point of a cubic at a parameter from 0 to 1, px. */
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

/**
 * How far the tangent of a cubic turns from its start to its end, rad, clockwise positive, unwrapped; an exact cusp turns clockwise by π. The
 * derivative is a quadratic Bézier: while its three control vectors lie within a right angle, so does all between; else it is halved.
 */
export function turnOfCubic([p0, p1, p2, p3]: ControlPoints): number {
  return turnOfHodograph(
    p1[0] - p0[0],
    p1[1] - p0[1],
    p2[0] - p1[0],
    p2[1] - p1[1],
    p3[0] - p2[0],
    p3[1] - p2[1],
    MOST_HALVINGS,
  );
}

const MOST_HALVINGS = 50;

function turnOfHodograph(
  ax: number,
  ay: number,
  bx: number,
  by: number,
  cx: number,
  cy: number,
  depth: number,
): number {
  // A vector of length 0 has the direction of its neighbour in the limit.
  const hasA = ax !== 0 || ay !== 0;
  const hasC = cx !== 0 || cy !== 0;
  const fromX = hasA ? ax : bx !== 0 || by !== 0 ? bx : cx;
  const fromY = hasA ? ay : bx !== 0 || by !== 0 ? by : cy;
  const toX = hasC ? cx : bx !== 0 || by !== 0 ? bx : ax;
  const toY = hasC ? cy : bx !== 0 || by !== 0 ? by : ay;
  const together = fromX * toX + fromY * toY >= 0 && fromX * bx + fromY * by >= 0 && toX * bx + toY * by >= 0;
  if (together || depth === 0) return fromX === 0 && fromY === 0 ? 0 : turnBetween(fromX, fromY, toX, toY, REVERSAL);
  const abx = (ax + bx) / 2;
  const aby = (ay + by) / 2;
  const bcx = (bx + cx) / 2;
  const bcy = (by + cy) / 2;
  const mx = (abx + bcx) / 2;
  const my = (aby + bcy) / 2;
  return (
    turnOfHodograph(ax, ay, abx, aby, mx, my, depth - 1) +
    (mx === 0 && my === 0 ? cuspTurn(abx, aby, bcx, bcy) : 0) +
    turnOfHodograph(mx, my, bcx, bcy, cx, cy, depth - 1)
  );
}

/** At a cusp that falls just on a half the tangent jumps from the direction before to that after. */
const cuspTurn = (ax: number, ay: number, bx: number, by: number): number => turnBetween(ax, ay, bx, by, REVERSAL);
