import type { RiderMotion } from '../motion/index.ts';

/** The lowest and highest distance that any of the riders reaches, px; a closed guide is shown whole. */
export function reachOfRiders(
  riders: readonly RiderMotion[],
  length: number,
  closed: boolean,
): { readonly low: number; readonly high: number } {
  const ranges = riders.flatMap(({ line, leads }) => {
    const [least, most] = line?.range() ?? [0, 0];
    return line ? [[least + leads[0], most + leads[1]]] : [];
  });
  const low = Math.min(0, ...ranges.map(([least]) => least ?? 0));
  const high = Math.max(closed || ranges.length === 0 ? length : 0, ...ranges.map(([, most]) => most ?? 0));
  return { low, high: Math.max(high, low + 1) };
}
