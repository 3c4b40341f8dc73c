import { z } from '../../zod.ts';
import { id, name } from './ids.ts';
import { wellFormed } from './text.ts';

/** How many a scene may hold: nobody sends more at once. */
export const MOST_SETS = 50;
export const MOST_OUTPUTS = 100;

/** Something sent again: a format by its id, and its options where they are not its own. Formats and options that this program does not know are kept as they are. */
const outputSchema = z.strictObject({
  format: z.string().regex(/^[a-z][a-z0-9-]{0,40}$/, 'a format is called by small letters, digits and hyphens'),
  options: z
    .record(
      z.string().regex(/^[a-z][A-Za-z0-9]{0,40}$/, 'an option is called by letters and digits'),
      z.union([z.string().max(1000).overwrite(wellFormed), z.number().min(-1e9).max(1e9), z.boolean()]),
    )
    .refine((options) => Object.keys(options).length <= 40, 'an output has at most 40 options')
    .default({}),
});

/** Outputs that are sent together. */
export const setSchema = z.strictObject({
  id,
  name,
  outputs: z.array(outputSchema).min(1).max(MOST_OUTPUTS).readonly(),
});
