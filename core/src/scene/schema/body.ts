import { z } from '../../zod.ts';
import { degrees, id, vec } from './ids.ts';

/** Spin without slip. */
export const rollSchema = z.strictObject({
  /** px on the canvas; null: half the smaller side of the art's box, scaled. */
  radius: z.number().min(0.1).max(1e6).nullable().default(null),
  /** What the guide is: the ground (the rider is lifted by the radius), or the way of the centre. */
  guide: z.enum(['ground', 'centre']).default('ground'),
  /** On which side of the ground it rolls, as seen along the guide's direction. */
  side: z.enum(['left', 'right']).default('left'),
});

/** Stretched one way and narrowed across, so that the area stays. */
export const squashSchema = z.strictObject({
  by: z.enum(['keys', 'speed']).default('keys'),
  /** Along the direction in which the rider heads; along one that stays, in the frame that it is placed in; or along one of its drawing, which turns with it. */
  axis: z.enum(['heading', 'fixed', 'own']).default('heading'),
  /** The axis where it is fixed or the drawing's own; 90: up and down. */
  angle: degrees.default(90),
  /** What stays where it is, in px of the art's box; null: the pivot. */
  about: vec.nullable().default(null),
  /** By speed: stretch for each 1,000 px/s. */
  strength: z.number().min(-20).max(20).default(0.5),
  /** By speed: the most that it is stretched, or, as one over it, narrowed. */
  limit: z.number().min(1).max(20).default(2),
});

/** Hung between two riders: the pivot on the first, the nose toward the second. */
export const strungSchema = z.strictObject({
  from: id,
  to: id,
  /** Where on them, px of their art's boxes; null: the pivot. */
  fromAt: vec.nullable().default(null),
  toAt: vec.nullable().default(null),
  /** It is stretched from one to the other. */
  stretch: z.boolean().default(false),
});

/** The rider that carries another: place, guide and heading are in its frame, the px of its art. */
export const carrierSchema = z.strictObject({
  rider: id,
  turn: z.boolean().default(true),
  scale: z.boolean().default(true),
  mirror: z.boolean().default(true),
});
