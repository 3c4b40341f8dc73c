import { DELETED, isOver, newMark, UNUSED, visited, type Mark } from './ageing.ts';
import { announceShelf } from './announcing.ts';
import { storedNames } from './assets.ts';
import { assetNames } from './body.ts';
import { writing } from './database.ts';
import { ofScene } from './keys.ts';
import { allPartings, clearParting } from './parting.ts';
import type { Store, Writing } from './shapes.ts';

const ALL: readonly Store[] = [
  'scenes',
  'cards',
  'pictures',
  'assets',
  'unused',
  'versions',
  'version-cards',
  'writers',
  'edits',
  'undo',
];

/** Forgets a scene for good, with its versions and all that was kept of it. */
async function forget(into: Writing, id: string): Promise<void> {
  for (const name of ['scenes', 'cards', 'pictures', 'writers'] as const) await into.objectStore(name).delete(id);
  await into.objectStore('edits').delete(ofScene(id));
  await into.objectStore('undo').delete(ofScene(id));
  for (const key of await into.objectStore('version-cards').index('scene').getAllKeys(id)) {
    await into.objectStore('versions').delete(key);
    await into.objectStore('version-cards').delete(key);
  }
}

/** Whether anything shows pixels: a scene, deleted or not, a change, a parting word, a version, a step of undo. */
async function askUsed(into: Writing): Promise<(name: string) => Promise<boolean>> {
  const used = new Set<string>();
  const note = (names: readonly string[]): void => names.forEach((name) => used.add(name));
  const keys = await into.objectStore('cards').getAllKeys();
  const stored = await into.objectStore('cards').getAll();
  const cards = new Map(keys.map((key, i) => [key, stored[i]]));
  for (const id of await into.objectStore('scenes').getAllKeys()) {
    const card = cards.get(id);
    // Where a card is unreadable its record says it.
    note(Array.isArray(card?.assets) ? card.assets : assetNames((await into.objectStore('scenes').get(id))?.body));
  }
  allPartings().forEach(({ body }) => note(assetNames(body)));
  for (const step of (await into.objectStore('edits').getAll()).flat()) {
    if (step.at.length === 0 && 'set' in step) note(assetNames(step.set));
    if (step.at[0] !== 'assets') continue;
    if (typeof step.at[1] === 'string') note([step.at[1]]);
    else if ('set' in step) note(assetNames({ assets: step.set }));
  }
  const isAmong = async (store: 'version-cards' | 'undo', name: string): Promise<boolean> =>
    (await into.objectStore(store).index('assets').getKey(name)) !== undefined;
  return async (name) => used.has(name) || (await isAmong('version-cards', name)) || isAmong('undo', name);
}

/** Marks pixels that nothing shows, and takes those away that have been so for long enough. */
async function collectPixels(into: Writing, mayGo: (mark: Mark) => boolean): Promise<void> {
  const names = await storedNames(into);
  if (names.length === 0) return;
  const isUsed = await askUsed(into);
  const unused = into.objectStore('unused');
  for (const name of names) {
    if (await isUsed(name)) {
      await unused.delete(name);
      continue;
    }
    const mark = visited((await unused.get(name)) ?? newMark());
    if (mayGo(mark)) {
      await unused.delete(name);
      await into.objectStore('assets').delete(name);
    } else await unused.put(mark, name);
  }
}

/** Forgets for good what was deleted long ago, and pixels that nothing has shown for long. In one transaction: no tab comes in between. */
export async function collectUnused(): Promise<void> {
  await writing(ALL, async (into) => {
    const cards = into.objectStore('cards');
    const stored = await cards.getAll();
    for (const [i, id] of (await cards.getAllKeys()).entries()) {
      const card = stored[i];
      if (!card?.deleted) continue;
      const deleted = visited(card.deleted);
      if (!isOver(deleted, DELETED)) {
        await cards.put({ ...card, deleted }, id);
        continue;
      }
      await forget(into, id);
      clearParting(id);
    }
    await collectPixels(into, (mark) => isOver(mark, UNUSED));
  });
}

/** Forgets a deleted scene for good, now. */
export async function forgetDeleted(id: string): Promise<void> {
  await writing(ALL, async (into) => {
    await forget(into, id);
    await collectPixels(into, () => false);
  });
  clearParting(id);
  announceShelf();
}

const isFull = (error: unknown): boolean => error instanceof DOMException && error.name === 'QuotaExceededError';

/** Writes; where the browser's quota is full, once more after pixels that nothing shows are gone. */
export async function makeRoom<R>(write: () => Promise<R>): Promise<R> {
  try {
    return await write();
  } catch (error) {
    if (!isFull(error)) throw error;
    await writing(ALL, (into) => collectPixels(into, () => true));
    return write();
  }
}
