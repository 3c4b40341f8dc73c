import { PIXEL_TYPES, type ImageArt } from '@pace-line/core';
import { ask } from '../../look/ask.tsx';
import { warn } from '../../look/notices.tsx';
import { sha256, toBase64 } from '../../platform/pixels.ts';
import { bringInPicture } from '../actions/riding.ts';
import { keepBefore } from '../actions/saving.ts';
import type { Desk } from '../desk.ts';

/** A picture up to these comes in as it is: bytes, and px of a side. */
const MOST_BYTES = 20 * 1024 * 1024;
const MOST_SIDE = 8192;

/** px of the longer side of what is made smaller. */
const SHRUNK_SIDE = 2048;

/** What a file is called as art: its name in words. */
export const nameOf = (file: string): string => {
  const name =
    file
      .replace(/\.[^.]+$/, '')
      .replace(/[-_]+/g, ' ')
      .trim() || 'Picture';
  return name.charAt(0).toUpperCase() + name.slice(1);
};

/** Takes a picture into the scene's art; what is too large is offered to be made smaller. Gives the art's id. */
export async function importRaster(file: File, desk: Desk): Promise<string | undefined> {
  const bitmap = await createImageBitmap(file).catch(() => undefined);
  if (!bitmap) {
    warn(`${file.name} was not imported`, 'It could not be read as a picture. Nothing was changed.');
    return undefined;
  }
  try {
    const { width, height } = bitmap;
    const isLarge = file.size > MOST_BYTES || Math.max(width, height) > MOST_SIDE;
    if (isLarge && !(await askToShrink(file, width, height))) return undefined;
    const isKept = !isLarge && (PIXEL_TYPES as readonly string[]).includes(file.type);
    const factor = isLarge ? Math.min(1, SHRUNK_SIDE / Math.max(width, height)) : 1;
    const [w, h] = [Math.max(1, Math.round(width * factor)), Math.max(1, Math.round(height * factor))];
    const blob = isKept ? file : await drawn(bitmap, w, h);
    return await keepPicture(desk, nameOf(file.name), blob, w, h);
  } finally {
    bitmap.close();
  }
}

const askToShrink = (file: File, width: number, height: number): Promise<boolean> =>
  ask({
    title: `${file.name} is too large`,
    body: (
      <p>
        It has {width} × {height} px and {(file.size / 1024 / 1024).toFixed(1)} MB. Art has at most {MOST_SIDE} px a
        side and 20 MB; smaller, it moves more smoothly as well.
      </p>
    ),
    yes: `Make it ${SHRUNK_SIDE} px`,
    no: 'Cancel',
  });

export async function drawn(image: CanvasImageSource, width: number, height: number): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('no canvas to draw the picture on');
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, 0, 0, width, height);
  return canvas.convertToBlob({ type: 'image/png' });
}

async function keepPicture(desk: Desk, name: string, blob: Blob, width: number, height: number): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  const asset = await sha256(bytes);
  keepBefore(desk);
  const type = blob.type as ImageArt['type'];
  return bringInPicture(desk, name, { asset, type, width, height }, toBase64(bytes));
}

/** px of the longer side of a drawing that is taken as a picture. */
const PICTURED_SIDE = 1024;

/** Takes a drawing as a picture of itself, twice as fine as its size where that is small; undefined where it cannot be drawn. */
export async function importAsPicture(
  desk: Desk,
  name: string,
  { markup, width, height }: { readonly markup: string; readonly width: number; readonly height: number },
): Promise<string | undefined> {
  const url = URL.createObjectURL(new Blob([markup], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const fine = Math.min(2, PICTURED_SIDE / Math.max(width, height));
    const blob = await drawn(image, Math.max(1, Math.round(width * fine)), Math.max(1, Math.round(height * fine)));
    return await keepPicture(desk, nameOf(name), blob, width, height);
  } catch {
    warn(`${name} was not imported`, 'It could not be drawn as a picture. Nothing was changed.');
    return undefined;
  } finally {
    URL.revokeObjectURL(url);
  }
}
