import { z } from '../../zod.ts';
import { LONGEST_NAME, wellFormed } from './text.ts';

/** Names a thing within its scene. It goes into references as it is, so it holds nothing that could end one. */
export const id = z
  .string()
  .min(1)
  .max(100)
  .regex(/^[^\s<>"'`&()[\]{}#\\;,\p{Cc}]+$/u, 'an id has no spaces, quotes, brackets, commas, # or \\');
export const name = z.string().max(LONGEST_NAME).overwrite(wellFormed);
/** Pixels are called by their SHA-256. */
export const assetId = z.string().regex(/^[0-9a-f]{64}$/, 'an asset is called by its SHA-256');
/** A place or an extent on the canvas, or a distance along a guide: a thousand times as far as a canvas reaches, where a thousandth of a px is still told apart. */
export const px = z.number().min(-1e7).max(1e7);
export const color = z
  .string()
  .regex(/^#(?:[0-9a-fA-F]{3,4}|[0-9a-fA-F]{6}|[0-9a-fA-F]{8})$/, 'a colour is written #RGB or #RRGGBB');
/** Clockwise positive. */
export const degrees = z.number().min(-1e6).max(1e6);
/** A point or an offset, px. */
export const vec = z.tuple([px, px]).readonly();

/** A moment or a stretch of a rider's cycle. */
export const seconds = z.number().min(0).max(36_000);
