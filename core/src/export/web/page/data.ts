import type { DriveSpec } from '../../../drive/machine.ts';

/** Time as a share of the loop, value, and the inner values of a cubic in time; without those straight. */
export type Key = readonly [time: number, value: number, a?: number, b?: number];

export type Point = readonly [x: number, y: number];

/** Name, property (a letter; of a place whose two channels are one animation X, and i the next; of its turn T), keys, whether it changes at once, its keys in the lead-in (or 0), and whether its loop begins with that. */
export type TrackData = readonly [
  name: string,
  property: string,
  keys: readonly Key[],
  jumps?: number,
  before?: readonly Key[] | 0,
  runs?: number,
];

/** What code calls a rider; its channels as tracks' names or numbers; where its pictures are and whom it goes with; its name. */
export type RiderData = readonly [
  code: string,
  channels: Readonly<Record<string, string | number>>,
  /** The id of its picture, after the drawing's prefix; the rider in whose place it is laid, itself where nothing carries it, '' where it hangs between others; whether that turns along its guide; width, height and pivot of its art, px. */
  laid: readonly [picture: string, root: string, turns: number, width: number, height: number, px: number, py: number],
  name: string,
];

/** The times at which a rider reaches its marks, s, one after the other: several of one that it reaches more than once, none of one that comes in the lead-in. */
export type MarksData = readonly [code: string, times: readonly (number | readonly number[])[]];

declare global {
  // What stands before the program in a module that is sent.
  const SPEC: DriveSpec;
  const ENDS: readonly [Point, Point];
  const PREFIX: string;
  /** Properties of colours, and what they are on dark pages. */
  const DARK: readonly (readonly [property: string, value: string])[];
  const MARKS: readonly MarksData[];
  const MARKUP: string;
  const TRACKS: readonly TrackData[];
  const RIDERS: readonly RiderData[];
}
