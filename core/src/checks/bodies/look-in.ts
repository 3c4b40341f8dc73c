import type { Mover, PairSearch } from './closest.ts';

/** s. Times nearer than this are one. */
const SAME = 1e-9;

/** Looks at two that move in a cell of time, piece by piece in which both move smoothly. */
export function lookIn(search: PairSearch, a: Mover, b: Mover, from: number, to: number): void {
  const times = [from, ...between(a.events, from, to), ...between(b.events, from, to), to].sort((x, y) => x - y);
  for (let k = 0; k + 1 < times.length; k++) {
    const [t0, t1] = [times[k] ?? 0, times[k + 1] ?? 0];
    if (t1 - t0 > SAME) search.look(t0, t1, k === 0 && isSmoothAt(a, from) && isSmoothAt(b, from));
  }
}

const isSmoothAt = ({ events }: Mover, time: number): boolean => between(events, time - SAME, time + SAME).length === 0;

/** Times strictly between two. */
function between(events: readonly number[], from: number, to: number): number[] {
  let [low, high] = [0, events.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((events[middle] ?? 0) <= from) low = middle + 1;
    else high = middle;
  }
  const found: number[] = [];
  for (let k = low; k < events.length && (events[k] ?? 0) < to; k++) found.push(events[k] ?? 0);
  return found;
}
