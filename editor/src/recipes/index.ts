import { DRAWING } from './drawing.ts';
import { JOINING } from './joining.ts';
import { PACING } from './pacing.ts';
import { QUESTIONS } from './questions.ts';
import type { Recipe } from './recipe.ts';
import { RIDING } from './riding.ts';
import { SENDING } from './sending.ts';

export type { Recipe } from './recipe.ts';

/** The recipes by subject, in the order of the work; small questions come last. */
export const RECIPE_GROUPS: readonly { readonly title: string; readonly recipes: readonly Recipe[] }[] = [
  { title: 'Guides', recipes: DRAWING },
  { title: 'Riders and heading', recipes: RIDING },
  { title: 'Pace', recipes: PACING },
  { title: 'Carrying and nesting', recipes: JOINING },
  { title: 'Pages and sending', recipes: SENDING },
  { title: 'Small questions', recipes: QUESTIONS },
];

/** All that Help answers. */
export const RECIPES: readonly Recipe[] = RECIPE_GROUPS.flatMap(({ recipes }) => recipes);
