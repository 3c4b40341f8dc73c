import type { Vec } from '../geometry/index.ts';
import type { Motion } from '../motion/index.ts';
import type { Scene } from '../scene/index.ts';

/** One thing that a check found: what is wrong, or what was looked at and holds. */
export interface Finding {
  /** Id of its check. */
  readonly check: string;
  readonly holds: boolean;
  /** Told for its own sake: it is neither right nor wrong. */
  readonly isNote?: true;
  /** Ids; none where it is said of all together. */
  readonly riders: readonly string[];
  /** When it is seen best, s; null where it has no time. */
  readonly at: number | null;
  /** From when to when it lasts, s. */
  readonly spans: readonly (readonly [from: number, to: number])[];
  /** Two places of the canvas, px, that it lies between; null where it has none. */
  readonly place: readonly [Vec, Vec] | null;
  /** What overlaps at that time, as rings of x, y on the canvas, px. */
  readonly patch?: readonly (readonly number[])[];
  /** The finding in a few words. */
  readonly words: string;
  /** How bad it is at the worst, in the check's own unit; absent where only how long it lasts says that. */
  readonly amount?: number;
  /** What was measured, as the check gives it. */
  readonly figures: object;
}

/** What a check is asked about. */
export interface Asked {
  readonly scene: Scene;
  readonly motion: Motion;
  /** Whether it is only asked if there is a fault: what is found then is one, and not all of it. */
  readonly isOnlyAsked?: boolean;
  /** s: a time at which there was one before, which is looked at first where it is only asked. */
  readonly first?: number | null;
}

/** One kind of fault that a loop may have. To add one: a file, and a line in the list. */
export interface Check<Id extends string = string> {
  readonly id: Id;
  /** What it is called where its findings are listed. */
  readonly label: string;
  /** What it looks for, in a sentence. */
  readonly about: string;
  /** It only tells what there is: nothing that it finds is wrong. */
  readonly isTold?: true;
  readonly find: (asked: Asked) => readonly Finding[];
}
