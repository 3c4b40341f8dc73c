import { z } from '../../zod.ts';
import { id, px } from './ids.ts';

/** A place on a guide: on a node or the span after it, at a share of the whole length, or at a distance. */
export const placeSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('node'),
    node: id,
    along: z.number().min(0).max(1).default(0),
    lap: z.int().min(-1000).max(1000).default(0),
  }),
  z.strictObject({ by: z.literal('share'), value: z.number().min(-1000).max(1000) }),
  z.strictObject({ by: z.literal('distance'), value: px }),
]);
