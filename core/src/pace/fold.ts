import { assertNever } from '../assert-never.ts';
import type { Side } from '../geometry/index.ts';

export const REPEATS = ['loop', 'there-and-back', 'once'] as const;
export type Repeat = (typeof REPEATS)[number];

/** A time folded into a rider's cycle: local seconds in [0, cycle], and whether local time runs forward or backward there. Filled in place. */
export interface Folded {
  local: number;
  direction: Side;
}

/**
 * Folds unbounded time into one cycle. Local time = time − delay; loop wraps, there-and-back runs forward for a cycle and backward for one, once
 * is held at both ends. `side` −1 asks for the limit from earlier times, which differs where time wraps or turns.
 */
export function foldTime(time: number, delay: number, cycle: number, repeat: Repeat, side: Side, out: Folded): Folded {
  const t = time - delay;
  out.direction = 1;
  switch (repeat) {
    case 'once':
      out.local = t < 0 ? 0 : t > cycle ? cycle : t;
      return out;
    case 'loop':
      out.local = wrapped(t, cycle, side);
      return out;
    case 'there-and-back': {
      const turned = wrapped(t, 2 * cycle, side);
      const back = side > 0 ? turned >= cycle : turned > cycle;
      out.local = back ? 2 * cycle - turned : turned;
      out.direction = back ? -1 : 1;
      return out;
    }
    default:
      return assertNever(repeat);
  }
}

function wrapped(t: number, period: number, side: Side): number {
  const rest = t - Math.floor(t / period) * period;
  if (side < 0) return rest <= 0 ? period : rest;
  return rest >= period ? 0 : rest;
}

/** Seconds after which a whole cycle has been shown: twice the cycle where it goes there and back. */
export const roundOf = (cycle: number, repeat: Repeat): number => (repeat === 'there-and-back' ? 2 * cycle : cycle);
