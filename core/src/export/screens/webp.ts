import { z } from '../../zod.ts';
import { evenDelays, type PixelRect } from '../../take/index.ts';
import { DRAWN } from '../features.ts';
import { imageElement } from '../embed.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { writeFile } from '../sink.ts';
import { fileStem } from '../text.ts';
import { oneAhead } from './ahead.ts';
import { ByteWriter } from './bytes.ts';
import { ledFrames, pixelOptions } from './options.ts';

const options = z.object({
  ...pixelOptions,
  quality: z.number().min(1).max(100).default(82).describe('Quality, 1 to 100'),
});

/** Animated WebP (RFC 9649): every frame's own picture in one container. */
export const webp: Format<'pixels', typeof options> = {
  id: 'webp',
  name: 'Animated WebP',
  group: 'screens',
  about: 'Small and half transparent where wanted: for pages that take pictures only.',
  extension: 'webp',
  type: 'image/webp',
  options,
  needs: 'pixels',
  holds: DRAWN,
  holdsWith: ledFrames,
  embed: imageElement,
  async write(pixels, { quality }, sink, run) {
    const { width, height, count, length, times, isClear } = pixels;
    const delays = evenDelays(count, length, 1000);
    const body = new ByteWriter().text('WEBP');
    const [animated, alpha] = [0x02, 0x10];
    riff(
      body,
      'VP8X',
      new ByteWriter()
        .low(animated | (isClear ? alpha : 0), 4)
        .low(width - 1, 3)
        .low(height - 1, 3),
    );
    riff(body, 'ANIM', new ByteWriter().low(0, 4).low(times ?? 0, 2));
    const pieces = oneAhead(count, async (i) => {
      stopIfAborted(run);
      const rect = evenly(await pixels.changed(i));
      return { i, rect, picture: bareOf(await pixels.picture(i, 'image/webp', quality / 100, rect)) };
    });
    for await (const { i, rect, picture } of pieces) {
      const [noBlending] = [0x02];
      const frame = new ByteWriter()
        .low(rect.x / 2, 3)
        .low(rect.y / 2, 3)
        .low(rect.width - 1, 3);
      frame.low(rect.height - 1, 3).low(delays[i] ?? 0, 3);
      riff(body, 'ANMF', frame.low(noBlending, 1).add(picture));
      run.progress(0.9 + (0.1 * (i + 1)) / count);
    }
    const file = new ByteWriter().text('RIFF').low(body.length, 4).add(body.bytes());
    await writeFile(sink, `${fileStem(pixels.name)}.webp`, 'image/webp', file.bytes());
  },
};

/** A piece that begins at even places, as the container can say. */
function evenly({ x, y, width, height }: PixelRect): PixelRect {
  const [left, top] = [x - (x % 2), y - (y % 2)];
  return { x: left, y: top, width: width + x - left, height: height + y - top };
}

/** A chunk of the container: padded to an even length. */
function riff(out: ByteWriter, kind: string, content: ByteWriter): void {
  out.text(kind).low(content.length, 4).add(content.bytes());
  if (content.length % 2 === 1) out.low(0, 1);
}

/** The chunks of a single picture's pixels. */
function bareOf(file: Uint8Array): Uint8Array {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  const out = new ByteWriter();
  for (let at = 12; at + 8 <= file.length;) {
    const kind = String.fromCharCode(...file.subarray(at, at + 4));
    const size = view.getUint32(at + 4, true);
    const whole = 8 + size + (size % 2);
    if (kind === 'ALPH' || kind === 'VP8 ' || kind === 'VP8L') out.add(file.subarray(at, at + whole));
    at += whole;
  }
  return out.bytes();
}
