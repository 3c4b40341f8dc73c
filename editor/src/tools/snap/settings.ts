export const SNAP_KINDS = ['nodes', 'ends', 'lines', 'landmarks', 'pivots', 'canvas', 'grid'] as const;
export type SnapKind = (typeof SNAP_KINDS)[number];

/** Which kinds of thing points are drawn to, and the grid's step in px. */
export interface SnapSettings {
  readonly kinds: Readonly<Record<SnapKind, boolean>>;
  readonly grid: number;
}

export const FIRST_SNAPPING: SnapSettings = {
  kinds: { nodes: true, ends: true, lines: false, landmarks: true, pivots: true, canvas: true, grid: false },
  grid: 20,
};

/** What a point was drawn to: a place with a word, or a line to show across the canvas. */
export type Hint =
  | { readonly kind: 'point'; readonly x: number; readonly y: number; readonly word: string }
  | {
      readonly kind: 'line';
      readonly x0: number;
      readonly y0: number;
      readonly x1: number;
      readonly y1: number;
      readonly word: string;
    };
