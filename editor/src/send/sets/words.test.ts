import { expect, test } from 'vitest';
import { wordsOfOutput } from './words.ts';

test.each([
  [{ format: 'gif', options: {} }, 'GIF'],
  [
    { format: 'gif', options: { scale: 0.5, dither: true, background: false } },
    'GIF · scale 0.5 · dither · no background',
  ],
  [{ format: 'sprite-sheet', options: { powerOfTwo: true } }, 'Sprite sheet · power of two'],
  [{ format: 'web-page', options: { title: 'Ferries' } }, 'Web page · title Ferries'],
  [{ format: 'hologram', options: { title: '' } }, 'hologram · no title'],
])('%j is “%s”', (output, words) => expect(wordsOfOutput(output)).toBe(words));
