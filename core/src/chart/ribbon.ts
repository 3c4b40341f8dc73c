import type { RiderMotion } from '../motion/index.ts';
import { xOfTime, type Axes } from './axes.ts';

/** Speed over the sheet's time: x px and px/s, below 0 where it backs up; the greatest of both directions. */
export interface Ribbon {
  readonly points: readonly (readonly [x: number, speed: number])[];
  readonly most: number;
  readonly least: number;
}

/** A rider's speed along its guide, looked at every two px. */
export function speedRibbon(rider: RiderMotion, axes: Axes): Ribbon {
  const count = Math.max(60, Math.round((axes.right - axes.left) / 2));
  const points = Array.from({ length: count + 1 }, (_, i) => {
    const time = axes.from + ((axes.to - axes.from) * i) / count;
    const speed = rider.speedAt(time);
    return [xOfTime(axes, time), Number.isFinite(speed) ? speed : 0] as const;
  });
  const speeds = points.map(([, speed]) => speed);
  return { points, most: Math.max(1e-9, ...speeds), least: Math.min(0, ...speeds) };
}
