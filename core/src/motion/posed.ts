import type { Side } from '../geometry/index.ts';

/** What of a rider's picture can change over time. */
export const CHANNELS = ['x', 'y', 'angle', 'skew', 'scaleX', 'scaleY', 'opacity'] as const;
export type Channel = (typeof CHANNELS)[number];

/** A rider that others depend on, as a stage sees it. */
export interface Posed {
  readonly varies: readonly Channel[];
  /** Writes its pose at a time, s, into `data` from `offset` on, with the cursor of a depth of nesting that nobody above it uses. */
  pose(time: number, side: Side, data: Float64Array, offset: number, depth: number): void;
  events(from: number, to: number): readonly number[];
}

/** What a stage may ask of the riders that its own depends on: they are ready when it is made. */
export interface RiderGraph {
  motionOf(id: string): Posed | undefined;
}
