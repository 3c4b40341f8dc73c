import { frameTimes, type PixelOptions, type Pixels, type Scene, type SheetLayout } from '@pace-line/core';
import { filmOf } from './film.ts';
import { painterOf, type Paint } from './paint.ts';
import type { Pictures } from './pictures.ts';
import { Canvases, coarse } from './pool.ts';
import { Touched } from './touched.ts';

/** Frames that are painted. */
const MOST_FRAMES = 10_000;

/** Longest side of what is painted, px. */
const LONGEST = 8192;

/** A scene as pixels, in a worker: painted frame by frame as they are asked for. */
export function pixelsOf(scene: Scene, pictures: Pictures, options: PixelOptions): Pixels {
  const { scale, background } = options;
  const [width, height] = [scene.canvas.width, scene.canvas.height].map((side) =>
    Math.max(1, Math.round(side * scale)),
  );
  if (width === undefined || height === undefined || Math.max(width, height) > LONGEST)
    throw new Error(`${width} by ${height} px are more than can be painted: no side may be longer than ${LONGEST}`);
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('this browser gives no canvas to paint on');
  const paint = painterOf(scene, pictures, { scale, background });
  const { times, lasts } = frameTimes(scene, options);
  if (times.length > MOST_FRAMES)
    throw new Error(
      `${times.length} frames are more than can be painted, ${MOST_FRAMES} are the most: fewer a second, or a stretch of the loop`,
    );
  const length = Math.max(1e-3, times.length * lasts);
  const touched = new Touched(scene, pictures, scale, { width, height });
  const canvases = new Canvases();
  const isClear = !background || scene.canvas.background === null;
  let shown = -1;
  const painted = (frame: number): OffscreenCanvas => {
    if (frame !== shown) paint(context, times[frame] ?? 0);
    shown = frame;
    return canvas;
  };
  return {
    ...{ name: scene.name, width, height, count: times.length, length },
    times: scene.clock.repeat === 'once' ? 1 : scene.clock.times,
    isClear,
    rgba: (frame) => {
      painted(frame);
      return Promise.resolve(context.getImageData(0, 0, width, height).data);
    },
    changed: (frame) => Promise.resolve(coarse(touched.since(frame, times[frame] ?? 0), { width, height })),
    picture: async (frame, type, quality, rect = { x: 0, y: 0, width, height }) => {
      // On a canvas of its own: it is encoded while the next is painted.
      const piece = canvases.take(rect.width, rect.height);
      paint(piece, times[frame] ?? 0, rect);
      const blob = await piece.canvas.convertToBlob({ type, quality });
      canvases.giveBack(piece);
      return bytesOf(blob);
    },
    sheet: (layout) => sheetOf(layout, paint, times, width, height),
    film: (how, onProgress) => filmOf({ canvas, count: times.length, length, how, onProgress, isClear }, painted),
  };
}

const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());

async function sheetOf(
  layout: SheetLayout,
  paint: Paint,
  times: readonly number[],
  width: number,
  height: number,
): Promise<Uint8Array> {
  const sheet = new OffscreenCanvas(layout.width, layout.height);
  const frame = new OffscreenCanvas(width, height);
  const [on, from] = [sheet.getContext('2d'), frame.getContext('2d')];
  if (!on || !from) throw new Error('this browser gives no canvas to paint on');
  layout.places.forEach(({ x, y }, i) => {
    const time = times[layout.first + i];
    if (time === undefined) return;
    paint(from, time);
    on.drawImage(frame, x, y);
  });
  return bytesOf(await sheet.convertToBlob({ type: 'image/png' }));
}
