import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type * as Module from './journal.ts';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Change } from './change.ts';

const say = (value: number): Change => [{ at: ['value'], set: value }];

let journal: typeof Module;

beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.resetModules();
  journal = await import('./journal.ts');
});

describe('the journal of changes', () => {
  test('gives back in order what one writer wrote, from any number on', async () => {
    await Promise.all([1, 2, 3].map((n) => journal.appendEdit('one', 'tab', n, say(n))));
    await journal.appendEdit('two', 'tab', 1, say(9));
    await journal.appendEdit('one', 'other', 1, say(8));
    expect(await journal.editsAfter('one', 'tab', 0)).toEqual([say(1), say(2), say(3)]);
    expect(await journal.editsAfter('one', 'tab', 2)).toEqual([say(3)]);
    expect(await journal.allEdits()).toHaveLength(5);
  });
  test('what was folded is forgotten, with what overtaken tabs wrote; what came later is not', async () => {
    for (const n of [1, 2, 3]) await journal.appendEdit('one', 'tab', n, say(n));
    await journal.appendEdit('one', 'sleeper', 3, say(30));
    await journal.appendEdit('two', 'tab', 1, say(9));
    await journal.foldEdits('one', 'tab', 2);
    expect(await journal.editsAfter('one', 'tab', 2)).toEqual([say(3)]);
    expect(await journal.allEdits()).toHaveLength(2);
    await journal.forgetEdits('one');
    expect(await journal.allEdits()).toEqual([say(9)]);
  });
  test('a tab that was overtaken is told when it asks; one that nobody overtook is not', async () => {
    await journal.assertWriter('one', 'tab');
    await journal.claim('one', 'tab');
    await journal.assertWriter('one', 'tab');
    await journal.claim('one', 'other');
    await expect(journal.assertWriter('one', 'tab')).rejects.toThrow(journal.OvertakenError);
    expect(await journal.writerOf('one')).toBe('other');
  });
  test('a number that is missing ends what is given', async () => {
    for (const n of [1, 2, 4]) await journal.appendEdit('one', 'tab', n, say(n));
    expect(await journal.editsAfter('one', 'tab', 0)).toEqual([say(1), say(2)]);
    expect(await journal.editsAfter('one', 'tab', -1)).toEqual([]);
  });
  test('storage that was deleted is opened anew', async () => {
    await journal.appendEdit('one', 'tab', 1, say(1));
    const deleting = indexedDB.deleteDatabase('pace-line-journal');
    await new Promise((resolve) => (deleting.onsuccess = resolve));
    await journal.appendEdit('one', 'tab', 2, say(2));
    expect(await journal.editsAfter('one', 'tab', 1)).toEqual([say(2)]);
  });
  test('a browser that refuses it says so each time', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('refused', 'SecurityError');
      },
    });
    await expect(journal.appendEdit('one', 'tab', 1, say(1))).rejects.toThrow('refused');
    await expect(journal.writerOf('one')).rejects.toThrow('refused');
  });
});
