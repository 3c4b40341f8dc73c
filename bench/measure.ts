/** A row of the results: what was measured, its figure, what it is held against, and whether it keeps its promise. */
export interface Row {
  readonly what: string;
  readonly figure: string;
  readonly beside: string;
  readonly promise: string;
  readonly kept: boolean;
}

/** Median of several runs, ms. The first runs warm the engine up and do not count. */
export function medianTime(run: () => void, runs = 9, warm = 3): number {
  const times: number[] = [];
  for (let i = 0; i < runs + warm; i++) {
    const started = performance.now();
    run();
    if (i >= warm) times.push(performance.now() - started);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
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
