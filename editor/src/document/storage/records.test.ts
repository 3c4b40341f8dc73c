import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type * as Module from './index.ts';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { emptyScene, SCENE_VERSION, type Scene } from '@pace-line/core';

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
        iterate: (visit: (value: unknown, key: string) => void) =>
          Promise.resolve([...held].forEach(([key, one]) => void visit(one, key))),
      };
    },
  },
}));
const parted = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => parted.get(key) ?? null,
  setItem: (key: string, value: string) => void parted.set(key, value),
  removeItem: (key: string) => void parted.delete(key),
});

let storage: typeof Module;

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

beforeEach(async () => {
  stores.clear();
  parted.clear();
  limits.full = Infinity;
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.resetModules();
  storage = await import('./index.ts');
});

/** A tab that has opened a scene and changes it. */
async function writerOf(id: string, name = 'tab') {
  const stored = await storage.loadStored(id);
  if (stored.state !== 'ok') throw new Error(stored.state);
  if (stored.unfolded) await storage.foldScene({ id, name: stored.writer }, stored.scene, stored.count);
  const writer = { id, name };
  await storage.claim(id, name);
  let { scene, count } = stored;
  return {
    edit: async (after: Scene): Promise<void> => {
      await storage.keepEdit(writer, ++count, scene, after);
      scene = after;
    },
    fold: (): Promise<void> => storage.foldScene(writer, scene, count),
    /** Changes that do not get to the journal. */
    editAside: (after: Scene): void => {
      scene = after;
      count++;
    },
  };
}

describe('scenes kept in the browser', () => {
  test('come back as they were, with their pixels, which are stored once', async () => {
    await storage.keepNewScene('one', withPicture('One'));
    await storage.keepNewScene('two', withPicture('Two'));
    expect(await opened('one')).toEqual(withPicture('One'));
    expect(stores.get('assets')?.size).toBe(1);
    expect(JSON.stringify([...stores.get('scenes')!.values()])).not.toContain(PIXELS);
  });

  test('a record of an earlier build, a body alone, is read and changed as any other', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    stores.get('scenes')!.set('one', { ...emptyScene('Old'), assets: {} });
    const tab = await writerOf('one');
    await tab.edit(emptyScene('New'));
    expect((await opened('one')).name).toBe('New');
    await tab.fold();
    expect((await opened('one')).name).toBe('New');
  });

  test('a scene that is not there is missing; one that does not validate is given raw', async () => {
    expect(await storage.loadStored('none')).toEqual({ state: 'missing' });
    await storage.keepNewScene('one', emptyScene('One'));
    stores.get('scenes')!.set('one', { format: 'pace-line/scene', version: 2, name: 'Half' });
    const broken = await storage.loadStored('one');
    expect(broken.state).toBe('broken');
    if (broken.state === 'broken') {
      expect(broken.problems.length).toBeGreaterThan(0);
      expect(JSON.parse(broken.raw)).toMatchObject({ name: 'Half' });
    }
    expect((await storage.listCards()).map(({ name }) => name)).toEqual(['One']);
  });

  test('each change is there before the scene is written whole, pixels too, and after it', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    const tab = await writerOf('one');
    await tab.edit(withPicture('Two'));
    await tab.edit(withPicture('Three'));
    expect(await storage.loadStored('one')).toMatchObject({ scene: withPicture('Three'), count: 2, unfolded: true });
    await tab.fold();
    expect(await storage.loadStored('one')).toMatchObject({ scene: withPicture('Three'), count: 2, unfolded: false });
    await tab.edit(withPicture('Four'));
    expect(await opened('one')).toEqual(withPicture('Four'));
  });

  test('after changes that are not sound the last that is sound is opened', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    const tab = await writerOf('one');
    await tab.edit(emptyScene('Two'));
    await tab.edit({ ...emptyScene('Three'), clock: { ...emptyScene('').clock, duration: -1 } });
    expect(await storage.loadStored('one')).toMatchObject({ scene: { name: 'Two' }, unfolded: true });
    await tab.edit(emptyScene('Four'));
    expect((await opened('one')).name).toBe('Four');
  });

  test('what a page that went left as its parting word is newer than what it had written', async () => {
    await storage.keepNewScene('one', withPicture('Before'));
    const tab = await writerOf('one');
    await tab.edit(withPicture('Then'));
    storage.writeParting('one', 'tab', withPicture('After'), 2);
    expect(await storage.loadStored('one')).toMatchObject({ scene: withPicture('After'), count: 2, unfolded: true });
    storage.writeParting('one', 'tab', withPicture('Earlier'), 1);
    expect(await opened('one')).toEqual(withPicture('Then'));
    storage.writeParting('one', 'sleeper', withPicture('Stale'), 50);
    expect(await opened('one')).toEqual(withPicture('Then'));
    parted.set('pace-line-journal-one', JSON.stringify({ writer: 'tab', count: 9, body: { name: 'cut off' } }));
    expect(await opened('one')).toEqual(withPicture('Then'));
    await tab.fold();
    expect(parted.size).toBe(0);
  });

  test('a tab that was overtaken writes neither a change nor the scene, even with more changes', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    const sleeper = await writerOf('one', 'sleeper');
    for (let i = 0; i < 5; i++) sleeper.editAside(emptyScene(`Stale ${i}`));
    const other = await writerOf('one', 'other');
    await other.edit(emptyScene('Newer'));
    await sleeper.edit(emptyScene('Staler'));
    await expect(storage.holdsScene({ id: 'one', name: 'sleeper' })).rejects.toThrow('another tab');
    await expect(sleeper.fold()).rejects.toThrow('another tab');
    expect((await opened('one')).name).toBe('Newer');
    await other.fold();
    await expect(sleeper.fold()).rejects.toThrow('another tab');
    expect((await opened('one')).name).toBe('Newer');
  });

  test('a full quota is an error, and what was kept before stays', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    limits.full = 200;
    await expect(storage.keepNewScene('one', { ...emptyScene('Two'), name: 'x'.repeat(200) })).rejects.toThrow('full');
    expect((await opened('one')).name).toBe('One');
  });

  test('taken off the Shelf with its last change and put back; pixels that nothing shows are collected', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    await (await writerOf('one')).edit(withPicture('Two'));
    const putBack = await storage.removeStored('one');
    expect(await storage.listCards()).toEqual([]);
    expect(await storage.loadStored('one')).toEqual({ state: 'missing' });
    await putBack();
    expect(await opened('one')).toEqual(withPicture('Two'));
    await storage.collectUnused();
    expect(stores.get('assets')?.size).toBe(1);
    await storage.removeStored('one');
    await storage.collectUnused();
    expect(stores.get('assets')?.size).toBe(0);
  });

  test('pixels that only a change, a parting word or a version shows are not collected', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    const tab = await writerOf('one');
    await tab.edit(withPicture('Two'));
    await storage.collectUnused();
    expect(stores.get('assets')?.size).toBe(1);
    await storage.keepVersionOf('one', withPicture('Two'), 'hand', 'With the plan');
    await tab.edit(emptyScene('Three'));
    await tab.fold();
    await storage.collectUnused();
    expect(stores.get('assets')?.size).toBe(1);
    for (const card of await storage.listVersions('one')) await storage.removeVersion(card);
    await storage.collectUnused();
    expect(stores.get('assets')?.size).toBe(0);
    await storage.keepVersionOf('one', withPicture('Five'), 'hand');
    await storage.removeStored('one');
    await storage.collectUnused();
    expect(await storage.listVersions('one')).toEqual([]);
    expect(stores.get('assets')?.size).toBe(0);
  });

  test('the Shelf lists the latest first and hears of each change; a thumbnail stays through edits', async () => {
    let heard = 0;
    const deafen = storage.onShelfChange(() => heard++);
    vi.useFakeTimers({ now: 1000, toFake: ['Date'] });
    await storage.keepNewScene('one', emptyScene('One'));
    vi.setSystemTime(2000);
    await storage.keepNewScene('two', emptyScene('Two'), 'kite.paceline.json');
    await storage.keepThumbnail('one', '<svg/>');
    vi.setSystemTime(3000);
    const tab = await writerOf('one');
    await tab.edit(emptyScene('One again'));
    await tab.fold();
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

describe('earlier states', () => {
  test('one an hour of those that a change was made to; the same state once; by hand whenever asked', async () => {
    vi.useFakeTimers({ now: Date.UTC(2026, 10, 27, 8), toFake: ['Date'] });
    await storage.keepNewScene('one', emptyScene('One'));
    const tab = await writerOf('one');
    for (const name of ['Two', 'Three']) {
      await tab.edit(emptyScene(name));
      await tab.fold();
    }
    vi.setSystemTime(Date.UTC(2026, 10, 27, 9, 30));
    await tab.edit(emptyScene('Four'));
    await tab.fold();
    await storage.keepVersionOf('one', emptyScene('Four'), 'hand', 'Before the pace');
    await storage.keepVersionOf('one', emptyScene('Four'), 'import');
    const cards = await storage.listVersions('one');
    vi.useRealTimers();
    expect(cards.map(({ why, name }) => [why, name]).sort()).toEqual([
      ['hand', 'Before the pace'],
      ['time', null],
      ['time', null],
    ]);
    const names = await Promise.all(cards.map(async (card) => (await storage.readVersion(card))?.name));
    expect(names.sort()).toEqual(['Four', 'One', 'Three']);
    expect(await storage.listVersions('two')).toEqual([]);
  });

  test('what an earlier version of the application wrote is kept as it was', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    stores.get('scenes')!.set('one', { ...emptyScene('Old'), version: 1, assets: {} });
    expect((await opened('one')).version).toBe(SCENE_VERSION);
    const [card] = await storage.listVersions('one');
    expect(card?.why).toBe('migration');
    expect(stores.get('versions')!.get(card!.key)).toMatchObject({ name: 'Old', version: 1 });
    expect((await storage.readVersion(card!))?.name).toBe('Old');
  });
});
