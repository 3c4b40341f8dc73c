import { describe, expect, test } from 'vitest';
import { readScene, writeScene } from '@pace-line/core';
import { RECIPES } from './index.ts';

describe('every recipe', () => {
  test('has a name of its own, in words and in addresses', () => {
    expect(new Set(RECIPES.map(({ id }) => id)).size).toBe(RECIPES.length);
    expect(new Set(RECIPES.map(({ title }) => title)).size).toBe(RECIPES.length);
    for (const { id } of RECIPES) expect(id).toMatch(/^[a-z][a-z-]*$/);
  });

  test.each(RECIPES.map((recipe) => [recipe.id, recipe] as const))('%s begins in a sound scene', (_, { start }) => {
    expect(readScene(writeScene({ ...start(), name: 'Start' }))).toMatchObject({ ok: true });
  });

  test.each(RECIPES.map((recipe) => [recipe.id, recipe] as const))('%s is shown, not only told', (_, { steps }) => {
    expect(steps.flatMap(({ acts }) => acts)).not.toEqual([]);
    expect(new Set(steps.map(({ says }) => says)).size).toBe(steps.length);
  });
});
