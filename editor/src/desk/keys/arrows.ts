import type { KeyboardEvent } from 'react';

/** Arrows as frames in time and px along the guide; with Shift ten of them. The key is used up. */
export function wayOfArrow(event: KeyboardEvent): readonly [number, number] | undefined {
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
  if (!way) return undefined;
  event.preventDefault();
  event.stopPropagation();
  const size = event.shiftKey ? 10 : 1;
  return [(way[0] ?? 0) * size, (way[1] ?? 0) * size];
}
