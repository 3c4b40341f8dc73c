import { POSE, POSE_SIZE, SLOT } from '../slots.ts';
import { footMoves } from '../prepared-rider.ts';
import type { HeadingMode } from './mode.ts';

/** px. Nearer than this a rider has no direction to its target, and keeps to 0. */
const NO_DIRECTION = 1e-9;

/** The frame of what nothing carries. */
const CANVAS = Float64Array.of(1, 0, 0, 1, 0, 0);

/** Faces a point of the frame that it is placed in, or the pivot of another rider wherever that is. */
export const toward: HeadingMode = {
  mode: 'toward',
  parked: true,
  turns: true,
  reverses: false,
  aim: ({ prepared, graph, frame }) => {
    const { target } = prepared.rider.heading;
    const other = target.kind === 'rider' ? graph.motionOf(target.rider) : undefined;
    const point = target.kind === 'point' ? target.at : [0, 0];
    const pose = new Float64Array(POSE_SIZE);
    const moves = footMoves(prepared) || other !== undefined || frame !== undefined;
    return {
      run(cursor) {
        const { row } = cursor;
        const x = row[SLOT.x] ?? 0;
        const y = row[SLOT.y] ?? 0;
        const m = frame?.pose ?? CANVAS;
        let u = (point[0] ?? 0) - x;
        let v = (point[1] ?? 0) - y;
        let dx = (m[POSE.a] ?? 1) * u + (m[POSE.c] ?? 0) * v;
        let dy = (m[POSE.b] ?? 0) * u + (m[POSE.d] ?? 1) * v;
        if (other) {
          other.poseWith(cursor, pose, 0);
          dx = (pose[POSE.x] ?? 0) - ((m[POSE.a] ?? 1) * x + (m[POSE.c] ?? 0) * y + (m[POSE.e] ?? 0));
          dy = (pose[POSE.y] ?? 0) - ((m[POSE.b] ?? 0) * x + (m[POSE.d] ?? 1) * y + (m[POSE.f] ?? 0));
        }
        const i = frame?.inherited;
        if (i) {
          // So that what it inherits of its carrier turns the nose to the target.
          const det = (i[0] ?? 1) * (i[3] ?? 1) - (i[1] ?? 0) * (i[2] ?? 0);
          const size = det === 0 ? 0 : 1 / det;
          u = dx;
          v = dy;
          dx = ((i[3] ?? 1) * u - (i[2] ?? 0) * v) * size;
          dy = ((i[0] ?? 1) * v - (i[1] ?? 0) * u) * size;
        }
        row[SLOT.toward] = Math.abs(dx) + Math.abs(dy) < NO_DIRECTION ? 0 : Math.atan2(dy, dx);
      },
      varies: moves ? ['angle'] : [],
      events: (from, to) => other?.events(from, to) ?? [],
    };
  },
};
