import { rounding, smooth } from './averaged.ts';
import { bend } from './bend.ts';
import type { Knob } from './knob.ts';
import { delay, flow, mark } from './pace.ts';
import { lift, radius, scale } from './place.ts';

export type { Change, Knob, Way } from './knob.ts';

const ALL = { delay, mark, flow, lift, scale, radius, smooth, rounding, bend };

/** What can be changed of a rider to put a finding right. */
export type KnobKind = keyof typeof ALL;

export const knobOf = (kind: KnobKind): Knob<KnobKind> => ALL[kind];

/** What is turned for each check, by its id. */
export const KNOBS: Readonly<Record<string, readonly Knob<KnobKind>[]>> = {
  clearance: [delay, lift, mark, bend],
  corridor: [lift, bend, scale],
  'off-canvas': [lift, bend, scale],
  jump: [smooth, rounding],
  'frame-leap': [smooth, rounding],
  slip: [radius],
  stall: [flow],
};
