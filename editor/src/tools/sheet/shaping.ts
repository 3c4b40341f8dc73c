import {
  foldingOf,
  knotsOf,
  prepare,
  shownCopies,
  xOfTime,
  yOfDistance,
  type Axes,
  type Guide,
  type Mark,
  type Rider,
  type Scene,
  type Shaped,
  type Shown,
} from '@pace-line/core';
import { legAfter } from '../legs.ts';

/** The ease of a leg as it is bent by its points on the sheet; undefined where it is none of these, or is not shown as it is. */
export const shapedOf = ({ ease }: Mark): Shaped | undefined =>
  ease.kind === 'shaped' && !ease.part && ease.strength === undefined && ease.even === undefined ? ease : undefined;

/** A shaping point on the sheet, or one of the handles of its slope. */
export interface Bead {
  readonly mark: string;
  /** Which point of the leg; −1 and the number of points: its ends, which have handles only. */
  readonly index: number;
  /** Null: the point itself; else the handle before (−1) or after it (1). */
  readonly side: -1 | 1 | null;
  readonly shown: Shown;
  readonly x: number;
  readonly y: number;
  /** Where the point itself is. */
  readonly ofX: number;
  readonly ofY: number;
  readonly isSharp: boolean;
}

/** Share of a piece at which the handle of a slope stands: that of a cubic's. */
const REACH = 1 / 3;

/** The shaping points of a rider's legs, and those of chosen marks with the handles of their slopes. */
export function beadsOf(
  scene: Scene,
  guide: Guide,
  rider: Rider,
  axes: Axes,
  chosen: readonly string[],
): readonly Bead[] {
  const folding = foldingOf(rider, scene.clock);
  const { length } = prepare(scene);
  return rider.pace.marks.flatMap((mark) => {
    const shaped = shapedOf(mark);
    const leg = shaped && legAfter(guide, rider, mark);
    if (!leg) return [];
    const at = (time: number, way: number) => {
      const local = leg.leaves + leg.lasts * time;
      const y = yOfDistance(axes, leg.from + leg.way * way);
      return shownCopies(folding, local, length).map((shown) => ({ shown, x: xOfTime(axes, shown.time), y }));
    };
    const knots = knotsOf(shaped);
    return knots.flatMap((knot, k): Bead[] => {
      const isEnd = k === 0 || k === knots.length - 1;
      const isSharp = Array.isArray(shaped.points[k - 1]?.slope);
      const points = at(knot.time, knot.way);
      const base = { mark: mark.id, index: k - 1, isSharp };
      const beads: Bead[] = isEnd ? [] : points.map((one) => ({ ...base, side: null, ...one, ofX: one.x, ofY: one.y }));
      if (!chosen.includes(mark.id)) return beads;
      for (const side of [-1, 1] as const) {
        const other = knots[k + side];
        if (!other) continue;
        const wide = (other.time - knot.time) * REACH;
        const slope = side < 0 ? knot.left : knot.right;
        at(knot.time + wide, knot.way + slope * wide).forEach((one, copy) => {
          const point = points[copy];
          if (point) beads.push({ ...base, side, ...one, ofX: point.x, ofY: point.y });
        });
      }
      return beads;
    });
  });
}
