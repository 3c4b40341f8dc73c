import { z } from 'zod';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { fileStem } from '../text.ts';
import { csvLine, POSE_COLUMNS, poseRow } from './pose-rows.ts';

const options = z.object({});

/** Every rider's pose at every frame, a row each. */
export const framesCsv: Format<'frames', typeof options> = {
  id: 'frames-csv',
  name: 'Frames as a table',
  about: 'Where every rider is at each frame, as a table for programs of one’s own.',
  extension: 'csv',
  type: 'text/csv',
  options,
  needs: 'frames',
  holds: [],
  async write(frames, _, sink, run) {
    const file = sink.open(`${fileStem(frames.name)}.csv`, 'text/csv');
    await file.write(`${POSE_COLUMNS.join(',')}\n`);
    for (let i = 0; i < frames.count; i++) {
      stopIfAborted(run);
      const poses = frames.posesAt(i);
      await file.write(
        frames.riders.map((rider) => csvLine(poseRow(frames.timeOf(i), rider, poses, frames.rowOf(rider)))).join(''),
      );
      run.progress(0.9 + (0.1 * (i + 1)) / frames.count);
    }
    await file.close();
  },
};
