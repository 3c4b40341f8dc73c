import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { readScene, type Scene } from '@pace-line/core';
import { findingsOf } from '@pace-line/core/findings';
import { openScene, savedScene } from './desk.ts';

/** Two ferries of which the second starts two seconds after the first: they overlap twice. */
function near(): Scene {
  const read = readScene(readFileSync('samples/scenes/two-ferries.paceline.json', 'utf8'));
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return {
    ...read.scene,
    riders: read.scene.riders.map((one) =>
      one.name === 'Ferry B' ? { ...one, pace: { ...one.pace, delay: 2 } } : one,
    ),
  };
}

const wrong = (scene: Scene): readonly string[] =>
  findingsOf(scene).flatMap(({ holds, check }) => (holds ? [] : [check]));

test('a finding is put right by an offer: shown as a ghost first, taken by a press, undone in one step', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await openScene(page, near());
  const card = page.locator('.card[data-card="checks"]');
  await expect(card.getByRole('button', { name: /^Clearance/ })).toBeVisible();
  await card.getByRole('button', { name: 'put it right…' }).click();
  const offers = card.locator('.offer');
  await expect(offers.first()).toBeVisible({ timeout: 60_000 });
  expect(await offers.count()).toBeLessThanOrEqual(3);
  await expect(offers.first()).toHaveText(/^Start Ferry [AB] \d\.\d\d s (later|earlier)$/);
  // By the keyboard as by the pointer it moves as a ghost beside the present one.
  await offers.first().focus();
  await expect(page.locator('.ghost')).toHaveCount(1);
  await offers.first().blur();
  await expect(page.locator('.ghost')).toHaveCount(0);
  await page.mouse.move(400, 300);
  await offers.first().hover();
  await expect(page.locator('.ghost')).toHaveCount(1);
  const words = (await offers.first().textContent()) ?? '';
  await offers.first().click();
  await expect(page.locator('.ghost')).toHaveCount(0);
  await expect(card).toContainText('no findings');
  expect(wrong(await savedScene(page))).toEqual([]);
  await page.getByRole('button', { name: `Undo: ${words}` }).click();
  await expect(card.getByRole('button', { name: /^Clearance/ })).toBeVisible();
  expect(wrong(await savedScene(page))).toEqual(['clearance']);
});
