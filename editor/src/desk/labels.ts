import { nodeIndex, type Guide, type Mark, type Rider } from '@pace-line/core';

/** What a node is called: words where its id is made of words, else its number. */
export function nodeLabel(guide: Guide, id: string): string {
  const named = guide.nodes[nodeIndex(guide, id)]?.name;
  if (named !== undefined) return named;
  const isMade = /-[ns]\d*(?:-\d+)?$|^n\d+$|\.p\d+$/.test(id);
  if (isMade) return `Node ${nodeIndex(guide, id) + 1}`;
  const words = id.replace(/[-_]+/g, ' ').trim();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

export const seconds = (value: number): string => `${value.toFixed(2)} s`;

/** A mark in a few words, for readers of the screen. */
export function markLabel(rider: Rider, mark: Mark, distance: number): string {
  const rests = mark.dwell > 0 ? `, rests ${seconds(mark.dwell)}` : '';
  return `Mark of ${rider.name} at ${seconds(mark.time)}, ${Math.round(distance)} px along${rests}`;
}
