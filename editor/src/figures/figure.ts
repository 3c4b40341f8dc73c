import type { Part } from './shapes.ts';

/** What one painter has to say of a frame. */
export interface Drawing {
  /** More classes of its layer. */
  readonly look?: string;
  /** More of its layer’s style, as in an attribute. */
  readonly style?: string;
  readonly parts: readonly Part[];
}

/** Draws one thing that follows a hand or the clock, in a layer of its own. It knows nothing of React. */
export interface Figure<Now> {
  readonly id: string;
  /** What it is made of: it is drawn again where one of these is another than in the last frame. */
  readonly of: (now: Now) => readonly unknown[];
  /** What it shows; null: nothing. */
  readonly draw: (now: Now) => Drawing | null;
}

/** Whether two lists hold the same, one by one. */
export const areSame = (a: readonly unknown[], b: readonly unknown[] | undefined): boolean =>
  b?.length === a.length && a.every((one, i) => Object.is(one, b[i]));
