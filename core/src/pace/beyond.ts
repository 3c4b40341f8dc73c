import type { Repeat } from '../time/index.ts';

/**
 * The directions in which a line's start is reached and its end is left, from those in which the first leg leaves and the last one arrives. What runs once has come from nowhere: before it moves it
 * stands as it will first move.
 */
export function beyond(repeat: Repeat, first: number, last: number): readonly [before: number, after: number] {
  switch (repeat) {
    case 'loop':
      return [last || first, first || last];
    case 'there-and-back':
      return [-first, -last];
    case 'once':
      return [first, last];
  }
}
