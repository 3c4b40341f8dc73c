/** How an output is shown: playing, or held; at a time, s, where it can be held at one. */
export interface Showing {
  readonly playing: boolean;
  readonly time: number | null;
  /** Whether something else than time runs it: letting it go is that one's. */
  readonly driven: boolean;
  /** Of what is scrolled past: how far it has passed through the window, from 0 to 1, where it is held; null where it is not scrolled past. */
  readonly share: number | null;
}

/** What lies behind an output. */
export type Backdrop = 'squares' | 'white' | 'black' | 'picture';

export const BACKDROPS: readonly (readonly [Backdrop, string])[] = [
  ['squares', 'Checkerboard'],
  ['white', 'White'],
  ['black', 'Black'],
  ['picture', 'Picture…'],
];

/** What is looked at: the output, the Desk's own picture, or in which places they differ. */
export type Side = 'output' | 'desk' | 'difference';

export const SIDES: readonly (readonly [Side, string])[] = [
  ['output', 'Output'],
  ['desk', 'Desk'],
  ['difference', 'Difference'],
];
