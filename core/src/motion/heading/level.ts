import type { HeadingMode } from './mode.ts';

/** Faces as it was drawn. */
export const level: HeadingMode = { mode: 'level', rest: () => 0, aim: () => undefined };
