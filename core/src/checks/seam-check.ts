import type { Check } from './check.ts';
import { checkSeam } from './seam.ts';
import { seamHolds, seamWords } from './words.ts';

export const seam: Check<'seam'> = {
  id: 'seam',
  label: 'Seam',
  about:
    'Whether each rider goes on at the loop’s start as it came to its end: place, rotation, size, opacity, pose, speed',
  find: ({ scene }) =>
    checkSeam(scene).map((found) => {
      const { rider, ...figures } = found;
      return {
        ...{ check: 'seam', holds: seamHolds(found), riders: [rider], at: 0, spans: [], place: null },
        words: seamWords(found),
        figures,
      };
    }),
};
