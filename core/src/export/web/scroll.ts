import type { Take } from '../../take/index.ts';
import { formatNumber } from '../text.ts';

/** Rules that let a browser drive a drawing by its passage through the window, without a script. */
export interface ScrollRules {
  /** Of the drawing itself. */
  readonly root: string;
  /** Of what moves in it. */
  readonly rules: string;
}

/** Undefined where the passage is not run through evenly, from an earlier time to a later one: that no browser does. */
export function scrollRules({ length, drive }: Take, prefix: string): ScrollRules | undefined {
  const [from = 0, middle = 0, to = 0] = drive.stops;
  if (!(to > from) || Math.abs(middle - (from + to) / 2) > 1e-6) return undefined;
  // Shares of the passage, %, at which the loop's start and its end are shown.
  const share = (time: number): string => formatNumber((100 * (time - from)) / (to - from), 4);
  const range = `cover ${share(0)}% cover ${share(length)}%`;
  return {
    root: `@supports (animation-timeline:view()){body>svg{view-timeline:--${prefix} block}}`,
    rules:
      `@supports (animation-timeline:view()){@media (prefers-reduced-motion:no-preference){:root:not(.told) .${prefix}-m{animation-duration:auto;animation-iteration-count:1;animation-fill-mode:both;` +
      `animation-play-state:running;animation-timeline:--${prefix};animation-range:${range}}}}`,
  };
}
