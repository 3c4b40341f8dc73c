import type { z } from 'zod';
import type { PacedWay } from '../speed-line.ts';
import type { Way } from './way.ts';

export type Squares = Pick<PacedWay, 'leaving' | 'arriving'>;

/** Squares of a speed that is nowhere changed at once. */
export const same = (squares: Float64Array): Squares => ({ leaving: squares, arriving: squares });

/** One recipe for the pace: all that the rest of the program knows of it. To add one: write its file, add it to the list in index.ts. */
export interface RecipeKind<R extends { readonly kind: string } = { readonly kind: string }> {
  readonly kind: R['kind'];
  /** Its keys in the scene file. */
  readonly schema: z.ZodObject;
  /** Squares of the speed with which each place of a way is left and reached, px²/s². */
  squares(recipe: R, way: Way): Squares;
  /** Whether its speeds are scaled so that the last mark is reached at its time. */
  fits(recipe: R): boolean;
  /** It in a few words. */
  words(recipe: R): string;
}
