import type { ReadArt } from '@pace-line/core/art-import';

const shape = (name: string, width: number, height: number, drawing: string): { name: string; art: ReadArt } => ({
  name,
  art: {
    markup: `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" overflow="visible">${drawing}</svg>`,
    width,
    height,
    notices: [],
    heavy: [],
  },
});

/** Plain shapes to try a motion with before the art is there; each points right. */
export const BUILT_IN_SHAPES = [
  // For blocking out: the corners of its box, a cross where the pivot is, an arm toward the nose.
  shape(
    'Marker',
    64,
    40,
    '<path d="M2 8V2H10M54 2H62V8M62 32V38H54M10 38H2V32" fill="none" stroke="#3D5A99" stroke-width="3"/><path d="M32 20H48" stroke="#3D5A99" stroke-width="3"/><path d="M46 13 60 20 46 27Z" fill="#3D5A99"/><path d="M32 11V29M23 20H41" stroke="#A3471F" stroke-width="3"/>',
  ),
  shape(
    'Disc',
    48,
    48,
    '<circle cx="24" cy="24" r="23" fill="#A3471F"/><path d="M24 24H46" stroke="#FBF5E6" stroke-width="4" stroke-linecap="round"/>',
  ),
  shape('Dart', 64, 44, '<path d="M2 2 62 22 2 42 14 22Z" fill="#3D5A99"/>'),
  shape(
    'Block',
    72,
    44,
    '<rect x="1" y="1" width="70" height="42" rx="8" fill="#0B7A75"/><path d="M50 12 60 22 50 32" fill="none" stroke="#FBF5E6" stroke-width="4" stroke-linecap="round" stroke-linejoin="round"/>',
  ),
  shape(
    'Leaf',
    72,
    40,
    '<path d="M2 20C16 0 46 -2 70 20 46 42 16 40 2 20Z" fill="#55752A"/><path d="M2 20H60" stroke="#E5EBCB" stroke-width="2"/>',
  ),
] as const;

/** What begins the word of a shape that is dragged: it is no art of the scene yet. */
const SHAPE = '·shape ';

export const shapeDrag = (name: string): string => `${SHAPE}${name}`;

/** The shape that is dragged under a word; undefined where it is an art of the scene. */
export const shapeDragged = (word: string): (typeof BUILT_IN_SHAPES)[number] | undefined =>
  word.startsWith(SHAPE) ? BUILT_IN_SHAPES.find(({ name }) => name === word.slice(SHAPE.length)) : undefined;
