import {
  deleteGuides,
  deleteKeys,
  deleteMarks,
  deleteNodes,
  deleteRiders,
  guideById,
  holdersAround,
  riderById,
  withAllInside,
  type Guide,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { NOTHING, selectedParts, selectGuide, selectRider } from '../../document/index.ts';
import { tell } from '../../look/notices.tsx';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { change, perform, plural } from './change.ts';
import { sayLost } from './saying.ts';

/** Selects all parts of what has some selected, else all guides and riders that are not locked. */
export function selectAll(desk: Desk): void {
  const scene = sceneOf(desk);
  const parts = selectedParts(selectionOf(desk));
  if (parts) {
    const { kind, owner } = parts;
    desk.doc.select({ ...NOTHING, [kind.owners]: [owner], [kind.list]: kind.idsIn(scene, owner) });
    return;
  }
  // A scene that was set in is one thing.
  const around = holdersAround(scene);
  const isWhole = ({ id, locked }: Guide | Rider): boolean => !locked && !around.has(id);
  desk.doc.select({
    ...NOTHING,
    guides: scene.guides.filter(isWhole).map((one) => one.id),
    riders: scene.riders.filter(isWhole).map((one) => one.id),
  });
}

/** Deletes what is selected, the innermost first: marks, keys, nodes, then riders and guides. */
export function deleteSelected(desk: Desk): void {
  const scene = sceneOf(desk);
  const { guides, riders } = selectionOf(desk);
  const parts = selectedParts(selectionOf(desk));
  if (parts?.kind.list === 'marks')
    perform(
      desk,
      plural('Delete mark', parts.ids),
      deleteMarks,
      { rider: parts.owner, marks: parts.ids },
      selectRider(parts.owner),
    );
  else if (parts?.kind.list === 'keys')
    perform(
      desk,
      plural('Delete keyframe', parts.ids),
      deleteKeys,
      { rider: parts.owner, keys: parts.ids },
      selectRider(parts.owner),
    );
  else if (parts) {
    const args = { guide: parts.owner, nodes: parts.ids, refit: true };
    // The last node takes its guide with it.
    if (deleteNodes.can(scene, args)?.code === 'last-node') deleteThings(desk, [parts.owner], []);
    else perform(desk, plural('Delete node', parts.ids), deleteNodes, args, selectGuide(parts.owner));
  } else if (guides.length > 0 || riders.length > 0) deleteThings(desk, guides, riders);
}

/** Deletes guides and riders, and with a scene that was set in all that is in it; what is locked stays, and is named. */
export function deleteThings(desk: Desk, chosenGuides: readonly string[], chosenRiders: readonly string[]): void {
  const { time } = desk.playback;
  const scene = sceneOf(desk);
  const { guides: guideIds, riders: riderIds } = withAllInside(scene, chosenGuides, chosenRiders);
  const things = [
    ...guideIds.flatMap((id) => guideById(scene, id) ?? []),
    ...riderIds.flatMap((id) => riderById(scene, id) ?? []),
  ];
  const around = holdersAround(scene);
  // What is within a scene that was set in goes with that, locked or not.
  const isLocked = (one: Guide | Rider): boolean => {
    const holder = around.get(one.id)?.find((id) => chosenRiders.includes(id));
    return holder === undefined ? one.locked : (riderById(scene, holder)?.locked ?? false);
  };
  /** Without the locks of what goes with its scene. */
  const unlocked = (base: Scene): Scene => {
    const gone = new Set([...guideIds, ...riderIds]);
    const free = <T extends Guide | Rider>(one: T): T =>
      one.locked && gone.has(one.id) && !isLocked(one) ? { ...one, locked: false } : one;
    return { ...base, guides: base.guides.map(free), riders: base.riders.map(free) };
  };
  const locked = things
    .filter((one) => one.locked && !around.get(one.id)?.some((id) => chosenRiders.includes(id)))
    .map(({ name }) => `“${name}”`);
  if (locked.length > 0)
    tell(`${locked.join(', ')} ${locked.length === 1 ? 'is' : 'are'} locked; unlock in Contents to delete.`);
  const free = things.filter((one) => !isLocked(one));
  const names = free
    .filter(({ id }) => !around.get(id)?.some((one) => chosenRiders.includes(one)))
    .map(({ name }) => name);
  const isFree = (id: string): boolean => free.some((one) => one.id === id);
  const [guides, riders] = [guideIds.filter(isFree), riderIds.filter(isFree)];
  if (free.length === 0) return;
  const left = scene.riders.filter(
    (one) => one.guide !== null && guides.includes(one.guide) && !riders.includes(one.id),
  );
  change(
    desk,
    names.length === 1 ? `Delete ${names[0] ?? ''}` : `Delete ${names.length} things`,
    (base) => deleteGuides(deleteRiders(unlocked(base), { ids: riders }), { ids: guides, time }),
    NOTHING,
  );
  // Riders lose their marks with their guide.
  if (left.length > 0 && sceneOf(desk) !== scene) {
    const guide =
      guides.length === 1 ? `“${guideById(scene, guides[0] ?? '')?.name ?? ''}”` : `${guides.length} guides`;
    const whose = left.length === 1 ? `“${left[0]?.name ?? ''}” stays` : `${left.length} riders stay`;
    sayLost(desk, `Deleted ${guide}; ${whose} where ${left.length === 1 ? 'it is' : 'they are'}, without marks`);
  }
}
