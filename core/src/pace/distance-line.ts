import type { Side } from '../geometry/index.ts';
import type { CompiledEase } from './eases/index.ts';

/** Distance along a guide as a function of local time in [0, cycle], s: all that motion asks of a pace, however it was made. Immutable. */
export interface DistanceLine {
  /** The distance never changes. */
  readonly isStill: boolean;
  /** Distance at a local time, px. At a jump: after it, or before it for side −1. */
  distanceAt(local: number, side?: Side): number;
  /** The same in place: takes the local time from `work[0]` and leaves the distance there. */
  advance(work: Float64Array, side: Side): void;
  /** Speed at a local time, px/s, signed along the guide; 0 in dwells and holds. */
  speedAt(local: number, side?: Side): number;
  /**
   * The side of the guide's tangent that counts at a local time, where the tangent jumps: that towards which the rider moves (of local time running in `direction`),
   * or, at rest, that from which it arrived.
   */
  tangentSideAt(local: number, side: Side, direction: Side): Side;
  /** The direction along the guide, +1 or −1, in which the rider moves at a local time, or, at rest, in which it arrived; +1 where it never moves. */
  wayAt(local: number, side: Side, direction: Side): Side;
  /** The ease of the leg after the i-th mark as it is run, its neighbours known; undefined where no ease makes it. */
  easeAfter?(i: number): CompiledEase | undefined;
  /** Local times at which the line is not smooth, ascending. */
  events(): readonly number[];
  /** Least and greatest distance that it reaches, px; of a line without marks [0, 0]. */
  range(): readonly [low: number, high: number];
}
