import type { Check } from './check.ts';
import { checkJumps } from './jumps.ts';
import { jumpWords } from './words.ts';

export const jump: Check<'jump'> = {
  id: 'jump',
  label: 'Leap',
  about: 'Riders that are somewhere else from one moment to the next, within the loop and in sight',
  find: ({ scene }) =>
    checkJumps(scene).map(({ rider, ...figures }) => ({
      ...{ check: 'jump', holds: false, riders: [rider], at: figures.at, place: null },
      spans: figures.times.map((time) => [time, time] as const),
      words: jumpWords({ rider, ...figures }),
      figures,
    })),
};
