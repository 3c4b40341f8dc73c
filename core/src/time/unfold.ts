import type { Side } from '../geometry/index.ts';
import { roundOf, type Folding } from './fold.ts';

/** Times that are told of one stretch at most: a cycle of a thousandth of a second in a loop of an hour has millions, which nobody can hold. */
const MOST_TIMES = 200_000;

/** Numbers of the first and the last round that a stretch of time touches. */
function roundsWithin(by: Folding, from: number, to: number): readonly [number, number] {
  if (by.repeat === 'once') return [0, 0];
  const round = roundOf(by.cycle, by.repeat);
  const [first, last] = [Math.floor((from - by.delay) / round), Math.ceil((to - by.delay) / round)];
  return by.times == null ? [first, last] : [Math.max(0, first), Math.min(by.times - 1, last)];
}

/** The rounds that there are: all numbers, or those of so many rounds. */
const isRound = ({ times }: Folding, k: number): boolean => times == null || (k >= 0 && k < times);

/**
 * All times inside (from, to), s, at which local time passes one of `locals`, the way back included; not in order. Where they are more than some 200,000 only those of
 * the rounds that come first: what repeats so often is the same in each.
 */
export function timesOfLocals(by: Folding, locals: readonly number[], from: number, to: number): number[] {
  const round = roundOf(by.cycle, by.repeat);
  const found: number[] = [];
  const add = (time: number): void => {
    if (time > from && time < to) found.push(time);
  };
  const [first, last] = roundsWithin(by, from, to);
  for (let k = first; k <= last && found.length < MOST_TIMES; k++)
    for (const local of locals) {
      add(by.delay + k * round + local);
      if (by.repeat === 'there-and-back') add(by.delay + k * round + 2 * by.cycle - local);
    }
  return found;
}

/** Rounds of one loop whose copies are told one by one: more stand so close that none can be seen or grabbed. */
const MOST_COPIES = 1000;

/** s. Times of a loop nearer than this to its ends count as at them. */
const AT_END = 1e-9;

/**
 * The times in [0, length], s, at which a local time is shown on the way there: the first is where it is edited. The start of a cycle is not shown at the loop's very
 * end, nor its end at the loop's very start, unless it is shown nowhere else.
 */
export function shownTimes(by: Folding, local: number, length: number): number[] {
  if (by.repeat === 'once') return [by.delay + local];
  const round = roundOf(by.cycle, by.repeat);
  const first = Math.ceil((0 - by.delay - local) / round - AT_END);
  const times: number[] = [];
  for (let k = first; k < first + MOST_COPIES && by.delay + local + k * round <= length + AT_END; k++)
    if (isRound(by, k)) times.push(by.delay + local + k * round);
  const inner = times.filter(
    (time) => (local <= 0 ? time < length - AT_END : true) && (local >= by.cycle ? time > AT_END : true),
  );
  return inner.length > 0 ? inner : times;
}

/** One of the times of a loop at which a local time is shown, s, and whether local time runs forward there. */
export interface Shown {
  readonly time: number;
  readonly direction: Side;
}

/** Where a local time is shown in [0, length]: on the way there as `shownTimes` has it, then on the way back, but not once more at its turns. */
export function shownCopies(by: Folding, local: number, length: number): Shown[] {
  const there = shownTimes(by, local, length).map((time): Shown => ({ time, direction: 1 }));
  if (by.repeat !== 'there-and-back' || local <= AT_END || local >= by.cycle - AT_END) return there;
  const round = roundOf(by.cycle, by.repeat);
  const back = by.delay + round - local;
  const first = Math.ceil((0 - back) / round - AT_END);
  for (let k = first; k < first + MOST_COPIES && back + k * round <= length + AT_END; k++)
    if (isRound(by, k)) there.push({ time: back + k * round, direction: -1 });
  return there;
}

/** `from`, `to` and the times between them where a loop starts anew: between two of them a line is unbroken but for its jumps. */
export function cutsAtWraps(by: Folding, from: number, to: number): number[] {
  // So many turns in a line are a band, wherever they are cut.
  if (by.repeat !== 'loop' || (to - from) / by.cycle > MOST_COPIES) return [from, to];
  const cuts = [from];
  for (let k = Math.ceil((from - by.delay) / by.cycle); by.delay + k * by.cycle < to; k++) {
    const at = by.delay + k * by.cycle;
    // Where rounds have an end, the first does not begin by wrapping, and after the last none begins.
    if (at > from && (by.times == null || (k > 0 && k < by.times))) cuts.push(at);
  }
  return [...cuts, to];
}
