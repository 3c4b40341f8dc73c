import type { Curve, CurveKey } from '../../take/index.ts';
import { formatNumber } from '../text.ts';

/** Decimals of a keyframe's percentage: a microsecond in ten seconds. */
export const PERCENT_DIGITS = 5;
export const PERCENT_STEP = 10 ** -PERCENT_DIGITS;

/** Keys with the percentages of the loop at which they stand. Of two keys at one time the second stands the smallest step later, as a jump. */
function percentages(keys: Curve, length: number): [percent: number, key: CurveKey][] {
  let last = -1;
  return keys.map((key, i) => {
    const exact = Math.round((key.time / length) * 100 * 10 ** PERCENT_DIGITS) * PERCENT_STEP;
    last = i === 0 ? 0 : i === keys.length - 1 ? 100 : Math.min(Math.max(exact, last + PERCENT_STEP), 100);
    return [last, key];
  });
}

/** One @keyframes of a curve; `declaration` writes the value of a key of it. The rule's animation has linear timing; a leg with an ease has its own. */
export function keyframesOf(
  name: string,
  curve: Curve,
  length: number,
  declaration: (value: number, key: number) => string,
): string {
  const frames = percentages(curve, length).map(([percent, { value, ease }], i, all) => {
    const isLast = i === all.length - 1;
    // What jumps stays as it was until it does: nothing is shown in between, however short that is.
    const jumps = curve[i + 1]?.time === curve[i]?.time;
    const timing = jumps
      ? ';animation-timing-function:step-end'
      : ease && !isLast
        ? `;animation-timing-function:cubic-bezier(.3333,${bare(ease[0])},.6667,${bare(ease[1])})`
        : '';
    return `${formatNumber(percent, PERCENT_DIGITS)}%{${declaration(value, i)}${timing}}`;
  });
  return `@keyframes ${name}{${frames.join('')}}`;
}

/** A number without the zero before its point. */
const bare = (value: number): string => formatNumber(value, 4).replace(/^(-?)0\./, '$1.');

/** A curve with a key at its end, though all of it is one value. */
export const wholly = ([first, ...more]: Curve, length: number): Curve =>
  !first ? [] : more.length === 0 ? [first, { ...first, time: length }] : [first, ...more];
