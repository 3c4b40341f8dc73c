import {
  csvLine,
  frameCount,
  jsonRow,
  loopLength,
  POSE_COLUMNS,
  poseRow,
  prepare,
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
  const rows = rowsOf(scene, timesOf(scene, options), options.rider);
  return format === 'csv'
    ? `${POSE_COLUMNS.join(',')}\n${rows.map(csvLine).join('')}`
    : `[\n${rows.map(jsonRow).join(',\n')}\n]\n`;
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

function rowsOf(scene: Scene, times: readonly number[], only: string | undefined): PoseRow[] {
  if (only !== undefined && !scene.riders.some((rider) => rider.id === only))
    throw new UsageError(`there is no rider "${only}"`);
  const motion = prepare(scene);
  const poses = new Poses(motion.riders.length);
  const riders = scene.riders.filter(({ id }) => only === undefined || id === only);
  return times.flatMap((time) => {
    motion.poseAt(time, poses);
    return riders.map(({ id }) => poseRow(time, id, poses, motion.indexOf(id)));
  });
}
