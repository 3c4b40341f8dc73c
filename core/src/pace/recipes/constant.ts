import { z } from '../../zod.ts';
import { same, type RecipeKind } from './recipe.ts';

export const schema = z.strictObject({ kind: z.literal('constant') });

/** One speed from the first mark to the last, through all of them, with their rests. */
export const constant: RecipeKind<z.infer<typeof schema>> = {
  kind: 'constant',
  schema,
  isEven: true,
  squares: (_, { distances }) => same(new Float64Array(distances.length).fill(1)),
  fits: () => true,
  words: () => 'keeps one speed throughout',
};
