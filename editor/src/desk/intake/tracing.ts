import { addTracing, freeId, freeName, idsIn, type Tracing } from '@pace-line/core';
import type { ReadArt } from '@pace-line/core/art-import';
import { readArtFile } from '../../jobs/index.ts';
import { warn, warnUntaken } from '../../look/notices.tsx';
import { askHeavy } from './ask-heavy.tsx';
import { change } from '../actions/change.ts';
import { keepBefore } from '../actions/saving.ts';
import { sceneOf, type Desk } from '../desk.ts';
import { tracingTypeOf } from './picture-files.ts';
import { sha256, toBase64 } from '../../platform/pixels.ts';

const MOST_BYTES = 12 * 1024 * 1024;

/** Takes a picture into the scene to draw over, fitted into the canvas; its bytes become an asset called by their SHA-256. */
export async function addTracingFile(file: File, desk: Desk): Promise<void> {
  const type = tracingTypeOf(file);
  if (!type)
    return warn(
      `${file.name} was not imported`,
      'A tracing picture is a PNG, JPEG, WebP, GIF or SVG. Nothing was changed.',
    );
  if (file.size > MOST_BYTES)
    return warn(`${file.name} was not imported`, 'It is larger than 12 MB. Nothing was changed.');
  const read = type === 'image/svg+xml' ? await drawingOf(file) : undefined;
  if (read === null) return;
  const bytes = read ? new TextEncoder().encode(read.markup) : new Uint8Array(await file.arrayBuffer());
  const size = read ? ([read.width, read.height] as const) : await sizeOf(new Blob([bytes], { type }));
  if (!size) return warn(`${file.name} was not imported`, 'It could not be read as a picture. Nothing was changed.');
  const [width, height] = size;
  const asset = await sha256(bytes);
  const { canvas } = sceneOf(desk);
  const name = freeName(
    sceneOf(desk).tracing.map((one) => one.name),
    file.name.replace(/\.[^.]+$/, '') || 'Picture',
  );
  const picture: Tracing = {
    id: freeId(idsIn(sceneOf(desk)), 'tracing'),
    name,
    asset,
    type,
    width,
    height,
    x: canvas.width / 2,
    y: canvas.height / 2,
    scale: Math.round(Math.min(canvas.width / width, canvas.height / height) * 1e4) / 1e4,
    turn: 0,
    opacity: 0.5,
    visible: true,
    locked: true,
  };
  keepBefore(desk);
  change(desk, `Trace over ${name}`, (scene) => addTracing(scene, { picture, data: toBase64(bytes) }));
}

/** A drawing to draw over comes in by the same door as art; null where it does not. */
async function drawingOf(file: File): Promise<ReadArt | null> {
  const read = await readArtFile(file.name, await file.text());
  if (!read.ok) warnUntaken(file.name, read.message);
  return read.ok && (await askHeavy(file.name, read.art.heavy)) ? read.art : null;
}

function sizeOf(blob: Blob): Promise<[number, number] | undefined> {
  return new Promise((resolve) => {
    const url = URL.createObjectURL(blob);
    const image = new Image();
    const done = (size: [number, number] | undefined): void => {
      URL.revokeObjectURL(url);
      resolve(size);
    };
    image.onload = () => done(image.naturalWidth > 0 ? [image.naturalWidth, image.naturalHeight] : [300, 150]);
    image.onerror = () => done(undefined);
    image.src = url;
  });
}
