import { zipSync, type Zippable } from 'fflate';
import { z } from '../../zod.ts';
import { DRAWN } from '../features.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { writeFile } from '../sink.ts';
import { fileStem } from '../text.ts';
import { ledFrames, pixelOptions } from './options.ts';

const options = z.object(pixelOptions);

/** The date in the archive: the same each time. */
const DAY = new Date(1980, 0, 1);

/** Every frame as a PNG, numbered from 0, in one archive. */
export const pngSequence: Format<'pixels', typeof options> = {
  id: 'png-sequence',
  name: 'PNG sequence',
  group: 'screens',
  about: 'A picture for each frame, in an archive: for films and programs that put frames together.',
  extension: 'zip',
  type: 'application/zip',
  options,
  needs: 'pixels',
  holds: DRAWN,
  holdsWith: ledFrames,
  async write(pixels, _, sink, run) {
    const stem = fileStem(pixels.name);
    const digits = Math.max(4, String(pixels.count - 1).length);
    const files: Zippable = {};
    for (let i = 0; i < pixels.count; i++) {
      stopIfAborted(run);
      const name = `${stem}-${String(i).padStart(digits, '0')}.png`;
      // They are compressed already.
      files[name] = [await pixels.picture(i, 'image/png', 1), { level: 0, mtime: DAY }];
      run.progress(0.9 + (0.1 * (i + 1)) / pixels.count);
    }
    await writeFile(sink, `${stem}-frames.zip`, 'application/zip', zipSync(files));
  },
};
