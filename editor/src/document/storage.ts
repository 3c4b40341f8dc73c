import localforage from 'localforage';
import { bodyOf, clearJournal, readJournal } from './journal.ts';
import { sceneFromJson, type Scene, type SceneProblem } from '@pace-line/core';

/** What the Shelf shows of a scene without reading it. */
export interface SceneCard {
  readonly id: string;
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly changed: number;
  /** The scene as an animated SVG; empty until it has been drawn. */
  readonly thumbnail: string;
  /** File name of the sample that it was opened from, while nothing in it has been changed. */
  readonly sample: string | null;
}

const store = (name: string): LocalForage => localforage.createInstance({ name: 'pace-line', storeName: name });
const scenes = store('scenes');
const cards = store('cards');
/** Pixels by SHA-256: written once, however many scenes show them; collected when none does. */
const assets = store('assets');

const shelf = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('pace-line-shelf');

/** Tells this and other tabs that the Shelf has changed. */
const announce = (): void => {
  shelf?.postMessage('changed');
  for (const listener of listeners) listener();
};
const listeners = new Set<() => void>();

export function onShelfChange(listener: () => void): () => void {
  listeners.add(listener);
  shelf?.addEventListener('message', listener);
  return () => {
    listeners.delete(listener);
    shelf?.removeEventListener('message', listener);
  };
}

/** All cards, the latest first. */
export async function listCards(): Promise<SceneCard[]> {
  const found: SceneCard[] = [];
  await cards.iterate<SceneCard | null, void>((card) => {
    if (card && typeof card.name === 'string') found.push(card);
  });
  return found.sort((a, b) => b.changed - a.changed);
}

export type Stored =
  | { readonly state: 'ok'; readonly scene: Scene }
  | { readonly state: 'missing' }
  | { readonly state: 'broken'; readonly problems: readonly SceneProblem[]; readonly raw: string };

/** Reads a scene and validates it; a broken one is given raw, so that nothing is lost. */
export async function loadStored(id: string): Promise<Stored> {
  const journal = readJournal(id);
  const card = await cards.getItem<SceneCard>(id);
  // What a page that went could not keep is newer than what was kept before.
  if (journal && card && journal.at >= card.changed) {
    const read = sceneFromJson(await withAssets(journal.body));
    if (read.ok) {
      await keepScene(id, read.scene);
      return { state: 'ok', scene: read.scene };
    }
  }
  const json: unknown = await withAssets(await scenes.getItem(id));
  if (json === null) return { state: 'missing' };
  const read = sceneFromJson(json);
  return read.ok
    ? { state: 'ok', scene: read.scene }
    : { state: 'broken', problems: read.problems, raw: JSON.stringify(json, null, 2) };
}

/** What is stored of a scene as it is, whether it reads or not, to be saved as a file. */
export async function storedText(id: string): Promise<{ readonly name: string; readonly text: string } | undefined> {
  const json = readJournal(id)?.body ?? (await scenes.getItem(id));
  if (typeof json !== 'object' || json === null) return undefined;
  const card = await cards.getItem<SceneCard>(id);
  return { name: card?.name ?? 'scene', text: JSON.stringify(await withAssets(json), null, 2) };
}

/** Writes a scene and its card. Fails where the browser's quota is full. */
export async function keepScene(id: string, scene: Scene, sample: string | null = null): Promise<void> {
  const known = new Set(await assets.keys());
  for (const [hash, data] of Object.entries(scene.assets)) if (!known.has(hash)) await assets.setItem(hash, data);
  await scenes.setItem(id, bodyOf(scene));
  const card = await cards.getItem<SceneCard>(id);
  await cards.setItem(id, {
    id,
    name: scene.name,
    changed: Date.now(),
    thumbnail: card?.thumbnail ?? '',
    sample,
  } satisfies SceneCard);
  clearJournal(id);
  announce();
}

export async function keepThumbnail(id: string, thumbnail: string): Promise<void> {
  const card = await cards.getItem<SceneCard>(id);
  if (!card) return;
  await cards.setItem(id, { ...card, thumbnail });
  announce();
}

export async function hasThumbnail(id: string): Promise<boolean> {
  return Boolean((await cards.getItem<SceneCard>(id))?.thumbnail);
}

/** A stored scene with its assets put back in. */
async function withAssets(body: unknown): Promise<unknown> {
  if (typeof body !== 'object' || body === null || !('assets' in body)) return body;
  if (typeof body.assets !== 'object' || body.assets === null) return body;
  const names = Object.keys(body.assets);
  if (names.length === 0) return body;
  const stored = body.assets as Record<string, string>;
  const found = await Promise.all(
    names.map(async (hash) => [hash, (await assets.getItem<string>(hash)) ?? stored[hash] ?? ''] as const),
  );
  return { ...body, assets: Object.fromEntries(found) };
}

/** Deletes assets that no stored scene refers to. */
export async function collectAssets(): Promise<void> {
  const names = await assets.keys();
  if (names.length === 0) return;
  const used = new Set<string>();
  await scenes.iterate<{ assets?: object | null } | null, void>((body) =>
    Object.keys(body?.assets ?? {}).forEach((hash) => used.add(hash)),
  );
  await Promise.all(names.filter((hash) => !used.has(hash)).map((hash) => assets.removeItem(hash)));
}

/** Takes a scene off the Shelf; gives back what puts it there again. */
export async function removeStored(id: string): Promise<() => Promise<void>> {
  const [scene, card] = [await scenes.getItem(id), await cards.getItem(id)];
  await Promise.all([scenes.removeItem(id), cards.removeItem(id)]);
  announce();
  return async () => {
    await scenes.setItem(id, scene);
    await cards.setItem(id, card);
    announce();
  };
}
