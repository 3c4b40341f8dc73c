import type { Check } from './check.ts';
import { closing } from './closing-check.ts';
import { jump } from './leaps/index.ts';
import { seam } from './seam-check.ts';

/** Checks that take no time worth waiting for, and need no outlines. */
export const QUICK_CHECKS: readonly Check[] = [closing, jump, seam];
