import { INVERSE_TOLERANCE, REVERSAL, SHORTEST_PIECE, TANGENT_TOLERANCE } from '../tolerances.ts';
import { panelLength, type Panels } from './arc-length.ts';
import { speedAtParameter, tangentAtParameter, type Cubic } from './cubic.ts';
import { turnBetween } from './vec.ts';

/**
 * The inverse of arc length on one cubic: for each piece a quintic t(u), u = (s − start) / width, checked against quadrature; with the
 * unwrapped turn of the tangent since the cubic's start.
 */
export interface Inverse {
  /** Distances where the pieces begin, px, ascending; one entry a piece. */
  readonly starts: Float64Array;
  /** Eleven numbers a piece: 1 / width, six coefficients of t(u) from the constant up, unwrapped turn (rad), unit tangent x and y at its start, and the parameter at its end. */
  readonly pieces: Float64Array;
  /** Unwrapped turn of the tangent over the whole cubic, rad, clockwise positive. */
  readonly turn: number;
}

export const PIECE = 11;

/**
 * Fits the inverse piece by piece, halving where the error along the curve passes `tolerance` (px) or where it would turn the tangent by
 * more than `tangentTolerance` (rad). Undefined for a cubic of length 0.
 */
export function inverseOf(
  c: Cubic,
  panels: Panels,
  tolerance: number = INVERSE_TOLERANCE,
  tangentTolerance: number = TANGENT_TOLERANCE,
): Inverse | undefined {
  if (!(panels.length > 0)) return undefined;
  const starts: number[] = [];
  const rows: number[] = [];
  let turn = 0;
  let lastX = 0;
  let lastY = 0;

  const secondOverSpeed = (t: number, speed: number): number => {
    const x1 = (3 * c.ax * t + 2 * c.bx) * t + c.cx;
    const y1 = (3 * c.ay * t + 2 * c.by) * t + c.cy;
    const x2 = 6 * c.ax * t + 2 * c.bx;
    const y2 = 6 * c.ay * t + 2 * c.by;
    return -(x1 * x2 + y1 * y2) / (speed * speed * speed * speed);
  };

  const push = (sa: number, h: number, tb: number, k: readonly number[], ta: number): void => {
    const at = tangentAtParameter(c, ta, 1) ?? [1, 0];
    if (starts.length > 0) turn += turnBetween(lastX, lastY, at[0], at[1], REVERSAL);
    starts.push(sa);
    rows.push(1 / h, ...k, turn, at[0], at[1], tb);
    const end = tangentAtParameter(c, tb, -1) ?? [1, 0];
    turn += turnBetween(at[0], at[1], end[0], end[1], REVERSAL);
    lastX = end[0];
    lastY = end[1];
  };

  const fit = (ta: number, tb: number, sa: number, h: number, depth: number): void => {
    if (h <= SHORTEST_PIECE || depth === 0) {
      if (h > 0) push(sa, h, tb, [ta, tb - ta, 0, 0, 0, 0], ta);
      return;
    }
    const va = speedAtParameter(c, ta);
    const vb = speedAtParameter(c, tb);
    const from = tangentAtParameter(c, ta, 1);
    const to = tangentAtParameter(c, tb, -1);
    const bends = from && to ? from[0] * to[0] + from[1] * to[1] : 1;
    if (va > 0 && vb > 0 && bends > 0.3) {
      const k = quinticHermite(
        ta,
        h / va,
        secondOverSpeed(ta, va) * h * h,
        tb,
        h / vb,
        secondOverSpeed(tb, vb) * h * h,
      );
      if (k.every(Number.isFinite) && fits(k, ta, tb, h)) {
        push(sa, h, tb, k, ta);
        return;
      }
    }
    const middle = 0.5 * (ta + tb);
    const left = panelLength(c, ta, middle);
    fit(ta, middle, sa, left, depth - 1);
    fit(middle, tb, sa + left, h - left, depth - 1);
  };

  const fits = (k: readonly number[], ta: number, tb: number, h: number): boolean => {
    for (const u of CHECKED) {
      const t = polynomial(k, u);
      if (!(t >= ta && t <= tb)) return false;
      const slip = Math.abs(panelLength(c, ta, t) - u * h);
      if (slip > tolerance || slip * Math.abs(curvatureAtParameter(c, t)) > tangentTolerance) return false;
    }
    return true;
  };

  for (let i = 0; i + 1 < panels.t.length; i++) {
    const sa = panels.s[i] ?? 0;
    fit(panels.t[i] ?? 0, panels.t[i + 1] ?? 1, sa, (panels.s[i + 1] ?? 0) - sa, 60);
  }
  return { starts: Float64Array.from(starts), pieces: Float64Array.from(rows), turn };
}

const CHECKED = [0.25, 0.5, 0.75];

const polynomial = (k: readonly number[], u: number): number => k.reduceRight((sum, a) => sum * u + a, 0);

/** Signed curvature, 1/px, positive where the tangent turns clockwise on the canvas; 0 where the derivative vanishes. */
export function curvatureAtParameter(c: Cubic, t: number): number {
  const x1 = (3 * c.ax * t + 2 * c.bx) * t + c.cx;
  const y1 = (3 * c.ay * t + 2 * c.by) * t + c.cy;
  const x2 = 6 * c.ax * t + 2 * c.bx;
  const y2 = 6 * c.ay * t + 2 * c.by;
  const square = x1 * x1 + y1 * y1;
  return square > 1e-20 * c.reach * c.reach ? (x1 * y2 - y1 * x2) / (square * Math.sqrt(square)) : 0;
}

/** Coefficients, from the constant up, of the quintic on [0, 1] with value, first and second derivative given at both ends. */
function quinticHermite(p0: number, v0: number, a0: number, p1: number, v1: number, a1: number): number[] {
  const d = p1 - p0;
  return [
    p0,
    v0,
    0.5 * a0,
    10 * d - 6 * v0 - 4 * v1 - 1.5 * a0 + 0.5 * a1,
    -15 * d + 8 * v0 + 7 * v1 + 1.5 * a0 - a1,
    6 * d - 3 * v0 - 3 * v1 - 0.5 * a0 + 0.5 * a1,
  ];
}
