import { boundRounds, MOST_SAMPLES, TooMuchError } from './too-much.ts';
import { POSE, POSE_SIZE, type Channel, type RiderMotion } from '../motion/index.ts';
import type { Art } from '../scene/index.ts';
import { QUANTUM, SHORTEST_SAMPLE } from '../tolerances.ts';

/** What is played of a rider: its loop, or its lead-in. */
export type Played = Pick<RiderMotion, 'poseAt' | 'events' | 'round' | 'varies'>;

/** A rider's pose at a time of the loop, as the channels that players interpolate: px, rad, factors, share. */
export type ChannelValues = Readonly<Record<Channel, number>>;

export interface Sample extends ChannelValues {
  /** s. */
  readonly time: number;
}

/** The art's box about its pivot, px: left, top, right, bottom. */
export type PivotBox = readonly [left: number, top: number, right: number, bottom: number];

/** The box of an art about its pivot, px. */
export const pivotBoxOf = ({ pivot: [x, y], width, height }: Art): PivotBox => [-x, -y, width - x, height - y];

/** A number on the grid on which engines agree; never −0. */
export const quantised = (value: number): number => Math.round(value / QUANTUM) * QUANTUM + 0;

const scratch = new Float64Array(POSE_SIZE);

/** The pose of a rider at a time, s; `side` −1 takes the limit from before. */
export function sampleAt(rider: Played, time: number, side: 1 | -1 = 1): Sample {
  const pose = rider.poseAt(time, side, scratch);
  const read = (channel: Channel): number => quantised(pose[POSE[channel]] ?? 0);
  return {
    time,
    x: read('x'),
    y: read('y'),
    angle: read('angle'),
    skew: read('skew'),
    scaleX: read('scaleX'),
    scaleY: read('scaleY'),
    opacity: read('opacity'),
  };
}

/** What a player shows between two samples with every channel in a straight line. */
const halfway = (a: ChannelValues, b: ChannelValues): ChannelValues => ({
  x: (a.x + b.x) / 2,
  y: (a.y + b.y) / 2,
  angle: (a.angle + b.angle) / 2,
  skew: (a.skew + b.skew) / 2,
  scaleX: (a.scaleX + b.scaleX) / 2,
  scaleY: (a.scaleY + b.scaleY) / 2,
  opacity: (a.opacity + b.opacity) / 2,
});

/** Largest distance, px, between the corners of an art's box in two poses; the matrix is rotate · skew · scale. */
export function cornerGap(a: ChannelValues, b: ChannelValues, [left, top, right, bottom]: PivotBox): number {
  const [cosA, sinA, leanA] = [Math.cos(a.angle), Math.sin(a.angle), a.skew === 0 ? 0 : Math.tan(a.skew)];
  const [cosB, sinB, leanB] = [Math.cos(b.angle), Math.sin(b.angle), b.skew === 0 ? 0 : Math.tan(b.skew)];
  // Where the unit vectors of the art go under one pose, less where they go under the other.
  const xx = cosA * a.scaleX - cosB * b.scaleX;
  const xy = sinA * a.scaleX - sinB * b.scaleX;
  const yx = (cosA * leanA - sinA) * a.scaleY - (cosB * leanB - sinB) * b.scaleY;
  const yy = (sinA * leanA + cosA) * a.scaleY - (sinB * leanB + cosB) * b.scaleY;
  const dx = a.x - b.x;
  const dy = a.y - b.y;
  const square = (u: number, v: number): number => {
    const x = dx + xx * u + yx * v;
    const y = dy + xy * u + yy * v;
    return x * x + y * y;
  };
  return Math.sqrt(Math.max(square(left, top), square(right, top), square(left, bottom), square(right, bottom)));
}

/** Longest step, s, at which a smooth piece is looked at before straight lines are trusted. */
const LONGEST_STEP = 1 / 60;

/** Steps of the loop at which samples stand: short as decimal shares, so that keys are short to write. */
const STEPS = [100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000, 100_000, 200_000];

/**
 * A rider's samples on each smooth piece of the loop, dense enough for straight lines between them to stay within `tolerance` px and for a cubic to be told from
 * another. Inside a piece they stand at round shares of the loop; its first is the limit from after its start, its last that from before its end.
 */
export function samplePieces(
  rider: Played,
  length: number,
  box: PivotBox,
  tolerance: number,
  onPiece?: (share: number) => void,
): Sample[][] {
  boundRounds(rider, length);
  const events = rider.events(0, length);
  const steps = STEPS.find((count) => length / count <= LONGEST_STEP) ?? Math.ceil(length / LONGEST_STEP);
  let count = 0;
  return events.slice(1).map((to, i) => {
    const piece = samplePiece(rider, events[i] ?? 0, to, length / steps, box, tolerance);
    count += piece.length;
    if (count > MOST_SAMPLES)
      throw new TooMuchError(
        'a rider moves so much within the loop that it cannot be written: shorten the loop or slow it down',
      );
    onPiece?.(to / length);
    return piece;
  });
}

/** s into a piece at which it is looked at where its very edge is on the other side: the time of a jump is rounded, as the times are at which poses are asked for. */
const INTO_PIECE = 1e-8;

/** Share of opacity beyond which something is seen otherwise. */
const SAME_OPACITY = 1e-3;

/** A sample at the edge of a piece, as the piece has it: from its start (+1) or to its end (−1). */
function edgeAt(rider: Played, time: number, side: 1 | -1, box: PivotBox, tolerance: number): Sample {
  const edge = sampleAt(rider, time, side);
  const within = sampleAt(rider, time + side * INTO_PIECE, side);
  const isOther = cornerGap(edge, within, box) > tolerance || Math.abs(edge.opacity - within.opacity) > SAME_OPACITY;
  return isOther ? { ...within, time } : edge;
}

function samplePiece(
  rider: Played,
  from: number,
  to: number,
  step: number,
  box: PivotBox,
  tolerance: number,
): Sample[] {
  const samples = [edgeAt(rider, from, 1, box, tolerance)];
  const refine = (a: Sample, b: Sample, depth: number): void => {
    if (b.time - a.time > SHORTEST_SAMPLE && depth > 0) {
      const middle = sampleAt(rider, (a.time + b.time) / 2);
      if (depth > 20 || cornerGap(halfway(a, b), middle, box) > tolerance) {
        refine(a, middle, depth - 1);
        refine(middle, b, depth - 1);
        return;
      }
    }
    samples.push(b);
  };
  const first = Math.floor(from / step + 1e-6) + 1;
  const last = Math.ceil(to / step - 1e-6) - 1;
  // A piece shorter than a few steps is halved until it has some samples of its own.
  const depth = last - first < 4 ? 23 : 20;
  let before = samples[0] ?? sampleAt(rider, from);
  for (let k = first; k <= last + 1; k++) {
    const next = k <= last ? sampleAt(rider, k * step) : edgeAt(rider, to, -1, box, tolerance);
    refine(before, next, depth);
    before = next;
  }
  return samples;
}
