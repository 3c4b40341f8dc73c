import { expect, test, type Page } from '@playwright/test';
import { hostileDrawings } from '../hostile/drawings.ts';
import { monkey } from '../hostile/monkey.ts';
import { dropDrawing, openHostile, watchPage } from '../hostile/pages.ts';
import { hostileScenes } from '../hostile/scenes.ts';
import { newScene, openSample } from './desk.ts';

// A tenth of what `npm run hostile` does, spread over all of it.
const tenth = <T>(all: readonly T[], from: number): T[] => all.filter((_, i) => i % 10 === from);

async function watched(page: Page): Promise<string[]> {
  return (await watchPage(page)).faults;
}

test('drawings that strain are answered, run nothing, ask for nothing elsewhere', async ({ page }) => {
  test.setTimeout(240_000);
  const faults = await watched(page);
  await newScene(page);
  for (const drawing of tenth(hostileDrawings(), 1)) {
    const fate = await dropDrawing(page, drawing, faults);
    expect(fate).toMatchObject({ faults: [] });
    expect(fate.state, drawing.name).not.toBe('no answer');
  }
});

test('scenes at the edge of what may be open on a Desk of which no part fails', async ({ page, baseURL }) => {
  test.setTimeout(240_000);
  const faults = await watched(page);
  for (const scene of tenth(hostileScenes(), 3))
    expect(await openHostile(page, `${baseURL}/`, scene, faults)).toMatchObject({ state: 'taken', faults: [] });
});

for (const [seed, sample] of [
  [101, /Open the sample Kite/],
  [102, /Open the sample Two ferries/],
] as const)
  test(`random hands break nothing, and all that they did is undone and done again (seed ${seed})`, async ({
    page,
  }) => {
    test.setTimeout(400_000);
    const faults = await watched(page);
    await openSample(page, sample);
    expect((await monkey(page, seed, 200, faults)).faults).toEqual([]);
  });

test('what is heavy is asked about, and left where that is the answer', async ({ page }) => {
  const faults = await watched(page);
  await newScene(page);
  const text = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${'<rect width="5" height="5"/>'.repeat(3000)}</svg>`;
  expect(await dropDrawing(page, { name: 'crowd', size: 1, text }, faults)).toMatchObject({
    state: 'asked',
    faults: [],
  });
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
});
