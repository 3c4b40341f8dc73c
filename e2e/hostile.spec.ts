import { expect, test, type Page } from '@playwright/test';
import { deleteAndUndo } from '../hostile/deletions.ts';
import { hostileDrawings } from '../hostile/drawings.ts';
import { dropLarge, largeFiles } from '../hostile/imports.ts';
import { monkey } from '../hostile/monkey.ts';
import { dropDrawing, openHostile, watchPage } from '../hostile/pages.ts';
import { fillQuota } from '../hostile/quota.ts';
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

test('no picture, scene or version is lost by any mix of deleting, undoing and collecting in two tabs', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  expect((await deleteAndUndo(browser, 12)).lost).toEqual([]);
});

test('with a real quota that is full nothing is harmed, and all is stored once there is room', async ({
  browser,
  baseURL,
}) => {
  test.setTimeout(240_000);
  expect(await fillQuota(browser, `${baseURL}/`, 1)).toMatchObject({ refusals: 1, faults: [] });
});

for (const file of largeFiles().filter(({ name }) => ['walk.gpx', 'empty-objects.paceline.json'].includes(name)))
  test(`ten times what a scene holds is thinned or refused, and the scene can be saved (${file.name})`, async ({
    page,
  }) => {
    test.setTimeout(240_000);
    const faults = await watched(page);
    await newScene(page);
    const fate = await dropLarge(page, file, faults);
    expect(fate).toMatchObject({ state: file.name.endsWith('json') ? 'refused' : 'taken', faults: [] });
    expect(fate.nodes).toBeLessThanOrEqual(20_000);
  });
