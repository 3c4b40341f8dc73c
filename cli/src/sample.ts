import { formatNumber, frameCount, loopLength, prepare, Poses, type Scene } from '@pace-line/core';
import { UsageError } from './errors.ts';

const COLUMNS = ['time', 'rider', 'x', 'y', 'angle', 'scaleX', 'scaleY', 'skew', 'opacity', 'distance'] as const;

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
  if (format === 'csv') return [COLUMNS.join(','), ...rows.map((row) => row.map(cell).join(','))].join('\n') + '\n';
  const objects = rows.map((row) =>
    Object.fromEntries(COLUMNS.map((key, i) => [key, typeof row[i] === 'number' ? Number(cell(row[i])) : row[i]])),
  );
  return `[\n${objects.map((row) => JSON.stringify(row)).join(',\n')}\n]\n`;
}

const cell = (value: string | number): string =>
  typeof value === 'number' ? fixed(value) : /[,"\n]/.test(value) ? `"${value.replace(/"/g, '""')}"` : value;

const fixed = (value: number): string => Number(formatNumber(value, 6)).toFixed(6);

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

function rowsOf(scene: Scene, times: readonly number[], only: string | undefined): (string | number)[][] {
  if (only !== undefined && !scene.riders.some((rider) => rider.id === only))
    throw new UsageError(`there is no rider "${only}"`);
  const motion = prepare(scene);
  const poses = new Poses(motion.riders.length);
  const degrees = 180 / Math.PI;
  return times.flatMap((time) => {
    motion.poseAt(time, poses);
    return scene.riders.flatMap((rider, i) =>
      only !== undefined && rider.id !== only
        ? []
        : [
            [
              time,
              rider.id,
              poses.of(i, 'x'),
              poses.of(i, 'y'),
              poses.of(i, 'angle') * degrees,
              poses.of(i, 'scaleX'),
              poses.of(i, 'scaleY'),
              poses.of(i, 'skew') * degrees,
              poses.of(i, 'opacity'),
              poses.of(i, 'distance'),
            ],
          ],
    );
  });
}
