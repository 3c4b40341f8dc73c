import { assertNever } from '../assert-never.ts';
import type { Side } from '../geometry/index.ts';

export const REPEATS = ['loop', 'there-and-back', 'once'] as const;
export type Repeat = (typeof REPEATS)[number];

/** What folds a rider's time: seconds, seconds, and how its cycle repeats. */
export interface Folding {
  readonly delay: number;
  readonly cycle: number;
  readonly repeat: Repeat;
  /** How many rounds it has before it is held at its end, from the delay on; null, or absent: without end, before the delay as well. */
  readonly times?: number | null;
}

/** s that all of a rider's rounds take, where they have an end; infinite where they have none. */
export const lastsOf = ({ cycle, repeat, times }: Folding): number =>
  repeat === 'once' ? cycle : times == null ? Infinity : times * roundOf(cycle, repeat);

/** A time folded into a rider's cycle: local seconds in [0, cycle], and whether local time runs forward or backward there. Filled in place. */
export interface Folded {
  local: number;
  direction: Side;
}

export const emptyFolded = (): Folded => ({ local: 0.5, direction: 1 });

/**
 * Folds unbounded time into one cycle. Local time = time − delay; loop wraps, there-and-back runs forward for a cycle and backward for one, once, and what has
 * so many rounds only, is held at both ends. `side` −1 asks for the limit from earlier times, which differs where time wraps or turns.
 *
 * @example
 * ```ts
 * import { foldTime } from '@pace-line/core';
 *
 * const by = { repeat: 'there-and-back', cycle: 2, delay: 0 } as const;
 * console.log(foldTime(3, by).local); // 1
 * console.log(foldTime(3, by).direction); // -1
 * ```
 */
export function foldTime(time: number, by: Folding, side: Side = 1, out: Folded = emptyFolded()): Folded {
  out.local = time;
  return fold(by, side, out);
}

/** The same in place: takes the time from `out.local`. */
export function fold(by: Folding, side: Side, out: Folded): Folded {
  const t = out.local - by.delay;
  const cycle = by.cycle;
  out.direction = 1;
  if (by.times != null && by.repeat !== 'once') {
    const lasts = lastsOf(by);
    if (t < 0 || (t === 0 && side < 0)) {
      out.local = 0;
      return out;
    }
    if (t >= lasts) {
      out.local = by.repeat === 'loop' ? cycle : 0;
      out.direction = by.repeat === 'loop' ? 1 : -1;
      return out;
    }
  }
  switch (by.repeat) {
    case 'once':
      out.local = t < 0 ? 0 : t > cycle ? cycle : t;
      return out;
    case 'loop':
      out.local = t;
      wrap(cycle, side, out);
      return out;
    case 'there-and-back':
      out.local = t;
      wrap(2 * cycle, side, out);
      if (side > 0 ? out.local >= cycle : out.local > cycle) {
        out.local = 2 * cycle - out.local;
        out.direction = -1;
      }
      return out;
    default:
      return assertNever(by.repeat);
  }
}

function wrap(period: number, side: Side, out: Folded): void {
  const rest = out.local - Math.floor(out.local / period) * period;
  if (side < 0) out.local = rest <= 0 ? period : rest;
  else out.local = rest >= period ? 0 : rest;
}

/** Whether a rider whose rounds have an end stands before or after them at a time. */
export const isHeld = (by: Folding, time: number): boolean =>
  (by.repeat === 'once' || by.times != null) && (time - by.delay < 0 || time - by.delay > lastsOf(by));

/** Seconds after which a whole cycle has been shown: twice the cycle where it goes there and back. */
export const roundOf = (cycle: number, repeat: Repeat): number => (repeat === 'there-and-back' ? 2 * cycle : cycle);
