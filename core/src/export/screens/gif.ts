import { z } from '../../zod.ts';
import type { Scene } from '../../scene/index.ts';
import { evenDelays, frameTimes, type PixelOptions, type Pixels } from '../../take/index.ts';
import { DRAWN } from '../features.ts';
import { imageElement } from '../embed.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { writeFile } from '../sink.ts';
import { fileStem, formatNumber } from '../text.ts';
import { gifLibrary, type Palette } from './gif-library.ts';
import { ledFrames, pixelOptions } from './options.ts';

const { applyPalette, GIFEncoder, quantize } = gifLibrary;

/** Frames a second that players show: a delay of one hundredth they take for a tenth of a second. */
const FASTEST = 50;

const options = z.object({
  ...pixelOptions,
  fps: z.number().min(0).max(FASTEST).default(0).describe(`Frames a second, up to ${FASTEST}; 0: the scene’s`),
  dither: z.boolean().default(false).describe('Mix the colours of gradients from those of the palette'),
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
    const { width, height, count, length, times, isClear } = pixels;
    const palette = await paletteOf(pixels);
    const clear = palette.length;
    const colors: Palette = [...palette, [0, 0, 0]];
    const delays = evenDelays(count, length, 100);
    const encoder = GIFEncoder();
    let before: Uint8Array | undefined;
    for (let i = 0; i < count; i++) {
      stopIfAborted(run);
      const rgba = await pixels.rgba(i);
      if (dither) mixed(rgba, width);
      const index = applyPalette(rgba, palette, 'rgb565');
      if (isClear) hide(index, rgba, clear);
      const shown = !isClear && before ? unchangedHidden(index, before, clear) : index;
      encoder.writeFrame(shown, width, height, {
        ...(i === 0 ? { palette: colors, repeat: repeatOf(times) } : {}),
        delay: (delays[i] ?? 0) * 10,
        transparent: isClear || i > 0,
        transparentIndex: clear,
        // What is clear has to be wiped, what is not is drawn over.
        dispose: isClear ? 2 : 1,
      });
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

/** Frames, and pixels in each, of which the palette is made. */
const [LOOKS, PIXELS] = [12, 60_000];

/** The colours of the whole loop, one fewer than there can be: the last stands for what is clear. */
async function paletteOf(pixels: Pixels): Promise<Palette> {
  const looks = Math.min(LOOKS, pixels.count);
  const samples: number[] = [];
  for (let k = 0; k < looks; k++) {
    const rgba = await pixels.rgba(Math.floor((k * pixels.count) / looks));
    // Prime to the width, so that no column is passed over.
    const step = 4 * Math.max(1, Math.floor(rgba.length / 4 / PIXELS)) + (rgba.length / 4 > PIXELS ? 4 : 0);
    for (let at = 0; at < rgba.length; at += step)
      if ((rgba[at + 3] ?? 0) > 127) samples.push(rgba[at] ?? 0, rgba[at + 1] ?? 0, rgba[at + 2] ?? 0, 255);
  }
  if (samples.length === 0) return [[0, 0, 0]];
  return quantize(Uint8Array.from(samples), 255);
}

/** Where less than half is there, nothing is. */
function hide(index: Uint8Array, rgba: Uint8ClampedArray, clear: number): void {
  for (let i = 0; i < index.length; i++) if ((rgba[4 * i + 3] ?? 0) < 128) index[i] = clear;
}

/** What is as it was before is clear: what lies below it stays. */
function unchangedHidden(index: Uint8Array, before: Uint8Array, clear: number): Uint8Array {
  const shown = Uint8Array.from(index);
  for (let i = 0; i < shown.length; i++) if (shown[i] === before[i]) shown[i] = clear;
  return shown;
}

/** A pattern of four by four that each shade is compared with (B. E. Bayer, 1973), as steps of eight bits. */
const PATTERN = [0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5].map((one) => (one / 16 - 0.5) * 14);

/** Shades moved by the pattern: the same at each place in every frame, so that what stands does not flicker. */
function mixed(rgba: Uint8ClampedArray, width: number): void {
  for (let i = 0; i < rgba.length / 4; i++) {
    const shift = PATTERN[((i % width) & 3) + 4 * (Math.floor(i / width) & 3)] ?? 0;
    for (let k = 0; k < 3; k++) rgba[4 * i + k] = (rgba[4 * i + k] ?? 0) + shift;
  }
}
