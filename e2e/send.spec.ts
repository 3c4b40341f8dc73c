import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { openSample, openScene } from './desk.ts';
import { brightness, differingShare } from './pictures.ts';
import { redScene } from './red-rider.ts';

async function toSend(page: Page, sample: RegExp): Promise<void> {
  await openSample(page, sample);
  await page.getByRole('link', { name: 'Send' }).click();
  await expect(page.locator('.facts')).toContainText('Size');
}

/** A picture of what is shown of the output. */
async function stagePicture(page: Page): Promise<Buffer> {
  const box = (await page.locator('.output-view').boundingBox())!;
  return page.screenshot({ clip: box });
}

/** Two of them, some time apart. */
async function twoPictures(page: Page): Promise<readonly [Buffer, Buffer]> {
  const first = await stagePicture(page);
  await page.waitForTimeout(700);
  return [first, await stagePicture(page)];
}

test('an output is held, laid over the Desk’s picture, and shown as with less motion', async ({ page }) => {
  test.setTimeout(120_000);
  await toSend(page, /^Open the sample Two ferries, one loop/);
  const button = (name: string) => page.getByRole('button', { name, exact: true });
  for (const format of ['Animated SVG', 'Module', 'Lottie']) {
    await button(format).click();
    await expect(page.locator('.output-view iframe')).toBeVisible();
    await page.waitForTimeout(700);
    const moving = await twoPictures(page);
    await button('Difference').click();
    await expect(button('Play')).toBeVisible();
    for (const steps of [0, 20]) {
      for (let i = 0; i < steps; i++) await page.getByRole('slider').press('PageUp');
      await expect(page.locator('.desk-picture')).toBeVisible();
      await page.waitForTimeout(500);
      expect(await brightness(page, await stagePicture(page)), `${format} after ${steps}`).toBeLessThan(3);
    }
    // The Desk's own picture is no black one.
    await button('Desk').click();
    await page.waitForTimeout(300);
    expect(await brightness(page, await stagePicture(page))).toBeGreaterThan(60);
    await button('Play').click();
    await expect(page.locator('.desk-picture')).toHaveCount(0);
    // Players ask nobody about motion.
    await expect(button('Reduced motion')).toHaveCount(format === 'Lottie' ? 0 : 1);
    if (format === 'Lottie') continue;
    await button('Reduced motion').click();
    await page.waitForTimeout(900);
    const calm = await twoPictures(page);
    expect(await differingShare(page, calm)).toBe(0);
    expect(await differingShare(page, moving)).toBeGreaterThan(0);
    await button('Reduced motion').click();
  }
});

test('at its true size it can be scrolled, and it stands on what is chosen', async ({ page }) => {
  await toSend(page, /^Open the sample Tea to the basket/);
  await page.getByRole('button', { name: '1:1' }).click();
  expect((await page.locator('.output-view').boundingBox())!.width).toBe(960);
  await page.getByRole('button', { name: 'Black', exact: true }).click();
  const black = (): Promise<void> => expect(page.locator('.output-view')).toHaveCSS('background-color', 'rgb(0, 0, 0)');
  await black();
  // It stays while what is shown there is written anew, and for the next format.
  await page.getByRole('switch', { name: 'Paint the canvas’s background' }).uncheck({ force: true });
  await expect(page.locator('.send-shown')).toHaveAttribute('aria-busy', 'false');
  await black();
  await page.getByRole('button', { name: 'Web page', exact: true }).click();
  await expect(page.locator('.output-view iframe')).toBeVisible();
  await black();
});

test('a link holds the scene in itself, and opens it as a new one', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await toSend(page, /^Open the sample Dragonfly among lanterns/);
  await page.getByRole('button', { name: 'Copy a link' }).click();
  await expect(page.getByText('was copied')).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  expect(link.length).toBeLessThan(60_000);
  const asked: string[] = [];
  const other = await context.newPage();
  other.on('request', (request) => asked.push(request.url()));
  await other.goto(link);
  await other.locator('.canvas-edge').waitFor();
  await expect(other).toHaveTitle(/Dragonfly among lanterns/);
  // What is in it leaves the browser with no request.
  const secret = new URL(link).hash.slice(1, 60);
  expect(asked.filter((url) => url.includes(secret) && !url.includes('/open#'))).toEqual([]);
  await other.goto(link.slice(0, 300));
  await expect(other.getByRole('heading', { name: 'The scene in this link cannot be opened' })).toBeVisible();
});

test('a sent file that carries its scene opens it on the Shelf; one that does not is said to', async ({ page }) => {
  await toSend(page, /^Open the sample Kite over the quay/);
  const save = async (): Promise<string> => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: /^Save .*\./ }).click(),
    ]);
    return readFileSync(await download.path(), 'utf8');
  };
  const plain = await save();
  await page.getByRole('switch', { name: /^Include the editable scene/ }).check({ force: true });
  await page.waitForTimeout(400);
  await expect(page.locator('.facts')).toContainText('Size');
  const carrying = await save();
  expect(carrying.startsWith(plain.trimEnd())).toBe(true);
  const drop = (text: string) =>
    page.evaluate((svg) => {
      const data = new DataTransfer();
      data.items.add(new File([svg], 'kite.svg', { type: 'image/svg+xml' }));
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    }, text);
  await page.goto('/');
  await page.getByRole('button', { name: 'New scene' }).waitFor();
  await drop(plain);
  await expect(page.getByText('kite.svg was not opened')).toBeVisible();
  await drop(carrying);
  await page.locator('.canvas-edge').waitFor();
  await expect(page).toHaveTitle(/Kite over the quay/);
  // On the Desk of another scene as well, as a scene file does; one that carries none is art there.
  const before = page.url();
  await drop(carrying);
  await expect(page).not.toHaveURL(before);
  await page.locator('.canvas-edge').waitFor();
  const now = page.url();
  await drop(plain);
  await expect(page.getByRole('button', { name: 'Close Art' })).toBeVisible();
  expect(page.url()).toBe(now);
});

test('what takes long goes on while the hand is back on the Desk, and is offered when it is there', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await openScene(page, { ...redScene, clock: { ...redScene.clock, fps: 60 } });
  await page.getByRole('link', { name: 'Send' }).click();
  await page.getByRole('button', { name: 'GIF', exact: true }).click();
  await page.getByLabel('Scale, up to 4').fill('2');
  await expect(page.getByRole('button', { name: 'Cancel', exact: true })).toBeVisible();
  // Said once: the view shows how far it is, nothing lies over it.
  const note = page.locator('.job-note');
  await page.waitForTimeout(800);
  await expect(note).toHaveCount(0);
  await page.getByRole('link', { name: 'Back to the Desk' }).click();
  await page.locator('.canvas-edge').waitFor();
  await expect(note.or(page.getByRole('button', { name: /^Save .+\.gif$/ })).first()).toBeVisible();
  const save = page.getByRole('button', { name: /^Save .+\.gif$/ });
  await expect(save).toBeVisible({ timeout: 60_000 });
  const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
  expect(
    readFileSync(await download.path())
      .subarray(0, 6)
      .toString(),
  ).toBe('GIF89a');
  await expect(save).toHaveCount(0);
});

test('a larger size is a larger drawing, and what puts it into a page says so', async ({ page }) => {
  await toSend(page, /^Open the sample Tea to the basket/);
  await page.getByLabel(/^Scale, up to/).fill('2');
  await expect(page.getByLabel('Embed code')).toContainText('width="1920" height="1200"');
  await expect(page.locator('.facts')).toContainText('Largest deviation');
});

test('a colour of the drawing gets a name that the page may set, and what it is on dark pages', async ({ page }) => {
  await toSend(page, /^Open the sample Tea barrel/);
  await page.getByRole('button', { name: 'Animated SVG', exact: true }).click();
  const save = async (): Promise<string> => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: /^Save .*\./ }).click(),
    ]);
    return readFileSync(await download.path(), 'utf8');
  };
  await page.getByText('Colours that the page may set').click();
  const name = page.getByRole('textbox', { name: /^Name of #/ }).first();
  const color = /#[\da-f]{6}/.exec((await name.getAttribute('aria-label'))!)![0];
  // What may not stand in a name is left out as it is typed.
  await name.fill('wood grain!');
  await expect(name).toHaveValue('wood-grain');
  // Typed sign by sign: what is no whole colour on the way there stays in the field.
  const dark = page.getByRole('textbox', { name: `${color} on dark pages` });
  await dark.pressSequentially('#aabbcc');
  await page.keyboard.press('Tab');
  await expect(dark).toHaveValue('#aabbcc');
  await expect(page.getByText('--wood-grain: teal')).toBeVisible();
  await expect(page.locator('.facts')).toContainText('Size');
  await expect.poll(save).toContain(`="var(--wood-grain,var(--`);
  expect(await save()).toMatch(/@media \(prefers-color-scheme:dark\)\{:root\{--\w+_wood-grain:#aabbcc\}\}/);
  const second = page.getByRole('textbox', { name: /^Name of #/ }).nth(1);
  await second.fill('wood-grain');
  await expect(page.getByText('This name is taken.')).toBeVisible();
  // It is kept while other formats are looked at, each with its own.
  await page.getByRole('button', { name: 'Module', exact: true }).click();
  await page.getByText('Colours that the page may set').click();
  await expect(name).toHaveValue('');
  await page.getByRole('button', { name: 'Animated SVG', exact: true }).click();
  await expect(name).toHaveValue('wood-grain');
  await name.fill('');
  await expect.poll(save).not.toContain('var(');
});
