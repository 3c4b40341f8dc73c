import { z } from 'zod';

/** Names a thing within its scene. */
export const id = z
  .string()
  .min(1)
  .max(100)
  .regex(/^[^\s<>"'&]+$/, 'an id has no spaces, quotes or angle brackets');
export const name = z.string().max(200);
/** A place or an extent on the canvas, or a distance along a guide. */
export const px = z.number().min(-1e9).max(1e9);
export const color = z
  .string()
  .regex(/^#(?:[0-9a-fA-F]{3,4}|[0-9a-fA-F]{6}|[0-9a-fA-F]{8})$/, 'a colour is written #RGB or #RRGGBB');
/** Clockwise positive. */
export const degrees = z.number().min(-1e6).max(1e6);
/** A point or an offset, px. */
export const vec = z.tuple([px, px]).readonly();

/** A moment or a stretch of a rider's cycle. */
export const seconds = z.number().min(0).max(36_000);
