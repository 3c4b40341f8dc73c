import { openDB } from 'idb';
import { assetNames } from './assets.ts';
import type { Change } from './change.ts';
import type { Database, Store } from './shapes.ts';
import type { VersionReason } from './thinning.ts';

/** The databases of earlier builds: one for scenes, with a store for each kind, and one for their changes. */
const SCENES = 'pace-line';
const JOURNAL = 'pace-line-journal';

type Old = Awaited<ReturnType<typeof openDB>>;
type Entries = readonly (readonly [key: IDBValidKey, value: unknown])[];

async function entriesOf(db: Old, name: string): Promise<Entries> {
  if (!db.objectStoreNames.contains(name)) return [];
  const store = db.transaction(name).store;
  const [keys, values] = await Promise.all([store.getAllKeys(), store.getAll()]);
  return keys.map((key, i) => [key, values[i]] as const);
}

async function emptied(db: Old, names: readonly string[]): Promise<void> {
  const there = names.filter((name) => db.objectStoreNames.contains(name));
  if (there.length === 0) return;
  const into = db.transaction(there, 'readwrite');
  await Promise.all([...there.map((name) => into.objectStore(name).clear()), into.done]);
}

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;
const KINDS = ['scenes', 'cards', 'assets', 'versions', 'version-cards'] as const;

/**
 * Moves what earlier builds kept into the one database, in one transaction; only then is it taken away there. A tab of an earlier build may still write: what
 * stands there of a scene that is here already becomes a version of it.
 */
export async function moveFromOlder(db: Database): Promise<void> {
  // Browsers that do not tell their databases are older than this, or newer than what it moves.
  if (typeof indexedDB.databases !== 'function') return;
  const there = new Set((await indexedDB.databases()).map(({ name }) => name));
  if (!there.has(SCENES)) return;
  const old = await openDB(SCENES);
  const journal = there.has(JOURNAL) ? await openDB(JOURNAL) : undefined;
  try {
    const [scenes, cards, assets, versions, versionCards] = await Promise.all(
      KINDS.map((name) => entriesOf(old, name)),
    );
    const [writers, edits] = journal
      ? await Promise.all([entriesOf(journal, 'writers'), entriesOf(journal, 'edits')])
      : [[], []];
    if (![scenes, assets, versions].some((entries) => entries && entries.length > 0)) return;
    const into = db.transaction(
      [
        'scenes',
        'cards',
        'pictures',
        'assets',
        'versions',
        'version-cards',
        'writers',
        'edits',
        'counters',
      ] satisfies Store[],
      'readwrite',
    );
    let order = (await into.objectStore('counters').get('changes')) ?? 0;
    const cardOf = new Map(cards?.map(([key, value]) => [String(key), isObject(value) ? value : {}]));
    const atOf = (id: string): number => Number(cardOf.get(id)?.['changed']) || 0;
    const kept = new Set(await into.objectStore('scenes').getAllKeys());
    for (const [key, value] of [...(scenes ?? [])].sort((a, b) => atOf(String(a[0])) - atOf(String(b[0])))) {
      const id = String(key);
      const record =
        isObject(value) && 'body' in value && typeof value['count'] === 'number'
          ? { count: value['count'], body: value['body'] }
          : { count: 0, body: value };
      order++;
      if (kept.has(id)) {
        const at = Date.now();
        const card = {
          key: `${id}/${order}-other`,
          scene: id,
          at,
          order,
          why: 'import' as const,
          name: 'From another tab',
        };
        const size = JSON.stringify(record.body).length;
        await into.objectStore('versions').put(record.body, card.key);
        await into.objectStore('version-cards').put({ ...card, size, assets: assetNames(record.body) }, card.key);
        continue;
      }
      const { name, changed, thumbnail, sample } = cardOf.get(id) ?? {};
      await into.objectStore('scenes').put(record, id);
      await into.objectStore('cards').put(
        {
          name: typeof name === 'string' ? name : 'scene',
          changed: Number(changed) || 0,
          order,
          sample: typeof sample === 'string' ? sample : null,
          assets: assetNames(record.body),
          deleted: null,
        },
        id,
      );
      if (typeof thumbnail === 'string' && thumbnail) await into.objectStore('pictures').put(thumbnail, id);
    }
    // Whether pixels are what their names say is asked when they are read.
    for (const [key, value] of assets ?? [])
      if (typeof value === 'string' && value) await into.objectStore('assets').put(value, String(key));
    const bodies = new Map(versions?.map(([key, value]) => [String(key), value]));
    const told = (versionCards ?? []).flatMap(([, value]) => (isObject(value) ? [value] : []));
    for (const card of told.sort((a, b) => Number(a['at']) - Number(b['at']))) {
      const key = String(card['key']);
      const body = bodies.get(key);
      if (body === undefined) continue;
      await into.objectStore('versions').put(body, key);
      await into.objectStore('version-cards').put(
        {
          key,
          scene: String(card['scene']),
          at: Number(card['at']) || 0,
          order: ++order,
          why: card['why'] as VersionReason,
          name: typeof card['name'] === 'string' ? card['name'] : null,
          size: Number(card['size']) || 0,
          assets: assetNames(body),
        },
        key,
      );
    }
    await into.objectStore('counters').put(order, 'changes');
    await into.objectStore('counters').put(order, 'versions');
    for (const [key, value] of writers)
      if (!kept.has(String(key))) await into.objectStore('writers').put(String(value), String(key));
    for (const [key, value] of edits)
      if (Array.isArray(key) && !kept.has(String(key[0])))
        await into.objectStore('edits').put(value as Change, key as [string, string, number]);
    await into.done;
    await emptied(old, KINDS);
    if (journal) await emptied(journal, ['writers', 'edits']);
  } finally {
    old.close();
    journal?.close();
  }
}
