import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { readScene, writeScene, type Scene } from '@pace-line/core';
import { readSvgArt } from '@pace-line/core/art-import';
import { paintedOf } from '../core/src/drawing/painted.ts';
import { openScene, savedScene } from './desk.ts';

/** Two ferries of which the second starts two seconds after the first, not half a loop. */
function near(): Scene {
  const read = readScene(readFileSync('samples/scenes/two-ferries.paceline.json', 'utf8'));
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const { riders } = read.scene;
  return {
    ...read.scene,
    riders: riders.map((one) => (one.name === 'Ferry B' ? { ...one, pace: { ...one.pace, delay: 2 } } : one)),
  };
}

const card = (page: Page) => page.locator('.card[data-card="checks"]');

test('what overlaps is told, drawn at its place and time, meant so or found again, and said before it is sent', async ({
  page,
}) => {
  await openScene(page, near());
  const row = card(page).getByRole('button', { name: /^Clearance/ });
  await expect(row).toContainText('Ferry A, Ferry B');
  await row.click();
  await expect(page.locator('.finding-patch').first()).toBeVisible();
  const words = (await page.locator('.finding-word').textContent()) ?? '';
  expect(words).toMatch(/^overlap \d+\.\d\d–\d+\.\d\d s/);
  await expect(row).toContainText(words);
  // On the sheet both times have a band, and what is looked at has its sign.
  await expect(page.locator('.sheet-pane .finding-band:not(.looked-at)')).toHaveCount(2);
  await expect(page.locator('.sheet-pane .finding-sign')).toHaveCount(2);
  // The same words from the command line, of the file that the Desk saves.
  const scene = await savedScene(page);
  const folder = mkdtempSync(join(tmpdir(), 'pace-line-'));
  try {
    const file = join(folder, 'near.paceline.json');
    writeFileSync(file, writeScene(scene));
    const { stdout, status } = spawnSync(process.execPath, ['cli/bin/pace-line.js', 'check', file], {
      encoding: 'utf8',
    });
    expect(status).toBe(1);
    expect(stdout.split('\n')[0]).toBe(`no  clearance  "Ferry A", "Ferry B": ${words}`);
  } finally {
    rmSync(folder, { recursive: true });
  }
  // Away from its time it is not drawn.
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'One frame on' }).click();
  await expect(page.locator('.finding-patch')).toHaveCount(0);
  await page.getByRole('link', { name: 'Send' }).click();
  await expect(page.getByRole('note').filter({ hasText: 'Clearance' })).toHaveText(
    `! Clearance, Ferry A, Ferry B: ${words}.`,
  );
  await page.getByRole('link', { name: 'Back to the Desk' }).click();
  await card(page).getByRole('button', { name: 'meant so' }).click();
  await expect(card(page)).toContainText('no findings');
  expect((await savedScene(page)).checks.meant).toMatchObject([{ check: 'clearance', found: words }]);
  await card(page).getByRole('button', { name: 'Meant so: 1' }).click();
  const reason = card(page).getByRole('textbox', { name: 'Reason' });
  await reason.fill('they are moored together');
  await reason.press('Enter');
  await expect.poll(async () => (await savedScene(page)).checks.meant[0]?.why).toBe('they are moored together');
  await card(page).getByRole('button', { name: 'a finding again' }).click();
  await expect(card(page)).toContainText('1 finding');
  await page.keyboard.press('Control+z');
  await expect(card(page)).toContainText('no findings');
});

test('while a hand works, what is looked at follows it on the canvas and the card; after it, it stays looked at', async ({
  page,
}) => {
  await openScene(page, near());
  const row = card(page).getByRole('button', { name: /^Clearance/ });
  await row.click();
  const word = page.locator('.finding-word');
  await expect(word).toHaveText(/^overlap/);
  const before = (await word.textContent()) ?? '';
  // A mark of one of them, drawn to a later time.
  const box = (await page.locator('.mark').nth(1).boundingBox())!;
  const at = [box.x + box.width / 2, box.y + box.height / 2] as const;
  await page.mouse.move(...at);
  await page.mouse.down();
  await page.mouse.move(at[0] + 8, at[1], { steps: 4 });
  await page.mouse.move(at[0] + 16, at[1], { steps: 4 });
  await expect(word).toHaveText(/^overlap|^✓|px at/);
  await expect(word).not.toHaveText(before);
  // Both follow it: they are asked together, until both have the latest.
  const said = (): Promise<boolean> =>
    page.evaluate(() => {
      const plain = (selector: string): string =>
        document.querySelector(selector)?.textContent?.replaceAll('\u00a0', ' ') ?? '';
      const words = plain('.finding-word');
      return words !== '' && plain('.card[data-card="checks"] .finding .bad').includes(words);
    });
  await expect.poll(said).toBe(true);
  await page.mouse.up();
  await expect(card(page)).toHaveAttribute('aria-busy', 'false');
  await expect(page.locator('.sheet-pane .finding-band.looked-at').first()).toBeVisible();
  await expect(row).not.toContainText(before);
});

const TRICKY: Readonly<Record<string, string>> = {
  'joins and ends':
    '<path d="M20 90L50 20L80 90" fill="none" stroke="#000" stroke-width="11" stroke-miterlimit="9"/><path d="M12 12H60" stroke="#000" stroke-width="9" stroke-linecap="square"/><path d="M70 12Q90 30 88 60" fill="none" stroke="#000" stroke-width="8" stroke-linecap="round"/>',
  'holes by both rules':
    '<path fill-rule="evenodd" d="M5 5H55V55H5ZM15 15H45V45H15Z"/><path d="M60 60H95V95H60ZM70 70V85H85V70Z"/>',
  'cut by a clip path':
    '<defs><clipPath id="c"><circle cx="50" cy="50" r="32"/></clipPath></defs><g clip-path="url(#c)"><rect x="10" y="40" width="80" height="20"/><path d="M50 0V100" stroke="#000" stroke-width="14"/></g>',
  'used, turned and mirrored':
    '<defs><path id="p" d="M0 0L30 8L0 24L8 10Z"/></defs><use href="#p" transform="translate(50 50) rotate(40)"/><use href="#p" transform="translate(40 50) scale(-1.2 1)"/><g transform="translate(20 70) scale(1.5 .6)"><ellipse cx="10" cy="20" rx="14" ry="12" stroke="#000" stroke-width="5" fill="none"/></g>',
};

/** Where the browser paints a drawing: for each px of it, whether that is covered wholly, not at all, or in part. */
const paintedByBrowser = (page: Page, markup: string, width: number, height: number): Promise<number[]> =>
  page.evaluate(
    async ([svg, w, h]) => {
      const image = new Image();
      image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
      await image.decode();
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [w, h];
      const context = canvas.getContext('2d')!;
      context.drawImage(image, 0, 0, w, h);
      return Array.from(context.getImageData(0, 0, w, h).data.filter((_, i) => i % 4 === 3));
    },
    [markup, width, height] as const,
  );

test('bodies are what the browser paints: every px but those that an edge passes', async ({ page }) => {
  await page.goto('about:blank');
  const drawings = [
    ...Object.entries(TRICKY).map(
      ([name, inner]) =>
        [
          name,
          `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100" viewBox="0 0 100 100">${inner}</svg>`,
        ] as const,
    ),
    ...readdirSync('samples/art')
      .filter((file) => file.endsWith('.svg') && /boat|ferry|skiff|basket|barrel|kite|gull|chip/.test(file))
      .map((file) => [file, readFileSync(`samples/art/${file}`, 'utf8')] as const),
  ];
  expect(drawings.length).toBeGreaterThan(7);
  for (const [name, text] of drawings) {
    const read = readSvgArt(text);
    if (!read.ok) throw new Error(`${name}: ${read.message}`);
    const { markup, width, height } = read.art;
    const { body, boxed } = paintedOf({ id: 'a', name, kind: 'svg', markup, width, height, pivot: [0, 0], facing: 0 });
    expect(boxed, name).toEqual([]);
    const [w, h] = [Math.floor(width), Math.floor(height)];
    const alpha = await paintedByBrowser(page, markup, w, h);
    let looked = 0;
    const wrong: string[] = [];
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) {
        const at = alpha[y * w + x]!;
        // Pixels on an edge are covered in part; so are those that are painted with less than full colour.
        const around = [at, alpha[y * w + x - 1], alpha[y * w + x + 1], alpha[(y - 1) * w + x], alpha[(y + 1) * w + x]];
        const isIn = around.every((one) => one !== undefined && one > 10 && Math.abs(one - at) <= 2);
        const isOut = around.every((one) => one === undefined || one === 0);
        if (!isIn && !isOut) continue;
        looked++;
        if (body.holds(x + 0.5, y + 0.5) !== isIn) wrong.push(`${x},${y}`);
      }
    expect(looked, name).toBeGreaterThan(100);
    expect(wrong, name).toEqual([]);
  }
});
