import { z } from '../../zod.ts';
import { evenDelays } from '../../take/index.ts';
import { DRAWN } from '../features.ts';
import { imageElement } from '../embed.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { writeFile } from '../sink.ts';
import { fileStem } from '../text.ts';
import { oneAhead } from './ahead.ts';
import { ByteWriter, crc32 } from './bytes.ts';
import { ledFrames, pixelOptions } from './options.ts';

const options = z.object(pixelOptions);

/** PNG with many pictures (PNG, third edition): of every frame a PNG of what has changed, its data under new heads. */
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
    let sequence = 0;
    const pieces = oneAhead(count, async (i) => {
      stopIfAborted(run);
      const rect = await pixels.changed(i);
      return { i, rect, chunks: chunksOf(await pixels.picture(i, 'image/png', 1, rect)) };
    });
    for await (const { i, rect, chunks } of pieces) {
      const head = chunks.find(({ kind }) => kind === 'IHDR');
      if (i === 0 && head) {
        chunk(out, 'IHDR', head.data);
        chunk(
          out,
          'acTL',
          new ByteWriter()
            .high(count, 4)
            .high(times ?? 0, 4)
            .bytes(),
        );
      }
      const control = new ByteWriter().high(sequence++, 4).high(rect.width, 4).high(rect.height, 4);
      control.high(rect.x, 4).high(rect.y, 4);
      // What lies below is replaced, and nothing is taken away afterwards.
      chunk(
        out,
        'fcTL',
        control
          .high(delays[i] ?? 0, 2)
          .high(1000, 2)
          .low(0, 1)
          .low(0, 1)
          .bytes(),
      );
      for (const { kind, data } of chunks) {
        if (kind !== 'IDAT') continue;
        if (i === 0) chunk(out, 'IDAT', data);
        else chunk(out, 'fdAT', new ByteWriter().high(sequence++, 4).add(data).bytes());
      }
      run.progress(0.9 + (0.1 * (i + 1)) / count);
    }
    chunk(out, 'IEND', new Uint8Array(0));
    await writeFile(sink, `${fileStem(pixels.name)}.png`, 'image/png', out.bytes());
  },
};

const SIGNATURE = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);

interface Chunk {
  readonly kind: string;
  readonly data: Uint8Array;
}

/** The chunks of a PNG. */
function chunksOf(file: Uint8Array): Chunk[] {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  const found: Chunk[] = [];
  for (let at = SIGNATURE.length; at + 12 <= file.length;) {
    const size = view.getUint32(at);
    const kind = String.fromCharCode(...file.subarray(at + 4, at + 8));
    found.push({ kind, data: file.subarray(at + 8, at + 8 + size) });
    at += 12 + size;
  }
  return found;
}

function chunk(out: ByteWriter, kind: string, data: Uint8Array): void {
  const body = new ByteWriter().text(kind).add(data).bytes();
  out.high(data.length, 4).add(body).high(crc32(body), 4);
}
