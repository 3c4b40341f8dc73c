import type { z } from '../../zod.ts';
import type { Waves } from '../../noise.ts';
import type { PacedWay } from '../speed-line.ts';
import type { Way } from './way.ts';

export type Squares = Pick<PacedWay, 'leaving' | 'arriving'>;

/** Squares of a speed that is nowhere changed at once. */
export const same = (squares: Float64Array): Squares => ({ leaving: squares, arriving: squares });

/** A way to both sides of a guide: px at most, and its waves over the cycle. */
export interface Sway {
  readonly px: number;
  readonly waves: Waves;
}

/** One recipe for the pace: all that the rest of the program knows of it. To add one: write its file, add it to the list in index.ts. */
export interface RecipeKind<R extends { readonly kind: string } = { readonly kind: string }> {
  readonly kind: R['kind'];
  /** Its keys in the scene file. */
  readonly schema: z.ZodObject;
  /** Its speed is the same everywhere: there is nothing to look closer at. */
  readonly isEven?: boolean;
  /** Squares of the speed with which each place of a way is left and reached, px²/s². */
  squares(recipe: R, way: Way): Squares;
  /** Whether its speeds are scaled so that the last mark is reached at its time. */
  fits(recipe: R): boolean;
  /** Whether each mark is reached at its own time, the speeds between two of them scaled to that; absent: not. */
  timed?(recipe: R): boolean;
  /** How it sways to both sides of the guide over the cycle; absent, or undefined, where it stays on it. */
  sway?(recipe: R): Sway | undefined;
  /** It in a few words. */
  words(recipe: R): string;
}
