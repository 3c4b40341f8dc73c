import { z } from 'zod';
import { headingSchema } from './heading.ts';
import { degrees, id, name, px, vec } from './ids.ts';
import { factor, keysSchema } from './keys.ts';
import { paceSchema } from './pace.ts';
import { carrierSchema, rollSchema, squashSchema } from './body.ts';

/** A placed piece of art. */
export const riderSchema = z.strictObject({
  id,
  name,
  art: id,
  guide: id.nullable(),
  at: vec.default([0, 0]),
  /** How far it is turned while it has no guide. */
  stand: degrees.default(0),
  visible: z.boolean().default(true),
  locked: z.boolean().default(false),
  output: z.boolean().default(true),
  pace: paceSchema.prefault({}),
  heading: headingSchema.prefault({}),
  lift: px.default(0),
  lead: px.default(0),
  scale: z.tuple([factor, factor]).readonly().default([1, 1]),
  opacity: z.number().min(0).max(1).default(1),
  keys: keysSchema.prefault({}),
  roll: rollSchema.nullable().default(null),
  squash: squashSchema.nullable().default(null),
  carrier: carrierSchema.nullable().default(null),
});
