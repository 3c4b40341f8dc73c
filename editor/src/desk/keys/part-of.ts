/** A part of what is selected (a node, a mark, a key) that a key was pressed on, or that the keyboard came to. */
export interface ReachedPart {
  readonly id: string;
  /** What it is part of: `guide` or `rider`. */
  readonly dataset: DOMStringMap;
}

export function partOf(target: EventTarget): ReachedPart | undefined {
  const part = target instanceof SVGElement ? target.closest<SVGElement>('[data-part]') : null;
  const id = part?.dataset['part'];
  return part && id !== undefined ? { id, dataset: part.dataset } : undefined;
}
