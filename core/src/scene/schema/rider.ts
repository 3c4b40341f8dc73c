import { z } from 'zod';
import { headingSchema } from './heading.ts';
import { id, name, px, vec } from './ids.ts';
import { paceSchema } from './pace.ts';

/** A placed piece of art. */
export const riderSchema = z.strictObject({
  id,
  name,
  art: id,
  guide: id.nullable(),
  at: vec.default([0, 0]),
  visible: z.boolean().default(true),
  locked: z.boolean().default(false),
  output: z.boolean().default(true),
  pace: paceSchema.prefault({}),
  heading: headingSchema.prefault({}),
  lift: px.default(0),
  lead: px.default(0),
  scale: z
    .tuple([z.number().min(-1000).max(1000), z.number().min(-1000).max(1000)])
    .readonly()
    .default([1, 1]),
  opacity: z.number().min(0).max(1).default(1),
});
