import { CHANNELS, type Channel } from '../motion/index.ts';
import type { Curve } from './curve.ts';
import { gapOfCurves } from './gap.ts';
import { reducedPlace } from './reduce.ts';
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

/**
 * The curves of a rider's channels over the loop that keep the corners of its box within what is allowed: each with keys of its own; `joint`: both of its place with the same keys and straight
 * legs, for one animation of both.
 */
export function curvesOf(rider: Played, looked: Looked, joint = false): Record<Channel, Curve> {
  const constant = constantCurves(rider);
  const { made } = reducedTogether(
    looked.allowed,
    (share) => {
      const curves = { ...constant };
      for (const channel of rider.varies)
        if (!joint || !isPlace(channel)) curves[channel] = reducedChannel(looked, channel, share);
      const { pieces, allowed, grid } = looked;
      return joint ? { ...curves, ...reducedPlace(pieces, { tolerance: allowed * share, grid }) } : curves;
    },
    (curves) => gapOfCurves(curves, looked.pieces, looked.box),
  );
  return made;
}

const isPlace = (channel: Channel): boolean => channel === 'x' || channel === 'y';

/** Whether a rider's place moves both ways: then one animation may hold both. */
export const goesBothWays = ({ varies }: Played): boolean => varies.filter(isPlace).length === 2;
