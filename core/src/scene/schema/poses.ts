import { z } from '../../zod.ts';
import { id } from './ids.ts';

/** Which pose of a strip is shown. Poses are counted from 1; after the last comes the first. */
export const posesSchema = z.strictObject({
  /** One pose; changing in time, along the guide, or through once from a mark on. */
  by: z.enum(['still', 'time', 'distance', 'mark']).default('still'),
  /** The pose with which it begins. */
  first: z.int().min(1).max(500).default(1),
  /** By time and from a mark on: poses a second. */
  rate: z.number().min(0.01).max(240).default(12),
  /** By distance: px of the guide in which all poses are gone through once. */
  stride: z.number().min(0.1).max(1e6).default(100),
  /** A mark of this rider or of another. */
  mark: z.strictObject({ rider: id, mark: id }).nullable().default(null),
  /** From a mark on, before and after: nothing, or the first and the last pose. */
  around: z.enum(['ends', 'hidden']).default('ends'),
});
