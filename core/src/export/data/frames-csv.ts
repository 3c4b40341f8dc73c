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
    const columns = [...poseColumns(frames.hasPoses), 'name'];
    const file = sink.open(`${fileStem(frames.name)}.csv`, 'text/csv');
    await file.write(`${columns.join(',')}\n`);
    for (let i = 0; i < frames.count; i++) {
      stopIfAborted(run);
      const poses = frames.posesAt(i);
      const row = (code: string, rider: string): string => {
        const pose = poseRow(columns.length - 1, frames.timeOf(i), code, poses, frames.rowOf(rider));
        return csvLine([...pose, frames.nameOf(rider)]);
      };
      const view =
        frames.camera === null || frames.riders.some((rider) => frames.codeOf(rider) === CAMERA_ROW)
          ? ''
          : row(CAMERA_ROW, frames.camera);
      await file.write(frames.riders.map((rider) => row(frames.codeOf(rider), rider)).join('') + view);
      run.progress(0.9 + (0.1 * (i + 1)) / frames.count);
    }
    await file.close();
  },
};
