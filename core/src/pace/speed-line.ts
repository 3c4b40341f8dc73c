import type { Side } from '../geometry/index.ts';
import type { Repeat } from '../time/index.ts';
import { lastReached } from '../search.ts';
import { beyond } from './beyond.ts';
import type { DistanceLine } from './distance-line.ts';

/** A way that is gone at known speeds: places in the order in which they are passed. */
export interface PacedWay {
  /** px along the guide. */
  readonly distances: Float64Array;
  /** Squares of the speed with which each is left and reached, px²/s²; between two places they run in a straight line over distance, so that the acceleration is constant there. */
  readonly leaving: Float64Array;
  readonly arriving: Float64Array;
  /** s of rest at each. */
  readonly rests: Float64Array;
}

/** px/s. Nothing between two places is slower on the mean. */
const SLOWEST = 1e-3;

/** s that the piece from a place to the next one takes. */
export function secondsOf(
  distances: Float64Array,
  { leaving, arriving }: Pick<PacedWay, 'leaving' | 'arriving'>,
  i: number,
): number {
  const wide = Math.abs((distances[i + 1] ?? distances[i] ?? 0) - (distances[i] ?? 0));
  if (!(wide > 0)) return 0;
  const [from, to] = [Math.sqrt(Math.max(0, leaving[i] ?? 0)), Math.sqrt(Math.max(0, arriving[i + 1] ?? 0))];
  return (2 * wide) / Math.max(SLOWEST, from + to);
}

/** The distance line of a way that is gone at given speeds, from a local time on; `repeat` says what comes before its start and after its end. Immutable. */
export class SpeedLine implements DistanceLine {
  readonly isStill: boolean;
  /** Where each rest ends, and the last place: the local time at which each place is left, s. */
  readonly #leaves: Float64Array;
  readonly #arrives: Float64Array;
  readonly #distances: Float64Array;
  /** px/s with which each place is left, and reached. */
  readonly #from: Float64Array;
  readonly #to: Float64Array;
  readonly #events: readonly number[];
  /** The directions in which its start is reached, and its end is left. */
  readonly #beyond: readonly [before: number, after: number];
  readonly #work = new Float64Array(1);

  /** `from`: s; `lasts`: s that the whole way takes, its speeds scaled to that; null: as long as they make it. */
  constructor({ distances, leaving, arriving, rests }: PacedWay, from: number, lasts: number | null, repeat: Repeat) {
    const count = distances.length;
    const speedsOf = (squares: Float64Array): Float64Array => squares.map((square) => Math.sqrt(Math.max(0, square)));
    const [starts, ends] = [speedsOf(leaving), speedsOf(arriving)];
    const steps = new Float64Array(count);
    let moving = 0;
    let resting = 0;
    for (let i = 0; i < count; i++) {
      resting += rests[i] ?? 0;
      steps[i] = secondsOf(distances, { leaving, arriving }, i);
      moving += steps[i] ?? 0;
    }
    const factor = lasts !== null && moving > 0 ? Math.max(0, lasts - resting) / moving : 1;
    this.#distances = distances;
    this.#from = starts.map((speed) => (factor > 0 ? speed / factor : 0));
    this.#to = ends.map((speed) => (factor > 0 ? speed / factor : 0));
    this.#arrives = new Float64Array(count);
    this.#leaves = new Float64Array(count);
    let time = from;
    for (let i = 0; i < count; i++) {
      this.#arrives[i] = time;
      time += rests[i] ?? 0;
      this.#leaves[i] = time;
      time += (steps[i] ?? 0) * factor;
    }
    // To the last bit, where it is known beforehand.
    if (lasts !== null && moving > 0 && lasts > resting) {
      this.#leaves[count - 1] = from + lasts;
      this.#arrives[count - 1] = from + lasts - (rests[count - 1] ?? 0);
    }
    this.isStill = distances.every((distance) => distance === distances[0]);
    this.#events = this.#eventTimes();
    const ways = steps
      .subarray(1)
      .map((_, i) => this.#wayOf(i))
      .filter((way) => way !== 0);
    this.#beyond = beyond(repeat, ways[0] ?? 0, ways[ways.length - 1] ?? 0);
  }

  /** Local time at which a place of the way is reached, s. */
  arrivalAt(index: number): number {
    return this.#arrives[index] ?? 0;
  }

  /** Times at which it starts, rests, turns, is struck, and arrives. */
  #eventTimes(): number[] {
    const { length } = this.#distances;
    const wayOf = (i: number): number => Math.sign((this.#distances[i + 1] ?? 0) - (this.#distances[i] ?? 0));
    const found: number[] = [];
    for (let i = 0; i < length; i++) {
      const [arrives = 0, leaves = 0] = [this.#arrives[i], this.#leaves[i]];
      const isEnd = i === 0 || i === length - 1;
      const jumps = this.#to[i] !== this.#from[i];
      if (isEnd || jumps || leaves > arrives || wayOf(i - 1) !== wayOf(i)) found.push(arrives, leaves);
    }
    return [...new Set(found)].sort((a, b) => a - b);
  }

  distanceAt(local: number, side: Side = 1): number {
    this.#work[0] = local;
    this.advance(this.#work, side);
    return this.#work[0];
  }

  advance(work: Float64Array, side: Side): void {
    const i = lastReached(this.#leaves, work, side);
    if (i < 0) {
      work[0] = this.#distances[0] ?? 0;
      return;
    }
    const from = this.#distances[i] ?? 0;
    const to = this.#distances[i + 1] ?? from;
    const leaves = this.#leaves[i] ?? 0;
    const wide = (this.#arrives[i + 1] ?? leaves) - leaves;
    const t = (work[0] ?? 0) - leaves;
    if (!(wide > 0) || t >= wide) {
      work[0] = to;
      return;
    }
    const v0 = this.#from[i] ?? 0;
    const v1 = this.#to[i + 1] ?? 0;
    // As far as the speeds carry it; stretched to the piece where they were too slow to do so.
    const whole = ((v0 + v1) / 2) * wide;
    const gone = v0 * t + ((v1 - v0) * t * t) / (2 * wide);
    work[0] = from + (whole > 0 ? (to - from) * (gone / whole) : (to - from) * (t / wide));
  }

  /** The piece that is gone at a local time; −1 at rest and outside. */
  #pieceAt(local: number, side: Side): number {
    this.#work[0] = local;
    const i = lastReached(this.#leaves, this.#work, side);
    const arrives = this.#arrives[i + 1];
    if (i < 0 || arrives === undefined) return -1;
    return (side > 0 ? local < arrives : local <= arrives) ? i : -1;
  }

  #wayOf(i: number): Side | 0 {
    const wide = (this.#distances[i + 1] ?? 0) - (this.#distances[i] ?? 0);
    return wide > 0 ? 1 : wide < 0 ? -1 : 0;
  }

  speedAt(local: number, side: Side = 1): number {
    const i = this.#pieceAt(local, side);
    if (i < 0) return 0;
    const leaves = this.#leaves[i] ?? 0;
    const wide = (this.#arrives[i + 1] ?? leaves) - leaves;
    const share = wide > 0 ? (local - leaves) / wide : 0;
    const v0 = this.#from[i] ?? 0;
    return this.#wayOf(i) * (v0 + ((this.#to[i + 1] ?? 0) - v0) * share);
  }

  tangentSideAt(local: number, side: Side, direction: Side): Side {
    const i = this.#pieceAt(local, side);
    const moves = i < 0 ? 0 : this.#wayOf(i);
    if (moves !== 0) return moves * side > 0 ? 1 : -1;
    return this.#arrivedAt(local, side, direction) > 0 ? -1 : 1;
  }

  wayAt(local: number, side: Side, direction: Side): Side {
    const i = this.#pieceAt(local, side);
    const moves = (i < 0 ? 0 : this.#wayOf(i)) * direction;
    if (moves !== 0) return moves > 0 ? 1 : -1;
    return this.#arrivedAt(local, side, direction) < 0 ? -1 : 1;
  }

  /** The direction along the guide in which it came to where it rests, of time that runs in `direction`. */
  #arrivedAt(local: number, side: Side, direction: Side): number {
    this.#work[0] = local;
    const last = this.#distances.length - 1;
    let i = lastReached(this.#arrives, this.#work, side);
    if (direction > 0) {
      while (i > 0 && this.#wayOf(i - 1) === 0) i--;
      return i > 0 ? this.#wayOf(i - 1) : this.#beyond[0];
    }
    i = Math.max(0, i);
    while (i < last && this.#wayOf(i) === 0) i++;
    return -(i < last ? this.#wayOf(i) : this.#beyond[1]);
  }

  events(): readonly number[] {
    return this.#events;
  }

  range(): readonly [number, number] {
    let low = this.#distances[0] ?? 0;
    let high = low;
    for (const distance of this.#distances) {
      if (distance < low) low = distance;
      if (distance > high) high = distance;
    }
    return [low, high];
  }
}
