/** What is selected. Nodes are of the first guide, marks and keys of the first rider. */
export interface Selection {
  readonly guides: readonly string[];
  readonly nodes: readonly string[];
  readonly riders: readonly string[];
  readonly marks: readonly string[];
  readonly keys: readonly string[];
}

export const NOTHING: Selection = { guides: [], nodes: [], riders: [], marks: [], keys: [] };

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

/** Adds an id to a list, or takes it out. */
export const toggled = (list: readonly string[], id: string): readonly string[] =>
  list.includes(id) ? list.filter((one) => one !== id) : [...list, id];
