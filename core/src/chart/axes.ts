import { scaleLinear, type ScaleLinear } from 'd3-scale';

/** A place on the sheet, px. */
export type SheetPoint = readonly [x: number, y: number];

/** Where time and distance stand on a sheet, px. Immutable. */
export interface Axes {
  /** The chart's rectangle. */
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  /** Seconds at the left and right edge. */
  readonly from: number;
  readonly to: number;
  /** px along the guide at the bottom and top edge. */
  readonly low: number;
  readonly high: number;
  /** px: height of the strip of speed under the chart, 0 where there is no room for one; its usual height where this is not said. */
  readonly ribbon?: number;
}

interface Scales {
  readonly time: ScaleLinear<number, number>;
  readonly distance: ScaleLinear<number, number>;
}

const made = new WeakMap<Axes, Scales>();

function scalesOf(axes: Axes): Scales {
  let scales = made.get(axes);
  if (!scales)
    made.set(
      axes,
      (scales = {
        time: scaleLinear([axes.from, axes.to], [axes.left, axes.right]),
        distance: scaleLinear([axes.low, axes.high], [axes.bottom, axes.top]),
      }),
    );
  return scales;
}

/** Where a time, s, lies across the diagram, px. */
export const xOfTime = (axes: Axes, time: number): number => scalesOf(axes).time(time);
/** The time, s, at a place across the diagram, px. */
export const timeAtX = (axes: Axes, x: number): number => scalesOf(axes).time.invert(x);
/** Where a distance, px of the guide, lies in the height of the diagram, px. */
export const yOfDistance = (axes: Axes, distance: number): number => scalesOf(axes).distance(distance);
/** The distance, px of the guide, at a height of the diagram, px. */
export const distanceAtY = (axes: Axes, y: number): number => scalesOf(axes).distance.invert(y);

/** Seconds that a px across is, and px along the guide that one up is. */
export const secondsPerPx = ({ from, to, left, right }: Axes): number => (to - from) / (right - left);
/** px of the guide for each px of the height of the diagram. */
export const distancePerPx = ({ low, high, top, bottom }: Axes): number => (high - low) / (bottom - top);

/** Round times within the axes, at least `gap` px apart. */
export function timeTicks(axes: Axes, gap: number): readonly number[] {
  const { time } = scalesOf(axes);
  for (let count = Math.max(1, Math.floor((axes.right - axes.left) / gap)); count >= 1; count--) {
    const ticks = time.ticks(count);
    const [first, second] = ticks;
    if (first === undefined || second === undefined || time(second) - time(first) >= gap - 1e-6) return ticks;
  }
  return [];
}
