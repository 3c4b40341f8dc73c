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
  /** The pose that is shown, counted from 1; 0: nothing is. 1 for art without poses. */
  pose: 14,
  /** Which of its stretches behind another rider it is in, counted from 1; 0: in its own place. */
  under: 15,
} as const;

/** Numbers a pose takes. */
export const POSE_SIZE = 16;

/** A rider's working row: its pose, and behind it what the stages hand on to each other. */
export const SLOT = {
  ...POSE,
  /** The time asked about, s. */
  time: 16,
  /** Time folded into the rider's cycle, s. */
  local: 17,
  /** Lift and lead with their keys, px. */
  lift: 18,
  lead: 19,
  /** The direction in which the rider heads, rad, unwrapped: what its nose points at before the fine turn. */
  toward: 20,
  /** 1 where it is mirrored, else 0. */
  mirrored: 21,
  /** 1 where it moves against the guide's direction and turns round for it, else 0. */
  back: 22,
  /** 1 where `mirrored` and `back` are given: a limit is asked for at a time where they change. */
  held: 23,
  /** How large it is by the depth of its guide: a factor. */
  depth: 24,
  /** s before the loop, negative, in the lead-in; else 0. */
  before: 25,
} as const;

export const ROW_SIZE = 26;
