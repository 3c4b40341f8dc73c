import { z } from '../../zod.ts';
import type { RecipeKind } from './recipe.ts';
import { heightsOf } from './way.ts';

export const schema = z.strictObject({
  kind: z.literal('hop'),
  /** px/s². */
  gravity: z.number().gt(0).max(1e6).default(2000),
  /** Degrees clockwise from right: which way is down. */
  down: z.number().min(-360).max(360).default(90),
  fit: z.boolean().default(true),
  /** When it lands: as it falls; or at the marks' own times, the gravity of each arc, or (an editor's work) its height, following. */
  landings: z.enum(['fall', 'gravity', 'height']).default('fall'),
});

/** px. An arc that is not higher than this is slid along. */
const FLAT = 1;

/** s that an arc takes whose highest place is so many px above its start and its end. */
export const secondsOfArc = (rise: number, drop: number, gravity: number): number =>
  Math.sqrt((2 * Math.max(FLAT, rise)) / gravity) + Math.sqrt((2 * Math.max(0, drop)) / gravity);

/**
 * From mark to mark in the air: each piece of the way is taken for an arc thrown under gravity. With its apex a height H₁ above its start and H₂ above its end it lasts
 * √(2H₁/g) + √(2H₂/g); over that it goes evenly across, and v² = across² + 2g·(how far it is below the apex).
 */
export const hop: RecipeKind<z.infer<typeof schema>> = {
  kind: 'hop',
  schema,
  squares({ gravity, down }, way) {
    const { heights, across: sides } = heightsOf(way, down);
    const leaving = new Float64Array(heights.length);
    const arriving = new Float64Array(heights.length);
    for (let k = 0; k + 1 < way.stations.length; k++) {
      const [from = 0, to = 0] = [way.stations[k], way.stations[k + 1]];
      let apex = -Infinity;
      for (let i = from; i <= to; i++) apex = Math.max(apex, heights[i] ?? 0);
      const [rise, drop] = [apex - (heights[from] ?? 0), apex - (heights[to] ?? 0)];
      const lasts = secondsOfArc(rise, drop, gravity);
      const across = Math.abs((sides[to] ?? 0) - (sides[from] ?? 0)) / lasts;
      for (let i = from; i <= to; i++) {
        const square = across * across + 2 * gravity * Math.max(0, apex - (heights[i] ?? 0));
        if (i < to) leaving[i] = square;
        if (i > from) arriving[i] = square;
      }
    }
    return { leaving, arriving };
  },
  fits: ({ fit }) => fit,
  timed: ({ landings }) => landings !== 'fall',
  words: ({ landings }) => (landings === 'fall' ? 'hops from mark to mark' : 'hops from mark to mark, at their times'),
};
