import { expect, test } from '@playwright/test';
import { killEditing } from '../hostile/kills.ts';

// Two browsers are killed beside each other, each as often as this; `npm run hostile` kills many more.
const KILLS = 9;

for (const seed of [1, 2])
  test(`a browser killed at ${KILLS} moments of editing loses nothing but the gesture in the hand (seed ${seed})`, async ({
    baseURL,
  }) => {
    test.setTimeout(KILLS * 30_000);
    const { edits, lost, unopened } = await killEditing(`${baseURL}/`, KILLS, seed);
    expect(unopened).toEqual([]);
    expect(lost).toEqual([]);
    expect(edits).toBeGreaterThan(KILLS);
  });
