import { z } from '../../zod.ts';
import { assetId, degrees, id, name, px } from './ids.ts';

/** A picture to draw over: `asset` names its pixels (or its SVG text) in the assets; `x`, `y` is its centre; never in the output. */
export const tracingSchema = z.strictObject({
  id,
  name,
  asset: assetId,
  type: z.enum(['image/png', 'image/jpeg', 'image/webp', 'image/gif', 'image/svg+xml']),
  width: z.number().positive().max(100_000),
  height: z.number().positive().max(100_000),
  x: px,
  y: px,
  scale: z.number().positive().max(1000).default(1),
  turn: degrees.default(0),
  opacity: z.number().min(0).max(1).default(0.5),
  visible: z.boolean().default(true),
  locked: z.boolean().default(true),
});
