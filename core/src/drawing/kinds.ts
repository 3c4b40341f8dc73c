/** Elements that hold others and are drawn by what is in them. */
export const HOLDERS = new Set(['g', 'svg', 'switch']);
/** Elements that are seen. */
export const DRAWN = new Set([
  'path',
  'line',
  'polyline',
  'polygon',
  'rect',
  'circle',
  'ellipse',
  'use',
  'text',
  'g',
  'svg',
  'switch',
]);

/** Elements that are not painted where they stand: what they hold is for others to use, or to be read. */
export const UNPAINTED: ReadonlySet<string> = new Set([
  'title',
  'desc',
  'defs',
  'linearGradient',
  'radialGradient',
  'clipPath',
  'mask',
  'pattern',
  'filter',
  'marker',
  'symbol',
]);
