import { z } from 'zod';
import { degrees } from './ids.ts';

/** Which way a rider faces, and a turn on top of it. */
export const headingSchema = z.strictObject({
  mode: z.enum(['level', 'along']).default('level'),
  offset: degrees.default(0),
});
