import { z } from '../../zod.ts';
import type { RecipeKind } from './recipe.ts';
import { heightsOf, stopsAt } from './way.ts';

export const schema = z.strictObject({
  kind: z.literal('fall'),
  /** px/s². */
  gravity: z.number().gt(0).max(1e6).default(1000),
  /** Degrees clockwise from right: which way is down. */
  down: z.number().min(-360).max(360).default(90),
  /** px/s at the first mark, and after each rest. */
  start: z.number().min(0).max(1e5).default(0),
  /** px/s: where it would come to a stand it is helped on. */
  least: z.number().min(1).max(1e5).default(30),
  /** Share of its weight that the ground holds it back with. */
  friction: z.number().min(0).max(10).default(0),
  fit: z.boolean().default(true),
});
type Fall = z.infer<typeof schema>;

/** Runs as a thing does that is let go on the slope: v² = v₀² + 2g·(Δh − μ·run); where it does not gain it is never slower than the least speed. */
export const fall: RecipeKind<Fall> = {
  kind: 'fall',
  schema,
  squares({ gravity, down, start, least, friction }, way) {
    const { heights } = heightsOf(way, down);
    const leaving = new Float64Array(heights.length).fill(start * start);
    const arriving = leaving.slice();
    for (let i = 1; i < leaving.length; i++) {
      const drop = (heights[i - 1] ?? 0) - (heights[i] ?? 0);
      const step = (way.covered[i] ?? 0) - (way.covered[i - 1] ?? 0);
      const run = Math.sqrt(Math.max(0, step * step - drop * drop));
      const before = leaving[i - 1] ?? 0;
      const after = before + 2 * gravity * (drop - friction * run);
      arriving[i] = after > before ? after : Math.max(least * least, after);
      if (!stopsAt(way, i)) leaving[i] = arriving[i] ?? 0;
    }
    return { leaving, arriving };
  },
  fits: ({ fit }) => fit,
  words: () => 'falls and climbs as on a slope',
};
