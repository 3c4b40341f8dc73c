import type { Recipe } from '../recipes/recipe.ts';
import { keepNew } from '../scene/new-scene.ts';
import { endShow, useShow } from './state.ts';

/** Opens a scene of its own for a recipe, in which it is shown as soon as that stands there. */
export async function beginShow(recipe: Recipe, go: (address: string) => void): Promise<void> {
  const scene = await keepNew({ ...recipe.start(), name: `Recipe: ${recipe.title}` });
  if (scene === undefined) return;
  endShow();
  useShow.setState({ show: { recipe, scene, step: 0, state: { kind: 'waits' }, isStepwise: false } });
  go(`/scene/${scene}`);
}
