import { artOfRider, type Rider, type Scene } from '../../../scene/index.ts';
import type { Finding } from '../../check.ts';

/** A value of a rider changed. */
export interface Change {
  readonly rider: string;
  /** Which of several values of that kind: the id of a mark, or of the node from which a span begins. */
  readonly part?: string;
  /** The value as it is, and as it would be: s, s, px, a factor of its size, px, px. */
  readonly from: number;
  readonly to: number;
}

/** Values that are tried one after another, away from the one that is. */
export interface Way {
  readonly values: readonly number[];
  /** Which of several it is a value of: the id of a mark, or of the node from which a span begins. */
  readonly part?: string;
}

/** One value of a rider that is turned until a finding is gone. */
export interface Knob<Kind extends string = string> {
  readonly kind: Kind;
  /** The value as it is: s, s, px, a factor, px, px. */
  readonly now: (rider: Rider, part?: string) => number;
  /** The values that are tried for what was found, on either side of the one that is, the nearest first; none where the rider has no such value. */
  readonly tried: (scene: Scene, rider: Rider, finding: Finding) => readonly Way[];
  readonly set: (scene: Scene, rider: string, value: number, part?: string) => Scene;
  /** Decimals with which a value is offered. */
  readonly digits: number;
  /** Whether only the values that are tried are offered, and none between them. */
  readonly isGiven?: boolean;
  /** Whether it changes how the rider looks: by how much it comes nearer is said only where nothing else comes nearer. */
  readonly isOfLooks?: boolean;
  /** How much a change is, so that changes of several kinds can be put in order: a share of what it is changed in. */
  readonly size: (scene: Scene, rider: Rider, value: number, part?: string) => number;
  /** What a change does, as its button says it; `name` is the rider's. */
  readonly words: (change: Change, name: string, scene: Scene) => string;
}

/** Values tried on each side, as shares of the farthest: closely at first, then by a third more each. */
const SHARES = [1, 2, 3, 4, 6, 8, 11, 15, 20, 27, 36, 48, 60].map((k) => k / 60);

export const steps = (from: number, most: number): number[] => SHARES.map((share) => from + most * share);

/** To either side as far. */
export const bothWays = (from: number, most: number, part?: string): readonly Way[] =>
  [most, -most].map((far) => ({ values: steps(from, far), ...(part === undefined ? {} : { part }) }));

/** px: the farther side of a rider's art, as it is scaled. */
export function sizeOf(scene: Scene, rider: Rider): number {
  const art = artOfRider(scene, rider);
  return art ? Math.max(art.width * Math.abs(rider.scale[0]), art.height * Math.abs(rider.scale[1]), 1) : 1;
}

/** Times at which something is found that are looked at one by one. */
const MOST_TIMES = 4;

/** When something was found: at the worst, and in the middle of each time that it lasts. */
export const timesOf = ({ at, spans }: Finding): readonly number[] =>
  [at ?? 0, ...spans.map(([from, to]) => (from + to) / 2)].slice(0, MOST_TIMES + 1);

/** s by which a change moves something, and which way. */
export const laterBy = ({ from, to }: Change): string =>
  `${Math.abs(to - from).toFixed(2)} s ${to > from ? 'later' : 'earlier'}`;
