import { z } from '../../zod.ts';
import type { Pixels, SheetLayout } from '../../take/index.ts';
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

/** Longest side that graphics programs take, px. */
const LONGEST = 16_384;

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
  async write(pixels, given, sink, run) {
    const layout = layoutOf(pixels, given);
    const stem = given.file ? stemOf(given.file, pixels.name) : `${fileStem(pixels.name)}-sheet`;
    await writeFile(sink, `${stem}.png`, 'image/png', await pixels.sheet(layout));
    run.progress(0.98);
    await writeFile(sink, `${stem}.json`, 'application/json', `${listOf(pixels, layout, `${stem}.png`)}\n`);
  },
};

/** Where the frames lie: rows from the top left. */
export function layoutOf(
  { width, height, count }: Pick<Pixels, 'width' | 'height' | 'count'>,
  { columns: given, padding, powers }: Options,
): SheetLayout {
  const [wide, high] = [width + padding, height + padding];
  const columns = Math.min(count, given || Math.max(1, Math.round(Math.sqrt((count * high) / wide))));
  const rows = Math.ceil(count / columns);
  const side = (size: number): number => (powers ? 2 ** Math.ceil(Math.log2(size)) : size);
  const layout = {
    width: side(columns * wide - padding),
    height: side(rows * high - padding),
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
