import { expect, test } from 'vitest';
import { matches } from './matches.ts';

test.each([
  ['wheel', 'Roll: wheels, balls', true],
  ['WHEEL ball', 'Roll: wheels, balls', true],
  ['heel', 'Roll: wheels, balls', false],
  ['', 'anything', true],
  ['cafe', 'Café at the quay', true],
  ['wheel shadow', 'Roll: wheels, balls', false],
])('“%s” in “%s”: %s', (question, text, is) => expect(matches(question, text)).toBe(is));
