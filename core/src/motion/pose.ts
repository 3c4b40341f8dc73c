import { POSE, POSE_SIZE } from './slots.ts';

/** The poses of all riders of a scene, in its order; filled in place by `Motion.poseAt`. */
export class Poses {
  readonly data: Float64Array;
  readonly count: number;

  constructor(count: number) {
    this.count = count;
    this.data = new Float64Array(count * POSE_SIZE);
  }

  /** One value of one rider's pose: `poses.of(2, 'x')`. */
  of(rider: number, key: keyof typeof POSE): number {
    return this.data[rider * POSE_SIZE + POSE[key]] ?? 0;
  }
}
