import { openDB } from 'idb';
import { assetNames } from './body.ts';
import type { Change } from './change.ts';
import type { Database, SceneRecord, Store, Writing } from './shapes.ts';
import type { VersionReason } from './thinning.ts';

/** The databases of earlier builds: one for scenes, with a store for each kind, and one for their changes. */
const SCENES = 'pace-line';
const JOURNAL = 'pace-line-journal';
const KINDS = ['scenes', 'cards', 'assets', 'versions', 'version-cards'] as const;
const CHANGES = ['writers', 'edits'] as const;

type Old = Awaited<ReturnType<typeof openDB>>;
type Entries = ReadonlyMap<IDBValidKey, unknown>;
type Kept = Readonly<Record<(typeof KINDS)[number] | (typeof CHANGES)[number], Entries>>;
type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields => typeof value === 'object' && value !== null;
const textOr = <T>(value: unknown, fallback: T): string | T => (typeof value === 'string' ? value : fallback);
const numberOr0 = (value: unknown): number => (typeof value === 'number' && Number.isFinite(value) ? value : 0);

async function entriesOf(db: Old | undefined, name: string): Promise<Entries> {
  if (!db?.objectStoreNames.contains(name)) return new Map();
  const store = db.transaction(name).store;
  const [keys, values] = await Promise.all([store.getAllKeys(), store.getAll()]);
  return new Map(keys.map((key, i) => [key, values[i] as unknown]));
}

/** The entries whose keys are texts, as all are but those of changes. */
const named = (entries: Entries): [string, unknown][] =>
  [...entries].flatMap(([key, value]) => (typeof key === 'string' ? [[key, value] as [string, unknown]] : []));

async function emptied(db: Old | undefined, names: readonly string[]): Promise<void> {
  const there = names.filter((name) => db?.objectStoreNames.contains(name));
  if (!db || there.length === 0) return;
  const into = db.transaction(there, 'readwrite');
  await Promise.all([...there.map((name) => into.objectStore(name).clear()), into.done]);
}

/** Records once were bodies alone. */
const recordOf = (value: unknown): SceneRecord =>
  isFields(value) && 'body' in value && typeof value['count'] === 'number'
    ? { count: value['count'], body: value['body'] }
    : { count: 0, body: value };

/** Puts one scene and what was told of it into the one database. */
async function putScene(into: Writing, id: string, record: SceneRecord, card: Fields, order: number): Promise<void> {
  await into.objectStore('scenes').put(record, id);
  await into.objectStore('cards').put(
    {
      name: textOr(card['name'], 'scene'),
      changed: numberOr0(card['changed']),
      order,
      sample: textOr(card['sample'], null),
      assets: assetNames(record.body),
      deleted: null,
    },
    id,
  );
  const picture = textOr(card['thumbnail'], '');
  if (picture) await into.objectStore('pictures').put(picture, id);
}

async function putVersion(into: Writing, key: string, body: unknown, card: Fields, order: number): Promise<void> {
  await into.objectStore('versions').put(body, key);
  await into.objectStore('version-cards').put(
    {
      key,
      scene: textOr(card['scene'], ''),
      at: numberOr0(card['at']),
      order,
      why: card['why'] as VersionReason,
      name: textOr(card['name'], null),
      size: numberOr0(card['size']),
      assets: assetNames(body),
    },
    key,
  );
}

/** Writes all of it in one transaction. What stands there of a scene that is here already becomes a version of it. */
async function putAll(into: Writing, kept: Kept): Promise<void> {
  let order = (await into.objectStore('counters').get('changes')) ?? 0;
  const here = new Set(await into.objectStore('scenes').getAllKeys());
  const cardOf = (id: string): Fields => {
    const card = kept.cards.get(id);
    return isFields(card) ? card : {};
  };
  const scenes = named(kept.scenes).sort(
    ([a], [b]) => numberOr0(cardOf(a)['changed']) - numberOr0(cardOf(b)['changed']),
  );
  for (const [id, value] of scenes) {
    const record = recordOf(value);
    order++;
    const late = {
      scene: id,
      at: Date.now(),
      why: 'import',
      name: 'From another tab',
      size: JSON.stringify(record.body).length,
    };
    if (here.has(id)) await putVersion(into, `${id}/${order}-other`, record.body, late, order);
    else await putScene(into, id, record, cardOf(id), order);
  }
  // Whether pixels are what their names say is asked when they are read.
  for (const [name, data] of named(kept.assets))
    if (typeof data === 'string' && data) await into.objectStore('assets').put(data, name);
  const told = [...kept['version-cards'].values()].filter(isFields);
  for (const card of told.sort((a, b) => numberOr0(a['at']) - numberOr0(b['at']))) {
    const key = textOr(card['key'], '');
    if (kept.versions.has(key)) await putVersion(into, key, kept.versions.get(key), card, ++order);
  }
  for (const row of ['changes', 'versions']) await into.objectStore('counters').put(order, row);
  for (const [id, writer] of named(kept.writers))
    if (!here.has(id) && typeof writer === 'string') await into.objectStore('writers').put(writer, id);
  for (const [key, change] of kept.edits)
    if (Array.isArray(key) && !here.has(textOr(key[0], '')))
      await into.objectStore('edits').put(change as Change, key as [string, string, number]);
}

/** Moves what earlier builds kept into the one database; only then is it taken away there. A tab of an earlier build may still write: it is asked at each start. */
export async function moveFromOlder(db: Database): Promise<void> {
  // Browsers that do not tell their databases are older than this, or newer than what it moves.
  if (typeof indexedDB.databases !== 'function') return;
  const there = new Set((await indexedDB.databases()).map(({ name }) => name));
  if (!there.has(SCENES)) return;
  const old = await openDB(SCENES);
  const journal = there.has(JOURNAL) ? await openDB(JOURNAL) : undefined;
  try {
    const entries = await Promise.all([
      ...KINDS.map(async (name) => [name, await entriesOf(old, name)] as const),
      ...CHANGES.map(async (name) => [name, await entriesOf(journal, name)] as const),
    ]);
    const kept = Object.fromEntries(entries) as Kept;
    if (kept.scenes.size + kept.assets.size + kept.versions.size === 0) return;
    const stores: readonly Store[] = [...KINDS, ...CHANGES, 'pictures', 'counters'];
    const into = db.transaction([...stores], 'readwrite');
    await putAll(into, kept);
    await into.done;
    await emptied(old, KINDS);
    await emptied(journal, CHANGES);
  } finally {
    old.close();
    journal?.close();
  }
}
