/** What is known of a rider at a time, as offsets into `Poses.data`. */
export const POSE = {
  /** Affine matrix from art pixels to canvas pixels: a, b, c, d, e, f as in SVG. */
  a: 0,
  b: 1,
  c: 2,
  d: 3,
  e: 4,
  f: 5,
  opacity: 6,
  /** Distance along the guide, px, not wrapped; 0 when parked. */
  distance: 7,
  /** The pivot on the canvas, px. */
  x: 8,
  y: 9,
  /** Rotation, rad, clockwise positive, unwrapped. */
  angle: 10,
  scaleX: 11,
  scaleY: 12,
  /** Horizontal skew, rad. */
  skew: 13,
} as const;

/** Numbers a pose takes. */
export const POSE_SIZE = 14;

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
