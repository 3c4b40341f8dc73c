import { EasedLine } from '../pace/index.ts';
import type { Keys } from '../scene/index.ts';
import { timesOfLocals, type Folding } from '../time/index.ts';

const RADIANS = Math.PI / 180;

/** The lines that a rider's keys make over its local time; absent where a channel has none. Turn and axis in rad, the rest as in the file. */
export interface KeyLines {
  readonly turn?: EasedLine | undefined;
  readonly scaleX?: EasedLine | undefined;
  readonly scaleY?: EasedLine | undefined;
  readonly opacity?: EasedLine | undefined;
  readonly lift?: EasedLine | undefined;
  readonly lead?: EasedLine | undefined;
  readonly stretch?: EasedLine | undefined;
  readonly axis?: EasedLine | undefined;
  /** All of them. */
  readonly all: readonly EasedLine[];
}

type KeysOf<V> = readonly { readonly time: number; readonly value: V; readonly ease: Keys['turn'][number]['ease'] }[];

function lineOf<V>(keys: KeysOf<V>, valueOf: (value: V) => number): EasedLine | undefined {
  if (keys.length === 0) return undefined;
  return new EasedLine(keys.map(({ time, value, ease }) => ({ time, dwell: 0, value: valueOf(value), ease })));
}

const made = new WeakMap<Keys, KeyLines>();

/** The lines of keys; made once for each. */
export function keyLinesOf(keys: Keys): KeyLines {
  let lines = made.get(keys);
  if (!lines) {
    const each = {
      turn: lineOf(keys.turn, (value) => value * RADIANS),
      scaleX: lineOf(keys.scale, ([x]) => x),
      scaleY: lineOf(keys.scale, ([, y]) => y),
      opacity: lineOf(keys.opacity, (value) => value),
      lift: lineOf(keys.lift, (value) => value),
      lead: lineOf(keys.lead, (value) => value),
      stretch: lineOf(keys.squash, (value) => value),
      axis: lineOf(keys.axis, (value) => value * RADIANS),
    };
    made.set(keys, (lines = { ...each, all: Object.values(each).filter((line) => line !== undefined) }));
  }
  return lines;
}

/** Times of the loop at which keys' lines are not smooth. */
export const keyEvents =
  ({ folding }: { readonly folding: Folding }, lines: readonly (EasedLine | undefined)[]) =>
  (from: number, to: number): number[] => {
    const locals = lines.flatMap((line) => line?.events() ?? []);
    return locals.length === 0 ? [] : timesOfLocals(folding, locals, from, to);
  };

const WORK = new Float64Array(1);

/** The value of a line at the local time that stands in a row's slot; `local` is that slot. Nothing is boxed. */
export function addKeyed(
  row: Float64Array,
  slot: number,
  line: EasedLine | undefined,
  local: number,
  side: 1 | -1,
): void {
  if (!line) return;
  WORK[0] = row[local] ?? 0;
  line.advance(WORK, side);
  row[slot] = (row[slot] ?? 0) + (WORK[0] ?? 0);
}

/** The same, as a factor. */
export function timesKeyed(
  row: Float64Array,
  slot: number,
  line: EasedLine | undefined,
  local: number,
  side: 1 | -1,
): void {
  if (!line) return;
  WORK[0] = row[local] ?? 0;
  line.advance(WORK, side);
  row[slot] = (row[slot] ?? 0) * (WORK[0] ?? 0);
}
