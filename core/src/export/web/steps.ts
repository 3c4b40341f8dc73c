import type { Steps } from '../../take/index.ts';
import { formatNumber } from '../text.ts';
import { PERCENT_DIGITS, PERCENT_STEP } from './css.ts';

/** Keyframes of a value that changes at once: each holds until the next, the last to the loop's end. */
export function stepFramesOf(
  name: string,
  steps: Steps,
  length: number,
  declaration: (value: number) => string,
): string {
  let last = -PERCENT_STEP;
  const frames = steps.map(({ time, value }) => {
    last = Math.min(100 - PERCENT_STEP, Math.max(last + PERCENT_STEP, (time / length) * 100));
    return `${formatNumber(last, PERCENT_DIGITS)}%{${declaration(value)}}`;
  });
  return `@keyframes ${name}{${frames.join('')}to{${declaration(steps[steps.length - 1]?.value ?? 0)}}}`;
}

/** The same steps, as whether each is one value. */
export function stepsWhere(steps: Steps, is: (value: number) => boolean): Steps {
  const found: { time: number; value: number }[] = [];
  for (const { time, value } of steps) {
    const now = is(value) ? 1 : 0;
    if (found[found.length - 1]?.value !== now) found.push({ time, value: now });
  }
  return found;
}
