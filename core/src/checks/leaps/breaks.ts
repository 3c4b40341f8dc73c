import type { RiderMotion } from '../../motion/index.ts';

/** s. How far before and after an event is looked: times of corners are found, not exact; nothing goes or turns far in it. */
export const BESIDE = 1e-7;

/** Share by which two leaps differ by rounding alone. */
const ALIKE = 1e-6;

/** Rounds of a rider that are looked at: what it does later it has done in one of them. */
const LOOKED_AT = 100;

/** Calls with the poses just before and just after each time within the loop at which a rider's motion may not be smooth. */
export function eachBreak(
  moving: RiderMotion,
  length: number,
  call: (time: number, before: Float64Array, after: Float64Array) => void,
): void {
  const until = Math.min(length, LOOKED_AT * moving.round);
  for (const time of moving.events(0, until).slice(1, -1))
    call(time, moving.poseAt(time - BESIDE, -1), moving.poseAt(time + BESIDE));
}

/** The leaps of one value: when they are, the widest, and when that is. */
export class Leaps {
  /** s, ascending. */
  readonly times: number[] = [];
  amount = 0;
  at = 0;

  add(time: number, amount: number): void {
    this.times.push(time);
    // Of those that are as wide as each other, but for rounding, the first.
    if (amount > this.amount * (1 + ALIKE)) [this.amount, this.at] = [amount, time];
  }
}
