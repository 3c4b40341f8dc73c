import type { Check } from './check.ts';
import { checkClosing } from './closing.ts';
import { closingWords } from './words.ts';

export const closing: Check<'closing'> = {
  id: 'closing',
  label: 'Everything closes',
  about: 'After how many loops all that moves by a cycle of its own has come round together',
  find({ scene }) {
    const found = checkClosing(scene);
    if (!found) return [];
    const { loops, length, open } = found;
    return [
      {
        ...{ check: 'closing', holds: loops === 1, riders: [], at: null, spans: [], place: null },
        words: closingWords(found),
        figures: { loops: loops ?? null, length: length ?? null, open },
      },
    ];
  },
};
