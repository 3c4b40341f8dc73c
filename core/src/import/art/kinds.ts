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
