import { NOTHING, PART_KINDS, selectedParts } from '../../document/index.ts';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';

/** Of parts that are stepped through by key, Tab comes to one: the first that is chosen, or else the first of all. */
export const isTabStop = (chosen: readonly string[], id: string, index: number): boolean =>
  chosen.length > 0 ? chosen[0] === id : index === 0;

/** Selects the next of the marks or nodes that are worked on, or the one before, round and round; without one, the first or last. Gives its id. */
export function stepPart(desk: Desk, way: 1 | -1): string | undefined {
  const scene = sceneOf(desk);
  const selection = selectionOf(desk);
  const kind =
    selectedParts(selection)?.kind ??
    PART_KINDS.find(({ owners, idsIn }) => idsIn(scene, selection[owners][0] ?? '').length > 0);
  const owner = kind && selection[kind.owners][0];
  if (!kind || owner === undefined) return undefined;
  const ids = kind.idsIn(scene, owner);
  const from = selection[kind.list].at(way > 0 ? -1 : 0);
  const part = from === undefined ? ids.at(way > 0 ? 0 : -1) : ids.at((ids.indexOf(from) + way) % ids.length);
  if (part !== undefined) desk.doc.select({ ...NOTHING, [kind.owners]: [owner], [kind.list]: [part] });
  return part;
}
