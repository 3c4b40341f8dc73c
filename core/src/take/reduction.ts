import type { Channel } from '../motion/index.ts';
import type { Curve } from './curve.ts';
import { reducedCurve, type Point } from './reduce.ts';
import { samplePieces, type PivotBox, type Played, type Sample } from './sample.ts';

/** Share of the tolerance for what is not looked at between samples. */
const SAMPLING_SHARE = 0.08;

/** Largest share of the channels' tolerances that is kept while all together they are too far off; below the least share they are as good as exact. */
const MOST_KEPT = 0.96;
const LEAST_SHARE = 0.02;

/** Share of what is allowed that a channel's rounding may be: a digit less is a byte less in every key. */
const GRID_SHARE = 0.1;

/** A rider's motion over the loop as it was looked at, and how far its curves may be from that. */
export interface Looked {
  readonly pieces: readonly (readonly Sample[])[];
  readonly box: PivotBox;
  /** px that the corners of the box may be off between what was looked at and what is played. */
  readonly allowed: number;
  /** px to which places are rounded. */
  readonly grid: number;
  /** px that the corners of the box move when a channel changes by one. */
  readonly units: Readonly<Record<Channel, number>>;
  /** Legs may be cubic in time. */
  readonly cubic: boolean;
}

export function lookedAt(
  rider: Played,
  length: number,
  box: PivotBox,
  tolerance: number,
  cubic: boolean,
  tell: (share: number) => void = () => undefined,
): Looked {
  const pieces = samplePieces(rider, length, box, tolerance * SAMPLING_SHARE, tell);
  const allowed = tolerance * (1 - 2 * SAMPLING_SHARE);
  const grid = 10 ** Math.floor(Math.log10(tolerance / 5));
  return { pieces, box, allowed, grid, units: unitsOf(pieces, box), cubic };
}

/** The fewest keys of one channel within a share of what is allowed. */
export function reducedChannel(
  { pieces, allowed, grid, units, cubic }: Looked,
  channel: Channel,
  share: number,
): Curve {
  const points = pieces.map((piece) => piece.map((one): Point => ({ time: one.time, value: one[channel] })));
  const isPlace = channel === 'x' || channel === 'y';
  return reducedCurve(points, {
    tolerance: (allowed * share) / units[channel],
    grid: isPlace ? grid : gridOf((allowed * GRID_SHARE) / units[channel], channel),
    cubic,
  });
}

/**
 * What is reduced by channels until all together are within what is allowed, px: each is given all of it at first; together they are then too far off by so much, and get
 * so much less. Gives how far off it is as well.
 */
export function reducedTogether<T>(
  allowed: number,
  reduced: (share: number) => T,
  gapOf: (made: T) => number,
): { readonly made: T; readonly gap: number } {
  for (let share = 1; ;) {
    const made = reduced(share);
    const gap = gapOf(made);
    if (gap <= allowed || share < LEAST_SHARE) return { made, gap };
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
