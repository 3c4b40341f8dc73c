import { expect, test } from 'vitest';
import { KEY_CHANNELS } from '@pace-line/core';
import { CHANNELS, wordsOfKeyValue } from './channels.ts';

test('a value is said with its unit, numbers that are alike once', () => {
  expect(wordsOfKeyValue('scale', [1.5, 1.5])).toBe('150%');
  expect(wordsOfKeyValue('scale', [1.5, -0.25])).toBe('150% × -25%');
  expect(wordsOfKeyValue('turn', -12.34)).toBe('-12.3°');
  expect(wordsOfKeyValue('lift', 4)).toBe('4 px');
  expect(wordsOfKeyValue('opacity', 0.333)).toBe('33.3%');
});

test('every channel of the scene file has words, each of its fields others', () => {
  const fields = KEY_CHANNELS.flatMap((channel) => CHANNELS[channel].numbers.map(({ field }) => field));
  expect(new Set(fields).size).toBe(fields.length);
  expect(new Set(KEY_CHANNELS.map((channel) => CHANNELS[channel].name)).size).toBe(KEY_CHANNELS.length);
});
