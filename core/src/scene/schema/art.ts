import { z } from 'zod';
import { degrees, id, name, vec } from './ids.ts';
import { wellFormed } from './text.ts';

/** A drawing that can be placed. `pivot` in px of its box; `facing`: which way it was drawn to face. */
export const artSchema = z.strictObject({
  id,
  name,
  kind: z.literal('svg'),
  markup: z.string().max(8_000_000).overwrite(wellFormed),
  width: z.number().positive().max(100_000),
  height: z.number().positive().max(100_000),
  pivot: vec,
  facing: degrees.default(0),
});
