import { z } from 'zod';

export const id = z
  .string()
  .min(1)
  .max(100)
  .regex(/^[^\s<>"'&]+$/, 'an id has no spaces, quotes or angle brackets');
export const name = z.string().max(200);
export const px = z.number().min(-1e9).max(1e9);
export const color = z
  .string()
  .regex(/^#(?:[0-9a-fA-F]{3,4}|[0-9a-fA-F]{6}|[0-9a-fA-F]{8})$/, 'a colour is written #RGB or #RRGGBB');
export const degrees = z.number().min(-1e6).max(1e6);
export const vec = z.tuple([px, px]).readonly();

const extent = z.number().min(0).max(1e6);
const stance = {
  x: px,
  y: px,
  turn: degrees.default(0),
  reversed: z.boolean().default(false),
  start: z.int().min(-100_000).max(100_000).default(0),
};

/** A shape whose parameters stay live until a node is edited; the guide's nodes are what it gives. */
const shape = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('line'), length: extent, ...stance }),
  z.strictObject({ kind: z.literal('circle'), radius: extent, ...stance }),
  z.strictObject({ kind: z.literal('ellipse'), width: extent, height: extent, ...stance }),
  z.strictObject({
    kind: z.literal('arc'),
    radius: extent,
    from: degrees,
    sweep: z.number().min(-3600).max(3600),
    ...stance,
  }),
  z.strictObject({ kind: z.literal('rectangle'), width: extent, height: extent, radius: extent, ...stance }),
  z.strictObject({ kind: z.literal('polygon'), sides: z.int().min(3).max(360), radius: extent, ...stance }),
  z.strictObject({
    kind: z.literal('wave'),
    length: extent,
    height: extent,
    waves: z.number().min(0.25).max(500),
    ...stance,
  }),
  z.strictObject({
    kind: z.literal('spiral'),
    inner: extent,
    outer: extent,
    turns: z.number().min(0.1).max(200),
    ...stance,
  }),
  z.strictObject({ kind: z.literal('figure-eight'), width: extent, height: extent, ...stance }),
  z.strictObject({
    kind: z.literal('loops'),
    length: extent,
    radius: extent,
    loops: z.int().min(1).max(200),
    ...stance,
  }),
]);

/** A guide that follows another one: at a distance (px, left of its direction), or the same one standing elsewhere. */
const link = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('parallel'), of: id, distance: px }),
  z.strictObject({ kind: z.literal('copy'), of: id, dx: px, dy: px }),
]);

/** How a guide is drawn in what is sent. `draws`: a rider that draws it as it goes; null: it is there whole. */
const stroke = z.strictObject({
  color,
  width: z.number().positive().max(1000),
  dash: z
    .tuple([z.number().positive().max(10_000), z.number().positive().max(10_000)])
    .readonly()
    .nullable()
    .default(null),
  draws: id.nullable().default(null),
});

export const node = z.strictObject({
  id,
  x: px,
  y: px,
  in: vec.optional(),
  out: vec.optional(),
  join: z.enum(['corner', 'smooth', 'balanced']).default('corner'),
  name: name.optional(),
});

export const guide = z.strictObject({
  id,
  name,
  closed: z.boolean(),
  nodes: z.array(node).max(20_000).readonly(),
  color,
  visible: z.boolean().default(true),
  locked: z.boolean().default(false),
  corridor: z.number().positive().max(1e6).nullable().default(null),
  thickness: z.number().min(1).max(40).optional(),
  shape: shape.optional(),
  link: link.optional(),
  stroke: stroke.optional(),
});

/** A picture to draw over: `asset` names its pixels (or its SVG text) in the assets; `x`, `y` is its centre; never in the output. */
export const tracing = z.strictObject({
  id,
  name,
  asset: z.string(),
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
