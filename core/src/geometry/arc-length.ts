import { LENGTH_TOLERANCE } from '../tolerances.ts';
import { stationarySpeeds, speedAtParameter, type Cubic } from './cubic.ts';

// Gauss–Legendre, 16 points: abscissas and weights from Abramowitz & Stegun, Handbook of Mathematical Functions, table 25.4.
const X = [
  0.09501250983763744, 0.2816035507792589, 0.4580167776572274, 0.6178762444026438, 0.755404408355003,
  0.8656312023878318, 0.9445750230732326, 0.9894009349916499,
] as const;
const W = [
  0.1894506104550685, 0.1826034150449236, 0.1691565193950025, 0.1495959888165767, 0.1246289712555339,
  0.0951585116824928, 0.0622535239386479, 0.0271524594117541,
] as const;

/** Arc length of a cubic from parameter a to b by one 16-point rule, px: exact only on a panel that `panelsOf` has accepted. */
export function panelLength(c: Cubic, a: number, b: number): number {
  const half = 0.5 * (b - a);
  const middle = 0.5 * (a + b);
  let sum = 0;
  for (let i = 0; i < 8; i++) {
    const d = half * X[i as 0];
    sum += W[i as 0] * (speedAtParameter(c, middle - d) + speedAtParameter(c, middle + d));
  }
  return half * sum;
}

/** Pieces of a cubic on which one quadrature rule is exact: `t` and `s` (px from the cubic's start) at their ends. */
export interface Panels {
  readonly t: readonly number[];
  readonly s: readonly number[];
  readonly length: number;
}

let integrations = 0;

/** How many cubics have been integrated since the program started; tests count with it. */
export const countIntegrations = (): number => integrations;

/**
 * Adaptive Gauss–Legendre integration of |B′|, cut first where the speed is stationary (so that a cusp, where |B′| has a kink, lies on a
 * panel's end), then halved until one rule agrees with two of half the width.
 */
export function panelsOf(c: Cubic, tolerance: number = LENGTH_TOLERANCE): Panels {
  integrations++;
  const t = [0];
  const s = [0];
  let length = 0;
  const accept = (a: number, b: number, whole: number, depth: number): void => {
    const middle = 0.5 * (a + b);
    const left = panelLength(c, a, middle);
    const right = panelLength(c, middle, b);
    const limit = Math.max(tolerance, 1e-15 * whole);
    if (Math.abs(left + right - whole) <= limit || depth === 0) {
      length += left + right;
      t.push(b);
      s.push(length);
    } else {
      accept(a, middle, left, depth - 1);
      accept(middle, b, right, depth - 1);
    }
  };
  // Most cubics are smooth: one rule over the whole agrees with two over the halves, and no cut is needed.
  const whole = panelLength(c, 0, 1);
  const halves = panelLength(c, 0, 0.5) + panelLength(c, 0.5, 1);
  if (Math.abs(whole - halves) <= tolerance) return { t: [0, 1], s: [0, halves], length: halves };
  const cuts = [0, ...stationarySpeeds(c), 1];
  for (let i = 0; i + 1 < cuts.length; i++) {
    const a = cuts[i] ?? 0;
    const b = cuts[i + 1] ?? 1;
    accept(a, b, panelLength(c, a, b), 44);
  }
  return { t, s, length };
}

/** Arc length from the cubic's start to parameter t, px, with the panels' accuracy. */
export function distanceAtParameter(c: Cubic, panels: Panels, t: number): number {
  if (t >= 1) return panels.length;
  let i = panels.t.length - 1;
  while (i > 0 && (panels.t[i] ?? 0) > t) i--;
  return (panels.s[i] ?? 0) + panelLength(c, panels.t[i] ?? 0, t);
}
