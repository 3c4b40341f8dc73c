import type { Folding } from '../time/index.ts';
import type { Cursor } from './cursor.ts';

/** What of a rider's picture can change over time. */
export const CHANNELS = ['x', 'y', 'angle', 'skew', 'scaleX', 'scaleY', 'opacity'] as const;
export type Channel = (typeof CHANNELS)[number];

/** A rider that others depend on, as a stage sees it. */
export interface Posed {
  readonly varies: readonly Channel[];
  readonly folding: Folding;
  /** Times of the lead-in, below 0, at which it is not smooth there. */
  readonly entering: readonly number[];
  /** Whether it is in the lead-in as in the loop, but for not being seen. */
  readonly runsBefore: boolean;
  /** Whether it, or what carries it, is not seen in a part of the lead-in. */
  readonly hidesBefore: boolean;
  /** Whether it comes only the first time. */
  readonly comesOnce: boolean;
  /** The local time of one of its marks, s; undefined where it has none of that id. */
  timeOfMark(id: string): number | undefined;
  /** Writes its pose at the time and side of a cursor into `data` from `offset` on, with the cursor of the next depth of nesting. The time is not handed over: it would be boxed. */
  poseWith(cursor: Cursor, data: Float64Array, offset: number): void;
  events(from: number, to: number): readonly number[];
}

/** What a stage may ask of the riders that its own depends on: they are ready when it is made. */
export interface RiderGraph {
  motionOf(id: string): Posed | undefined;
}

/** Whether some of what a rider depends on is in the lead-in what it never is in the loop. */
export const entersOtherwise = (needed: readonly (Posed | undefined)[]): boolean =>
  needed.some((one) => one !== undefined && !one.runsBefore && one.entering.length > 0);
