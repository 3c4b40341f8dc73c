import { z } from '../../zod.ts';
import type { Format } from '../format.ts';
import { stopIfAborted } from '../run.ts';
import { fileStem, pageJson, formatNumber } from '../text.ts';

const options = z.object({});

const number = z.number();

/** The shape of what is written: px, degrees, factors, shares, px/s; the camera's rider is among the others. */
export const framesShape = z.strictObject({
  format: z.literal('pace-line/frames'),
  version: z.literal(2),
  name: z.string(),
  canvas: z.strictObject({ width: number, height: number }),
  fps: number,
  length: number,
  /** Names by what the riders are called below. */
  riders: z.record(z.string(), z.string()),
  frames: z.array(
    z.strictObject({
      frame: z.int(),
      time: number,
      riders: z.record(
        z.string(),
        z.strictObject({
          ...{ x: number, y: number, angle: number, scaleX: number, scaleY: number, skew: number },
          ...{ opacity: number, distance: number, speed: number },
          pose: z.int().optional(),
        }),
      ),
    }),
  ),
  camera: z.string().nullable(),
});

const DEGREES = 180 / Math.PI;
const six = (value: number): number => Number(formatNumber(value, 6));

/** Every rider's pose at every frame, as JSON: frames in order, in each the riders by what they are called in code. */
export const framesJson: Format<'frames', typeof options> = {
  id: 'frames-json',
  name: 'Frames as JSON',
  group: 'data',
  about: 'Where every rider is at each frame, how large, how turned and how fast: for programs of one’s own.',
  extension: 'json',
  type: 'application/json',
  options,
  needs: 'frames',
  holds: ['poses', 'camera'],
  async write(frames, _, sink, run) {
    const { canvas, fps, length, count } = frames;
    const file = sink.open(`${fileStem(frames.name)}-frames.json`, 'application/json');
    const size = { width: canvas.width, height: canvas.height };
    const sent =
      frames.camera === null || frames.riders.includes(frames.camera)
        ? frames.riders
        : [...frames.riders, frames.camera];
    const named = Object.fromEntries(sent.map((id) => [frames.codeOf(id), frames.nameOf(id)]));
    const { name } = frames;
    const head = {
      format: 'pace-line/frames',
      version: 2,
      name,
      canvas: size,
      fps,
      length: six(length),
      riders: named,
    };
    await file.write(`${pageJson(head).slice(0, -1)},"frames":[\n`);
    for (let i = 0; i < count; i++) {
      stopIfAborted(run);
      const poses = frames.posesAt(i);
      const riders = Object.fromEntries(
        sent.map((id) => {
          const at = frames.rowOf(id);
          const of = (key: Parameters<typeof poses.of>[1]): number => six(poses.of(at, key));
          return [
            frames.codeOf(id),
            {
              x: of('x'),
              y: of('y'),
              angle: six(poses.of(at, 'angle') * DEGREES),
              scaleX: of('scaleX'),
              scaleY: of('scaleY'),
              skew: six(poses.of(at, 'skew') * DEGREES),
              opacity: of('opacity'),
              distance: of('distance'),
              speed: six(frames.speedAt(i, at)),
              ...(frames.hasPoses ? { pose: poses.of(at, 'pose') } : {}),
            },
          ];
        }),
      );
      await file.write(`${pageJson({ frame: i, time: six(frames.timeOf(i)), riders })}${i + 1 < count ? ',' : ''}\n`);
      run.progress(0.9 + (0.1 * (i + 1)) / count);
    }
    await file.write(`],"camera":${pageJson(frames.camera === null ? null : frames.codeOf(frames.camera))}}\n`);
    await file.close();
  },
};
