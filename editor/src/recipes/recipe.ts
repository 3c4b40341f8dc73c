import type { Scene } from '@pace-line/core';
import type { Way } from '../look/way-pictures.ts';
import type { Act } from './acts.ts';

/** A step: what is told of it and, where it is shown, what a hand does meanwhile. */
export interface Step {
  readonly says: string;
  readonly acts: readonly Act[];
}

/** A job in a few steps, told in Help and shown on the Desk. */
export interface Recipe {
  /** Its name in addresses and tests. */
  readonly id: string;
  readonly title: string;
  /** Its small moving picture. */
  readonly picture: readonly Way[];
  /** The scene in which it is shown. */
  readonly start: () => Scene;
  readonly steps: readonly Step[];
}

/** A step that is told. */
export const tells = (says: string): Step => ({ says, acts: [] });

/** A step that is told and shown. */
export const shows = (says: string, ...acts: readonly Act[]): Step => ({ says, acts });
