import { z } from '../../zod.ts';
import { evenDelays, type Pixels } from '../../take/index.ts';
import { DRAWN } from '../features.ts';
import { imageElement } from '../embed.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { writeFile } from '../sink.ts';
import { fileStem } from '../text.ts';
import { oneAhead } from './ahead.ts';
import { ByteWriter, crc32 } from './bytes.ts';
import { ledFrames, pixelOptions } from './options.ts';
import { pieceSince, type Piece } from './piece.ts';
import { packed, rowsOf, type Filtering } from './png-data.ts';

const options = z.object(pixelOptions);

/** PNG with many pictures (PNG, third edition): of every frame the box in which it differs from the one before; what is as it was there is clear, where all that is new is opaque. */
export const apng: Format<'pixels', typeof options> = {
  id: 'apng',
  name: 'Animated PNG',
  group: 'screens',
  about: 'Every pixel as it is, half transparent ones too: for pages and screens that take no SVG.',
  extension: 'png',
  type: 'image/png',
  options,
  needs: 'pixels',
  holds: DRAWN,
  holdsWith: ledFrames,
  embed: imageElement,
  async write(pixels, _, sink, run) {
    const { count, length, times } = pixels;
    const delays = evenDelays(count, length, 1000);
    const out = new ByteWriter().add(SIGNATURE);
    chunk(out, 'IHDR', headOf(pixels));
    chunk(
      out,
      'acTL',
      new ByteWriter()
        .high(count, 4)
        .high(times ?? 0, 4)
        .bytes(),
    );
    let sequence = 0;
    let last: Promise<Uint8ClampedArray | undefined> = Promise.resolve(undefined);
    const packing = new Packing();
    const pieces = oneAhead(count, async (i) => {
      stopIfAborted(run);
      const was = last;
      const now = was.then(() => pixels.rgba(i));
      last = now;
      const [before, rgba] = await Promise.all([was, now]);
      const piece = pieceSince(rgba, before, pixels.width);
      return { i, piece, data: await packing.packed(i, piece) };
    });
    for await (const { i, piece, data } of pieces) {
      const control = new ByteWriter().high(sequence++, 4).high(piece.width, 4).high(piece.height, 4);
      control.high(piece.x, 4).high(piece.y, 4);
      // Nothing is taken away afterwards; what lies below is replaced, or shows through.
      chunk(
        out,
        'fcTL',
        control
          .high(delays[i] ?? 0, 2)
          .high(1000, 2)
          .low(0, 1)
          .low(piece.isOver ? 1 : 0, 1)
          .bytes(),
      );
      if (i === 0) chunk(out, 'IDAT', data);
      else chunk(out, 'fdAT', new ByteWriter().high(sequence++, 4).add(data).bytes());
      run.progress(0.9 + (0.1 * (i + 1)) / count);
    }
    chunk(out, 'IEND', new Uint8Array(0));
    await writeFile(sink, `${fileStem(pixels.name)}.png`, 'image/png', out.bytes());
  },
};

const SIGNATURE = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);

/** Eight bits a channel, red, green, blue and alpha, not interlaced. */
const headOf = ({ width, height }: Pixels): Uint8Array =>
  new ByteWriter()
    .high(width, 4)
    .high(height, 4)
    .add(Uint8Array.of(8, 6, 0, 0, 0))
    .bytes();

/** Frames between two at which both ways of writing rows are tried: those between take what served best. */
const TRIED_EVERY = 12;

/** Packs pieces by the way that makes them smallest. Asked for in the order of the frames, though some are packed at once: what a frame takes over is settled by that order, not by which is done first. */
class Packing {
  #best: Promise<Filtering> = Promise.resolve('each');

  async packed(i: number, { pixels, width }: Piece): Promise<Uint8Array> {
    const by = (filtering: Filtering): Promise<Uint8Array> => packed(rowsOf(pixels, width, filtering));
    if (i > 1 && i % TRIED_EVERY > 0) return by(await this.#best);
    const both = Promise.all([by('none'), by('each')]);
    this.#best = both.then(([plain, filtered]) => (plain.length < filtered.length ? 'none' : 'each'));
    const [plain, filtered] = await both;
    return (await this.#best) === 'none' ? plain : filtered;
  }
}

function chunk(out: ByteWriter, kind: string, data: Uint8Array): void {
  const body = new ByteWriter().text(kind).add(data).bytes();
  out.high(data.length, 4).add(body).high(crc32(body), 4);
}
