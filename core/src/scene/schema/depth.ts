import { z } from '../../zod.ts';
import { id } from './ids.ts';
import { placeSchema } from './place.ts';

/** Where a rider is drawn right behind another one: between two places of its guide, or from one of its marks to another in time. */
const behind = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('places'), rider: id, from: placeSchema, to: placeSchema }),
  z.strictObject({ by: z.literal('marks'), rider: id, from: id, to: id }),
]);

/** Stretches in which a rider is behind others; where two hold, the first counts. */
export const behindSchema = z.array(behind).max(100).readonly().default([]);

/** The closed guide within which a rider is seen, or outside of which. */
export const insideSchema = z.strictObject({ guide: id, keep: z.enum(['inside', 'outside']).default('inside') });

/** How large riders are along a guide: factors at shares of its length, in a straight line from one to the next. */
export const depthSchema = z.strictObject({
  stops: z
    .array(z.strictObject({ at: z.number().min(0).max(1), scale: z.number().min(0.01).max(100) }))
    .min(1)
    .max(100)
    .readonly()
    .refine(
      (stops) => stops.every(({ at }, i) => i === 0 || at > (stops[i - 1]?.at ?? 0)),
      'stops are in order, none twice',
    ),
  /** Their speed on the canvas goes with it. */
  speed: z.boolean().default(false),
});
