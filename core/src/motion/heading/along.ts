import { angleOfFrame } from '../../geometry/index.ts';
import { SLOT } from '../slots.ts';
import { noEvents } from '../stage.ts';
import { RADIANS, type HeadingMode } from './mode.ts';

/** Faces along the guide: the nose of the art points where the guide runs. A parked rider has no guide to face along. */
export const along: HeadingMode = {
  mode: 'along',
  rest: (art) => -(art?.facing ?? 0) * RADIANS,
  aim: ({ way }) =>
    way
      ? {
          run({ row, frame }) {
            row[SLOT.angle] = (row[SLOT.angle] ?? 0) + angleOfFrame(frame);
          },
          varies: way.line.isStill ? [] : ['angle'],
          events: noEvents,
        }
      : undefined,
};
