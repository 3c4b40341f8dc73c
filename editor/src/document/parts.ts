import { guideById, KEY_CHANNELS, riderById, type Scene } from '@pace-line/core';
import type { Selection } from './selection.ts';

/** A kind of part that can be selected inside one guide or one rider. */
export interface PartKind {
  /** Its list in the selection. */
  readonly list: 'nodes' | 'marks' | 'keys';
  /** The list whose first entry owns the parts. */
  readonly owners: 'guides' | 'riders';
  /** One of them, for labels of undo. */
  readonly word: string;
  /** Ids of all of them in their owner, in order; none where it is not there. */
  readonly idsIn: (scene: Scene, owner: string) => readonly string[];
}

/** Ids of all keys of a rider. */
export function keyIdsOf(scene: Scene, rider: string): readonly string[] {
  const keys = riderById(scene, rider)?.keys;
  return keys ? KEY_CHANNELS.flatMap((channel) => keys[channel].map((key) => key.id)) : [];
}

/** Every kind of part, the innermost first. To add one: a list in the selection, a row here. */
export const PART_KINDS: readonly PartKind[] = [
  {
    list: 'marks',
    owners: 'riders',
    word: 'mark',
    idsIn: (scene, owner) => riderById(scene, owner)?.pace.marks.map((mark) => mark.id) ?? [],
  },
  {
    list: 'keys',
    owners: 'riders',
    word: 'key',
    idsIn: keyIdsOf,
  },
  {
    list: 'nodes',
    owners: 'guides',
    word: 'node',
    idsIn: (scene, owner) => guideById(scene, owner)?.nodes.map((node) => node.id) ?? [],
  },
];

/** Parts that are selected, with their owner; undefined where none are. */
export function selectedParts(
  selection: Selection,
): { readonly kind: PartKind; readonly owner: string; readonly ids: readonly string[] } | undefined {
  for (const kind of PART_KINDS) {
    const [owner] = selection[kind.owners];
    if (owner !== undefined && selection[kind.list].length > 0) return { kind, owner, ids: selection[kind.list] };
  }
  return undefined;
}

/** The selection without what the scene no longer has; the same where it has all. */
export function pruned(scene: Scene, selection: Selection): Selection {
  const guides = selection.guides.filter((id) => guideById(scene, id));
  const riders = selection.riders.filter((id) => riderById(scene, id));
  const next = { ...selection, guides, riders };
  for (const { list, owners, idsIn } of PART_KINDS) {
    const known = new Set(idsIn(scene, next[owners][0] ?? ''));
    next[list] = selection[list].filter((id) => known.has(id));
  }
  return next;
}
