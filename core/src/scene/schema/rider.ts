import { z } from '../../zod.ts';
import { headingSchema } from './heading.ts';
import { degrees, id, name, px, vec } from './ids.ts';
import { factor, keysSchema } from './keys.ts';
import { paceSchema } from './pace.ts';
import { carrierSchema, rollSchema, squashSchema, strungSchema } from './body.ts';
import { behindSchema, insideSchema } from './depth.ts';
import { entranceSchema } from './entrance.ts';
import { posesSchema } from './poses.ts';

/** A placed piece of art. */
export const riderSchema = z.strictObject({
  id,
  name,
  art: id,
  guide: id.nullable(),
  at: vec.default([0, 0]),
  /** The point of its art, px of its box, that is where it is, and about which it turns; null: the art's. */
  pivot: vec.nullable().default(null),
  /** How far it is turned while it has no guide. */
  stand: degrees.default(0),
  visible: z.boolean().default(true),
  locked: z.boolean().default(false),
  output: z.boolean().default(true),
  pace: paceSchema.prefault({}),
  heading: headingSchema.prefault({}),
  lift: px.default(0),
  lead: px.default(0),
  /** Where lift goes: left of the guide; up, in the frame that it is placed in; or left of the guide's direction averaged over `rounding`. */
  liftBy: z.enum(['normal', 'up', 'rounded']).default('normal'),
  /** px of the guide over which the direction of a rounded lift is averaged. */
  rounding: z.number().min(0).max(100_000).default(60),
  /** Beside all that, px of the frame that it is placed in; on a guide only. */
  shift: vec.default([0, 0]),
  /** Lift as well, in % of the art's height as it is scaled. */
  raise: z.number().min(-10_000).max(10_000).default(0),
  scale: z.tuple([factor, factor]).readonly().default([1, 1]),
  opacity: z.number().min(0).max(1).default(1),
  keys: keysSchema.prefault({}),
  roll: rollSchema.nullable().default(null),
  squash: squashSchema.nullable().default(null),
  carrier: carrierSchema.nullable().default(null),
  strung: strungSchema.nullable().default(null),
  poses: posesSchema.prefault({}),
  behind: behindSchema,
  inside: insideSchema.nullable().default(null),
  /** How far the camera's movement moves it: 1 as the rest, less for what is far away, 0 not at all. */
  parallax: z.number().min(-10).max(10).default(1),
  /** How it enters before the loop; null: it is there. */
  entrance: entranceSchema.nullable().default(null),
});
