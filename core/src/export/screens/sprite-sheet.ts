import { z } from '../../zod.ts';
import type { Scene } from '../../scene/index.ts';
import { frameTimes, type Pixels, type SheetLayout } from '../../take/index.ts';
import { DRAWN } from '../features.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { NAMED } from '../named.ts';
import { fileStem, pageJson, stemOf } from '../text.ts';
import { ledFrames, pixelOptions } from './options.ts';

const options = z.object({
  ...pixelOptions,
  columns: z.number().int().min(0).max(1000).default(0).describe('Frames in a row; 0: as square as it can be'),
  padding: z.number().int().min(0).max(64).default(2).describe('Room between frames, px'),
  powers: z.boolean().default(false).describe('Sides that are powers of two'),
  ...NAMED,
});
type Options = z.infer<typeof options>;

const px = z.int().min(0);

/** The shape of the list that goes with a sheet: px, and s. */
export const sheetShape = z.strictObject({
  format: z.literal('pace-line/sheet'),
  version: z.literal(1),
  name: z.string(),
  /** The file of the picture. */
  image: z.string(),
  width: px,
  height: px,
  /** All frames together, and each. */
  length: z.number(),
  times: z.int().nullable(),
  duration: z.number(),
  frames: z.array(z.strictObject({ x: px, y: px, width: px, height: px })),
});

/** Longest side that graphics programs take, px, and that which nearly every device does. */
const LONGEST = 16_384;
const EVERYWHERE = 4096;

/** How large the sheet comes out, where that is more than every device takes. */
function sizeNotes(scene: Scene, options: Options): readonly string[] {
  const count = frameTimes(scene, options).times.length;
  const [width, height] = [scene.canvas.width, scene.canvas.height].map((side) => Math.round(side * options.scale));
  const sheet = sidesOf({ width: width ?? 0, height: height ?? 0, count }, options);
  if (sheet.width <= EVERYWHERE && sheet.height <= EVERYWHERE) return [];
  const most = sheet.width > LONGEST || sheet.height > LONGEST ? `, and no side may be longer than ${LONGEST}` : '';
  return [
    `The sheet comes out ${sheet.width} by ${sheet.height} px${most}: many devices take at most ${EVERYWHERE}. Fewer frames a second, a part of the loop, or a smaller scale make it smaller.`,
  ];
}

/** All frames on one PNG, and where each lies as JSON. */
export const spriteSheet: Format<'pixels', typeof options> = {
  id: 'sprite-sheet',
  name: 'Sprite sheet',
  group: 'screens',
  about: 'All frames on one picture, with a list of where they lie: for games and canvases.',
  extension: 'png',
  type: 'image/png',
  several: true,
  options,
  needs: 'pixels',
  holds: DRAWN,
  holdsWith: ledFrames,
  notes: (scene, given) => sizeNotes(scene, given),
  async write(pixels, given, sink, run) {
    const layout = layoutOf(pixels, given);
    const stem = given.file ? stemOf(given.file, pixels.name) : `${fileStem(pixels.name)}-sheet`;
    await writeFile(sink, `${stem}.png`, 'image/png', await pixels.sheet(layout));
    run.progress(0.98);
    await writeFile(sink, `${stem}.json`, 'application/json', `${listOf(pixels, layout, `${stem}.png`)}\n`);
  },
};

type Framed = Pick<Pixels, 'width' | 'height' | 'count'>;

/** Frames in a row, and the sides of the sheet, px. */
function sidesOf(
  { width, height, count }: Framed,
  { columns: given, padding, powers }: Options,
): { readonly columns: number; readonly width: number; readonly height: number } {
  const [wide, high] = [width + padding, height + padding];
  const columns = Math.min(count, given || Math.max(1, Math.round(Math.sqrt((count * high) / wide))));
  const rows = Math.ceil(count / columns);
  const side = (size: number): number => (powers ? 2 ** Math.ceil(Math.log2(size)) : size);
  return { columns, width: side(columns * wide - padding), height: side(rows * high - padding) };
}

/** Where the frames lie: rows from the top left. */
export function layoutOf(framed: Framed, options: Options): SheetLayout {
  const { columns, ...sides } = sidesOf(framed, options);
  const { count } = framed;
  const [wide, high] = [framed.width + options.padding, framed.height + options.padding];
  const layout = {
    ...sides,
    places: Array.from({ length: count }, (_, i) => ({ x: (i % columns) * wide, y: Math.floor(i / columns) * high })),
  };
  if (layout.width > LONGEST || layout.height > LONGEST)
    throw new Error(
      `the sheet would be ${layout.width} by ${layout.height} px, and no side may be longer than ${LONGEST}: fewer frames a second, or a smaller scale`,
    );
  return layout;
}

function listOf(
  { name, width, height, count, length, times }: Pixels,
  { places, ...sheet }: SheetLayout,
  image: string,
): string {
  const frames = places.map(({ x, y }) => ({ x, y, width, height }));
  const duration = Math.round((length / count) * 1e6) / 1e6;
  return pageJson({
    ...{ format: 'pace-line/sheet', version: 1, name, image, width: sheet.width, height: sheet.height },
    ...{ length, times, duration, frames },
  });
}
