/** Index of the last of the first `count` entries of an ascending list that is at most `value`; 0 where there is none. */
export function lastAtMost(list: ArrayLike<number>, value: number, count: number = list.length): number {
  let low = 0;
  let high = count - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((list[middle] ?? 0) <= value) low = middle;
    else high = middle - 1;
  }
  return low;
}

/**
 * Index of the last of ascending times that has come at `held[0]`, −1 before the first. Of the limit from earlier times (`side` −1) a time that falls just there has not
 * come. The time is handed over in an array, so that no number is boxed where this is called a thousand times a frame.
 */
export function lastReached(times: Float64Array, held: Float64Array, side: 1 | -1): number {
  const at = held[0] ?? 0;
  let low = 0;
  let high = times.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    const time = times[middle] ?? 0;
    if (side > 0 ? time <= at : time < at) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/**
 * The farthest index in (start, last] that is accepted, with what `attempt` gave for it: steps double while they are accepted, then the gap to the
 * first refusal is halved. `start + 1` counts as accepted with `first`. `slack(reached)`: how many indexes may be left untried.
 */
export function farthest<T>(
  start: number,
  last: number,
  first: T,
  attempt: (end: number) => T | undefined,
  slack: (reached: number) => number = () => 0,
): { readonly end: number; readonly made: T } {
  let good = start + 1;
  let made = first;
  let bad = last + 1;
  for (let step = 2; good < last; step *= 2) {
    const next = Math.min(last, start + step);
    const tried = attempt(next);
    if (tried === undefined) {
      bad = next;
      break;
    }
    good = next;
    made = tried;
  }
  while (bad <= last && bad - good > 1 + slack(good - start)) {
    const middle = (good + bad) >> 1;
    const tried = attempt(middle);
    if (tried === undefined) bad = middle;
    else {
      good = middle;
      made = tried;
    }
  }
  return { end: good, made };
}

/** Whole numbers from a to b, both included; none where b < a. */
export const wholeNumbers = (a: number, b: number): number[] =>
  Array.from({ length: Math.max(0, b - a + 1) }, (_, i) => a + i);
