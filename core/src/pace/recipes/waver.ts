import { z } from '../../zod.ts';
import { noiseAt, seededNumbers, wavesOf } from '../../noise.ts';
import { same, type RecipeKind } from './recipe.ts';

export const schema = z.strictObject({
  kind: z.literal('waver'),
  /** By what share of its mean the speed goes up and down. */
  speed: z.number().min(0).max(0.95).default(0.4),
  /** How far it sways to both sides of the guide, px. */
  sway: z.number().min(0).max(1e5).default(0),
  /** How often, over the whole way and over the cycle. */
  waves: z.int().min(2).max(200).default(6),
  seed: z
    .int()
    .min(0)
    .max(2 ** 32 - 1)
    .default(1),
});
type Waver = z.infer<typeof schema>;

/** A speed that goes up and down by chance, the same each time: v = 1 + speed · noise over the share of the way; it closes where the way does. */
export const waver: RecipeKind<Waver> = {
  kind: 'waver',
  schema,
  squares({ speed, waves, seed }, { covered }) {
    const noise = wavesOf(seededNumbers(seed), waves);
    const total = covered[covered.length - 1] ?? 0;
    return same(covered.map((px) => (1 + speed * noiseAt(noise, total > 0 ? px / total : 0)) ** 2));
  },
  fits: () => true,
  sway({ sway: px, waves, seed }) {
    if (px === 0) return undefined;
    // Its waves are those after the speed's.
    const next = seededNumbers(seed);
    wavesOf(next, waves);
    return { px, waves: wavesOf(next, waves) };
  },
  words: ({ speed, sway }) =>
    speed > 0 && sway > 0 ? 'wavers in speed and sways' : sway > 0 ? 'sways to both sides' : 'wavers in its speed',
};
