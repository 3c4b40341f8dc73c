import type { RiderMotion } from '../motion/index.ts';
import { cutsAtWraps } from '../time/index.ts';
import { secondsPerPx, xOfTime, yOfDistance, type Axes, type SheetPoint } from './axes.ts';
import { thinned } from './thin.ts';

/** A rider's pace line on the sheet, a list of points for each unbroken stretch of time, looked at every `every` px. */
export function paceLinePoints(rider: RiderMotion, axes: Axes, every: number): SheetPoint[][] {
  const step = secondsPerPx(axes) * every;
  const cuts = cutsAtWraps(rider.folding, axes.from, axes.to);
  const stretches: SheetPoint[][] = [];
  for (let i = 0; i + 1 < cuts.length; i++) {
    const [from, to] = [cuts[i] ?? 0, cuts[i + 1] ?? 0];
    const count = Math.max(1, Math.ceil((to - from) / step));
    stretches.push(
      Array.from({ length: count + 1 }, (_, k): SheetPoint => {
        const time = k === count ? to : from + ((to - from) * k) / count;
        return [xOfTime(axes, time), yOfDistance(axes, rider.footAt(time, k === count ? -1 : 1))];
      }),
    );
  }
  return stretches;
}

const tenths = (value: number): number => Math.round(value * 10) / 10;

/** Stretches of points as path data, px to a tenth, without the points that no eye would miss. */
export const pathOfPoints = (stretches: readonly (readonly SheetPoint[])[]): string =>
  stretches
    .map((points) =>
      thinned(points)
        .map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${tenths(x)} ${tenths(y)}`)
        .join(''),
    )
    .join('');

/** How far, px, a place on the sheet is from a rider's line, and its distance then, lead included. */
export function gapToLine(
  rider: RiderMotion,
  axes: Axes,
  time: number,
  y: number,
): { readonly gap: number; readonly distance: number } {
  const distance = rider.footAt(time);
  const rise = rider.speedAt(time) * secondsPerPx(axes) * ((axes.bottom - axes.top) / (axes.high - axes.low));
  return { gap: Math.abs(yOfDistance(axes, distance) - y) / Math.hypot(1, rise), distance };
}
