import type { Side } from '../geometry/index.ts';
import type { Cursor } from './cursor.ts';
import type { PreparedRider } from './prepared-rider.ts';

/** What of a rider's picture can change over time. */
export const CHANNELS = ['x', 'y', 'angle', 'skew', 'scaleX', 'scaleY', 'opacity'] as const;
export type Channel = (typeof CHANNELS)[number];

/** One step from a time to a pose. */
export interface PoseStage {
  run(cursor: Cursor): void;
  /** What this stage makes change over time: a rider that nothing varies costs writers nothing. */
  readonly varies: readonly Channel[];
  /** Times inside (from, to), s, at which what it adds is not smooth; in any order. */
  events(from: number, to: number): readonly number[];
  /** It changes from one state to another at once, and takes the state before from `SLOT.held` where the limit from earlier times is asked for. */
  readonly switches?: boolean;
}

/** The stages before one, as it sees them while its tables are made. */
export interface Earlier {
  /** Runs them at a time, s. */
  run(cursor: Cursor, time: number, side: Side): void;
  /** Times inside (from, to), s, at which they are not smooth; ascending. */
  events(from: number, to: number): readonly number[];
  readonly varies: readonly Channel[];
}

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

/** Undefined where this rider needs none: a rider pays only for what it uses. */
export type PoseStageMaker = (rider: PreparedRider, graph: RiderGraph, earlier: Earlier) => PoseStage | undefined;

/** For stages that are smooth wherever what comes before them is. */
export const noEvents = (): readonly number[] => [];
