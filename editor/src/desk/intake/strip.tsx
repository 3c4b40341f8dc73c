import { MOST_POSES, type StripPose } from '@pace-line/core';
import { readArtFile } from '../../jobs/index.ts';
import { askAmong } from '../../look/ask.tsx';
import { tell, warn, warnUntaken } from '../../look/notices.tsx';
import { sha256, toBase64 } from '../../platform/pixels.ts';
import { NumberField, PX } from '../../fields/index.ts';
import { bringInStrip, type ReadPoses } from '../actions/riding.ts';
import { keepBefore } from '../actions/saving.ts';
import { fitsItsBox } from './fits-box.ts';
import type { Desk } from '../desk.ts';
import { isRasterFile } from './picture-files.ts';
import { drawn, nameOf } from './raster.tsx';

/** px of a pose's side at most. */
const MOST_SIDE = 4096;

/** Takes several files, in order of their names, or one sheet of pixels cut by a grid, as the poses of one strip. */
export async function importStrip(files: readonly File[], desk: Desk): Promise<string | undefined> {
  const sorted = [...files].sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  const [first] = sorted;
  if (!first) return undefined;
  if (sorted.length > MOST_POSES) {
    warn('The poses were not imported', `There are ${sorted.length} pictures; at most ${MOST_POSES} can be poses.`);
    return undefined;
  }
  const isSheet = sorted.length === 1 && isRasterFile(first);
  const read = isSheet ? await fromSheet(first) : await fromFiles(sorted);
  if (!read) return undefined;
  keepBefore(desk);
  return bringInStrip(desk, nameOf(first.name).replace(/[\s\d]+$/, '') || 'Strip', read);
}

/** One picture cut into so many columns and rows; asks how many. */
async function fromSheet(file: File): Promise<ReadPoses | undefined> {
  const bitmap = await bitmapOf(file);
  if (!bitmap) return undefined;
  try {
    const grid = await askGrid(file.name, bitmap);
    if (!grid) return undefined;
    const [width, height] = [Math.floor(bitmap.width / grid.columns), Math.floor(bitmap.height / grid.rows)];
    if (width < 1 || height < 1 || Math.max(width, height) > MOST_SIDE || grid.columns * grid.rows > MOST_POSES) {
      warn(
        `${file.name} was not imported`,
        `A pose is 1 to ${MOST_SIDE} px on each side, and there can be ${MOST_POSES} at most.`,
      );
      return undefined;
    }
    const cells = Array.from(
      { length: grid.columns * grid.rows },
      (_, i) => [i % grid.columns, Math.floor(i / grid.columns)] as const,
    );
    const made: Pixels[] = [];
    for (const [column, row] of cells)
      made.push(await pixels(await cut(bitmap, column * width, row * height, width, height)));
    return { width, height, ...gathered(made) };
  } finally {
    bitmap.close();
  }
}

async function bitmapOf(file: File): Promise<ImageBitmap | undefined> {
  const bitmap = await createImageBitmap(file).catch(() => undefined);
  if (!bitmap) warn(`${file.name} was not imported`, 'It could not be read as a picture. Nothing was changed.');
  return bitmap;
}

/** A grid that is likely: cells as square as can be in one row, else one. */
function likelyGrid({ width, height }: ImageBitmap): { columns: number; rows: number } {
  const columns = Math.max(1, Math.round(width / height));
  return { columns: Math.min(columns, MOST_POSES), rows: 1 };
}

async function askGrid(name: string, bitmap: ImageBitmap): Promise<{ columns: number; rows: number } | undefined> {
  const grid = likelyGrid(bitmap);
  const field = (label: string, key: 'columns' | 'rows') => (
    <label className="menu-line">
      {label}
      <NumberField
        label={label}
        value={grid[key]}
        unit=""
        units={PX}
        digits={0}
        min={1}
        max={MOST_POSES}
        onCommit={(value) => (grid[key] = Math.round(value))}
      />
    </label>
  );
  const answer = await askAmong({
    title: `How is ${name} cut?`,
    body: (
      <>
        <p>
          It has {bitmap.width} × {bitmap.height} px. Its poses are read row by row, from the upper left one on.
        </p>
        {field('Columns', 'columns')}
        {field('Rows', 'rows')}
      </>
    ),
    yes: 'Cut it',
    no: 'Cancel',
  });
  return answer === 'yes' ? grid : undefined;
}

function cut(image: ImageBitmap, x: number, y: number, width: number, height: number): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.drawImage(image, x, y, width, height, 0, 0, width, height);
  return canvas.convertToBlob({ type: 'image/png' });
}

interface Pixels {
  readonly pose: StripPose;
  readonly asset: string;
  readonly data: string;
}

async function pixels(blob: Blob): Promise<Pixels> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  const asset = await sha256(bytes);
  return { pose: { kind: 'image', asset, type: 'image/png' }, asset, data: toBase64(bytes) };
}

const gathered = (all: readonly Pixels[]): Pick<ReadPoses, 'poses' | 'assets'> => ({
  poses: all.map(({ pose }) => pose),
  assets: Object.fromEntries(all.map(({ asset, data }) => [asset, data])),
});

/** A file for each pose: the box is as large as the largest, the others stand in the middle of its floor. */
async function fromFiles(files: readonly File[]): Promise<ReadPoses | undefined> {
  const read: ({ markup: string; width: number; height: number } | ImageBitmap)[] = [];
  const notices: string[] = [];
  for (const file of files) {
    if (isRasterFile(file)) {
      const bitmap = await bitmapOf(file);
      if (!bitmap) return undefined;
      read.push(bitmap);
      continue;
    }
    const art = await readArtFile(file.name, await file.text());
    if (!art.ok) {
      warnUntaken(file.name, art.message);
      return undefined;
    }
    notices.push(...art.art.notices);
    read.push(await fitsItsBox(art.art));
  }
  if (notices.length > 0) tell([...new Set(notices)].join(' '), 'The poses were imported');
  return inOneBox(read);
}

async function inOneBox(
  read: readonly ({ markup: string; width: number; height: number } | ImageBitmap)[],
): Promise<ReadPoses> {
  const width = Math.max(...read.map((one) => one.width));
  const height = Math.max(...read.map((one) => one.height));
  const poses: StripPose[] = [];
  const assets: Record<string, string> = {};
  for (const one of read) {
    if ('markup' in one) {
      poses.push({ kind: 'svg', markup: one.markup });
      continue;
    }
    const made = await pixels(await onFloor(one, width, height));
    poses.push(made.pose);
    assets[made.asset] = made.data;
    one.close();
  }
  return { poses, width, height, assets };
}

async function onFloor(image: ImageBitmap, width: number, height: number): Promise<Blob> {
  if (image.width === width && image.height === height) return drawn(image, width, height);
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.drawImage(image, Math.round((width - image.width) / 2), height - image.height);
  return canvas.convertToBlob({ type: 'image/png' });
}
