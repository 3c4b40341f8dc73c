import { lastAtMost } from '../../search.ts';
import type { Repeat } from '../../time/index.ts';
import type { Cursor } from '../cursor.ts';
import { SLOT } from '../slots.ts';

/** s. Longest step of a table of directions. */
const STEP = 1 / 1000;

/** Steps of a table at most, in each half. */
const MOST_STEPS = 24_000;

/** s. */
const BESIDE = 1e-7;

const TURN = 2 * Math.PI;

/** rad. Nearer than this to a half turn either way, what turns does so clockwise: a reversal is told a little before and after it, and what follows turns meanwhile. */
const HALF_TURN = 1e-5;

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
  /** It begins at 0, in the direction that it has there, not a loop earlier. */
  readonly fresh?: boolean;
}

/** Where what follows is, and what it follows, without jumps by whole turns: rad at a time, s. */
interface Followed {
  readonly time: number;
  readonly goal: number;
  readonly value: number;
}

/** rad. What is nearer to its goal than this is there. */
const THERE = 1e-12;

/** How often within one step it may meet its goal, or the goal's other side. */
const MOST_MEETINGS = 8;

/** Halvings by which a meeting is found. */
const HALVINGS = 50;

interface Following {
  readonly limit: number;
  readonly directionAt: Turning['directionAt'];
  /** Told where it turns the other way, or meets its goal. */
  readonly note: (time: number, value: number) => void;
}

/** Follows a goal to a time, by the shorter way and no faster than the limit: where it meets its goal, or the goal is on its other side, is found within the step. */
function follow(start: Followed, until: number, { limit, directionAt, note }: Following): Followed {
  if (!Number.isFinite(limit)) {
    const value = nearestTurn(directionAt(until, -1), start.value);
    return { time: until, goal: value, value };
  }
  let at = start;
  for (let i = 0; i < MOST_MEETINGS; i++) {
    const goal = nearestTurn(directionAt(until, -1), at.goal);
    const most = limit * (until - at.time);
    const lag = at.goal - at.value;
    if (Math.abs(lag) <= THERE && Math.abs(goal - at.goal) <= most) return { time: until, goal, value: goal };
    const way = Math.sign(Math.abs(lag) <= THERE ? goal - at.goal : lag);
    const before = at;
    const lagAt = (time: number): number =>
      way * (nearestTurn(directionAt(time, -1), before.goal) - before.value) - limit * (time - before.time);
    const [met, turned] = [lagAt(until) < 0, lagAt(until) > Math.PI + HALF_TURN];
    const value = at.value + way * most;
    if (!met && !turned) return { time: until, goal, value };
    const time = crossing(lagAt, met ? 0 : Math.PI, [at.time, until], met);
    const reached = at.value + way * limit * (time - at.time);
    note(time, reached);
    // At its goal it follows that; on its other side it goes round the other way.
    at = { time, goal: met ? reached : reached - way * Math.PI, value: reached };
  }
  return { time: until, goal: nearestTurn(directionAt(until, -1), at.goal), value: at.value };
}

/** The time between two at which something passes a level, falling or rising, by halving. */
function crossing(of: (time: number) => number, level: number, [from, to]: [number, number], falls: boolean): number {
  let [low, high] = [from, to];
  for (let i = 0; i < HALVINGS && high > low; i++) {
    const middle = (low + high) / 2;
    if (middle <= low || middle >= high) break;
    if (of(middle) < level === falls) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * A direction over the loop, without jumps by whole turns, and turning no faster than its limit: it begins one loop earlier, in the direction that it should have there, and
 * follows the short way. Past the loop's ends its time wraps (once: is held).
 */
class TurningTable {
  readonly #times: Float64Array;
  readonly #values: Float64Array;
  readonly #length: number;
  readonly #repeat: Repeat;

  constructor({ length, repeat, limit, directionAt, events, fresh = false }: Turning) {
    this.#length = length;
    this.#repeat = repeat;
    const steps = Math.min(MOST_STEPS, Math.ceil(length / STEP));
    const grid = Array.from({ length: steps + 1 }, (_, i) => (i * length) / steps);
    const from = Number.isFinite(limit) && !fresh ? -length : 0;
    const early = from < 0 ? grid.slice(0, -1).map((time) => time - length) : [];
    // What jumps at an event does so between a look just before it and one just after.
    const jumps = events(from, length).flatMap((time) => [time - BESIDE, time + BESIDE]);
    const all = [...early, ...grid, ...jumps.filter((time) => time > from && time < length)].sort((a, b) => a - b);
    const times: number[] = [];
    const values: number[] = [];
    const note = (time: number, value: number): void => {
      if (time < 0) return;
      times.push(time);
      values.push(value);
    };
    let at: Followed = { time: from, goal: directionAt(from, 1), value: directionAt(from, 1) };
    for (const time of all) {
      if (time > at.time) at = follow(at, time, { limit, directionAt, note });
      note(time, at.value);
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

/** A direction over the loop, and over the lead-in where it is another there: its time is counted from the beginning of that, and it follows what is told from there on. */
export class Turnings {
  readonly #loop: TurningTable;
  readonly #before: TurningTable | undefined;
  readonly #leadIn: number;

  constructor(loop: Turning, leadIn: number, before?: Pick<Turning, 'directionAt'>) {
    this.#loop = new TurningTable(loop);
    this.#leadIn = leadIn;
    this.#before =
      before &&
      new TurningTable({
        length: leadIn,
        repeat: 'once',
        fresh: true,
        limit: loop.limit,
        directionAt: (time, side) => before.directionAt(time - leadIn, side),
        events: (from, to) => loop.events(from - leadIn, to - leadIn).map((time) => time + leadIn),
      });
  }

  /** Puts the direction at a cursor's time into `work[0]`, rad. */
  turn({ row, side }: Cursor, work: Float64Array): void {
    const before = row[SLOT.before] ?? 0;
    const isBefore = before < 0 && this.#before !== undefined;
    work[0] = isBefore ? before + this.#leadIn : (row[SLOT.time] ?? 0);
    (isBefore ? this.#before : this.#loop)?.advance(work, side);
  }
}
