import { beforeEach, describe, expect, test, vi } from 'vitest';
import { emptyScene, type Scene } from '@pace-line/core';

/** Databases of this test's browser, by name; `full` refuses what is longer. */
const { stores, limits } = vi.hoisted(() => ({
  stores: new Map<string, Map<string, unknown>>(),
  limits: { full: Infinity },
}));
vi.mock('localforage', () => ({
  default: {
    createInstance: ({ storeName }: { storeName: string }) => {
      const held = new Map<string, unknown>();
      stores.set(storeName, held);
      return {
        getItem: (key: string) => Promise.resolve(structuredClone(held.get(key) ?? null)),
        setItem: (key: string, value: unknown) => {
          if (JSON.stringify(value).length > limits.full)
            return Promise.reject(new DOMException('full', 'QuotaExceededError'));
          held.set(key, structuredClone(value));
          return Promise.resolve(value);
        },
        removeItem: (key: string) => Promise.resolve(void held.delete(key)),
        keys: () => Promise.resolve([...held.keys()]),
        iterate: (visit: (value: unknown) => void) =>
          Promise.resolve([...held.values()].forEach((one) => void visit(one))),
      };
    },
  },
}));
const journal = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => journal.get(key) ?? null,
  setItem: (key: string, value: string) => void journal.set(key, value),
  removeItem: (key: string) => void journal.delete(key),
});

const storage = await import('./storage.ts');
const { writeJournal } = await import('./journal.ts');

const PIXELS = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';
const HASH = 'a'.repeat(64);
const tracing = { id: 'plan', name: 'Plan', asset: HASH, type: 'image/png' as const, width: 10, height: 10 };
const withPicture = (name: string): Scene => ({
  ...emptyScene(name),
  tracing: [{ ...tracing, x: 0, y: 0, scale: 1, turn: 0, opacity: 1, visible: true, locked: true }],
  assets: { [HASH]: PIXELS },
});
const opened = async (id: string): Promise<Scene> => {
  const stored = await storage.loadStored(id);
  if (stored.state !== 'ok') throw new Error(stored.state);
  return stored.scene;
};

beforeEach(() => {
  for (const held of stores.values()) held.clear();
  journal.clear();
  limits.full = Infinity;
});

describe('scenes kept in the browser', () => {
  test('come back as they were, with their pixels, which are stored once', async () => {
    await storage.keepScene('one', withPicture('One'));
    await storage.keepScene('two', withPicture('Two'));
    expect(await opened('one')).toEqual(withPicture('One'));
    expect(stores.get('assets')?.size).toBe(1);
    expect(JSON.stringify([...stores.get('scenes')!.values()])).not.toContain(PIXELS);
  });

  test('a scene that is not there is missing; one that does not validate is given raw', async () => {
    expect(await storage.loadStored('none')).toEqual({ state: 'missing' });
    await storage.keepScene('one', emptyScene('One'));
    stores.get('scenes')!.set('one', { format: 'pace-line/scene', version: 2, name: 'Half' });
    const broken = await storage.loadStored('one');
    expect(broken.state).toBe('broken');
    if (broken.state === 'broken') {
      expect(broken.problems.length).toBeGreaterThan(0);
      expect(JSON.parse(broken.raw)).toMatchObject({ name: 'Half' });
    }
    expect((await storage.listCards()).map(({ name }) => name)).toEqual(['One']);
  });

  test('what a page that went left in the journal is newer, and is kept then', async () => {
    await storage.keepScene('one', withPicture('Before'));
    writeJournal('one', withPicture('After'));
    expect(await opened('one')).toEqual(withPicture('After'));
    expect(journal.size).toBe(0);
    expect(await opened('one')).toEqual(withPicture('After'));
  });

  test('an older journal does not undo what was kept since; a broken one is passed over', async () => {
    await storage.keepScene('one', emptyScene('Kept'));
    const entry = { at: Date.now() - 60_000, body: { ...emptyScene('Old'), assets: {} } };
    journal.set('pace-line-journal-one', JSON.stringify(entry));
    expect((await opened('one')).name).toBe('Kept');
    journal.set('pace-line-journal-one', JSON.stringify({ at: Date.now() + 60_000, body: { name: 'cut off' } }));
    expect((await opened('one')).name).toBe('Kept');
  });

  test('a full quota is an error, and what was kept before stays', async () => {
    await storage.keepScene('one', emptyScene('One'));
    limits.full = 200;
    await expect(storage.keepScene('one', { ...emptyScene('Two'), name: 'x'.repeat(200) })).rejects.toThrow('full');
    expect((await opened('one')).name).toBe('One');
  });

  test('taken off the Shelf and put back; pixels that no scene shows are collected', async () => {
    await storage.keepScene('one', withPicture('One'));
    const putBack = await storage.removeStored('one');
    expect(await storage.listCards()).toEqual([]);
    await putBack();
    expect((await opened('one')).name).toBe('One');
    await storage.collectAssets();
    expect(stores.get('assets')?.size).toBe(1);
    await storage.removeStored('one');
    await storage.collectAssets();
    expect(stores.get('assets')?.size).toBe(0);
  });

  test('the Shelf lists the latest first and hears of each change; a thumbnail stays through edits', async () => {
    let heard = 0;
    const deafen = storage.onShelfChange(() => heard++);
    vi.useFakeTimers({ now: 1000, toFake: ['Date'] });
    await storage.keepScene('one', emptyScene('One'));
    vi.setSystemTime(2000);
    await storage.keepScene('two', emptyScene('Two'), 'kite.paceline.json');
    await storage.keepThumbnail('one', '<svg/>');
    vi.setSystemTime(3000);
    await storage.keepScene('one', emptyScene('One again'));
    vi.useRealTimers();
    expect(heard).toBe(4);
    deafen();
    await storage.keepThumbnail('gone', '<svg/>');
    expect((await storage.listCards()).map(({ name, thumbnail, sample }) => [name, thumbnail, sample])).toEqual([
      ['One again', '<svg/>', null],
      ['Two', '', 'kite.paceline.json'],
    ]);
    expect([await storage.hasThumbnail('one'), await storage.hasThumbnail('two')]).toEqual([true, false]);
    expect(heard).toBe(4);
  });
});
