import type { Change } from './change.ts';
import { reading, writing } from './database.ts';
import { ofScene } from './keys.ts';
import type { Reading, Writing } from './shapes.ts';
import { handUndoOn } from './undo.ts';

/** Another tab has changed the scene since: what is here is older than what is stored. */
export class OvertakenError extends Error {
  override readonly name = 'OvertakenError';
  constructor() {
    super('another tab has changed this scene since');
  }
}

/** Changes of a scene by one writer after number `count`. */
const after = (id: string, writer: string, count: number): IDBKeyRange =>
  IDBKeyRange.bound([id, writer, count], [id, writer, Infinity], true);

/** From now on `writer` alone changes the scene: what another still writes is read by nobody. All that was written before has to be in the record. */
export const claim = (id: string, writer: string): Promise<void> =>
  writing(['writers', 'undo'], async (into) => {
    const before = (await into.objectStore('writers').get(id)) ?? '';
    await into.objectStore('writers').put(writer, id);
    await handUndoOn(into, id, before, writer);
  });

/** @throws OvertakenError where another writer has claimed the scene since. */
export async function assertWriterIn(from: Reading, id: string, writer: string): Promise<void> {
  const current = await from.objectStore('writers').get(id);
  if (current !== undefined && current !== writer) throw new OvertakenError();
}

/** As `assertWriterIn`, in a transaction of its own. */
export const assertWriter = (id: string, writer: string): Promise<void> =>
  reading(['writers'], (from) => assertWriterIn(from, id, writer));

/** Writes change number `count` of a scene. */
export const putEdit = (into: Writing, id: string, writer: string, count: number, change: Change): void =>
  void into.objectStore('edits').put(change, [id, writer, count]);

/** The changes of a scene by one writer after number `count`, in order, as far as none is missing. */
export async function editsAfter(from: Reading, id: string, writer: string, count: number): Promise<Change[]> {
  const edits = from.objectStore('edits');
  const range = after(id, writer, count);
  const [keys, values] = await Promise.all([edits.getAllKeys(range), edits.getAll(range)]);
  return values.filter((_, i) => keys[i]?.[2] === count + 1 + i);
}

/** Forgets the changes of a scene that its record holds: those of `writer` up to `count`, and what others have written that were overtaken. */
export async function foldEdits(into: Writing, id: string, writer: string, count: number): Promise<void> {
  const edits = into.objectStore('edits');
  const keys = await edits.getAllKeys(ofScene(id));
  const folded = keys.filter(([, by, number]) => by !== writer || number <= count);
  await Promise.all(folded.map((key) => edits.delete(key)));
}
