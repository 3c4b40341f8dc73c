import { DRAWING } from './drawing.ts';
import { JOINING } from './joining.ts';
import { PACING } from './pacing.ts';
import { QUESTIONS } from './questions.ts';
import type { Recipe } from './recipe.ts';
import { RIDING } from './riding.ts';
import { SENDING } from './sending.ts';

export type { Recipe } from './recipe.ts';

/** All that Help answers: the jobs in the order of the work, and small questions. */
export const RECIPES: readonly Recipe[] = [...DRAWING, ...RIDING, ...PACING, ...JOINING, ...SENDING, ...QUESTIONS];
