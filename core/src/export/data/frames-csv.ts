import { z } from '../../zod.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { fileStem } from '../text.ts';
import { CAMERA_ROW, csvLine, poseColumns, poseRow } from './pose-rows.ts';

const options = z.object({});

/** Every rider's pose at every frame, a row each. */
export const framesCsv: Format<'frames', typeof options> = {
  id: 'frames-csv',
  name: 'Frames as a table',
  group: 'data',
  about: 'Where every rider is at each frame, as a table for programs of one’s own.',
  extension: 'csv',
  type: 'text/csv',
  options,
  needs: 'frames',
  holds: ['poses', 'camera'],
  async write(frames, _, sink, run) {
    const columns = poseColumns(frames.hasPoses);
    const file = sink.open(`${fileStem(frames.name)}.csv`, 'text/csv');
    await file.write(`${columns.join(',')}\n`);
    for (let i = 0; i < frames.count; i++) {
      stopIfAborted(run);
      const poses = frames.posesAt(i);
      const row = (name: string, at: number): string =>
        csvLine(poseRow(columns.length, frames.timeOf(i), name, poses, at));
      const view =
        frames.camera === null || frames.riders.includes(CAMERA_ROW)
          ? ''
          : row(CAMERA_ROW, frames.rowOf(frames.camera));
      await file.write(frames.riders.map((rider) => row(rider, frames.rowOf(rider))).join('') + view);
      run.progress(0.9 + (0.1 * (i + 1)) / frames.count);
    }
    await file.close();
  },
};
