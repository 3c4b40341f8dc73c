import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { writeScene } from '@pace-line/core';
import { openSample, savedScene } from './desk.ts';

const checks = (page: Page) => page.locator('.card[data-card="checks"]');

/** Opens the ferries, standing still, one of them selected. */
async function ferry(page: Page): Promise<void> {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.keyboard.press('Home');
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
}

/** Asks for something by its name and takes the first answer. */
async function ask(page: Page, question: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.getByRole('textbox', { name: 'Find anything' }).fill(question);
  await page.keyboard.press('Enter');
}

/** The same findings from the command line, of the file that the Desk saves. */
async function lines(page: Page): Promise<readonly string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'pace-line-'));
  try {
    const file = join(folder, 'lane.paceline.json');
    writeFileSync(file, writeScene(await savedScene(page)));
    const told = spawnSync(process.execPath, ['cli/bin/pace-line.js', 'check', file, '--only', 'corridor'], {
      encoding: 'utf8',
    });
    return told.stdout.trim().split('\n');
  } finally {
    rmSync(folder, { recursive: true });
  }
}

test('a lane that is asked for by name is drawn, and who leaves it is told with a measured line', async ({ page }) => {
  await ferry(page);
  await ask(page, 'lane');
  const width = page.getByRole('textbox', { name: 'Lane width' });
  await expect(width).toHaveValue('80 px');
  await expect(page.locator('.guide-lane')).toHaveAttribute('stroke-width', '80');
  await expect(checks(page)).toContainText('no findings');
  // The ferries are broader than this, and longer in a bend than it is wide; the skiff is lifted out of it.
  await width.fill('30');
  await width.press('Enter');
  const rows = checks(page).getByRole('button', { name: /^Corridor/ });
  await expect(rows).toHaveCount(3);
  const skiff = rows.filter({ hasText: 'Skiff' });
  await skiff.click();
  const word = page.locator('.finding-word');
  await expect(word).toContainText(/^leaves the lane of “Ferry service” by \d+\.\d px, /);
  const line = await page.locator('.finding-gap').evaluate((one) => {
    const of = (name: string): number => Number(one.getAttribute(name));
    return Math.hypot(of('x2') - of('x1'), of('y2') - of('y1'));
  });
  expect((await word.textContent()) ?? '').toContain(`by ${line.toFixed(1)} px`);
  expect(await lines(page)).toEqual(expect.arrayContaining([`no  corridor  "Skiff": ${await word.textContent()}`]));
  expect(await lines(page)).toHaveLength(3);
  // Taken off, nothing is said any more.
  await page.getByRole('button', { name: 'Remove lane' }).click();
  await expect(rows).toHaveCount(0);
  await expect(page.locator('.guide-lane')).toHaveCount(0);
});

test('a rider is held to an area of the scene, or out of it', async ({ page }) => {
  await ferry(page);
  await ask(page, 'stays within an area');
  const area = page.getByRole('combobox', { name: 'Area to stay within' });
  await area.click();
  await page.getByRole('option', { name: 'inside Ferry service' }).click();
  const row = checks(page).getByRole('button', { name: /^Corridor/ });
  await expect(row).toContainText('leaves “Ferry service”');
  const stays = page.locator('[data-row="rider.bounds.side"]');
  await stays.getByRole('button', { name: 'out of it' }).click();
  await expect(row).toContainText('enters “Ferry service”');
  const scene = await savedScene(page);
  expect(scene.checks.bounds).toMatchObject([{ side: 'out', area: { kind: 'inside' }, by: 'body' }]);
  await page.getByRole('button', { name: 'Undo', exact: false }).first().click();
  await expect(row).toContainText('leaves “Ferry service”');
});
