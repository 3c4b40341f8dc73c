/** A row of the results: what was measured, its figure, what it is held against, and whether it keeps its promise. */
export interface Row {
  readonly what: string;
  readonly figure: string;
  readonly beside: string;
  readonly promise: string;
  readonly kept: boolean;
}

/** The middle of some figures; of an even number the upper one of the two. */
export const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;

function timeOf(run: () => void): number {
  const started = performance.now();
  run();
  return performance.now() - started;
}

/** Median of several runs, ms. The first runs warm the engine up and do not count. */
export function medianTime(run: () => void, runs = 9, warm = 3): number {
  for (let i = 0; i < warm; i++) run();
  return median(Array.from({ length: runs }, () => timeOf(run)));
}

/** Medians of two things that are compared, run in turns, so that what the engine compiles for the one is there for the other too, ms. */
export function mediansInTurn(one: () => void, other: () => void, runs = 15, warm = 6): readonly [number, number] {
  const [ones, others]: [number[], number[]] = [[], []];
  for (let i = -warm; i < runs; i++) {
    const [a, b] = [timeOf(one), timeOf(other)];
    if (i < 0) continue;
    ones.push(a);
    others.push(b);
  }
  return [median(ones), median(others)];
}

/** Calls a second of a function that is given the index of the call. */
export function callsPerSecond(call: (i: number) => void, calls: number): number {
  const ms = medianTime(
    () => {
      for (let i = 0; i < calls; i++) call(i);
    },
    7,
    2,
  );
  return (calls / ms) * 1000;
}

export const millions = (n: number): string => `${(n / 1e6).toFixed(2)} M/s`;
export const ms = (n: number): string => `${n.toFixed(n < 10 ? 2 : 1)} ms`;
