import type { Channel } from '../motion/index.ts';
import { valueOfCurve, type Curve } from './curve.ts';
import { cornerGap, type ChannelValues, type PivotBox, type Sample } from './sample.ts';

/** What a player of curves shows at a time, s. */
export const valuesOfCurves = (curves: Readonly<Record<Channel, Curve>>, time: number): ChannelValues => ({
  x: valueOfCurve(curves.x, time),
  y: valueOfCurve(curves.y, time),
  angle: valueOfCurve(curves.angle, time),
  skew: valueOfCurve(curves.skew, time),
  scaleX: valueOfCurve(curves.scaleX, time),
  scaleY: valueOfCurve(curves.scaleY, time),
  opacity: valueOfCurve(curves.opacity, time),
});

/** Share of a step at which a piece's ends are looked at, so that a jump is not. */
export const BESIDE = 1e-6;

/** Largest distance of the corners under curves from those of the samples that they were made of, px. */
export function gapOfCurves(
  curves: Readonly<Record<Channel, Curve>>,
  pieces: readonly (readonly Sample[])[],
  box: PivotBox,
): number {
  let worst = 0;
  for (const piece of pieces)
    piece.forEach((sample, i) => {
      const next = piece[i + 1];
      const before = piece[i - 1];
      const nudge = next ? (next.time - sample.time) * BESIDE : before ? (before.time - sample.time) * BESIDE : 0;
      worst = Math.max(worst, cornerGap(valuesOfCurves(curves, sample.time + nudge), sample, box));
    });
  return worst;
}
