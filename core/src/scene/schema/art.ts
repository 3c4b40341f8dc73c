import { z } from '../../zod.ts';
import { assetId, degrees, id, name, vec } from './ids.ts';
import { wellFormed } from './text.ts';

const box = {
  width: z.number().positive().max(100_000),
  height: z.number().positive().max(100_000),
  pivot: vec,
  facing: degrees.default(0),
};

/** Kinds of pixels that art may have: one picture each. */
export const PIXEL_TYPES = ['image/png', 'image/jpeg', 'image/webp'] as const;

/** Poses of one strip at most. */
export const MOST_POSES = 500;

const markup = z.string().max(8_000_000).overwrite(wellFormed);
// `asset` names its pixels in the assets.
const pixels = { asset: assetId, type: z.enum(PIXEL_TYPES) };

/** One pose of a strip: a drawing or pixels, as large as the strip's box. */
const picture = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('svg'), markup }),
  z.strictObject({ kind: z.literal('image'), ...pixels }),
]);

/** A drawing, a picture, or a strip of poses, that can be placed. `pivot` in px of its box; `facing`: which way it was drawn to face. */
export const artSchema = z.discriminatedUnion('kind', [
  z.strictObject({ id, name, kind: z.literal('svg'), markup, ...box }),
  z.strictObject({ id, name, kind: z.literal('image'), ...pixels, ...box }),
  z.strictObject({
    id,
    name,
    kind: z.literal('strip'),
    poses: z.array(picture).min(1).max(MOST_POSES).readonly(),
    ...box,
  }),
]);
