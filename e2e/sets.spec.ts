import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import { writeScene, type Output } from '@pace-line/core';
import { openScene, savedScene } from './desk.ts';
import { redScene } from './red-rider.ts';

const button = (name: string) => ({ name, exact: true });

test('outputs are kept with the scene as a set, sent by one press, and written as the same bytes by the command line', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await openScene(page, redScene);
  await page.getByRole('link', { name: 'Send' }).click();
  await expect(page.locator('.facts')).toContainText('Size');

  await page.getByRole('button', button('Save as a set')).click();
  const name = page.getByRole('textbox', { name: 'Name of the set Set 1' });
  await name.fill('For the site');
  await name.press('Enter');
  const formats = page.getByRole('group', { name: 'Format', exact: true });
  const set = page.getByRole('list', { name: 'Sets' }).getByRole('listitem').first();
  for (const format of ['GIF', 'Animated PNG', 'Sprite sheet', 'Guides']) {
    await formats.getByRole('button', button(format)).click();
    await set.getByRole('button', button(`Add ${format}`)).click();
    await expect(set.getByRole('button', { name: /^Keep / })).toHaveCount(0);
  }
  // The same with another option is another output.
  await formats.getByRole('button', button('GIF')).click();
  await page
    .getByRole('switch', { name: /background/ })
    .first()
    .uncheck({ force: true });
  await set.getByRole('button', button('Add GIF')).click();
  await expect(set.getByRole('button', { name: /no background$/ })).toBeVisible();

  // What is kept is shown again by a press, as it was.
  await set.getByRole('button', button('GIF')).click();
  await expect(page.getByRole('switch', { name: /background/ }).first()).toBeChecked();

  await set.getByRole('button', button('Take Animated PNG out of the set')).click();
  await expect(set.getByRole('button', button('Animated PNG'))).toHaveCount(0);
  await page.getByRole('button', button('Undo')).click();
  await expect(set.getByRole('button', button('Animated PNG'))).toBeVisible();

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    set.getByRole('button', button('Send all 6')).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/-for-the-site\.zip$/);
  const files = unzipSync(readFileSync(await download.path()));
  const names = Object.keys(files).sort();
  expect(names).toHaveLength(7);
  expect(names.filter((one) => !one.includes('/')).map((one) => one.replace(/^.*\./, ''))).toEqual([
    'gif',
    'png',
    'svg',
  ]);

  // It is in the file, and the command line writes it.
  await page.getByRole('link', { name: 'Back to the Desk' }).click();
  const scene = await savedScene(page);
  expect(scene.sets[0]).toMatchObject({ name: 'For the site' });
  expect(scene.sets[0]!.outputs).toHaveLength(6);
  const folder = mkdtempSync(join(tmpdir(), 'pace-line-sets-'));
  const file = join(folder, 'scene.paceline.json');
  writeFileSync(file, writeScene(scene));
  const out = join(folder, 'out');
  const args = ['cli/bin/pace-line.js', 'export', file, '--kept', 'For the site', '--out', out];
  const { status, stderr } = spawnSync(process.execPath, args, { encoding: 'utf8', timeout: 90_000 });
  // What a format changes is said, and nothing else.
  for (const line of stderr.trim().split('\n').filter(Boolean))
    expect(line).toMatch(/^pace-line: gif: A GIF counts in hundredths/);
  expect(status).toBe(0);
  const written = (readdirSync(out, { recursive: true }) as string[]).filter((one) => /\.\w+$/.test(one)).sort();
  expect(written).toEqual(names);
  for (const one of names) expect(readFileSync(join(out, one)).equals(files[one]!), one).toBe(true);
});

test('a set of a later program is kept as it is, and what cannot be written here is said', async ({ page }) => {
  const outputs: Output[] = [
    { format: 'hologram', options: { depth: 3 } },
    { format: 'guides-svg', options: {} },
  ];
  await openScene(page, { ...redScene, sets: [{ id: 'later', name: 'Later', outputs }] });
  await page.getByRole('link', { name: 'Send' }).click();
  await expect(page.locator('.facts')).toContainText('Size');
  await expect(page.getByRole('button', { name: 'hologram · depth 3', exact: true })).toBeDisabled();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', button('Send all 2')).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.svg$/);
  await expect(page.getByText('there is no format "hologram"')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the Desk' }).click();
  expect((await savedScene(page)).sets[0]!.outputs).toEqual(outputs);
});
