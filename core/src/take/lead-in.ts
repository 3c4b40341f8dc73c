import { CHANNELS, type Channel, type RiderMotion } from '../motion/index.ts';
import type { Curve } from './curve.ts';
import { curvesOf } from './curves-of.ts';
import { lookedAt } from './reduction.ts';
import { sampleAt, type PivotBox, type Played } from './sample.ts';

/** s before the loop at which the lead-in's end is looked at: at 0 itself the loop has begun. */
export const JUST_BEFORE = 1e-9;

/** A rider in the lead-in, as something that is played from 0 on and ends where the loop begins. */
export const playedBefore = (rider: RiderMotion, leadIn: number, varies: readonly Channel[] = CHANNELS): Played => ({
  varies,
  round: Infinity,
  poseAt: (time, side, data, offset) => rider.poseAt(Math.min(time - leadIn, -JUST_BEFORE), side, data, offset),
  events: (from, to) =>
    [...new Set([from, ...rider.entering.map((time) => time + leadIn), to])]
      .filter((time) => time >= from && time <= to)
      .sort((a, b) => a - b),
});

/** Curves of what is in the lead-in not as in the loop: those of every channel, or of opacity alone where the rest runs as in the loop. */
export type Entering = Readonly<Partial<Record<Channel, Curve>>>;

/** A rider's way through the lead-in. */
export interface Led {
  /** Its loop begins with the lead-in; else where that ends. */
  readonly runs: boolean;
  /** What is not so, from the lead-in's beginning, 0, on; null where all is, and where the lead-in was not asked for. */
  readonly entering: Entering | null;
}

/** Nothing before the loop. */
export const NOT_LED: Led = { runs: false, entering: null };

/** How a rider's pose goes through the lead-in. */
export function ledThrough(rider: RiderMotion, leadIn: number, box: PivotBox, tolerance: number, cubic: boolean): Led {
  if (!(leadIn > 0) || rider.entering.length === 0) return NOT_LED;
  const { runsBefore: runs } = rider;
  const played = playedBefore(rider, leadIn, runs ? ['opacity'] : CHANNELS);
  if (runs && !rider.hidesBefore) return { runs, entering: null };
  const curves = curvesOf(played, lookedAt(played, leadIn, box, tolerance, cubic));
  const begin = sampleAt(rider, 0);
  const plain = played.varies.map((channel) => [channel, settled(curves[channel])] as const);
  const isAsItBegins = plain.every(([channel, curve]) => curve.length === 1 && curve[0]?.value === begin[channel]);
  return { runs, entering: isAsItBegins && !runs ? null : Object.fromEntries(plain) };
}

/** A curve of one key where all of them say the same. */
export const settled = (curve: Curve): Curve =>
  curve.every(({ value }) => value === curve[0]?.value) ? curve.slice(0, 1) : curve;
