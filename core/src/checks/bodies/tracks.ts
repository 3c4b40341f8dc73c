import { EMPTY_BOX, unionOf, type Body, type Box } from '../../geometry/index.ts';
import { paintedOf } from '../../drawing/painted.ts';
import { POSE, POSE_SIZE, type RiderMotion } from '../../motion/index.ts';
import { pictureOf, posesOf, type Art, type Scene } from '../../scene/index.ts';
import { UNSEEN_OPACITY } from '../../tolerances.ts';

/** s of a cell of time: motion within a piece of it is near to straight. */
const CELL = 1 / 60;

/** s. Times nearer than this are one. */
const SAME = 1e-9;

/** By how much more than in its middle a piece of motion may leave its chord. */
const MARGIN = 2;

/** A rider over the loop, in cells of time: what its body sweeps in each. */
export class Track {
  readonly motion: RiderMotion;
  /** Its body in each pose, from 1. */
  readonly bodies: readonly (Body | undefined)[];
  /** The times at which it is not smooth, s, ascending. */
  readonly events: readonly number[];
  /** left, top, right, bottom of what it sweeps in each cell, px; empty (left > right) where it is not seen. */
  readonly swept: Float64Array;
  readonly isStanding: boolean;

  constructor(motion: RiderMotion, art: Art, { canvas, camera }: Scene, length: number, cells: number) {
    this.motion = motion;
    this.bodies = Array.from({ length: posesOf(art) }, (_, i) => {
      const picture = pictureOf(art, i + 1);
      return picture && paintedOf(picture).body;
    });
    this.isStanding = motion.varies.length === 0;
    this.events = this.isStanding ? [] : motion.events(0, length);
    this.swept = new Float64Array(4 * cells);
    const seen: Box | undefined =
      camera === null ? { left: 0, top: 0, right: canvas.width, bottom: canvas.height } : undefined;
    this.#sweep(length, cells, seen);
  }

  /** The body that is shown in a pose; undefined where nothing is. */
  bodyIn(data: ArrayLike<number>, offset = 0): Body | undefined {
    if ((data[offset + POSE.opacity] ?? 1) <= UNSEEN_OPACITY) return undefined;
    const pose = data[offset + POSE.pose] ?? 1;
    return pose === 0 ? undefined : this.bodies[Math.max(0, Math.round(pose) - 1)];
  }

  #sweep(length: number, cells: number, seen: Box | undefined): void {
    const poses = new Float64Array(3 * POSE_SIZE);
    const { events, motion } = this;
    let event = 0;
    let last = NaN;
    let standing: Box | undefined;
    for (let cell = 0; cell < cells; cell++) {
      const from = (length * cell) / cells;
      const to = (length * (cell + 1)) / cells;
      let box = standing ?? EMPTY_BOX;
      for (let t0 = from; t0 < to && !standing;) {
        const isEvent = (events[event] ?? Infinity) <= t0 + SAME;
        while ((events[event] ?? Infinity) <= t0 + SAME) event++;
        const t1 = Math.min(to, events[event] ?? to);
        // What moves on smoothly is where it was at the end of the last piece.
        if (t0 === last && !isEvent) poses.copyWithin(0, 2 * POSE_SIZE);
        else motion.poseAt(t0, 1, poses, 0);
        motion.poseAt((t0 + t1) / 2, 1, poses, POSE_SIZE);
        motion.poseAt(t1, -1, poses, 2 * POSE_SIZE);
        box = unionOf(box, this.#pieceOf(poses));
        t0 = last = t1;
      }
      if (this.isStanding) standing = box;
      const isSeen =
        !seen || (box.right > seen.left && box.left < seen.right && box.bottom > seen.top && box.top < seen.bottom);
      const kept = isSeen ? box : EMPTY_BOX;
      this.swept[4 * cell] = kept.left;
      this.swept[4 * cell + 1] = kept.top;
      this.swept[4 * cell + 2] = kept.right;
      this.swept[4 * cell + 3] = kept.bottom;
    }
  }

  /** What the body sweeps between the first and the last of three poses. */
  #pieceOf(poses: Float64Array): Box {
    let left = Infinity;
    let top = Infinity;
    let right = -Infinity;
    let bottom = -Infinity;
    let leaves = 0;
    for (let k = 0; k < 3; k++) {
      const body = this.bodyIn(poses, k * POSE_SIZE);
      if (!body || body.isEmpty) continue;
      for (let corner = 0; corner < 4; corner++) {
        const u = corner & 1 ? body.box.right : body.box.left;
        const v = corner & 2 ? body.box.bottom : body.box.top;
        const x = xAt(poses, k * POSE_SIZE, u, v);
        const y = yAt(poses, k * POSE_SIZE, u, v);
        left = Math.min(left, x);
        right = Math.max(right, x);
        top = Math.min(top, y);
        bottom = Math.max(bottom, y);
        if (k !== 1) continue;
        const across = x - (xAt(poses, 0, u, v) + xAt(poses, 2 * POSE_SIZE, u, v)) / 2;
        const down = y - (yAt(poses, 0, u, v) + yAt(poses, 2 * POSE_SIZE, u, v)) / 2;
        leaves = Math.max(leaves, Math.abs(across), Math.abs(down));
      }
    }
    const more = MARGIN * leaves;
    return { left: left - more, top: top - more, right: right + more, bottom: bottom + more };
  }
}

/** Where a pose puts a place of the drawing. */
const xAt = (poses: Float64Array, at: number, u: number, v: number): number =>
  (poses[at] ?? 0) * u + (poses[at + 2] ?? 0) * v + (poses[at + 4] ?? 0);
const yAt = (poses: Float64Array, at: number, u: number, v: number): number =>
  (poses[at + 1] ?? 0) * u + (poses[at + 3] ?? 0) * v + (poses[at + 5] ?? 0);

interface Kept {
  readonly art: Art;
  readonly seen: string;
  readonly track: Track;
}

const kept = new WeakMap<RiderMotion, Kept>();

/** A rider's track over a loop of a length, s; the one that is known where nothing that it is made from has changed. */
export function trackOf(motion: RiderMotion, art: Art, scene: Scene, length: number): Track {
  const seen = JSON.stringify([scene.canvas.width, scene.canvas.height, scene.camera === null, length]);
  const last = kept.get(motion);
  if (last?.art === art && last.seen === seen) return last.track;
  const track = new Track(motion, art, scene, length, cellsOf(length));
  kept.set(motion, { art, seen, track });
  return track;
}

/** Cells of a loop of a length, s. */
export const cellsOf = (length: number): number => Math.max(1, Math.ceil(length / CELL));
