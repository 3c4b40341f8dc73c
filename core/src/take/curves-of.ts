import { CHANNELS, type Channel, type RiderMotion } from '../motion/index.ts';
import type { Curve } from './curve.ts';
import { gapOfCurves } from './gap.ts';
import { reducedCurve, type Point } from './reduce.ts';
import { sampleAt, samplePieces, type PivotBox, type Sample } from './sample.ts';

/** Share of the tolerance for what is not looked at between samples. */
const SAMPLING_SHARE = 0.08;

/** Largest share of the channels' tolerances that is kept while all together they are too far off; below the least share they are as good as exact. */
const MOST_KEPT = 0.96;
const LEAST_SHARE = 0.02;

/** The curves of a rider's channels over the loop, that keep the corners of a box within a tolerance, px. */
export function curvesOf(
  rider: RiderMotion,
  length: number,
  box: PivotBox,
  tolerance: number,
  cubic: boolean,
  tell: (share: number) => void,
): Record<Channel, Curve> {
  const still = sampleAt(rider, 0);
  const constant = Object.fromEntries(CHANNELS.map((c) => [c, [{ time: 0, value: still[c] }]])) as unknown as Record<
    Channel,
    Curve
  >;
  if (rider.varies.length === 0) return constant;
  const pieces = samplePieces(rider, length, box, tolerance * SAMPLING_SHARE, (share) => tell(share / 2));
  const allowed = tolerance * (1 - 2 * SAMPLING_SHARE);
  const units = unitsOf(pieces, box);
  const grid = 10 ** Math.floor(Math.log10(tolerance / 5));
  const pointsOf = new Map(
    rider.varies.map((channel) => [
      channel,
      pieces.map((piece) => piece.map((sample): Point => ({ time: sample.time, value: sample[channel] }))),
    ]),
  );
  const reduced = (share: number): Record<Channel, Curve> => {
    const curves = { ...constant };
    for (const [channel, points] of pointsOf) {
      const isPlace = channel === 'x' || channel === 'y';
      curves[channel] = reducedCurve(points, {
        tolerance: (allowed * share) / units[channel],
        grid: isPlace ? grid : gridOf((allowed * 0.04) / units[channel], channel),
        cubic,
      });
    }
    return curves;
  };
  // Each channel is given all of the tolerance at first; together they are then too far off by so much, and get so much less.
  for (let share = 1; ;) {
    const curves = reduced(share);
    const gap = gapOfCurves(curves, pieces, box);
    tell(0.75);
    if (gap <= allowed || share < LEAST_SHARE) return curves;
    share *= Math.min(MOST_KEPT, (0.99 * allowed) / gap);
  }
}

/** A round step not above a bound; of angles, a round number of degrees. */
function gridOf(most: number, channel: Channel): number {
  const unit = channel === 'angle' || channel === 'skew' ? Math.PI / 180 : 1;
  return 10 ** Math.floor(Math.log10(most / unit)) * unit;
}

/** By how many px the corners of the box move when a channel changes by one. Opacity is held to a two hundred and fiftieth at a quarter of a px. */
function unitsOf(
  pieces: readonly (readonly Sample[])[],
  [left, top, right, bottom]: PivotBox,
): Record<Channel, number> {
  const samples = pieces.flat();
  const most = (of: (sample: Sample) => number): number =>
    samples.reduce((max, one) => Math.max(max, Math.abs(of(one))), 0);
  const half = Math.max(Math.abs(left), Math.abs(right), 1);
  const high = Math.max(Math.abs(top), Math.abs(bottom), 1);
  const reach = Math.max(1, Math.hypot(half * most((one) => one.scaleX), high * most((one) => one.scaleY)));
  return { x: 1, y: 1, angle: reach, skew: reach, scaleX: half, scaleY: high, opacity: 60 };
}
