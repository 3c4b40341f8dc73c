import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { writeScene } from '@pace-line/core';
import { outlinedTexts, readFont } from '@pace-line/core/lettering';
import { LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { openScene } from './desk.ts';
import { differingShare } from './pictures.ts';

const FONT = 'node_modules/@fontsource/figtree/files/figtree-latin-700-normal.woff';

const BOARD =
  '<svg xmlns="http://www.w3.org/2000/svg" width="360" height="200" viewBox="0 0 360 200">' +
  '<rect width="360" height="200" fill="#EFE6D2"/>' +
  '<g font-family="Harbour Sans" font-weight="700" fill="#1F2933"><text x="180" y="60" font-size="40" text-anchor="middle">AVA To Pier 4</text>' +
  '<text x="340" y="110" font-size="26" text-anchor="end" letter-spacing="2">every <tspan fill="#C2513D">12</tspan> min</text>' +
  '<text x="20" y="160" font-size="22" transform="rotate(-4 20 160)">first<tspan x="40" dy="24">then</tspan><tspan dx="10" font-size="30">tea</tspan></text></g></svg>';

test('texts as outlines look as the same font draws them', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 200 });
  const bytes = readFileSync(FONT);
  const shown = async (markup: string): Promise<Buffer> => {
    await page.setContent(
      `<!doctype html><style>@font-face{font-family:"Harbour Sans";font-weight:700;src:url(data:font/woff;base64,${bytes.toString('base64')})}</style><body style="margin:0">${markup}</body>`,
    );
    await page.evaluate(() => document.fonts.ready.then(() => document.fonts.size));
    return page.screenshot();
  };
  const font = readFont(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length));
  const { markup, count } = outlinedTexts(BOARD, [font]);
  expect(count).toBe(3);
  const [letters, outlines] = [await shown(BOARD), await shown(markup)];
  expect(await differingShare(page, [letters, outlines])).toBeLessThan(0.01);
  // Letters elsewhere by a pixel would be seen.
  const moved = await shown(markup.replace(/<g id|<g font/, '<g transform="translate(1)" font'));
  expect(await differingShare(page, [letters, moved])).toBeGreaterThan(0.02);
});

const scene = sceneOf({
  guides: [LOOPS],
  art: [
    { kind: 'svg', id: 'board', name: 'Board', width: 360, height: 200, pivot: [180, 100], facing: 0, markup: BOARD },
  ],
  riders: [
    riderOn(
      'board-a',
      'loops',
      [
        { time: 0, place: { by: 'node', node: 'l1' } },
        { time: 2, place: { by: 'node', node: 'l1', lap: 1 } },
      ],
      { art: 'board' },
    ),
  ],
});

test('on the Desk: the font’s file is chosen, one step makes outlines of the text, and undo takes it back', async ({
  page,
}) => {
  await openScene(page, scene);
  await page.getByRole('button', { name: 'Art', exact: true }).click();
  const button = page.getByRole('button', { name: 'Text of Board to outlines', exact: true });
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), button.click()]);
  await chooser.setFiles({ name: 'none.ttf', mimeType: 'font/ttf', buffer: Buffer.from('<svg/>') });
  await expect(page.getByText('none.ttf: it is not a font file. Nothing was changed.')).toBeVisible();
  const [again] = await Promise.all([page.waitForEvent('filechooser'), button.click()]);
  await again.setFiles(FONT);
  await expect(page.getByText('3 texts were converted to outlines')).toBeVisible();
  await expect(button).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(button).toBeVisible();
});

test('on the command line: --font, as often as there are fonts, and what is wrong with one in a line', () => {
  const folder = mkdtempSync(join(tmpdir(), 'pace-line-'));
  try {
    const file = join(folder, 'board.json');
    writeFileSync(file, writeScene(scene));
    const run = (...args: string[]) =>
      spawnSync(process.execPath, ['cli/bin/pace-line.js', 'export', file, ...args], { encoding: 'utf8' });
    const out = join(folder, 'board.svg');
    expect(run('--to', 'animated-svg', '--out', out, '--font', FONT)).toMatchObject({ status: 0, stderr: '' });
    expect(readFileSync(out, 'utf8')).not.toContain('<text');
    expect(run('--to', 'lottie', '--out', join(folder, 'board.json2'), '--font', FONT).stderr).toBe('');
    const mono = 'node_modules/@fontsource/commit-mono/files/commit-mono-latin-400-normal.woff';
    const two = run('--to', 'animated-svg', '--out', out, '--font', FONT, '--font', mono);
    expect(two.stderr).toContain('“Board”: “AVA To Pier 4” stays text: none of the fonts is “Harbour Sans”.');
    expect(run('--to', 'animated-svg', '--out', out, '--font', join(folder, 'none.ttf'))).toMatchObject({
      status: 2,
      stderr: `pace-line: --font ${join(folder, 'none.ttf')}: there is no such file\n`,
    });
    expect(run('--to', 'animated-svg', '--out', out, '--font', file).stderr).toContain('it is not a font file');
  } finally {
    rmSync(folder, { recursive: true });
  }
});
