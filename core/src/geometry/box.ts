/** An axis-aligned rectangle on the canvas, px. Empty when `left > right`. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The box that holds nothing: whatever it is united with is the union. */
export const EMPTY_BOX: Box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };

/** Whether a box holds nothing. */
export const isEmptyBox = (box: Box): boolean => box.left > box.right;

/** The smallest box that holds both. */
export const unionOf = (a: Box, b: Box): Box => ({
  left: Math.min(a.left, b.left),
  top: Math.min(a.top, b.top),
  right: Math.max(a.right, b.right),
  bottom: Math.max(a.bottom, b.bottom),
});

/** Distance from a point to a box, px; 0 inside. */
export function distanceToBox(box: Box, x: number, y: number): number {
  const dx = Math.max(box.left - x, 0, x - box.right);
  const dy = Math.max(box.top - y, 0, y - box.bottom);
  return Math.hypot(dx, dy);
}
