import { z } from '../../zod.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { fileStem } from '../text.ts';
import { csvLine } from './pose-rows.ts';

const options = z.object({});

/** frame, s, guide, rider, px along the guide, share of its length, px from the frame before. */
const COLUMNS = ['frame', 'time', 'guide', 'rider', 'distance', 'share', 'spacing'] as const;

/** Where every rider is along its guide at each frame, and how far from the frame before: the spacing of animators. */
export const exposureCsv: Format<'sheets', typeof options> = {
  id: 'exposure-csv',
  name: 'Exposure list',
  group: 'data',
  about: 'Frame by frame, how far along its guide each rider is and how wide its spacing: for a sheet on paper.',
  extension: 'csv',
  type: 'text/csv',
  options,
  needs: 'sheets',
  holds: ['poses', 'camera', 'stack', 'clips', 'strokes', 'background', 'art'],
  async write(sheets, _, sink, run) {
    const file = sink.open(`${fileStem(sheets.name)}-exposure.csv`, 'text/csv');
    await file.write(`${COLUMNS.join(',')}\n`);
    for (let i = 0; i < sheets.count; i++) {
      stopIfAborted(run);
      for (const { name, length, lines } of sheets.routes)
        for (const line of lines) {
          const distance = line.distanceAt(i);
          const spacing = i > 0 ? distance - line.distanceAt(i - 1) : 0;
          const share = length > 0 ? distance / length : 0;
          // The frame is counted, not measured.
          await file.write(`${i},${csvLine([sheets.timeOf(i), name, line.name, distance, share, spacing])}`);
        }
    }
    await file.close();
  },
};
