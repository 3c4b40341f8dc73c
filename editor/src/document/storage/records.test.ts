import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type * as Database from './database.ts';
import type * as Module from './index.ts';
import { sha256, fromBase64 } from '../../platform/pixels.ts';
import type { Store } from './shapes.ts';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { emptyScene, missingPictures, SCENE_VERSION, type Scene } from '@pace-line/core';

/** This test's browser: `full` refuses texts that are longer. */
const limits = { full: Infinity };
const put = Reflect.get(IDBObjectStore.prototype, 'put') as (
  value: unknown,
  key?: IDBValidKey,
) => IDBRequest<IDBValidKey>;
IDBObjectStore.prototype.put = function (value: unknown, key) {
  if (JSON.stringify(value).length > limits.full) throw new DOMException('full', 'QuotaExceededError');
  return put.call(this, value, key);
};
const parted = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => parted.get(key) ?? null,
  setItem: (key: string, value: string) => void parted.set(key, value),
  removeItem: (key: string) => void parted.delete(key),
});

let storage: typeof Module;
let database: typeof Database;

const PIXELS = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';
const HASH = await sha256(fromBase64(PIXELS));
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
  parted.clear();
  limits.full = Infinity;
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.resetModules();
  storage = await import('./index.ts');
  database = await import('./database.ts');
});
afterEach(() => vi.useRealTimers());

const countOf = (store: Store): Promise<number> => database.reading([store], (from) => from.objectStore(store).count());
const allOf = (store: Store): Promise<unknown[]> =>
  database.reading([store], (from) => from.objectStore(store).getAll());
/** Puts something into a store past everything that looks after it. */
const force = (store: 'scenes' | 'assets' | 'cards' | 'version-cards', key: string, value: unknown): Promise<void> =>
  database.writing([store], async (into) => void (await into.objectStore(store).put(value as never, key)));
/** The Shelf is opened several times, each a week after the last. */
async function weeks(count: number): Promise<void> {
  for (let i = 0; i < count; i++) {
    vi.useFakeTimers({ now: Date.now() + 7.5 * 86_400_000, toFake: ['Date'] });
    await storage.collectUnused();
  }
}

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
    expect(await countOf('assets')).toBe(1);
    expect(JSON.stringify(await allOf('scenes'))).not.toContain(PIXELS);
  });

  test('a record of an earlier build, a body alone, is read and changed as any other', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    await force('scenes', 'one', { ...emptyScene('Old'), assets: {} });
    const tab = await writerOf('one');
    await tab.edit(emptyScene('New'));
    expect((await opened('one')).name).toBe('New');
    // The Shelf knows the name before the scene is written whole.
    expect((await storage.listCards()).map(({ name }) => name)).toEqual(['New']);
    await tab.fold();
    expect((await opened('one')).name).toBe('New');
  });

  test('a scene that is not there is missing; one that does not validate is given raw', async () => {
    expect(await storage.loadStored('none')).toEqual({ state: 'missing' });
    await storage.keepNewScene('one', emptyScene('One'));
    await force('scenes', 'one', { format: 'pace-line/scene', version: 2, name: 'Half' });
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

  test('deleted with its last change and restored; gone for good after weeks, or when asked', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    const tab = await writerOf('one');
    await tab.edit(withPicture('Two'));
    await storage.keepVersionOf('one', withPicture('Five'), 'hand');
    const putBack = await storage.removeStored('one');
    expect(await storage.listCards()).toEqual([]);
    expect((await storage.listDeleted()).map(({ name }) => name)).toEqual(['Two']);
    expect(await storage.loadStored('one')).toEqual({ state: 'deleted', name: 'Two' });
    await storage.collectUnused();
    await putBack();
    expect(await opened('one')).toEqual(withPicture('Two'));
    await storage.removeStored('one');
    await weeks(4);
    await storage.restoreStored('one');
    expect(await opened('one')).toEqual(withPicture('Two'));
    await storage.removeStored('one');
    await weeks(6);
    expect([await storage.loadStored('one'), await storage.listDeleted()]).toEqual([{ state: 'missing' }, []]);
    expect([await storage.listVersions('one'), await countOf('undo'), await countOf('edits')]).toEqual([[], 0, 0]);
    await weeks(2);
    expect(await countOf('assets')).toBe(0);
    await storage.keepNewScene('two', emptyScene('Two'));
    await storage.removeStored('two');
    await storage.forgetDeleted('two');
    expect(await storage.listDeleted()).toEqual([]);
  });

  test('pixels that only a change, a parting word, a version or a deleted scene shows are not collected', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    const tab = await writerOf('one');
    await tab.edit(withPicture('Two'));
    await weeks(4);
    expect(await countOf('assets')).toBe(1);
    await storage.keepVersionOf('one', withPicture('Two'), 'hand', 'With the plan');
    await tab.edit(emptyScene('Three'));
    await tab.fold();
    await weeks(4);
    expect(await countOf('assets')).toBe(1);
    const restores = [];
    for (const card of await storage.listVersions('one')) restores.push(await storage.removeVersion(card));
    await storage.collectUnused();
    // The deletion is undone much later, in this tab or another: what it shows is still there.
    for (const restore of restores) await restore();
    await weeks(4);
    const version = (await storage.listVersions('one')).find(({ why }) => why === 'hand');
    expect((await storage.readVersion(version!))?.assets).toEqual({ [HASH]: PIXELS });
    for (const card of await storage.listVersions('one')) await storage.removeVersion(card);
    await weeks(4);
    expect(await countOf('assets')).toBe(0);
  });

  test('a clock that ran ahead once takes nothing away', async () => {
    await storage.keepNewScene('one', withPicture('One'));
    await storage.removeStored('one');
    vi.useFakeTimers({ now: Date.UTC(2040, 0, 1), toFake: ['Date'] });
    await storage.collectUnused();
    vi.useRealTimers();
    await storage.collectUnused();
    await storage.restoreStored('one');
    expect(await opened('one')).toEqual(withPicture('One'));
  });

  test('pixels that are missing, or not what their name says, are said to be missing and come back with any file that has them', async () => {
    await storage.keepNewScene('one', withPicture('One'));
    await storage.keepNewScene('two', withPicture('Two'));
    for (const poison of ['', btoa('something else'), 'no base64 at all']) {
      await force('assets', HASH, poison);
      const scene = await opened('one');
      expect(missingPictures(scene)).toEqual([{ asset: HASH, names: ['Plan'] }]);
      // Written as it is, nothing empty takes the pixels' place.
      const tab = await writerOf('one');
      await tab.edit({ ...scene, name: 'Renamed' });
      await tab.fold();
      expect(await allOf('assets')).toEqual([poison]);
      vi.resetModules();
      storage = await import('./index.ts');
      database = await import('./database.ts');
      await storage.keepNewScene('three', withPicture('Three'));
      expect(await allOf('assets')).toEqual([PIXELS]);
      expect([(await opened('one')).assets, (await opened('two')).assets]).toEqual([
        { [HASH]: PIXELS },
        { [HASH]: PIXELS },
      ]);
    }
  });

  test('where the quota is full pixels that nothing shows make room, those that are shown do not', async () => {
    await storage.keepNewScene('one', withPicture('One'));
    await force('assets', 'b'.repeat(64), 'x'.repeat(100));
    let isFull = true;
    const spy = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (
      this: IDBObjectStore,
      value,
      key,
    ) {
      if (this.name === 'scenes' && isFull) {
        isFull = false;
        throw new DOMException('full', 'QuotaExceededError');
      }
      return put.call(this, value, key);
    });
    await storage.keepNewScene('two', emptyScene('Two'));
    spy.mockRestore();
    expect(await allOf('assets')).toEqual([PIXELS]);
    expect((await opened('two')).name).toBe('Two');
  });

  test('a scene whose card is unreadable is on the Shelf all the same; wrong dates are not known', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    await storage.keepNewScene('two', emptyScene('Two'));
    await storage.keepNewScene('three', emptyScene('Three'));
    await force('cards', 'one', 7);
    await force('cards', 'two', { name: 'Two', changed: Date.UTC(2300, 1, 1), order: 'x', assets: null });
    const cards = await storage.listCards();
    expect(cards.map(({ name, changed }) => [name, typeof changed])).toEqual([
      ['Three', 'number'],
      ['One', 'object'],
      ['Two', 'object'],
    ]);
    expect((await opened('one')).name).toBe('One');
    await storage.collectUnused();
    await (
      await storage.removeStored('one')
    )();
    expect(await storage.listCards()).toHaveLength(3);
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
    expect(heard).toBe(5);
    deafen();
    await storage.keepThumbnail('gone', '<svg/>');
    expect((await storage.listCards()).map(({ name, sample }) => [name, sample])).toEqual([
      ['One again', null],
      ['Two', 'kite.paceline.json'],
    ]);
    expect([await storage.thumbnailOf('one'), await storage.thumbnailOf('two')]).toEqual(['<svg/>', '']);
    expect([await storage.hasThumbnail('one'), await storage.hasThumbnail('two')]).toEqual([true, false]);
    expect(heard).toBe(5);
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
    await force('scenes', 'one', { ...emptyScene('Old'), version: 1, assets: {} });
    expect((await opened('one')).version).toBe(SCENE_VERSION);
    const [card] = await storage.listVersions('one');
    expect(card?.why).toBe('migration');
    expect(await allOf('versions')).toEqual([expect.objectContaining({ name: 'Old', version: 1 })]);
    expect((await storage.readVersion(card!))?.name).toBe('Old');
  });

  test('they go on after a clock that ran ahead, in the order in which they were kept', async () => {
    await storage.keepNewScene('one', emptyScene('One'));
    const tab = await writerOf('one');
    const changedAt = async (now: number, name: string): Promise<void> => {
      vi.useFakeTimers({ now, toFake: ['Date'] });
      await tab.edit(emptyScene(name));
      await tab.fold();
    };
    await changedAt(Date.UTC(2030, 0, 1), 'In 2030');
    await changedAt(Date.UTC(2026, 10, 27, 9), 'Nine');
    await changedAt(Date.UTC(2026, 10, 27, 11), 'Eleven');
    await changedAt(Date.UTC(2026, 10, 27, 11, 10), 'Ten past');
    await changedAt(Date.UTC(2026, 10, 27, 13), 'One');
    const names = [];
    for (const card of await storage.listVersions('one')) names.push((await storage.readVersion(card))?.name);
    expect(names).toEqual(['Ten past', 'Nine', 'In 2030', 'One']);
  });
});

describe('what an earlier build kept', () => {
  const text = (value: string) => ({ value });
  async function written(
    name: string,
    stores: Readonly<Record<string, Readonly<Record<string, unknown>>>>,
  ): Promise<void> {
    const opening = indexedDB.open(name, 3);
    opening.onupgradeneeded = () => Object.keys(stores).forEach((store) => opening.result.createObjectStore(store));
    const db = await new Promise<IDBDatabase>((resolve) => (opening.onsuccess = () => resolve(opening.result)));
    const into = db.transaction(Object.keys(stores), 'readwrite');
    for (const [store, entries] of Object.entries(stores))
      for (const [key, value] of Object.entries(entries))
        into.objectStore(store).put(value, key.startsWith('[') ? (JSON.parse(key) as IDBValidKey) : key);
    await new Promise((resolve) => (into.oncomplete = resolve));
    db.close();
  }
  const body = (name: string) => ({ ...withPicture(name), assets: { [HASH]: '' } });

  test('is moved into the one database with changes, versions and pictures, and only then taken away', async () => {
    await written('pace-line', {
      scenes: { one: { count: 0, body: body('One') }, two: body('Two') },
      cards: {
        one: { id: 'one', name: 'One', changed: 2000, thumbnail: '<svg/>', sample: null },
        two: { id: 'two', name: 'Two', changed: 1000, thumbnail: '', sample: 'kite.paceline.json' },
      },
      assets: { [HASH]: PIXELS },
      versions: { 'one/5-hand': body('Earlier') },
      'version-cards': { a: { key: 'one/5-hand', scene: 'one', at: 5, why: 'hand', name: 'Mine', size: 9 } },
      collection: { kept: text('a guide of the collection') },
    });
    await written('pace-line-journal', {
      writers: { one: 'tab' },
      edits: { '["one","tab",1]': [{ at: ['name'], set: 'One, changed' }] },
    });
    expect((await storage.listCards()).map(({ name, sample }) => [name, sample])).toEqual([
      ['One', null],
      ['Two', 'kite.paceline.json'],
    ]);
    expect(await opened('one')).toEqual(withPicture('One, changed'));
    expect(await opened('two')).toEqual(withPicture('Two'));
    expect(await storage.thumbnailOf('one')).toBe('<svg/>');
    const [version] = await storage.listVersions('one');
    expect(await storage.readVersion(version!)).toEqual(withPicture('Earlier'));
    // The next start finds nothing more to move, and leaves alone what is not of scenes.
    vi.resetModules();
    const again = await import('./index.ts');
    expect(await again.listCards()).toHaveLength(2);
    const opening = indexedDB.open('pace-line');
    const db = await new Promise<IDBDatabase>((resolve) => (opening.onsuccess = () => resolve(opening.result)));
    const counts = [...db.objectStoreNames].map(
      (name) =>
        new Promise<[string, number]>((resolve) => {
          const counting = db.transaction(name).objectStore(name).count();
          counting.onsuccess = () => resolve([name, counting.result]);
        }),
    );
    expect((await Promise.all(counts)).filter(([, count]) => count > 0)).toEqual([['collection', 1]]);
    db.close();
  });

  test('what a tab of it writes later becomes a version of the scene that is here', async () => {
    await written('pace-line', { scenes: { one: { count: 0, body: body('One') } }, cards: {} });
    expect((await opened('one')).name).toBe('One');
    vi.resetModules();
    const opening = indexedDB.open('pace-line');
    const db = await new Promise<IDBDatabase>((resolve) => (opening.onsuccess = () => resolve(opening.result)));
    db.transaction('scenes', 'readwrite')
      .objectStore('scenes')
      .put({ count: 3, body: body('Late') }, 'one');
    db.close();
    const again = await import('./index.ts');
    const [version] = await again.listVersions('one');
    expect(version?.name).toBe('From another tab');
    expect((await again.readVersion(version!))?.name).toBe('Late');
  });
});
