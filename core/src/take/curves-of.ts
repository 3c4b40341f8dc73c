import { CHANNELS, type Channel } from '../motion/index.ts';
import type { Curve } from './curve.ts';
import { gapOfCurves } from './gap.ts';
import { reducedChannel, reducedTogether, type Looked } from './reduction.ts';
import { sampleAt, type Played } from './sample.ts';

/** Every channel as it is at the loop's start: a constant each. */
export function constantCurves(rider: Played): Record<Channel, Curve> {
  const still = sampleAt(rider, 0);
  return Object.fromEntries(CHANNELS.map((c) => [c, [{ time: 0, value: still[c] }]])) as unknown as Record<
    Channel,
    Curve
  >;
}

/** The curves of a rider's channels over the loop, each with keys of its own, that keep the corners of its box within what is allowed. */
export function curvesOf(rider: Played, looked: Looked): Record<Channel, Curve> {
  const constant = constantCurves(rider);
  const { made } = reducedTogether(
    looked.allowed,
    (share) => {
      const curves = { ...constant };
      for (const channel of rider.varies) curves[channel] = reducedChannel(looked, channel, share);
      return curves;
    },
    (curves) => gapOfCurves(curves, looked.pieces, looked.box),
  );
  return made;
}
