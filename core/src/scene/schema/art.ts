import { z } from 'zod';
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

/** A drawing, or a picture, that can be placed. `pivot` in px of its box; `facing`: which way it was drawn to face. */
export const artSchema = z.discriminatedUnion('kind', [
  z.strictObject({ id, name, kind: z.literal('svg'), markup: z.string().max(8_000_000).overwrite(wellFormed), ...box }),
  // `asset` names its pixels in the assets.
  z.strictObject({ id, name, kind: z.literal('image'), asset: assetId, type: z.enum(PIXEL_TYPES), ...box }),
]);
