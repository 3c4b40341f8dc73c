import { z } from '../../zod.ts';
import { degrees, px } from './ids.ts';

const extent = z.number().min(0).max(1e6);
const stance = {
  x: px,
  y: px,
  turn: degrees.default(0),
  reversed: z.boolean().default(false),
  start: z.int().min(-100_000).max(100_000).default(0),
};

/** A shape whose parameters stay live until a node is edited; the guide's nodes are what it gives. */
export const shapeSchema = z.discriminatedUnion('kind', [
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
  z.strictObject({
    kind: z.literal('bounces'),
    length: extent,
    height: extent,
    bounces: z.int().min(1).max(100),
    keep: z.number().min(0).max(1),
    ...stance,
  }),
]);
