import { PIXEL_TYPES, type Tracing } from '@pace-line/core';

const RASTER_TYPES: readonly string[] = [...PIXEL_TYPES, 'image/gif'];
const TRACING_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'image/gif', 'image/svg+xml'] as const;

/** Raster pictures that can be art: PNG, JPEG, WebP, and of a GIF its first picture. */
export const isRasterFile = (file: File): boolean => RASTER_TYPES.includes(file.type);

/** What a file is as a picture to draw over; undefined where it can be none. */
export const tracingTypeOf = (file: File): Tracing['type'] | undefined =>
  TRACING_TYPES.find((type) => type === file.type) ?? (/\.svg$/i.test(file.name) ? 'image/svg+xml' : undefined);

/** Raster pictures that may be dropped to be drawn over. */
export const isPictureFile = (file: File): boolean =>
  tracingTypeOf(file) !== undefined && tracingTypeOf(file) !== 'image/svg+xml';
