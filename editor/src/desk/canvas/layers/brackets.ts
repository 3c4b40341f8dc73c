/** The sides that a box scales, in the order of its handles: corners and middles of edges. */
export const BRACKETS: readonly (readonly [sx: number, sy: number])[] = [
  [-1, -1],
  [-1, 0],
  [-1, 1],
  [0, -1],
  [0, 1],
  [1, -1],
  [1, 0],
  [1, 1],
];

/** A corner as a bracket, an edge's middle as a tick; screen px about the handle. */
export const bracketData = (sx: number, sy: number): string =>
  sx !== 0 && sy !== 0 ? `M${-sx * 9} 0H0V${-sy * 9}` : sx !== 0 ? 'M0 -7V7' : 'M-7 0H7';

/** The stem and the arrow of the ring that turns. */
export const TURN_RING = ['M0 7V24', 'M-2.5 -1.5A3 3 0 1 1 -1 2.5'] as const;
