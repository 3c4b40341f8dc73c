import {
  CAMERA_ROW,
  cameraOf,
  csvLine,
  frameCount,
  jsonRow,
  loopLength,
  poseColumns,
  poseRow,
  prepare,
  riderCodes,
  Poses,
  type PoseRow,
  type Scene,
} from '@pace-line/core';
import { UsageError } from './errors.ts';

interface SampleOptions {
  readonly fps?: string | undefined;
  readonly times?: string | undefined;
  readonly rider?: string | undefined;
  readonly format?: string | undefined;
}

/** The poses of a scene as CSV or JSON: for each time and rider in order. Angles in degrees, six decimals. */
export function sample(scene: Scene, options: SampleOptions): string {
  const format = options.format ?? 'csv';
  if (format !== 'csv' && format !== 'json') throw new UsageError(`--format is csv or json, not "${format}"`);
  const columns = poseColumns(scene.art.some(({ kind }) => kind === 'strip'));
  const rows = rowsOf(scene, timesOf(scene, options), options.rider, columns.length);
  return format === 'csv'
    ? `${columns.join(',')}\n${rows.map(csvLine).join('')}`
    : `[\n${rows.map((row) => jsonRow(columns, row)).join(',\n')}\n]\n`;
}

function timesOf(scene: Scene, { fps, times }: SampleOptions): number[] {
  if (fps !== undefined && times !== undefined) throw new UsageError('give --fps or --times, not both');
  if (times !== undefined)
    return times.split(',').map((text) => {
      const value = Number(text);
      if (text.trim() === '' || !Number.isFinite(value))
        throw new UsageError(`--times: "${text}" is not a number of seconds`);
      return value;
    });
  const rate = fps === undefined ? scene.clock.fps : Number(fps);
  if (!(rate > 0 && rate <= 10_000)) throw new UsageError(`--fps: "${fps}" is not a number of frames a second`);
  const clock = { ...scene.clock, fps: rate };
  const count = frameCount(clock);
  return Array.from({ length: count }, (_, i) => (i * loopLength(clock)) / count);
}

/** The id of a rider that is asked for by it, by its name, or by what code calls it. */
function asId({ riders }: Scene, asked: string): string {
  const codes = riderCodes(riders);
  const found =
    riders.find(({ id }) => id === asked) ??
    riders.find(({ name }) => name === asked) ??
    riders.find(({ id }) => codes.get(id) === asked);
  return found?.id ?? asked;
}

/** A row for each rider, then one for the view where the scene has a camera. */
function rowsOf(scene: Scene, times: readonly number[], only: string | undefined, columns: number): PoseRow[] {
  const motion = prepare(scene);
  const camera = cameraOf(scene, motion);
  const all = scene.riders.map(({ id }) => ({ name: id, at: motion.indexOf(id) }));
  // A rider of that name has the row already.
  if (camera >= 0 && motion.indexOf(CAMERA_ROW) < 0) all.push({ name: CAMERA_ROW, at: camera });
  const asked = all.filter(({ name }) => only === undefined || name === asId(scene, only));
  if (only !== undefined && asked.length === 0) throw new UsageError(`there is no rider "${only}"`);
  const poses = new Poses(motion.riders.length);
  return times.flatMap((time) => {
    motion.poseAt(time, poses);
    return asked.map(({ name, at }) => poseRow(columns, time, name, poses, at));
  });
}
