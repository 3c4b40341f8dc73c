import { z } from '../../zod.ts';

/** A time of the loop, s. */
const moment = z.number().min(0).max(7200);

/** One thing that a page does which drives a scene. */
export const driverSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('time') }),
  z.strictObject({
    kind: z.literal('scroll'),
    /** What is shown as it comes into the window, as its middle passes the window's, and as it leaves; null: the loop's start, halfway between the others, the loop's end. */
    enters: moment.nullable().default(null),
    middle: moment.nullable().default(null),
    leaves: moment.nullable().default(null),
  }),
  z.strictObject({
    kind: z.literal('over'),
    /** What the pointer's leaving does: it goes back, stands still, or plays on to its end. */
    leaving: z.enum(['back', 'stop', 'finish']).default('back'),
  }),
  z.strictObject({
    kind: z.literal('click'),
    /** What the next click does: it goes back, stands still, or begins anew. */
    again: z.enum(['back', 'stop', 'restart']).default('back'),
  }),
  z.strictObject({
    kind: z.literal('enter'),
    /** Whether it begins anew each time that it comes into the window. */
    again: z.boolean().default(false),
  }),
]);

/** What a page does that drives a scene: one thing, or several that each have their say. A passage through the window gives every time itself, and stands alone. */
export const driversSchema = z
  .array(driverSchema)
  .min(1)
  .max(5)
  .readonly()
  .refine((all) => new Set(all.map(({ kind }) => kind)).size === all.length, 'each kind of driver is there once')
  .refine((all) => all.length === 1 || all.every(({ kind }) => kind !== 'scroll'), 'scrolling drives alone');
