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

/** A rider's working row: its pose, and behind it what the stages hand on to each other. */
export const SLOT = {
  ...POSE,
  /** The time asked about, s. */
  time: 14,
  /** Time folded into the rider's cycle, s. */
  local: 15,
} as const;

export const ROW_SIZE = 16;
