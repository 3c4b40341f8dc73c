import type { Scene } from '@pace-line/core';
import { NOTHING, type Selection } from '../selection.ts';
import { pixelsOf } from './assets.ts';
import { assetNames, bodyOf } from './body.ts';
import { changeBetween, changed } from './change.ts';
import { reading } from './database.ts';
import { ofScene } from './keys.ts';
import type { UndoSide, UndoStep, Writing } from './shapes.ts';

/** A step as the document has it: what it was called, and how the document is once it is taken. */
export interface Step {
  readonly label: string;
  readonly scene: Scene;
  readonly selection: Selection;
}

/** The rows of steps, the nearest to the present last. */
export interface UndoRows {
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

/** What a change of the document does to its steps. */
export interface UndoChange {
  readonly before: UndoRows;
  readonly after: UndoRows;
  /** The scene as it is now. */
  readonly scene: Scene;
}

/** Characters of one step: a larger one, and what lies behind it, is not kept beyond the tab. */
const MOST_OF_STEP = 2_000_000;

/** Places in their rows: each step keeps its own for as long as it is in one. */
const places = new WeakMap<Step, number>();
let lastPlace = 0;

function placeOf(step: Step): number {
  let place = places.get(step);
  if (place === undefined) places.set(step, (place = ++lastPlace));
  return place;
}

type Row = readonly [id: string, writer: string];

/** Only the steps next to the present are made of it: those alone are written, and those that are gone are forgotten. */
function putRow(into: Writing, [id, writer]: Row, side: 'past' | 'future', count: number, undo: UndoChange): void {
  const store = into.objectStore('undo');
  const [before, after] = [undo.before[side], undo.after[side]];
  const nearest = after.at(-1);
  const stays = new Set(after);
  for (const step of before) if (!stays.has(step)) void store.delete([id, writer, side, placeOf(step)]);
  if (!nearest) return;
  const change = changeBetween(bodyOf(undo.scene), bodyOf(nearest.scene));
  const { label, selection, scene } = nearest;
  if (JSON.stringify(change).length > MOST_OF_STEP)
    return void store.delete(IDBKeyRange.bound([id, writer, side], [id, writer, side, []]));
  void store.put({ label, change, selection, count, assets: Object.keys(scene.assets) }, [
    id,
    writer,
    side,
    placeOf(nearest),
  ]);
}

/** Writes what change number `count` of a scene does to its steps, as one writer has them. */
export function putUndo(into: Writing, id: string, writer: string, count: number, undo: UndoChange): void {
  const row = [id, writer] as const;
  putRow(into, row, 'past', count, undo);
  putRow(into, row, 'future', count, undo);
  const head: UndoStep = { label: '', change: [], selection: null, count, assets: [] };
  void into.objectStore('undo').put(head, [id, writer, 'head', 0]);
}

const ofWriter = (id: string, writer: string): IDBKeyRange => IDBKeyRange.bound([id, writer], [id, writer, []]);

/** From now on the steps of one writer are another's; those of all others, which were overtaken, are forgotten. */
export async function handUndoOn(into: Writing, id: string, from: string, to: string): Promise<void> {
  const store = into.objectStore('undo');
  const range = ofWriter(id, from);
  const [keys, steps] = await Promise.all([store.getAllKeys(range), store.getAll(range)]);
  await store.delete(ofScene(id));
  for (const [i, [, , side, place]] of keys.entries()) {
    const step = steps[i];
    if (step) await store.put(step, [id, to, side, place]);
  }
}

/**
 * The steps that a writer of a scene had after change number `count`; none where those that are stored are of another state. Scenes share with each other, and with `scene`,
 * what they have in common.
 */
export async function loadUndo(id: string, writer: string, scene: Scene, count: number): Promise<UndoRows> {
  const rows = await reading(['undo'], async (from) => {
    const store = from.objectStore('undo');
    const range = ofWriter(id, writer);
    const [keys, values] = await Promise.all([store.getAllKeys(range), store.getAll(range)]);
    return values.map((step, i) => ({ step, side: keys[i]?.[2], place: keys[i]?.[3] ?? 0 }));
  });
  lastPlace = rows.reduce((most, { place }) => Math.max(most, place), lastPlace);
  if (rows.find(({ side }) => side === 'head')?.step.count !== count) return { past: [], future: [] };
  const pixels = await pixelsOf(
    [...new Set(rows.flatMap(({ step }) => step.assets))].filter((name) => !scene.assets[name]),
  );
  const all = { ...pixels, ...scene.assets };
  const rowOf = (side: UndoSide): Step[] => {
    const steps: Step[] = [];
    let body: unknown = bodyOf(scene);
    let assets: Scene['assets'] = scene.assets;
    for (const { step, place } of rows.filter((one) => one.side === side).reverse()) {
      try {
        body = changed(body, step.change);
      } catch {
        break;
      }
      const names = assetNames(body);
      if (names.join() !== Object.keys(assets).join())
        assets = Object.fromEntries(names.map((name) => [name, all[name] ?? '']));
      const made: Step = {
        label: step.label,
        scene: { ...(body as Scene), assets },
        selection: step.selection ?? NOTHING,
      };
      places.set(made, place);
      steps.unshift(made);
    }
    return steps;
  };
  return { past: rowOf('past'), future: rowOf('future') };
}
