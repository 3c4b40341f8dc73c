import { z } from '../../zod.ts';
import type { Scene } from '../../scene/index.ts';
import { frameTimes, type Pixels, type SheetLayout } from '../../take/index.ts';
import { DRAWN } from '../features.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { NAMED } from '../named.ts';
import { fileStem, pageJson, stemOf } from '../text.ts';
import { ledFrames, pixelOptions } from './options.ts';

/** Longest side that graphics programs take, px, and that which nearly every device does. */
const LONGEST = 16_384;
const EVERYWHERE = 4096;

const options = z.object({
  ...pixelOptions,
  columns: z.number().int().min(0).max(1000).default(0).describe('Columns; 0: as square as it can be'),
  padding: z.number().int().min(0).max(64).default(2).describe('Padding between frames, px'),
  side: z
    .number()
    .int()
    .min(64)
    .max(LONGEST)
    .default(EVERYWHERE)
    .describe(`Longest side of a sheet, px: what is more goes on further sheets; most devices take ${EVERYWHERE}`),
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
  /** Further pictures, where one does not hold all. */
  more: z.array(z.strictObject({ image: z.string(), width: px, height: px })).optional(),
  /** Where each frame lies, and on which of the further pictures, counted from 1; absent: on the first one. */
  frames: z.array(z.strictObject({ x: px, y: px, width: px, height: px, sheet: z.int().min(1).optional() })),
});

/** On how many sheets frames come out and how large those are, where that is more than one, or more than every device takes. */
function sizeNotes(scene: Scene, options: Options): readonly string[] {
  const count = frameTimes(scene, options).times.length;
  const [width = 0, height = 0] = [scene.canvas.width, scene.canvas.height].map((side) =>
    Math.round(side * options.scale),
  );
  const smaller = 'Fewer frames a second, a part of the loop, or a smaller scale make it less.';
  if (Math.max(width, height) > longestOf(options))
    return [`A frame is ${width} by ${height} px, and no side of a sheet may be longer than ${longestOf(options)}.`];
  const sheets = layoutsOf({ width, height, count }, options);
  const [first] = sheets;
  if (!first || (sheets.length === 1 && Math.max(first.width, first.height) <= EVERYWHERE)) return [];
  const size = `${first.width} by ${first.height} px`;
  return [
    sheets.length > 1
      ? `The frames come out on ${sheets.length} sheets of up to ${size}. ${smaller}`
      : `The sheet comes out ${size}: many devices take at most ${EVERYWHERE}. ${smaller}`,
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
    const layouts = layoutsOf(pixels, given);
    const stem = given.file ? stemOf(given.file, pixels.name) : `${fileStem(pixels.name)}-sheet`;
    const images = layouts.map((_, i) => (i === 0 ? `${stem}.png` : `${stem}-${i + 1}.png`));
    for (const [i, layout] of layouts.entries()) {
      await writeFile(sink, images[i] ?? '', 'image/png', await pixels.sheet(layout));
      run.progress((0.98 * (i + 1)) / layouts.length);
    }
    await writeFile(sink, `${stem}.json`, 'application/json', `${listOf(pixels, layouts, images)}\n`);
  },
};

type Framed = Pick<Pixels, 'width' | 'height' | 'count'>;

/** px that a side may have: of powers of two the largest one below what is asked. */
const longestOf = ({ side, powers }: Options): number => (powers ? 2 ** Math.floor(Math.log2(side)) : side);

/** Where the frames lie: rows from the top left, on as few sheets as hold them, each with as many as the others. */
export function layoutsOf(framed: Framed, options: Options): readonly SheetLayout[] {
  const longest = longestOf(options);
  const [wide, high] = [framed.width + options.padding, framed.height + options.padding];
  const [across, down] = [wide, high].map((step) => Math.floor((longest + options.padding) / step)) as [number, number];
  if (across < 1 || down < 1)
    throw new Error(
      `a frame is ${framed.width} by ${framed.height} px, and no side of a sheet may be longer than ${longest}: a larger side, or a smaller scale`,
    );
  const columnsAtMost = Math.min(across, options.columns || across);
  const sheets = Math.ceil(framed.count / (columnsAtMost * down));
  const each = Math.ceil(framed.count / sheets);
  return Array.from({ length: sheets }, (_, i): SheetLayout => {
    const first = i * each;
    const count = Math.min(each, framed.count - first);
    const even = Math.max(1, Math.round(Math.sqrt((count * high) / wide)));
    const columns = Math.min(count, columnsAtMost, Math.max(options.columns || even, Math.ceil(count / down)));
    const side = (size: number): number => (options.powers ? 2 ** Math.ceil(Math.log2(size)) : size);
    return {
      width: side(columns * wide - options.padding),
      height: side(Math.ceil(count / columns) * high - options.padding),
      first,
      places: Array.from({ length: count }, (__, k) => ({
        x: (k % columns) * wide,
        y: Math.floor(k / columns) * high,
      })),
    };
  });
}

function listOf(
  { name, width, height, count, length, times }: Pixels,
  layouts: readonly SheetLayout[],
  images: readonly string[],
): string {
  const frames = layouts.flatMap(({ places }, sheet) =>
    places.map(({ x, y }) => ({ x, y, width, height, ...(sheet > 0 ? { sheet } : {}) })),
  );
  const duration = Math.round((length / count) * 1e6) / 1e6;
  const [first, ...more] = layouts.map((layout, i) => ({
    image: images[i] ?? '',
    width: layout.width,
    height: layout.height,
  }));
  return pageJson({
    ...{ format: 'pace-line/sheet', version: 1, name, ...first },
    ...{ length, times, duration, ...(more.length > 0 ? { more } : {}), frames },
  });
}
