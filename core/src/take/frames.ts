import { Poses, prepare } from '../motion/index.ts';
import { frameCount, riderCodes, sentFrames, type Scene } from '../scene/index.ts';

/** A scene by frames, for data and pixels: N = max(1, round(length · fps)) frames at i · length / N; of what plays once one more, its last moment. */
export interface Frames {
  readonly name: string;
  readonly canvas: Scene['canvas'];
  /** Seconds. */
  readonly length: number;
  readonly fps: number;
  readonly count: number;
  /** The camera's rider; null where there is none. */
  readonly camera: string | null;
  /** Some of the art has poses. */
  readonly hasPoses: boolean;
  /** Ids of the riders that are sent, in the scene's order. */
  readonly riders: readonly string[];
  /** What tables call a rider, and its name. */
  readonly codeOf: (rider: string) => string;
  readonly nameOf: (rider: string) => string;
  readonly timeOf: (frame: number) => number;
  /** Fills the poses of all riders of the scene; `rowOf` says where a rider's stands. */
  readonly posesAt: (frame: number, out?: Poses) => Poses;
  readonly rowOf: (rider: string) => number;
  /** Speed along the guide at a frame, px/s, of the rider in a row; 0 when parked. */
  readonly speedAt: (frame: number, row: number) => number;
}

export function framesOf(scene: Scene, { onProgress }: { onProgress?: (share: number) => void } = {}): Frames {
  const motion = prepare(scene);
  const count = sentFrames(scene.clock);
  const steps = frameCount(scene.clock);
  const timeOf = (frame: number): number => (frame * motion.length) / steps;
  const codes = riderCodes(scene.riders);
  const names = new Map(scene.riders.map(({ id, name }) => [id, name]));
  onProgress?.(1);
  return {
    name: scene.name,
    canvas: scene.canvas,
    length: motion.length,
    fps: scene.clock.fps,
    count,
    camera: scene.camera,
    hasPoses: scene.art.some(({ kind }) => kind === 'strip'),
    riders: scene.riders.filter((rider) => rider.output).map((rider) => rider.id),
    codeOf: (rider) => codes.get(rider) ?? rider,
    nameOf: (rider) => names.get(rider) ?? rider,
    timeOf,
    posesAt: (frame, out = new Poses(motion.riders.length)) => motion.poseAt(timeOf(frame), out),
    rowOf: (rider) => motion.indexOf(rider),
    speedAt: (frame, row) => motion.riders[row]?.speedAt(timeOf(frame)) ?? 0,
  };
}
