import { SCENE_VERSION, sceneFromJson, type Scene, type SceneProblem } from '@pace-line/core';
import { newMark } from './ageing.ts';
import { announceShelf } from './announcing.ts';
import { putAssets, trueAssets, withAssets } from './assets.ts';
import { assetNames, bodyOf } from './body.ts';
import { cardOf, putCard, renameCard } from './cards.ts';
import { changeBetween, changed, type Change } from './change.ts';
import { makeRoom } from './collecting.ts';
import { reading, writing, writingNow } from './database.ts';
import { assertWriterIn, editsAfter, foldEdits, putEdit } from './journal.ts';
import { ofScene } from './keys.ts';
import { clearParting, readParting } from './parting.ts';
import type { Reading, SceneRecord, Store, Writing } from './shapes.ts';
import { putUndo, type UndoChange } from './undo.ts';
import { keepVersion } from './versions.ts';

export type Stored =
  | {
      readonly state: 'ok';
      readonly scene: Scene;
      /** How many changes it has had, and who made the last that are not in its record yet. */
      readonly count: number;
      readonly writer: string;
      /** Some of them are not in its record yet. */
      readonly unfolded: boolean;
      /** It is just as it was after the last of them. */
      readonly isLatest: boolean;
    }
  | { readonly state: 'missing' }
  /** It was deleted, and can be restored. */
  | { readonly state: 'deleted'; readonly name: string }
  | { readonly state: 'broken'; readonly problems: readonly SceneProblem[]; readonly raw: string };

async function recordOf(from: Reading, id: string): Promise<SceneRecord | undefined> {
  const stored: unknown = await from.objectStore('scenes').get(id);
  if (stored === undefined) return undefined;
  if (typeof stored === 'object' && stored !== null && 'count' in stored && 'body' in stored)
    return { count: typeof stored.count === 'number' ? stored.count : 0, body: stored.body };
  return { count: 0, body: stored };
}

/** The states of a scene after its record and after each change that follows; ends before a change that does not fit. */
function statesOf(body: unknown, edits: readonly Change[]): unknown[] {
  const states = [body];
  try {
    for (const edit of edits) states.push(changed(states.at(-1), edit));
  } catch {
    // What is left of the changes was made of another state.
  }
  return states;
}

/** All that is stored of a scene. */
interface StoredStates {
  /** Its states, the latest first. */
  readonly states: readonly unknown[];
  readonly count: number;
  /** How many changes are in the record. */
  readonly folded: number;
  readonly writer: string;
  readonly name: string;
  readonly isDeleted: boolean;
}

async function storedStates(id: string): Promise<StoredStates | undefined> {
  const { record, writer, edits, card } = await reading(['scenes', 'cards', 'writers', 'edits'], async (from) => {
    const found = await recordOf(from, id);
    const by = (await from.objectStore('writers').get(id)) ?? '';
    return {
      record: found,
      writer: by,
      edits: found ? await editsAfter(from, id, by, found.count) : [],
      card: await cardOf(from, id),
    };
  });
  const folded = record?.count ?? 0;
  const word = readParting(id);
  // One of a tab that was overtaken is older than what was written since, whatever it counts.
  const parting = word && (writer === '' || word.writer === writer) ? word : undefined;
  const states = record ? statesOf(record.body, edits).reverse() : [];
  const reached = folded + edits.length;
  // What a page that went could not hand over is newer than what it could.
  if (parting && parting.count > reached) states.unshift(parting.body);
  if (states.length === 0) return undefined;
  return {
    states,
    count: Math.max(reached, parting?.count ?? 0),
    folded,
    writer,
    name: card?.name ?? 'scene',
    isDeleted: Boolean(card?.deleted),
  };
}

/** Reads a scene and validates it: its latest state that is sound. A broken one is given raw, so that nothing is lost. Pixels that are missing are empty. */
export async function loadStored(id: string): Promise<Stored> {
  const stored = await storedStates(id);
  if (!stored) return { state: 'missing' };
  const { states, count, folded, writer } = stored;
  if (stored.isDeleted) return { state: 'deleted', name: stored.name };
  let first: { readonly problems: readonly SceneProblem[]; readonly json: unknown } | undefined;
  for (const [i, body] of states.entries()) {
    const json = await withAssets(body);
    const read = sceneFromJson(json);
    if (!read.ok) {
      first ??= { problems: read.problems, json };
      continue;
    }
    await keepBeforeMigration(id, body);
    return { state: 'ok', scene: read.scene, count, writer, unfolded: count > folded || i > 0, isLatest: i === 0 };
  }
  return { state: 'broken', problems: first?.problems ?? [], raw: JSON.stringify(first?.json, null, 2) };
}

/** What an earlier version of the application has written stays as it was, beside what is made of it. */
async function keepBeforeMigration(id: string, body: unknown): Promise<void> {
  const version = typeof body === 'object' && body !== null && 'version' in body ? body.version : SCENE_VERSION;
  if (version !== SCENE_VERSION) await keepVersion(id, body, 'migration').catch(() => undefined);
}

/** What is stored of a scene as it is, whether it reads or not, to be saved as a file. */
export async function storedText(id: string): Promise<{ readonly name: string; readonly text: string } | undefined> {
  const stored = await storedStates(id);
  const body = stored?.states[0];
  if (typeof body !== 'object' || body === null) return undefined;
  return { name: stored?.name ?? 'scene', text: JSON.stringify(await withAssets(body), null, 2) };
}

/** What a scene's record is written with. */
const WITH_RECORD: readonly Store[] = [
  'scenes',
  'cards',
  'assets',
  'unused',
  'writers',
  'edits',
  'counters',
] satisfies Store[];

/** Writes a new scene and its card. Fails where the browser's quota is full. */
export async function keepNewScene(id: string, scene: Scene, sample: string | null = null): Promise<void> {
  const pixels = await trueAssets(scene.assets);
  await makeRoom(() =>
    writing(WITH_RECORD, async (into) => {
      await putAssets(into, pixels);
      await into.objectStore('scenes').put({ count: 0, body: bodyOf(scene) }, id);
      await putCard(into, id, { name: scene.name, sample, assets: Object.keys(scene.assets) });
    }),
  );
  announceShelf();
}

/** A tab that changes a scene. */
export interface Writer {
  readonly id: string;
  /** Its name in the journal. */
  readonly name: string;
}

/**
 * Writes change number `count` of a scene to the journal with what can be undone after it, in this very moment unless it brings pixels. Where another tab has taken the
 * scene over, nobody reads it.
 */
export async function keepEdit(
  { id, name }: Writer,
  count: number,
  before: Scene,
  after: Scene,
  undo?: UndoChange,
): Promise<void> {
  const change = changeBetween(bodyOf(before), bodyOf(after));
  const put = (into: Writing): void => {
    putEdit(into, id, name, count, change);
    if (undo) putUndo(into, id, name, count, undo);
  };
  if (before.assets === after.assets) await writingNow(['edits', 'undo'], put);
  else {
    const pixels = await trueAssets(after.assets);
    await makeRoom(() =>
      writing(['edits', 'undo', 'assets', 'unused'], async (into) => {
        await putAssets(into, pixels);
        put(into);
      }),
    );
  }
  if (before.name !== after.name) await renameCard(id, after.name).catch(() => undefined);
}

/**
 * Writes a scene whole, with all of its changes up to number `count`. Fails where the browser's quota is full.
 * @throws OvertakenError where another tab has taken the scene over.
 */
export async function foldScene({ id, name }: Writer, scene: Scene, count: number): Promise<void> {
  const pixels = await trueAssets(scene.assets);
  const before = await makeRoom(() =>
    writing(WITH_RECORD, async (into) => {
      await assertWriterIn(into, id, name);
      const record = await recordOf(into, id);
      await putAssets(into, pixels);
      await into.objectStore('scenes').put({ count, body: bodyOf(scene) }, id);
      await foldEdits(into, id, name, count);
      await putCard(into, id, { name: scene.name, sample: null, assets: Object.keys(scene.assets) });
      return record;
    }),
  );
  clearParting(id);
  announceShelf();
  if (before) await keepVersion(id, before.body, 'time').catch(() => undefined);
}

/** Whether a scene's record is still there, and on the Shelf. @throws OvertakenError where another tab has taken the scene over. */
export const holdsScene = ({ id, name }: Writer): Promise<boolean> =>
  reading(['cards', 'scenes', 'writers'], async (from) => {
    await assertWriterIn(from, id, name);
    const card = await cardOf(from, id);
    return card !== undefined && !card.deleted && (await from.objectStore('scenes').getKey(id)) !== undefined;
  });

/** Puts the last state into a scene's record, so that it needs no change or parting word any more. */
async function settle(id: string): Promise<void> {
  const stored = await storedStates(id);
  if (!stored || stored.count <= stored.folded) return;
  const { states, count } = stored;
  await writing(['scenes', 'edits'], async (into) => {
    await into.objectStore('scenes').put({ count, body: states[0] }, id);
    await into.objectStore('edits').delete(ofScene(id));
  });
  clearParting(id);
}

/** Takes a scene off the Shelf, with all that belongs to it; gives back what puts it there again. */
export async function removeStored(id: string): Promise<() => Promise<void>> {
  await settle(id).catch(() => undefined);
  await writing(['cards', 'scenes', 'counters'], async (into) => {
    const card = await cardOf(into, id);
    if (!card) await putCard(into, id, { name: 'scene', sample: null, assets: await shownBy(into, id) });
    const known = card ?? (await cardOf(into, id));
    if (known) await into.objectStore('cards').put({ ...known, deleted: newMark() }, id);
  });
  announceShelf();
  return () => restoreStored(id);
}

const shownBy = async (from: Reading, id: string): Promise<string[]> => assetNames((await recordOf(from, id))?.body);

/** Puts a scene that was deleted on the Shelf again. */
export async function restoreStored(id: string): Promise<void> {
  await writing(['cards'], async (into) => {
    const card = await cardOf(into, id);
    if (card) await into.objectStore('cards').put({ ...card, deleted: null }, id);
  });
  announceShelf();
}
