import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Change } from './change.ts';

interface JournalSchema extends DBSchema {
  /** Which tab may change a scene: the last that has claimed it. */
  writers: { key: string; value: string };
  /** Changes that are not folded into a scene's record yet, by scene, writer and number. */
  edits: { key: [string, string, number]; value: Change };
}

/** Another tab has changed the scene since: what is here is older than what is stored. */
export class OvertakenError extends Error {
  override readonly name = 'OvertakenError';
  constructor() {
    super('another tab has changed this scene since');
  }
}

let opened: Promise<IDBPDatabase<JournalSchema>> | undefined;

/** The database; opened again after the browser has closed it, as when its storage was deleted. */
function database(): Promise<IDBPDatabase<JournalSchema>> {
  const forget = (): void => (opened = undefined);
  opened ??= openDB<JournalSchema>('pace-line-journal', 1, {
    upgrade: (db) => {
      db.createObjectStore('writers');
      db.createObjectStore('edits');
    },
    blocking: (_, __, event) => {
      (event.target as IDBDatabase).close();
      forget();
    },
    terminated: forget,
  });
  opened.catch(forget);
  return opened;
}

/** Runs work on the open database; once more where the browser had closed it meanwhile. */
async function withDatabase<R>(work: (db: IDBPDatabase<JournalSchema>) => Promise<R>): Promise<R> {
  try {
    return await work(await database());
  } catch (error) {
    if (!(error instanceof DOMException && (error.name === 'InvalidStateError' || error.name === 'NotFoundError')))
      throw error;
    opened = undefined;
    return work(await database());
  }
}

/** Changes of a scene by one writer after number `count`. */
const after = (id: string, writer: string, count: number): IDBKeyRange =>
  IDBKeyRange.bound([id, writer, count], [id, writer, Infinity], true);

/** All changes of a scene. */
const ofScene = (id: string): IDBKeyRange => IDBKeyRange.bound([id], [id, []]);

/** Who may change a scene; undefined where nobody has yet. */
export const writerOf = (id: string): Promise<string | undefined> => withDatabase((db) => db.get('writers', id));

/** From now on `writer` alone changes the scene: what another still writes is read by nobody. All that was written before has to be in the record. */
export const claim = (id: string, writer: string): Promise<void> =>
  withDatabase(async (db) => void (await db.put('writers', writer, id)));

/** @throws OvertakenError where another writer has claimed the scene since. */
export async function assertWriter(id: string, writer: string): Promise<void> {
  const current = await writerOf(id);
  if (current !== undefined && current !== writer) throw new OvertakenError();
}

/**
 * Writes change number `count` of a scene. The transaction is ended in the moment in which it is begun: nothing that the page does afterwards, or that is done
 * to it, holds it up.
 */
export const appendEdit = (id: string, writer: string, count: number, change: Change): Promise<void> =>
  withDatabase(async (db) => {
    const writing = db.transaction('edits', 'readwrite');
    const put = writing.store.put(change, [id, writer, count]);
    writing.commit();
    await Promise.all([put, writing.done]);
  });

/** The changes of a scene by one writer after number `count`, in order, as far as none is missing. */
export const editsAfter = (id: string, writer: string, count: number): Promise<Change[]> =>
  withDatabase(async (db) => {
    const reading = db.transaction('edits');
    const range = after(id, writer, count);
    const [keys, values] = await Promise.all([reading.store.getAllKeys(range), reading.store.getAll(range)]);
    return values.filter((_, i) => keys[i]?.[2] === count + 1 + i);
  });

/** Forgets the changes of a scene that its record holds: those of `writer` up to `count`, and what others have written that were overtaken. */
export const foldEdits = (id: string, writer: string, count: number): Promise<void> =>
  withDatabase(async (db) => {
    const writing = db.transaction('edits', 'readwrite');
    const keys = await writing.store.getAllKeys(ofScene(id));
    const folded = keys.filter(([, by, number]) => by !== writer || number <= count);
    await Promise.all([...folded.map((key) => writing.store.delete(key)), writing.done]);
  });

/** Forgets the changes of a scene. */
export const forgetEdits = (id: string): Promise<void> =>
  withDatabase(async (db) => void (await db.delete('edits', ofScene(id))));

/** All changes of all scenes that are not folded yet. */
export const allEdits = (): Promise<Change[]> => withDatabase((db) => db.getAll('edits'));
