import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type * as Database from './database.ts';
import type * as Journal from './journal.ts';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Change } from './change.ts';

const say = (value: number): Change => [{ at: ['value'], set: value }];

let journal: typeof Journal;
let database: typeof Database;

beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.resetModules();
  journal = await import('./journal.ts');
  database = await import('./database.ts');
});

const append = (id: string, writer: string, count: number, change: Change): Promise<void> =>
  database.writingNow(['edits'], (into) => journal.putEdit(into, id, writer, count, change));
const editsAfter = (id: string, writer: string, count: number): Promise<Change[]> =>
  database.reading(['edits'], (from) => journal.editsAfter(from, id, writer, count));
const fold = (id: string, writer: string, count: number): Promise<void> =>
  database.writing(['edits'], (into) => journal.foldEdits(into, id, writer, count));
const all = (): Promise<Change[]> => database.reading(['edits'], (from) => from.objectStore('edits').getAll());

describe('the journal of changes', () => {
  test('gives back in order what one writer wrote, from any number on', async () => {
    await Promise.all([1, 2, 3].map((n) => append('one', 'tab', n, say(n))));
    await append('two', 'tab', 1, say(9));
    await append('one', 'other', 1, say(8));
    expect(await editsAfter('one', 'tab', 0)).toEqual([say(1), say(2), say(3)]);
    expect(await editsAfter('one', 'tab', 2)).toEqual([say(3)]);
    expect(await all()).toHaveLength(5);
  });
  test('what was folded is forgotten, with what overtaken tabs wrote; what came later is not', async () => {
    for (const n of [1, 2, 3]) await append('one', 'tab', n, say(n));
    await append('one', 'sleeper', 3, say(30));
    await append('two', 'tab', 1, say(9));
    await fold('one', 'tab', 2);
    expect(await editsAfter('one', 'tab', 2)).toEqual([say(3)]);
    expect(await all()).toHaveLength(2);
  });
  test('a tab that was overtaken is told when it asks; one that nobody overtook is not', async () => {
    await journal.assertWriter('one', 'tab');
    await journal.claim('one', 'tab');
    await journal.assertWriter('one', 'tab');
    await journal.claim('one', 'other');
    await expect(journal.assertWriter('one', 'tab')).rejects.toThrow(journal.OvertakenError);
    await journal.assertWriter('one', 'other');
  });
  test('a number that is missing ends what is given', async () => {
    for (const n of [1, 2, 4]) await append('one', 'tab', n, say(n));
    expect(await editsAfter('one', 'tab', 0)).toEqual([say(1), say(2)]);
    expect(await editsAfter('one', 'tab', -1)).toEqual([]);
  });
  test('storage that was deleted is opened anew', async () => {
    await append('one', 'tab', 1, say(1));
    const deleting = indexedDB.deleteDatabase('pace-line-scenes');
    await new Promise((resolve) => (deleting.onsuccess = resolve));
    await append('one', 'tab', 2, say(2));
    expect(await editsAfter('one', 'tab', 1)).toEqual([say(2)]);
  });
  test('a browser that refuses its storage gets one that lasts as long as the tab, and says why', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('refused', 'SecurityError');
      },
    });
    await append('one', 'tab', 1, say(1));
    expect(await editsAfter('one', 'tab', 0)).toEqual([say(1)]);
    expect(database.whyNotKept()).toBe('refused');
  });
});
