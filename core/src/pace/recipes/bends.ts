import { z } from '../../zod.ts';
import { same, type RecipeKind } from './recipe.ts';
import { bendsOf, stopsAt, type Way } from './way.ts';

const acceleration = z.number().gt(0).max(1e7);

export const schema = z.strictObject({
  kind: z.literal('bends'),
  /** px/s²: what it bears sideways. */
  sideways: acceleration.default(800),
  /** px/s. */
  top: z.number().gt(0).max(1e5).default(600),
  /** px/s²: how fast it may speed up, and brake. */
  up: acceleration.default(600),
  brake: acceleration.default(900),
  fit: z.boolean().default(true),
});
type Bends = z.infer<typeof schema>;

/** What the bend at each place allows, px²/s²; nothing where it stops. */
function allowed({ sideways, top }: Bends, way: Way): Float64Array {
  const last = way.distances.length - 1;
  return bendsOf(way).map((bend, i) => {
    const isEnd = (i === 0 || i === last) && !way.isRound;
    return isEnd || stopsAt(way, i) ? 0 : Math.min(top * top, bend > 0 ? sideways / bend : Infinity);
  });
}

/** As fast as the bends and the engine allow: the limit of each bend, held by a pass forward (speeding up) and a pass backward (braking); round twice where the way closes. */
export const bends: RecipeKind<Bends> = {
  kind: 'bends',
  schema,
  squares(recipe, way) {
    const squares = allowed(recipe, way);
    const last = squares.length - 1;
    const step = (i: number): number => (way.covered[i] ?? 0) - (way.covered[i - 1] ?? 0);
    for (let round = 0; round < (way.isRound ? 2 : 1); round++) {
      if (way.isRound) squares[0] = squares[last] = Math.min(squares[0] ?? 0, squares[last] ?? 0);
      for (let i = 1; i <= last; i++)
        squares[i] = Math.min(squares[i] ?? 0, (squares[i - 1] ?? 0) + 2 * recipe.up * step(i));
      if (way.isRound) squares[0] = squares[last] = Math.min(squares[0] ?? 0, squares[last] ?? 0);
      for (let i = last; i > 0; i--)
        squares[i - 1] = Math.min(squares[i - 1] ?? 0, (squares[i] ?? 0) + 2 * recipe.brake * step(i));
    }
    return same(squares);
  },
  fits: ({ fit }) => fit,
  words: () => 'goes as fast as the bends allow',
};
