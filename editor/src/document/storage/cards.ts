import { announceShelf } from './announcing.ts';
import { nextNumber, reading, writing } from './database.ts';
import type { CardRecord, Reading, Writing } from './shapes.ts';

/** What the Shelf shows of a scene without reading it. */
export interface SceneCard {
  readonly id: string;
  readonly name: string;
  /** ms since 1970; null where what is stored is no time that has been. */
  readonly changed: number | null;
  readonly sample: string | null;
}

const isCard = (stored: unknown): stored is CardRecord =>
  typeof stored === 'object' && stored !== null && 'name' in stored && typeof stored.name === 'string';

/** ms. Clocks of tabs and of what is stored differ by a little. */
const SLACK = 60_000;

/** A time as it can be believed. */
export const pastTime = (time: unknown, now = Date.now()): number | null =>
  typeof time === 'number' && Number.isFinite(time) && time > 0 && time <= now + SLACK ? time : null;

interface ListedCard extends SceneCard {
  readonly order: number;
  readonly isDeleted: boolean;
}

/** What a card tells of its scene. */
const listed = (id: string, { name, changed, order, sample, deleted }: CardRecord): ListedCard => ({
  id,
  name,
  changed: pastTime(changed),
  sample: typeof sample === 'string' ? sample : null,
  order: Number.isFinite(order) ? order : 0,
  isDeleted: Boolean(deleted),
});

/** What is told of a scene whose card says nothing: it is there all the same, called as its record says. */
async function uncarded(from: Reading, id: string): Promise<ListedCard> {
  const record: unknown = await from.objectStore('scenes').get(id);
  const body = typeof record === 'object' && record !== null && 'body' in record ? record.body : record;
  const name = typeof body === 'object' && body !== null && 'name' in body ? body.name : undefined;
  const words = typeof name === 'string' && name.trim() ? name : 'Scene without a name';
  return { id, name: words, changed: null, sample: null, order: 0, isDeleted: false };
}

/** The cards of all scenes that are stored, the latest first: those on the Shelf, or those that were deleted. */
async function cardsWhere(isDeleted: boolean): Promise<SceneCard[]> {
  const cards = await reading(['scenes', 'cards'], async (from) => {
    const store = from.objectStore('cards');
    const [ids, keys, stored] = await Promise.all([
      from.objectStore('scenes').getAllKeys(),
      store.getAllKeys(),
      store.getAll(),
    ]);
    const known = new Map<string, unknown>(keys.map((key, i) => [key, stored[i]]));
    return Promise.all(
      ids.map((id) => {
        const card = known.get(id);
        return isCard(card) ? Promise.resolve(listed(id, card)) : uncarded(from, id);
      }),
    );
  });
  return cards
    .filter((card) => card.isDeleted === isDeleted)
    .sort((a, b) => b.order - a.order || (b.changed ?? 0) - (a.changed ?? 0))
    .map(({ id, name, changed, sample }) => ({ id, name, changed, sample }));
}

export const listCards = (): Promise<SceneCard[]> => cardsWhere(false);

/** What was deleted and can be restored. */
export const listDeleted = (): Promise<SceneCard[]> => cardsWhere(true);

/** A scene's card; undefined where there is none that can be read. */
export async function cardOf(from: Reading, id: string): Promise<CardRecord | undefined> {
  const stored: unknown = await from.objectStore('cards').get(id);
  return isCard(stored) ? stored : undefined;
}

/** Writes a scene's card; it is on the Shelf from then on. */
export async function putCard(
  into: Writing,
  id: string,
  card: Pick<CardRecord, 'name' | 'sample' | 'assets'>,
): Promise<void> {
  const order = await nextNumber(into, 'changes');
  await into.objectStore('cards').put({ ...card, changed: Date.now(), order, deleted: null }, id);
}

/** Calls a scene by the name that its last change gave it, before it is written whole. */
export async function renameCard(id: string, name: string): Promise<void> {
  await writing(['cards'], async (into) => {
    const card = await cardOf(into, id);
    if (card) await into.objectStore('cards').put({ ...card, name }, id);
  });
  announceShelf();
}

/** Keeps a scene's moving picture, where the scene is still there. */
export async function keepThumbnail(id: string, picture: string): Promise<void> {
  const isThere = await writing(['cards', 'pictures'], async (into) => {
    if (!(await cardOf(into, id))) return false;
    await into.objectStore('pictures').put(picture, id);
    return true;
  });
  if (isThere) announceShelf();
}

/** A scene's moving picture as an animated SVG; empty until it has been drawn. */
export async function thumbnailOf(id: string): Promise<string> {
  const stored: unknown = await reading(['pictures'], (from) => from.objectStore('pictures').get(id));
  return typeof stored === 'string' ? stored : '';
}

export const hasThumbnail = (id: string): Promise<boolean> =>
  reading(['pictures'], async (from) => (await from.objectStore('pictures').getKey(id)) !== undefined);
