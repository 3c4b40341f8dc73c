import { Body, gapBetween, hullOf, isPartlyIn, nearParts, noGap, type Vec } from '../../geometry/index.ts';

/** px that what is swept keeps from an area at least, beyond what its motion may leave unseen. */
const APART = 1e-3;
/** By how much more than in its middle a motion may leave the straight way between its ends. */
const MARGIN = 2;

const STANDING = Float64Array.of(1, 0, 0, 1, 0, 0);
const GAP = noGap();

/**
 * Whether all that a body sweeps while it goes through an odd number of poses, as far apart in time as each other, lies clear of an area that stands: the hull of the bodies does, by more than the motion
 * leaves its chords from every other pose to the next but one. False says nothing: a hull takes up more than what moves.
 */
export function isSweptClear(
  body: Body,
  poses: readonly ArrayLike<number>[],
  area: Body,
  standing: ArrayLike<number>,
): boolean {
  const { hull } = body;
  const points = new Float64Array(hull.length * poses.length);
  poses.forEach((m, k) => {
    for (let i = 0; i < hull.length; i += 2) {
      const [x, y] = placed(m, hull[i] ?? 0, hull[i + 1] ?? 0);
      points[k * hull.length + i] = x;
      points[k * hull.length + i + 1] = y;
    }
  });
  const leaves = leavesOf(points, hull.length);
  const swept = { body: new Body([Array.from(hullOf(points))]), data: STANDING, offset: 0 };
  const there = { body: area, data: standing, offset: 0 };
  const cutoff = MARGIN * leaves + APART;
  const parts = nearParts(swept, there, cutoff);
  if (parts.length === 0) return true;
  if (isPartlyIn(swept, there)) return false;
  gapBetween(swept, there, cutoff, GAP, parts);
  return GAP.gap === Infinity;
}

const placed = (m: ArrayLike<number>, x: number, y: number): Vec => [
  (m[0] ?? 1) * x + (m[2] ?? 0) * y + (m[4] ?? 0),
  (m[1] ?? 0) * x + (m[3] ?? 1) * y + (m[5] ?? 0),
];

/** px by which places are farther from the middle between the first and the last of three poses than that middle: the most of all poses, three by three. */
function leavesOf(points: Float64Array, size: number): number {
  let most = 0;
  for (let from = 0; from + 2 * size < points.length; from += 2 * size)
    for (let i = from; i < from + size; i += 2) {
      const off = (at: number): number =>
        (points[size + at] ?? 0) - ((points[at] ?? 0) + (points[2 * size + at] ?? 0)) / 2;
      most = Math.max(most, Math.hypot(off(i), off(i + 1)));
    }
  return most;
}
