import type { Side } from '../geometry/index.ts';
import type { Cursor } from './cursor.ts';
import type { Channel, RiderGraph } from './posed.ts';
import type { PreparedRider } from './prepared-rider.ts';

/** One step from a time to a pose. */
export interface PoseStage {
  run(cursor: Cursor): void;
  /** What this stage makes change over time: a rider that nothing varies costs writers nothing. */
  readonly varies: readonly Channel[];
  /** Times inside (from, to), s, at which what it adds is not smooth; in any order. */
  events(from: number, to: number): readonly number[];
  /** Times inside (from, to), s, at which what is shown changes at once (another pose, another place in the stack) while the motion stays smooth; in any order. */
  steps?(from: number, to: number): readonly number[];
  /** It goes on where the rider's own poses are held on frames: what carries it does. */
  readonly goesOn?: boolean;
  /** It changes from one state to another at once, and takes the state before from `SLOT.held` where the limit from earlier times is asked for. */
  readonly switches?: boolean;
}

/** The stages before one, as it sees them while its tables are made. */
export interface Earlier {
  /** Runs them at a time, s; `isBefore`: of the lead-in, below 0. */
  run(cursor: Cursor, time: number, side: Side, isBefore?: boolean): void;
  /** Times inside (from, to), s, at which they are not smooth; ascending. */
  events(from: number, to: number): readonly number[];
  readonly varies: readonly Channel[];
}

/** Undefined where this rider needs none: a rider pays only for what it uses. */
export type PoseStageMaker = (rider: PreparedRider, graph: RiderGraph, earlier: Earlier) => PoseStage | undefined;

/** Changes at once within a stretch of time that are told one by one; more than these no screen shows, and whoever gets more knows that they are not all. */
export const MOST_STEPS = 20_000;

/** What a stage tells where there are more of them: one too many, anywhere. */
export const tooManySteps = (from: number, to: number): number[] =>
  Array.from({ length: MOST_STEPS + 1 }, (_, i) => from + ((to - from) * (i + 1)) / (MOST_STEPS + 2));

/** For stages that are smooth wherever what comes before them is. */
export const noEvents = (): readonly number[] => [];
