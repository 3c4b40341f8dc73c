import { z } from '../../zod.ts';
import { degrees, id, vec } from './ids.ts';

/** What a rider looks toward: a point of the frame that it is placed in, px, or the pivot of another rider. */
const target = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('point'), at: vec }),
  z.strictObject({ kind: z.literal('rider'), rider: id }),
]);

/** Which way a rider faces, and a turn on top of it. */
export const headingSchema = z.strictObject({
  mode: z.enum(['level', 'along', 'contacts', 'toward']).default('level'),
  offset: degrees.default(0),
  /** Of contacts: px in a straight line between the rear and the front one. */
  base: z.number().min(0.1).max(100_000).default(40),
  /** Of toward. */
  target: target.default({ kind: 'point', at: [0, 0] }),
  /** px of the guide over which the direction is averaged; 0: as the guide runs. */
  smooth: z.number().min(0).max(100_000).default(0),
  /** Where it moves against the guide's direction: keeps facing that way, or turns round. */
  reverse: z.enum(['keep', 'turn']).default('keep'),
  /** Where it would be more upside down than upright: turns right over, or is mirrored. */
  left: z.enum(['over', 'mirror']).default('over'),
  /** Degrees a second that it turns at most; null: at once. */
  limit: z.number().min(0.1).max(1e6).nullable().default(null),
});
