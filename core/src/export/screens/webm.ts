import { z } from '../../zod.ts';
import { DRAWN } from '../features.ts';
import { videoElement } from '../embed.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { writeFile } from '../sink.ts';
import { fileStem } from '../text.ts';
import { ledFrames, pixelOptions } from './options.ts';

const options = z.object({
  ...pixelOptions,
  codec: z
    .enum(['vp9', 'av1'])
    .default('vp9')
    .describe('Codec: av1 is smaller, for current browsers, without transparency'),
  quality: z.number().min(1).max(100).default(60).describe('Quality, 1 to 100'),
  rate: z
    .number()
    .min(0)
    .max(50_000)
    .refine((rate) => rate === 0 || rate >= 100, '0, or at least 100')
    .default(0)
    .describe('Bitrate, kilobits a second; 0: as the quality takes'),
});

/** A film in WebM: VP9, transparent where nothing is painted behind it, or AV1. */
export const webm: Format<'pixels', typeof options> = {
  id: 'webm',
  name: 'WebM film',
  group: 'screens',
  about: 'A film that is small at any size, transparent where wanted: for pages, panels and cutting.',
  extension: 'webm',
  type: 'video/webm',
  options,
  needs: 'pixels',
  holds: DRAWN,
  holdsWith: ledFrames,
  notes: ({ canvas }, { codec, background }) =>
    codec === 'av1' && (!background || canvas.background === null)
      ? ['AV1 holds no transparency: what is clear comes out black. VP9 keeps it.']
      : [],
  embed: videoElement,
  async write(pixels, { codec, quality, rate }, sink, run) {
    const film = await pixels.film({ codec, quality: quality / 100, rate: rate * 1000 }, (share) => {
      stopIfAborted(run);
      run.progress(0.9 + 0.1 * share);
    });
    await writeFile(sink, `${fileStem(pixels.name)}.webm`, 'video/webm', film);
  },
};
