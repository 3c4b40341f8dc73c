import { isConstant, type Curve, type Steps } from '../../../take/index.ts';
import { formatNumber } from '../../text.ts';

/** A tree of JSON. */
export type Json = string | number | boolean | readonly Json[] | { readonly [key: string]: Json };

/** A number with at most some decimals. */
export const rounded = (value: number, digits = 4): number => Number(formatNumber(value, digits));

/** Frames between a jump’s two keys, of which the first is held: at one time a player would have to divide by nothing. */
const JUMP = 0.001;

const FRAME_DIGITS = 3;

/** Shares of a leg's time at which its inner control values stand. */
const THIRDS = [1 / 3, 2 / 3] as const;

/** A property that stands still. */
export const still = (value: Json): Json => ({ a: 0, k: value });

/** How a channel becomes the property that is written: its numbers, and the values beside it where the property has several. */
export interface Property {
  readonly of: (value: number) => number;
  /** The property's value with this number in it; without: the number alone. */
  readonly within?: (value: number) => readonly number[];
}

const listed = ({ of, within }: Property, value: number): readonly number[] => {
  const number = rounded(of(value));
  return within ? within(number) : [number];
};

/** A curve as keys in frames, each leg with the same cubic timing. */
export function keyed(curve: Curve, fps: number, property: Property): Json {
  if (isConstant(curve)) {
    const [first = 0, ...more] = listed(property, curve[0]?.value ?? 0);
    return still(more.length > 0 ? [first, ...more] : first);
  }
  const frameOf = ({ time }: { readonly time: number }): number => rounded(time * fps, FRAME_DIGITS);
  // What comes after a jump at the loop's end is the loop's start; of what falls on one frame otherwise, two are a jump.
  const last = curve[curve.length - 1];
  const played = curve.filter((key, i) => {
    const [before, next] = [curve[i - 1], curve[i + 1]];
    if (before && last && key === last) return frameOf(key) > frameOf(before);
    return !before || !next || frameOf(before) < frameOf(key) || frameOf(key) < frameOf(next);
  });
  let written = -JUMP;
  const keys = played.map((key, i): Json => {
    const { value, ease } = key;
    const next = played[i + 1];
    const isJump = next !== undefined && frameOf(next) <= frameOf(key);
    const t = rounded(Math.max(frameOf(key) - (isJump ? JUMP : 0), written + JUMP / 2), FRAME_DIGITS + 1);
    written = t;
    const s = listed(property, value);
    if (!next) return { t, s };
    if (isJump) return { t, s, h: 1 };
    const each = (share: number): Json => s.map(() => rounded(share));
    const [begins, ends] = ease ?? [0, 1];
    const [first, last] = ease ? THIRDS : [0, 1];
    return { t, s, o: { x: each(first), y: each(begins) }, i: { x: each(last), y: each(ends) } };
  });
  return { a: 1, k: keys };
}

/** Values that change at once, each held until the next. */
export function held(steps: Steps, fps: number, of: (value: number) => number): Json {
  if (steps.length <= 1) return still(of(steps[0]?.value ?? 0));
  return {
    a: 1,
    k: steps.map(({ time, value }) => ({ t: rounded(time * fps, FRAME_DIGITS), s: [of(value)], h: 1 })),
  };
}
