import { expect, test, type Page } from '@playwright/test';
import { placedArt, type SvgArt } from '@pace-line/core';
import { readSvgArt } from '@pace-line/core/art-import';
import { DRAWINGS, HOSTILE } from './fixtures/drawings.ts';

/** Share of pixels that differ visibly between two SVG texts drawn as images of 400 × 320, and how many are not blank. */
async function compare(page: Page, a: string, b: string): Promise<{ differing: number; drawn: number }> {
  return page.evaluate(
    async ([a, b]) => {
      const pixels = async (text: string): Promise<Uint8ClampedArray> => {
        const image = new Image();
        image.src = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }));
        await image.decode();
        const canvas = document.createElement('canvas');
        canvas.width = 400;
        canvas.height = 320;
        const context = canvas.getContext('2d')!;
        context.drawImage(image, 0, 0, 400, 320);
        return context.getImageData(0, 0, 400, 320).data;
      };
      const [p, q] = [await pixels(a!), await pixels(b!)];
      let differing = 0;
      let drawn = 0;
      for (let i = 0; i < p.length; i += 4) {
        if (p[i + 3]! > 0) drawn++;
        if ([0, 1, 2, 3].some((k) => Math.abs(p[i + k]! - q[i + k]!) > 24)) differing++;
      }
      return { differing: differing / (p.length / 4), drawn };
    },
    [a, b],
  );
}

function artOf(text: string): SvgArt {
  const read = readSvgArt(text);
  if (!read.ok) throw new Error(read.message);
  const { markup, width, height } = read.art;
  return { id: 'art', name: 'Art', kind: 'svg', markup, width, height, pivot: [0, 0], facing: 0 };
}

for (const [name, text] of Object.entries(DRAWINGS))
  test(`drawn as the file shows it: ${name}`, async ({ page }) => {
    await page.setContent('<!doctype html><title>art</title>');
    const art = artOf(text);
    const placed = `<svg xmlns="http://www.w3.org/2000/svg" width="${art.width}" height="${art.height}">${placedArt(art, 'x-')}</svg>`;
    for (const taken of [art.markup, placed]) {
      const { differing, drawn } = await compare(page, text, taken);
      expect(drawn).toBeGreaterThan(500);
      expect(differing).toBeLessThan(0.002);
    }
  });

test('the comparison sees a change', async ({ page }) => {
  await page.setContent('<!doctype html><title>art</title>');
  const text = DRAWINGS['gradients']!;
  expect((await compare(page, text, text.replaceAll('#7a3e7e', '#ffffff'))).differing).toBeGreaterThan(0.01);
});

async function newDesk(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New scene' }).click();
  await expect(page.locator('.canvas-edge')).toBeVisible();
}

async function drop(page: Page, name: string, body: string | number[], type = 'image/svg+xml'): Promise<void> {
  await page.evaluate(
    ({ name, body, type }) => {
      const data = new DataTransfer();
      data.items.add(new File([typeof body === 'string' ? body : new Uint8Array(body)], name, { type }));
      document
        .querySelector('.canvas-surface')
        ?.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    },
    { name, body, type },
  );
}

test('hostile files come out harmless or are refused, on the Desk itself', async ({ page }) => {
  const outside: string[] = [];
  page.on('request', (request) => {
    if (!/^(?:http:\/\/127\.0\.0\.1:|data:|blob:)/.test(request.url())) outside.push(request.url());
  });
  await newDesk(page);
  for (const [name, text] of Object.entries(HOSTILE)) {
    const notices = page.locator('.mantine-Notification-root');
    const before = await page.locator('.art-face[draggable="true"]').count();
    const file = `${name.replaceAll(' ', '-')}.svg`;
    await drop(page, file, text);
    await expect(async () => {
      const refused = await notices.filter({ hasText: `${file} was not imported` }).count();
      const taken = (await page.locator('.art-face[draggable="true"]').count()) > before;
      expect(refused > 0 || taken).toBe(true);
    }).toPass({ intervals: [100] });
  }
  for (const button of await page.getByRole('button', { name: /^Park .+ on the canvas$/ }).all()) await button.click();
  await page.waitForTimeout(300);
  expect(await page.evaluate(() => 'owned' in window)).toBe(false);
  const markup = await page.locator('.stage').evaluate((stage) => stage.shadowRoot?.innerHTML ?? '');
  expect(markup.length).toBeGreaterThan(500);
  expect(markup).not.toMatch(/script|foreignObject|<image|javascript:|outside\.test|\son\w+=|@import/i);
  expect(outside).toEqual([]);
});

test('what is too large, cut off, empty or no SVG is refused by name, and nothing changes', async ({ page }) => {
  await newDesk(page);
  const many = `<svg xmlns="http://www.w3.org/2000/svg">${'<rect width="1" height="1"/>'.repeat(20_001)}</svg>`;
  const cases: [string, string | number[], RegExp][] = [
    ['large.svg', `<svg xmlns="http://www.w3.org/2000/svg">${' '.repeat(5 * 1024 * 1024)}</svg>`, /5 MB/],
    ['many.svg', many, /20000 elements/],
    ['cut.svg', '<svg xmlns="http://www.w3.org/2000/svg"><g><rect width="5"', /./],
    ['half.svg', '<svg xmlns="http://www.w3.org/2000/svg"><g><rect width="5" height="5"/>', /cut off/],
    ['empty.svg', '', /empty/],
    ['photo.svg', [137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13], /no SVG drawing/],
    ['blank.svg', '<svg xmlns="http://www.w3.org/2000/svg"></svg>', /nothing is drawn/],
  ];
  for (const [name, body, reason] of cases) {
    await drop(page, name, body);
    const notice = page.locator('.mantine-Notification-root').filter({ hasText: `${name} was not imported` });
    await expect(notice).toContainText(reason, { timeout: 15_000 });
    await notice.getByRole('button', { name: 'Close this notice' }).click();
  }
  await drop(page, 'notes.txt', 'hello', 'text/plain');
  await expect(page.locator('.mantine-Notification-root').filter({ hasText: 'notes.txt' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
});

test('a font that is not in the file is named; a drawing can be pasted', async ({ page }) => {
  await newDesk(page);
  await drop(
    page,
    'sign.svg',
    '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="30"><text y="20" font-family="Quayside Script, serif">Tea</text></svg>',
  );
  await expect(page.locator('.mantine-Notification-root').filter({ hasText: 'Quayside Script' })).toBeVisible();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData(
      'text/plain',
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>',
    );
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.locator('.art-name', { hasText: 'Pasted drawing' })).toBeVisible();
});
