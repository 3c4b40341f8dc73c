import { z } from '../../zod.ts';
import type { Scene } from '../../scene/index.ts';
import { evenDelays, frameTimes, type PixelOptions, type PixelRect, type Pixels } from '../../take/index.ts';
import { DRAWN } from '../features.ts';
import { imageElement } from '../embed.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { writeFile } from '../sink.ts';
import { fileStem, formatNumber } from '../text.ts';
import { gifLibrary, type Palette } from './gif-library.ts';
import { ledFrames, pixelOptions } from './options.ts';
import { Counts, Matching, paletteFrom } from './palette.ts';
import { differing } from './piece.ts';

const { GIFEncoder } = gifLibrary;

/** Frames a second that players show: a delay of one hundredth they take for a tenth of a second. */
const FASTEST = 50;

const options = z.object({
  ...pixelOptions,
  fps: z.number().min(0).max(FASTEST).default(0).describe(`Frame rate, up to ${FASTEST}; 0: the scene’s`),
  dither: z.boolean().default(false).describe('Dither: mixes the colours of gradients from those of the palette'),
});

/** GIF (89a): one palette for all frames; what does not change from one to the next is not written again. */
export const gif: Format<'pixels', typeof options> = {
  id: 'gif',
  name: 'GIF',
  group: 'screens',
  about: 'Plays everywhere, in 255 colours: for messages and old screens.',
  extension: 'gif',
  type: 'image/gif',
  options,
  needs: 'pixels',
  fastest: FASTEST,
  holds: DRAWN,
  holdsWith: ledFrames,
  notes: (scene, options) => rateNotes(scene, options),
  embed: imageElement,
  async write(pixels, { dither }, sink, run) {
    const { width, count, length, times, isClear } = pixels;
    const palette = await paletteOf(pixels);
    const matching = new Matching(palette, dither);
    const clear = palette.length;
    const colors: Palette = [...palette, [0, 0, 0]];
    const delays = evenDelays(count, length, 100);
    const encoder = GIFEncoder();
    let before: Uint8Array | undefined;
    for (let i = 0; i < count; i++) {
      stopIfAborted(run);
      const rgba = await pixels.rgba(i);
      const index = matching.indices(rgba, width);
      if (isClear) hide(index, rgba, clear);
      const { x, y, ...piece } = pieceOf(index, isClear ? undefined : before, width, clear);
      const at = encoder.bytesView().length;
      encoder.writeFrame(piece.index, piece.width, piece.height, {
        ...(i === 0 ? { palette: colors, repeat: repeatOf(times) } : {}),
        delay: (delays[i] ?? 0) * 10,
        transparent: isClear || i > 0,
        transparentIndex: clear,
        // What is clear has to be wiped, what is not is drawn over.
        dispose: isClear ? 2 : 1,
      });
      if (i > 0) place(encoder.bytesView().subarray(at), x, y);
      before = index;
      run.progress(0.9 + (0.1 * (i + 1)) / count);
    }
    encoder.finish();
    await writeFile(sink, `${fileStem(pixels.name)}.gif`, 'image/gif', encoder.bytes());
  },
};

/** The number of repetitions after the first showing; 0: for ever, −1: none. */
const repeatOf = (times: number | null): number => (times === null ? 0 : times === 1 ? -1 : times - 1);

/** What of its rate is changed: how many frames there are instead, and how long they stay. */
function rateNotes(scene: Scene, options: PixelOptions): readonly string[] {
  const given = options.fps > 0 ? options.fps : scene.clock.fps;
  const { times, lasts } = frameTimes(scene, { ...options, most: FASTEST });
  const rate = 1 / lasts;
  const delays = [...new Set(evenDelays(times.length, times.length * lasts, 100))].sort((a, b) => a - b);
  const said =
    given > FASTEST
      ? [
          `A GIF shows at most ${FASTEST} frames a second: ${formatNumber(rate, 2)} instead of ${formatNumber(given, 2)}. The loop lasts as long as on the Desk.`,
        ]
      : [];
  if (delays.length > 1)
    said.push(
      `A GIF counts in hundredths of a second: of ${formatNumber(rate, 2)} frames a second each stays for ${delays.join(' or ')} of them, evenly spread; the loop is as long as on the Desk.`,
    );
  return said;
}

/** Frames of which the palette is made, and pixels that are looked at in all of them. */
const [LOOKS, PIXELS] = [12, 16_000_000];

/** Colours of a GIF, without the last: that stands for what is clear. */
const MOST_COLORS = 255;

/** The colours of the whole loop. */
async function paletteOf(pixels: Pixels): Promise<Palette> {
  const looks = Math.min(LOOKS, pixels.count);
  const counts = new Counts();
  // Odd, so that no column of an even width is passed over.
  const step = 1 + 2 * Math.floor((pixels.width * pixels.height * looks) / PIXELS / 2);
  for (let k = 0; k < looks; k++) counts.add(await pixels.rgba(Math.floor((k * pixels.count) / looks)), step);
  return paletteFrom(counts, MOST_COLORS);
}

/** Where less than half is there, nothing is. */
function hide(index: Uint8Array, rgba: Uint8ClampedArray, clear: number): void {
  for (let i = 0; i < index.length; i++) if ((rgba[4 * i + 3] ?? 0) < 128) index[i] = clear;
}

interface IndexedPiece extends PixelRect {
  readonly index: Uint8Array;
}

/** The box of a frame in which it differs from the one before: what is as it was there is clear, so that what lies below stays. Of a frame after none, all of it. */
function pieceOf(index: Uint8Array, before: Uint8Array | undefined, width: number, clear: number): IndexedPiece {
  const height = index.length / width;
  if (!before) return { x: 0, y: 0, width, height, index };
  const rect = differing(index, before, width, height);
  const piece = new Uint8Array(rect.width * rect.height);
  let to = 0;
  for (let y = rect.y; y < rect.y + rect.height; y++)
    for (let at = y * width + rect.x; at < y * width + rect.x + rect.width; at++, to++)
      piece[to] = index[at] === before[at] ? clear : (index[at] ?? 0);
  return { ...rect, index: piece };
}

/** Bytes of the extension that stands before the head of a frame after the first, and what that begins with (GIF 89a, 20 and 23). */
const [CONTROL, HEAD] = [8, 0x2c];

/** Writes where a frame's piece lies: the library lays all of them at the top left. */
function place(frame: Uint8Array, x: number, y: number): void {
  if (frame[CONTROL] !== HEAD) throw new Error('the frame of a GIF does not begin with its head');
  const view = new DataView(frame.buffer, frame.byteOffset + CONTROL + 1, 4);
  view.setUint16(0, x, true);
  view.setUint16(2, y, true);
}
