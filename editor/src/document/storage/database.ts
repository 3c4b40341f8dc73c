import { openDB } from 'idb';
import { moveFromOlder } from './older.ts';
import type { Database, Reading, Store, Stores, Writing } from './shapes.ts';

const NAME = 'pace-line-scenes';

let opened: Promise<Database> | undefined;
let refused: string | undefined;

/** Why this browser keeps nothing, where it does not: what is made is then held by this tab alone. */
export const whyNotKept = (): string | undefined => refused;

function open(): Promise<Database> {
  const forget = (): void => (opened = undefined);
  return openDB<Stores>(NAME, 1, {
    upgrade: (db) => {
      for (const name of ['scenes', 'cards', 'pictures', 'assets', 'unused', 'versions', 'writers'] as const)
        db.createObjectStore(name);
      db.createObjectStore('edits');
      db.createObjectStore('counters');
      db.createObjectStore('undo').createIndex('assets', 'assets', { multiEntry: true });
      const versions = db.createObjectStore('version-cards');
      versions.createIndex('scene', 'scene');
      versions.createIndex('assets', 'assets', { multiEntry: true });
    },
    blocking: (_, __, event) => {
      (event.target as IDBDatabase).close();
      forget();
    },
    terminated: forget,
  });
}

/** A browser that refuses its storage gets one that lasts as long as the tab: what is made can still be worked on, and saved as a file. */
async function openOrStandIn(): Promise<Database> {
  try {
    const db = await open();
    // Where that cannot be it stays where it is, and is tried again at the next start.
    await moveFromOlder(db).catch((error: unknown) => console.warn(error));
    return db;
  } catch (error) {
    refused = error instanceof Error ? error.message : String(error);
    const { standInMemory } = await import('../../platform/memory-store.ts');
    standInMemory();
    return open();
  }
}

/** The database; opened again after the browser has closed it, as when its storage was deleted. */
function database(): Promise<Database> {
  opened ??= refused === undefined ? openOrStandIn() : open();
  opened.catch(() => (opened = undefined));
  return opened;
}

/** Runs work on the open database; once more where the browser had closed it meanwhile. */
async function withDatabase<R>(work: (db: Database) => Promise<R>): Promise<R> {
  try {
    return await work(await database());
  } catch (error) {
    if (!(error instanceof DOMException && (error.name === 'InvalidStateError' || error.name === 'NotFoundError')))
      throw error;
    opened = undefined;
    return work(await database());
  }
}

/** Reads in one transaction. `work` waits for nothing but the transaction. */
export const reading = <R>(names: readonly Store[], work: (from: Reading) => Promise<R>): Promise<R> =>
  withDatabase((db) => work(db.transaction([...names])));

const underWay = new Set<Writing>();

// A page that is put aside, to be shown again, would hold what it has begun for all other pages: it lets go of it, and does it again when it comes back.
globalThis.addEventListener?.('pagehide', ({ persisted }) => {
  if (!persisted) return;
  for (const into of underWay) {
    try {
      into.abort();
    } catch {
      // It has ended already.
    }
  }
});

/** Changes several stores at once, or none of them. `work` waits for nothing but the transaction. Fails where the browser's quota is full. */
export const writing = <R>(names: readonly Store[], work: (into: Writing) => Promise<R>): Promise<R> =>
  withDatabase(async (db) => {
    const into = db.transaction([...names], 'readwrite');
    underWay.add(into);
    // Its end is told by `done`; requests that fail with it need nobody who hears of them.
    const done = into.done;
    done.catch(() => undefined);
    try {
      const result = await work(into);
      await done;
      return result;
    } catch (error) {
      try {
        into.abort();
      } catch {
        // It has ended already.
      }
      throw into.error ?? error;
    } finally {
      underWay.delete(into);
    }
  });

/** As `writing`, but what is written is handed over in this very moment: nothing that the page does afterwards, or that is done to it, holds it up. */
export const writingNow = (names: readonly Store[], work: (into: Writing) => void): Promise<void> =>
  withDatabase(async (db) => {
    const into = db.transaction([...names], 'readwrite');
    const done = into.done;
    work(into);
    into.commit();
    await done;
  });

/** The next number of a row that only grows. */
export async function nextNumber(into: Writing, row: string): Promise<number> {
  const counters = into.objectStore('counters');
  const next = ((await counters.get(row)) ?? 0) + 1;
  await counters.put(next, row);
  return next;
}
