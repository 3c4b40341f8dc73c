import type { Rider } from '../scene/index.ts';
import type { Cursor } from './cursor.ts';
import { POSE, POSE_SIZE } from './slots.ts';
import type { Posed } from './posed.ts';

/** The frame of a rider that carries another, at the time of a cursor: the px of its art, and what of its turn, scale and mirroring goes over to what it carries. */
export class CarrierFrame {
  /** The carrier's pose. */
  readonly pose = new Float64Array(POSE_SIZE);
  /** What goes over to directions: a, b, c, d as in SVG; the angle in it, rad, and 1 where it mirrors left to right. */
  readonly inherited = new Float64Array(6);
  readonly #carrier: Posed;
  readonly #takes: NonNullable<Rider['carrier']>;

  constructor(carrier: Posed, takes: NonNullable<Rider['carrier']>) {
    this.#carrier = carrier;
    this.#takes = takes;
  }

  get carrier(): Posed {
    return this.#carrier;
  }

  /** Poses the carrier. */
  run(cursor: Cursor): void {
    const { pose, inherited } = this;
    const { turn, scale, mirror } = this.#takes;
    this.#carrier.poseWith(cursor, pose, 0);
    const sx = pose[POSE.scaleX] ?? 1;
    const sy = pose[POSE.scaleY] ?? 1;
    // Read as turned, then skewed and scaled, then mirrored left to right: what is mirrored by turning over faces the other way, upright.
    const angle = turn ? (pose[POSE.angle] ?? 0) + (sy < 0 ? Math.PI : 0) : 0;
    const width = scale ? Math.abs(sx) : 1;
    const height = scale ? Math.abs(sy) : 1;
    const lean = scale ? Math.tan(pose[POSE.skew] ?? 0) : 0;
    const isMirrored = mirror && sx < 0 !== sy < 0;
    const across = isMirrored ? -width : width;
    const cos = Math.cos(angle);
    const sin = Math.sin(angle);
    inherited[0] = cos * across;
    inherited[1] = sin * across;
    inherited[2] = (cos * lean - sin) * height;
    inherited[3] = (sin * lean + cos) * height;
    inherited[4] = angle;
    inherited[5] = isMirrored ? 1 : 0;
  }
}
