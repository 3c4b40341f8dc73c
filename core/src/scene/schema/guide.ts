import { z } from '../../zod.ts';
import { color, id, name, px, vec } from './ids.ts';
import { depthSchema } from './depth.ts';
import { shapeSchema } from './shape.ts';

/** A guide that follows another one: at a distance (px, left of its direction), or the same one standing elsewhere. */
const link = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('parallel'), of: id, distance: px }),
  z.strictObject({ kind: z.literal('copy'), of: id, dx: px, dy: px }),
]);

/** Dashes and gaps of a pattern. */
const MOST_DASHES = 12;

/** How a guide is drawn in what is sent. `draws`: a rider that draws it as it goes; null: it is there whole. */
const stroke = z.strictObject({
  color,
  width: z.number().positive().max(1000),
  /** px that are there and px that are not, in turn. */
  dash: z
    .array(z.number().positive().max(10_000))
    .min(2)
    .max(MOST_DASHES)
    .refine((list) => list.length % 2 === 0, 'as many gaps as dashes')
    .readonly()
    .nullable()
    .default(null),
  draws: id.nullable().default(null),
});

/** A point of a guide, with up to two handles. */
export const nodeSchema = z.strictObject({
  id,
  x: px,
  y: px,
  in: vec.optional(),
  out: vec.optional(),
  join: z.enum(['corner', 'smooth', 'balanced']).default('corner'),
  name: name.optional(),
});

/** Nodes of one guide. */
export const MOST_NODES = 20_000;

/** A path drawn to be travelled. */
export const guideSchema = z.strictObject({
  id,
  name,
  closed: z.boolean(),
  nodes: z.array(nodeSchema).max(MOST_NODES).readonly(),
  color,
  visible: z.boolean().default(true),
  locked: z.boolean().default(false),
  corridor: z.number().positive().max(1e6).nullable().default(null),
  thickness: z.number().min(1).max(40).optional(),
  shape: shapeSchema.optional(),
  link: link.optional(),
  stroke: stroke.optional(),
  /** The rider in whose frame it lies and with which it moves. */
  carrier: id.nullable().default(null),
  depth: depthSchema.nullable().default(null),
});
