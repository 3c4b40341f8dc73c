import { lastAtMost } from '../../search.ts';
import type { Repeat } from '../../time/index.ts';

/** s. Longest step of a table of directions. */
const STEP = 1 / 1000;

/** Steps of a table at most, in each half. */
const MOST_STEPS = 24_000;

/** s. */
const BESIDE = 1e-7;

const TURN = 2 * Math.PI;

/** rad. Nearer than this to a half turn either way, what turns does so clockwise. */
const HALF_TURN = 1e-6;

/** An angle by whole turns nearest to another, rad; of two as near, that which is clockwise of it. */
export const nearestTurn = (angle: number, to: number): number =>
  angle + TURN * Math.ceil((to - angle + HALF_TURN) / TURN - 0.5);

interface Turning {
  /** What is played: from 0 to this, s, and how it goes on. */
  readonly length: number;
  readonly repeat: Repeat;
  /** rad/s at most; infinite: at once. */
  readonly limit: number;
  /** The direction at a time, s, seen from a side of it; rad, by any whole turns. */
  readonly directionAt: (time: number, side: 1 | -1) => number;
  /** Times inside (from, to) at which it is not smooth. */
  readonly events: (from: number, to: number) => readonly number[];
}

/**
 * A direction over the loop, without jumps by whole turns, and turning no faster than its limit: it begins one loop earlier, in the direction that it should have there, and
 * follows the short way. Past the loop's ends its time wraps (once: is held).
 */
export class TurningTable {
  readonly #times: Float64Array;
  readonly #values: Float64Array;
  readonly #length: number;
  readonly #repeat: Repeat;

  constructor({ length, repeat, limit, directionAt, events }: Turning) {
    this.#length = length;
    this.#repeat = repeat;
    const steps = Math.min(MOST_STEPS, Math.ceil(length / STEP));
    const grid = Array.from({ length: steps + 1 }, (_, i) => (i * length) / steps);
    const from = Number.isFinite(limit) ? -length : 0;
    const early = from < 0 ? grid.slice(0, -1).map((time) => time - length) : [];
    // What jumps at an event does so between a look just before it and one just after.
    const jumps = events(from, length).flatMap((time) => [time - BESIDE, time + BESIDE]);
    const all = [...early, ...grid, ...jumps.filter((time) => time > from && time < length)].sort((a, b) => a - b);
    const times: number[] = [];
    const values: number[] = [];
    let value = directionAt(from, 1);
    let last = from;
    for (const time of all) {
      const goal = time > from ? nearestTurn(directionAt(time, -1), value) : value;
      const most = time > last ? limit * (time - last) : 0;
      value = Math.abs(goal - value) <= most ? goal : value + Math.sign(goal - value) * most;
      last = time;
      if (time >= 0) {
        times.push(time);
        values.push(value);
      }
    }
    this.#times = Float64Array.from(times);
    this.#values = Float64Array.from(values);
  }

  /** Replaces the time in `work[0]`, s, by the direction there, rad. */
  advance(work: Float64Array, side: 1 | -1): void {
    const length = this.#length;
    let time = work[0] ?? 0;
    if (this.#repeat === 'once') time = Math.min(length, Math.max(0, time));
    else {
      time -= Math.floor(time / length) * length;
      if (side < 0 && time <= 0) time = length;
    }
    const times = this.#times;
    const i = Math.min(lastAtMost(times, time), times.length - 2);
    const from = times[i] ?? 0;
    const wide = (times[i + 1] ?? from) - from;
    const value = this.#values[i] ?? 0;
    work[0] = wide > 0 ? value + (((this.#values[i + 1] ?? value) - value) * (time - from)) / wide : value;
  }
}
