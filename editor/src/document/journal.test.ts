import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { emptyScene } from '@pace-line/core';
import { clearJournal, readJournal, writeJournal } from './journal.ts';

let held: Map<string, string>;
let quota: number;

beforeEach(() => {
  held = new Map();
  quota = Infinity;
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => held.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (value.length > quota) throw new DOMException('full', 'QuotaExceededError');
      held.set(key, value);
    },
    removeItem: (key: string) => void held.delete(key),
  });
});
afterEach(() => vi.unstubAllGlobals());

const pixels = 'A'.repeat(50_000);
const scene = { ...emptyScene('Quay'), assets: { picture: pixels } };

describe('what a page that goes leaves behind', () => {
  test('is read again, each scene its own, until it is cleared', () => {
    expect(writeJournal('one', scene)).toBe(true);
    writeJournal('two', emptyScene('Other'));
    expect(readJournal('one')?.body).toMatchObject({ name: 'Quay' });
    expect(readJournal('two')?.body).toMatchObject({ name: 'Other' });
    clearJournal('one');
    expect(readJournal('one')).toBeUndefined();
    expect(readJournal('two')).toBeDefined();
  });

  test('holds assets by name only: their pixels are kept already', () => {
    writeJournal('one', scene);
    expect(readJournal('one')?.body).toMatchObject({ assets: { picture: '' } });
    expect([...held.values()].join('')).not.toContain('AAAA');
  });

  test('says when it does not fit, and what was there stays', () => {
    writeJournal('one', emptyScene('Before'));
    quota = 10;
    expect(writeJournal('one', scene)).toBe(false);
    expect(readJournal('one')?.body).toMatchObject({ name: 'Before' });
  });

  test.each(['', 'no json', '[]', '7', '{"at":"x","body":{}}', '{"at":1}'])('%j is nothing', (text) => {
    held.set('pace-line-journal-one', text);
    expect(readJournal('one')).toBeUndefined();
  });

  test('a browser without storage has none, and nothing is thrown', () => {
    vi.stubGlobal('localStorage', undefined);
    expect(writeJournal('one', scene)).toBe(false);
    expect(readJournal('one')).toBeUndefined();
    expect(() => clearJournal('one')).not.toThrow();
  });
});
