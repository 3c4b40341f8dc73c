import { expect, test } from 'vitest';
import { plainDirection } from './plain.ts';
import { reasonOf } from './reasons.ts';

test('a name with a direction override does not turn the sentence round', () => {
  expect(plainDirection('“\u202Eevil\u202C” is \u2067locked\u2069.')).toBe('“evil” is locked.');
  expect(plainDirection('שלום')).toBe('שלום');
});

test('a reason is never empty and ends without a full stop', () => {
  expect(reasonOf(new Error('It is full.'))).toBe('It is full');
  expect(reasonOf(new DOMException('', 'QuotaExceededError'))).toBe('QuotaExceededError');
  expect(reasonOf('odd')).toBe('odd');
  expect(reasonOf(Object.assign(new Error(''), { name: '' }))).toBe('the browser gave no reason');
});
