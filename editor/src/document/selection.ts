import { guideById, markById, nodeIndex, riderById, type Scene } from '@pace-line/core';

/** What is selected. Nodes are of the first guide, marks of the first rider. */
export interface Selection {
  readonly guides: readonly string[];
  readonly nodes: readonly string[];
  readonly riders: readonly string[];
  readonly marks: readonly string[];
}

export const NOTHING: Selection = { guides: [], nodes: [], riders: [], marks: [] };

export const selectGuide = (id: string, nodes: readonly string[] = []): Selection => ({
  ...NOTHING,
  guides: [id],
  nodes,
});
export const selectRider = (id: string, marks: readonly string[] = []): Selection => ({
  ...NOTHING,
  riders: [id],
  marks,
});

/** The selection without what the scene no longer has. */
export function pruned(scene: Scene, selection: Selection): Selection {
  const guides = selection.guides.filter((id) => guideById(scene, id));
  const guide = guideById(scene, guides[0] ?? null);
  const riders = selection.riders.filter((id) => riderById(scene, id));
  const rider = riderById(scene, riders[0] ?? '');
  return {
    guides,
    nodes: guide ? selection.nodes.filter((id) => nodeIndex(guide, id) >= 0) : [],
    riders,
    marks: rider ? selection.marks.filter((id) => markById(rider, id)) : [],
  };
}

/** Adds an id to a list, or takes it out. */
export const toggled = (list: readonly string[], id: string): readonly string[] =>
  list.includes(id) ? list.filter((one) => one !== id) : [...list, id];
