import { expect, test } from 'vitest';
import { emptyScene, type Scene } from '@pace-line/core';
import { plainDirection } from './plain.ts';
import { wordsOfUnsound } from './problems.ts';
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

test('why a change was not made names what it was for', () => {
  const scene = { ...emptyScene('One'), guides: [{ name: 'Bank' }] } as unknown as Scene;
  expect(wordsOfUnsound({ path: 'guides.0.nodes.2.x', message: 'at most 100000' }, scene)).toBe(
    'That was not done: nodes.2.x: at most 100000, for “Bank”.',
  );
  expect(wordsOfUnsound({ path: 'clock.duration', message: 'at most 7200' }, scene)).toBe(
    'That was not done: clock.duration: at most 7200.',
  );
});
