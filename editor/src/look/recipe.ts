import type { Way } from './way-pictures.ts';

/** A job in a few steps. */
export interface Recipe {
  readonly title: string;
  /** Its small moving picture. */
  readonly picture: readonly Way[];
  readonly steps: readonly string[];
}
