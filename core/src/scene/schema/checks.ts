import { z } from '../../zod.ts';
import { id } from './ids.ts';

/** Findings that may be meant so. */
const MOST_MEANT = 1000;

/** A finding that is meant so: what its check said then, of whom. Where that says something else now, it is a finding again. */
const meantSchema = z.strictObject({
  check: z.string().min(1).max(40),
  riders: z.array(id).max(10).readonly(),
  found: z.string().max(200),
  why: z.string().max(200).default(''),
});

/** Bounds that may be set. */
const MOST_BOUNDS = 1000;

/** An area of the canvas: the lane that a guide's `corridor` makes about it, what a closed guide goes round, what lies between two guides, or what a rider paints; of its drawing the part with an id, where one is given. */
const areaSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('lane'), guide: id }),
  z.strictObject({ kind: z.literal('inside'), guide: id }),
  z.strictObject({ kind: z.literal('between'), guides: z.tuple([id, id]).readonly() }),
  z.strictObject({ kind: z.literal('art'), rider: id, part: z.string().min(1).max(200).nullable().default(null) }),
]);

/** What a rider has to stay within, or out of: by all that it paints, or by its pivot. */
const boundSchema = z.strictObject({
  rider: id,
  side: z.enum(['in', 'out']).default('in'),
  area: areaSchema,
  by: z.enum(['body', 'pivot']).default('body'),
});

/** What a scene is checked against. */
export const checksSchema = z.strictObject({
  /** px that the bodies of riders keep apart; 0: they may touch and not overlap. */
  clearance: z.number().min(0).max(10_000).default(0),
  bounds: z.array(boundSchema).max(MOST_BOUNDS).readonly().default([]),
  meant: z.array(meantSchema).max(MOST_MEANT).readonly().default([]),
});
