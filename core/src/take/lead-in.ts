import { CHANNELS, type Channel, type RiderMotion } from '../motion/index.ts';
import type { Curve } from './curve.ts';
import { curvesOf } from './curves-of.ts';
import { lookedAt } from './reduction.ts';
import { sampleAt, type PivotBox, type Played } from './sample.ts';

/** s before the loop at which the lead-in's end is looked at: at 0 itself the loop has begun. */
const JUST_BEFORE = 1e-9;

/** A rider in the lead-in, as something that is played from 0 on and ends where the loop begins. */
export const playedBefore = (rider: RiderMotion, leadIn: number): Played => ({
  varies: CHANNELS,
  round: Infinity,
  poseAt: (time, side, data, offset) => rider.poseAt(Math.min(time - leadIn, -JUST_BEFORE), side, data, offset),
  events: (from, to) =>
    [...new Set([from, ...rider.entering.map((time) => time + leadIn), to])]
      .filter((time) => time >= from && time <= to)
      .sort((a, b) => a - b),
});

/** The channels of a rider's pose in the lead-in, from its beginning, 0, on; null where it stands there as the loop begins. */
export function enteringCurves(
  rider: RiderMotion,
  leadIn: number,
  box: PivotBox,
  tolerance: number,
  cubic: boolean,
): Readonly<Record<Channel, Curve>> | null {
  if (!(leadIn > 0) || rider.entering.length === 0) return null;
  const played = playedBefore(rider, leadIn);
  const curves = curvesOf(played, lookedAt(played, leadIn, box, tolerance, cubic));
  const begin = sampleAt(rider, 0);
  const plain = CHANNELS.map((channel) => [channel, settled(curves[channel])] as const);
  return plain.every(([channel, curve]) => curve.length === 1 && curve[0]?.value === begin[channel])
    ? null
    : (Object.fromEntries(plain) as unknown as Record<Channel, Curve>);
}

/** A curve of one key where all of them say the same. */
export const settled = (curve: Curve): Curve =>
  curve.every(({ value }) => value === curve[0]?.value) ? curve.slice(0, 1) : curve;
