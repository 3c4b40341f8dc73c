import type { SheetPoint } from './axes.ts';

/** px. How far a drawn line may leave the places it was looked at, upright: less than a screen shows. */
const UNSEEN = 0.12;

/**
 * The fewest of a line's points, from left to right, whose straight joins stay within `within` px of all of them, upright: a line of hundreds of looks is
 * stroked with a tenth of them. Each stretch reaches as far as one chord can (the swinging door of process records), so places where the line turns or
 * jumps are kept.
 */
export function thinned(points: readonly SheetPoint[], within = UNSEEN): SheetPoint[] {
  const kept: SheetPoint[] = points.slice(0, 1);
  let [least, most] = [-Infinity, Infinity];
  for (let i = 1; i < points.length; i++) {
    const [point, before, from] = [points[i], points[i - 1], kept[kept.length - 1]];
    if (!point || !before || !from) break;
    const slope = (point[1] - from[1]) / (point[0] - from[0]);
    // Two places at one time make no slope: what stands there is a jump, and both ends of it stay.
    const isBeyond = !(slope >= least && slope <= most) || !Number.isFinite(slope);
    if (isBeyond && before !== from) {
      kept.push(before);
      [least, most] = [-Infinity, Infinity];
    }
    const [x, y] = kept[kept.length - 1] ?? from;
    const run = point[0] - x;
    if (run > 0)
      [least, most] = [Math.max(least, (point[1] - within - y) / run), Math.min(most, (point[1] + within - y) / run)];
    else kept.push(point);
  }
  const last = points[points.length - 1];
  if (last && kept[kept.length - 1] !== last) kept.push(last);
  return kept;
}
