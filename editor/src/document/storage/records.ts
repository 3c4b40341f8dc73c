import { SCENE_VERSION, sceneFromJson, type Scene, type SceneProblem } from '@pace-line/core';
import { keepAssets, WITH_ASSETS, withAssets } from './assets.ts';
import { cardOf, keepCard } from './cards.ts';
import { changeBetween, changed, type Change } from './change.ts';
import { appendEdit, assertWriter, editsAfter, foldEdits, forgetEdits, OvertakenError, writerOf } from './journal.ts';
import { bodyOf, clearParting, readParting } from './parting.ts';
import { alone, announceShelf, cards, scenes } from './stores.ts';
import { keepVersion } from './versions.ts';

/** A scene as it is stored, with the number of changes that are in it. */
interface SceneRecord {
  readonly count: number;
  readonly body: unknown;
}

export type Stored =
  | {
      readonly state: 'ok';
      readonly scene: Scene;
      /** How many changes it has had, and who made the last that are not in its record yet. */
      readonly count: number;
      readonly writer: string;
      /** Some of them are not in its record yet. */
      readonly unfolded: boolean;
    }
  | { readonly state: 'missing' }
  | { readonly state: 'broken'; readonly problems: readonly SceneProblem[]; readonly raw: string };

/** Records once were bodies alone. */
async function recordOf(id: string): Promise<SceneRecord | undefined> {
  const stored: unknown = await scenes.getItem(id);
  if (stored === null) return undefined;
  if (typeof stored === 'object' && 'count' in stored && 'body' in stored && typeof stored.count === 'number')
    return { count: stored.count, body: stored.body };
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
}

async function storedStates(id: string): Promise<StoredStates | undefined> {
  const record = await recordOf(id);
  const folded = record?.count ?? 0;
  // A browser that refuses the journal still has its records.
  const writer = (await writerOf(id).catch(() => undefined)) ?? '';
  const word = readParting(id);
  // One of a tab that was overtaken is older than what was written since, whatever it counts.
  const parting = word && (writer === '' || word.writer === writer) ? word : undefined;
  const edits = record ? await editsAfter(id, writer, folded).catch(() => []) : [];
  const states = record ? statesOf(record.body, edits).reverse() : [];
  const reached = folded + edits.length;
  // What a page that went could not hand over is newer than what it could.
  if (parting && parting.count > reached) states.unshift(parting.body);
  if (states.length === 0) return undefined;
  return { states, count: Math.max(reached, parting?.count ?? 0), folded, writer };
}

/** Reads a scene and validates it: its latest state that is sound. A broken one is given raw, so that nothing is lost. */
export async function loadStored(id: string): Promise<Stored> {
  const stored = await storedStates(id);
  if (!stored) return { state: 'missing' };
  const { states, count, folded, writer } = stored;
  let first: { readonly problems: readonly SceneProblem[]; readonly json: unknown } | undefined;
  for (const [i, body] of states.entries()) {
    const json = await withAssets(body);
    const read = sceneFromJson(json);
    if (!read.ok) {
      first ??= { problems: read.problems, json };
      continue;
    }
    await keepBeforeMigration(id, body);
    return { state: 'ok', scene: read.scene, count, writer, unfolded: count > folded || i > 0 };
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
  const body = (await storedStates(id))?.states[0];
  if (typeof body !== 'object' || body === null) return undefined;
  return { name: (await cardOf(id))?.name ?? 'scene', text: JSON.stringify(await withAssets(body), null, 2) };
}

/** Writes a new scene and its card. Fails where the browser's quota is full. */
export const keepNewScene = (id: string, scene: Scene, sample: string | null = null): Promise<void> =>
  alone(WITH_ASSETS, 'shared', async () => {
    await keepAssets(scene.assets);
    await scenes.setItem(id, { count: 0, body: bodyOf(scene) } satisfies SceneRecord);
    await keepCard(id, scene.name, sample);
    announceShelf();
  });

/** A tab that changes a scene. */
export interface Writer {
  readonly id: string;
  /** Its name in the journal. */
  readonly name: string;
}

/**
 * Writes change number `count` of a scene to the journal, in this very moment unless it brings pixels. Where another tab has taken the scene over, nobody
 * reads it.
 */
export function keepEdit({ id, name }: Writer, count: number, before: Scene, after: Scene): Promise<void> {
  const change = changeBetween(bodyOf(before), bodyOf(after));
  if (before.assets === after.assets) return appendEdit(id, name, count, change);
  return alone(WITH_ASSETS, 'shared', async () => {
    await keepAssets(after.assets);
    await appendEdit(id, name, count, change);
  });
}

/**
 * Writes a scene whole, with all of its changes up to number `count`. Fails where the browser's quota is full.
 * @throws OvertakenError where another tab has taken the scene over.
 */
export const foldScene = ({ id, name }: Writer, scene: Scene, count: number): Promise<void> =>
  alone(`record-${id}`, 'exclusive', () =>
    alone(WITH_ASSETS, 'shared', async () => {
      await assertWriter(id, name).catch(onlyOvertaken);
      const before = await recordOf(id);
      await keepAssets(scene.assets);
      await scenes.setItem(id, { count, body: bodyOf(scene) } satisfies SceneRecord);
      await foldEdits(id, name, count).catch(onlyOvertaken);
      await keepCard(id, scene.name, null);
      clearParting(id);
      announceShelf();
      if (before) await keepVersion(id, before.body, 'time').catch(() => undefined);
    }),
  );

/** Whether a scene's record is still there. @throws OvertakenError where another tab has taken the scene over. */
export async function holdsScene({ id, name }: Writer): Promise<boolean> {
  await assertWriter(id, name).catch(onlyOvertaken);
  return (await cardOf(id)) !== null;
}

/** Where the journal does not answer the record alone has to do. */
function onlyOvertaken(error: unknown): void {
  if (error instanceof OvertakenError) throw error;
}

/** Takes a scene off the Shelf; gives back what puts it there again. */
export async function removeStored(id: string): Promise<() => Promise<void>> {
  const [record, card] = [await recordOf(id), await cards.getItem(id)];
  const states = await storedStates(id);
  await Promise.all([scenes.removeItem(id), cards.removeItem(id), forgetEdits(id).catch(() => undefined)]);
  clearParting(id);
  announceShelf();
  return async () => {
    if (record)
      await scenes.setItem(id, { count: states?.count ?? record.count, body: states?.states[0] ?? record.body });
    await cards.setItem(id, card);
    announceShelf();
  };
}
