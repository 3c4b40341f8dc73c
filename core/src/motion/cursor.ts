import { emptyFrame, type Frame, type Side } from '../geometry/index.ts';
import { ROW_SIZE, SLOT } from './slots.ts';

/** One rider's working row while it is posed. Stages read and write its slots; no number crosses a call, so nothing is boxed. */
export interface Cursor {
  /** See SLOT. */
  readonly row: Float64Array;
  /** Which limit is asked for where a pose jumps: +1 from later times, −1 from earlier ones. */
  side: Side;
  /** The same as it was asked for of the whole scene. */
  asked: Side;
  /** Local time runs forward (+1) or backward (−1). */
  direction: Side;
  /** How many riders wait for this one's pose. */
  readonly depth: number;
  /** Where the guide is at the rider's distance and lead. */
  readonly frame: Frame;
}

const newCursor = (depth: number): Cursor => ({
  row: new Float64Array(ROW_SIZE),
  side: 1,
  asked: 1,
  direction: 1,
  depth,
  frame: emptyFrame(),
});

const made: Cursor[] = [];

/** The cursor of a depth of nesting: a rider that asks for its carrier's pose does so one deeper. Shared by all motions: a pose is finished before the next begins. */
export const cursorAt = (depth: number): Cursor => (made[depth] ??= newCursor(depth));

/** A cursor that only asks, from outside of all nesting. */
export const askedCursor = (): Cursor => newCursor(-1);

/** Asks a cursor about a time, s: those before 0 are in the lead-in, where there is one. */
export function askAt(cursor: Cursor, time: number, side: Side, leadIn: number): void {
  const isBefore = leadIn > 0 && time < 0;
  cursor.row[SLOT.time] = time;
  cursor.row[SLOT.before] = isBefore ? Math.max(time, -leadIn) : 0;
  // Before the lead-in all is as it begins.
  cursor.side = isBefore && time <= -leadIn ? 1 : side;
  cursor.asked = cursor.side;
}

/** A cursor of its own, for what looks at a rider's stages while tables are made. No rider is posed meanwhile. */
export const ownCursor = (): Cursor => newCursor(0);
