import { z } from '../../zod.ts';
import { easeSchema, recipeSchema } from '../../pace/index.ts';
import { REPEATS } from '../../time/index.ts';
import { id, seconds } from './ids.ts';
import { placeSchema } from './place.ts';

/** A time, a dwell (for people: a rest) and a place that the rider hits then; `ease` is that of the leg that follows. */
export const markSchema = z.strictObject({
  id,
  time: seconds,
  place: placeSchema,
  dwell: seconds.default(0),
  ease: easeSchema.default({ kind: 'steady' }),
});

/** Marks of one rider. */
export const MOST_MARKS = 10_000;

/** When a rider is where; null: as the clock. */
export const paceSchema = z.strictObject({
  marks: z.array(markSchema).max(MOST_MARKS).readonly().default([]),
  // A thousandth of a second: less than any frame.
  cycle: z.number().min(0.001).max(36_000).nullable().default(null),
  delay: z.number().min(-36_000).max(36_000).default(0),
  repeat: z.enum(REPEATS).nullable().default(null),
  /** How many rounds it has, from its delay on, before it stays where the last one ends; null: without end. Of what runs once it means nothing. */
  times: z.int().min(1).max(10_000).nullable().default(null),
  /** Riders of one guide whose link is the same share their marks: an editor that changes those of one changes those of all. */
  link: id.nullable().default(null),
  /** Makes the pace from the marks' places, instead of their times and eases. */
  recipe: recipeSchema.nullable().default(null),
  /** On how many frames of the scene each of its poses stays: 1 moves on every frame, 2 on every other one. */
  on: z.int().min(1).max(24).default(1),
  /** It comes only the first time: its rounds are played in the lead-in alone, from its delay on, and after them it stays where the last one ends. */
  only: z.boolean().default(false),
  /** In the first round it is not seen before its delay is over. */
  hidden: z.boolean().default(false),
  /** What it does in the lead-in where that is not for it: stand as the loop begins, or run as in the loop; null: as the scene asks. */
  leadIn: z.enum(['stands', 'runs']).nullable().default(null),
});
