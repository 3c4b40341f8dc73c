import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { emptyScene } from '@pace-line/core';
import { allPartings, clearParting, readParting, writeParting } from './parting.ts';

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
  // As the browser's own store, which lists its keys as properties.
  vi.stubGlobal(
    'localStorage',
    new Proxy(localStorage, {
      ownKeys: () => [...held.keys()],
      getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
    }),
  );
});
afterEach(() => vi.unstubAllGlobals());

const pixels = 'A'.repeat(50_000);
const scene = { ...emptyScene('Quay'), assets: { picture: pixels } };

describe('what a page that goes leaves behind', () => {
  test('is read again, each scene its own, until it is cleared', () => {
    expect(writeParting('one', 'tab', scene, 3)).toBe(true);
    writeParting('two', 'tab', emptyScene('Other'), 3);
    expect(readParting('one')?.body).toMatchObject({ name: 'Quay' });
    expect(readParting('two')?.body).toMatchObject({ name: 'Other' });
    expect(allPartings()).toHaveLength(2);
    clearParting('one');
    expect(readParting('one')).toBeUndefined();
    expect(readParting('two')).toBeDefined();
  });

  test('holds assets by name only: their pixels are kept already', () => {
    writeParting('one', 'tab', scene, 3);
    expect(readParting('one')?.body).toMatchObject({ assets: { picture: '' } });
    expect([...held.values()].join('')).not.toContain('AAAA');
  });

  test('says when it does not fit, and what was there stays', () => {
    writeParting('one', 'tab', emptyScene('Before'), 3);
    quota = 10;
    expect(writeParting('one', 'tab', scene, 3)).toBe(false);
    expect(readParting('one')?.body).toMatchObject({ name: 'Before' });
  });

  test.each(['', 'no json', '[]', '7', '{"count":"x","body":{}}', '{"count":1}', '{"at":1,"body":{}}'])(
    '%j is nothing',
    (text) => {
      held.set('pace-line-journal-one', text);
      expect(readParting('one')).toBeUndefined();
    },
  );

  test('a browser without storage has none, and nothing is thrown', () => {
    vi.stubGlobal('localStorage', undefined);
    expect(writeParting('one', 'tab', scene, 3)).toBe(false);
    expect(readParting('one')).toBeUndefined();
    expect(() => clearParting('one')).not.toThrow();
  });
});
