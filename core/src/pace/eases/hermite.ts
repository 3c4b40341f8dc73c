/**
 * The slope at a place between two pieces of widths h0 and h1 with slopes d0 and d1 that makes a cubic through the places that turns nowhere between
 * them: 0 where it turns there, else the weighted harmonic mean (F. N. Fritsch, J. Butland: A method for constructing local monotone piecewise cubic
 * interpolants, SIAM J. Sci. Stat. Comput. 5, 1984).
 */
export function monotoneSlope(h0: number, d0: number, h1: number, d1: number): number {
  if (!(d0 * d1 > 0)) return 0;
  return (3 * (h0 + h1)) / ((2 * h1 + h0) / d0 + (h1 + 2 * h0) / d1);
}

/** A slope held within what keeps a cubic piece of slope d from turning: of its sign, and at most three times as steep (F. N. Fritsch, R. E. Carlson: Monotone piecewise cubic interpolation, SIAM J. Numer. Anal. 17, 1980). */
export function heldSlope(slope: number, d: number): number {
  if (!(slope * d > 0)) return 0;
  return Math.abs(slope) > 3 * Math.abs(d) ? 3 * d : slope;
}

/** A cubic from p0 to p1 over a width h with slopes m0 and m1 at its ends, at a share t of it. */
export function hermite(t: number, h: number, p0: number, p1: number, m0: number, m1: number): number {
  const s = 1 - t;
  return p0 * (1 + 2 * t) * s * s + p1 * t * t * (3 - 2 * t) + h * (m0 * t * s * s - m1 * t * t * s);
}

/** Its slope there. */
export function hermiteSlope(t: number, h: number, p0: number, p1: number, m0: number, m1: number): number {
  return (6 * t * (1 - t) * (p1 - p0)) / h + m0 * (1 - t) * (1 - 3 * t) + m1 * t * (3 * t - 2);
}
