/** A mark that was passed. */
export interface MarkPassed {
  /** What code calls the rider, and the number of its mark, from 1. */
  readonly rider: string;
  readonly mark: number;
  /** s within the loop. */
  readonly time: number;
}

/** s. */
const NEAR = 1e-6;

/** The time of the way from one time to another, s, at which it passes one of the loop; its end belongs to it, its beginning does not. Of several rounds the last. */
function timeOfPassing(from: number, to: number, time: number, length: number): number | undefined {
  const forth = to >= from;
  const round = forth ? Math.floor((to - time) / length + NEAR) : Math.ceil((to - time) / length - NEAR);
  const at = time + Math.max(0, round) * length;
  return (forth ? at > from + NEAR && at <= to + NEAR : at < from - NEAR && at >= to - NEAR) ? at : undefined;
}

/** Whether a loop ends on the way. */
export const wraps = (from: number, to: number, length: number): boolean =>
  timeOfPassing(Math.max(0, from), to, 0, length) !== undefined;

/** Marks that are passed on the way, in their order. */
export function marksPassed(from: number, to: number, length: number): MarkPassed[] {
  const found = MARKS.flatMap(([rider, times]) =>
    times.flatMap((some, i) =>
      [some].flat().flatMap((time) => {
        const at = timeOfPassing(from, to, time, length);
        return at === undefined ? [] : [{ at, passed: { rider, mark: i + 1, time } }];
      }),
    ),
  );
  return found.sort((a, b) => (to < from ? b.at - a.at : a.at - b.at)).map(({ passed }) => passed);
}

/** The time of a mark, s, by what code calls its rider and its number: the first in the loop. */
export function timeOfMark(name: string): number {
  const [, rider, number] = /^(.*) (\d+)$/.exec(name) ?? [];
  const times = MARKS.find(([code]) => code === rider)?.[1][Number(number) - 1];
  const [time] = [times ?? []].flat();
  if (time === undefined) throw new RangeError('there is no mark ' + name);
  return time;
}
