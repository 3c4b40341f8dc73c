import { z } from '../../zod.ts';
import { easeSchema } from '../../pace/index.ts';
import { degrees, vec } from './ids.ts';
import { factor } from './keys.ts';

/** Longest stretch of a lead-in, s. */
const LONGEST = 600;

/** How a rider enters in the lead-in, which is played once before the loop: from what it is changed to what it is where the loop begins. */
export const entranceSchema = z.strictObject({
  /** s after the lead-in's beginning; until then it is as it enters. */
  start: z.number().min(0).max(LONGEST).default(0),
  /** s that it takes. */
  seconds: z.number().min(0.01).max(LONGEST).default(0.6),
  ease: easeSchema.default({ kind: 'family', family: 'cubic', mode: 'out' }),
  /** How far from its place it enters, px of the frame that it is placed in. */
  from: vec.default([0, 0]),
  turn: degrees.default(0),
  /** Its size then: a factor. */
  scale: factor.default(1),
  /** Its opacity then: a factor. */
  opacity: z.number().min(0).max(1).default(0),
});
