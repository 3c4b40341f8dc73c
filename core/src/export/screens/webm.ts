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
  rate: z.number().min(100).max(50_000).default(4000).describe('Kilobits a second'),
});

/** A film: VP9 in WebM, transparent where nothing is painted behind it. */
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
  embed: videoElement,
  async write(pixels, { rate }, sink, run) {
    const film = await pixels.film(rate * 1000, (share) => {
      stopIfAborted(run);
      run.progress(0.9 + 0.1 * share);
    });
    await writeFile(sink, `${fileStem(pixels.name)}.webm`, 'video/webm', film);
  },
};
