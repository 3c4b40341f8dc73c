import { expect, test } from '@playwright/test';
import { openSample, savedScene } from './desk.ts';

test('undo, selection and time survive a visit to Send, which shows the last edit however fast one is', async ({
  page,
}) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.keyboard.press('Home');
  for (let i = 0; i < 30; i++) await page.keyboard.press('.');
  await page.locator('.mark').nth(1).focus();
  const name = page.getByRole('textbox', { name: 'Rider name' });
  await name.fill('Night ferry');
  await name.press('Enter');
  await page.getByRole('link', { name: 'Send', exact: true }).click();
  await expect(page.getByText('Largest deviation')).toBeVisible();
  await page.goBack();
  await expect(page.locator('[data-readout="frame"]')).toHaveText('30');
  await expect(page.getByRole('button', { name: 'Undo: Rename rider' })).toBeEnabled();
  await expect(name).toHaveValue('Night ferry');
  await page.getByRole('button', { name: 'Undo: Rename rider' }).click();
  await expect(name).toHaveValue('Ferry A');
});

test('a reload right after an edit keeps it', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.locator('.mark').nth(1).focus();
  const name = page.getByRole('textbox', { name: 'Rider name' });
  await name.fill('Last ferry');
  await name.press('Enter');
  await page.reload();
  await expect(page.locator('.guide-line').first()).toBeVisible();
  expect((await savedScene(page)).riders.map((rider) => rider.name)).toContain('Last ferry');
});

test('a check that failed is mended by a click, laps can be typed', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.locator('.mark').nth(2).focus();
  const place = page.getByRole('textbox', { name: 'Position on the guide' });
  await place.fill('0.7 laps');
  await place.press('Enter');
  await expect(page.getByText(/^\d findings?$/)).toBeVisible();
  await page.getByRole('button', { name: 'end on a whole lap' }).click();
  await expect(page.getByText('no findings')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo: Close the lap' })).toBeEnabled();
});

test('Help leads back to the Desk', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  const address = new URL(page.url()).pathname;
  await page.getByRole('link', { name: 'Help' }).click();
  await expect(page.locator('.recipe-picture img').first()).toBeVisible();
  await page.getByRole('link', { name: 'Back to the Desk' }).click();
  expect(new URL(page.url()).pathname).toBe(address);
});

for (const width of [360, 390, 700, 1024])
  test(`nothing is wider than a window of ${width} px`, async ({ page }) => {
    await openSample(page, /Open the sample Two ferries/);
    await page.setViewportSize({ width, height: 800 });
    const wide = (): Promise<number> => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    await expect.poll(wide).toBeLessThanOrEqual(0);
    await expect(page.getByRole('link', { name: 'Send', exact: true })).toBeInViewport({ ratio: 1 });
    await expect(page.getByRole('button', { name: /^(Play|Pause)$/ }).first()).toBeInViewport({ ratio: 1 });
    const address = page.url();
    for (const path of ['/', '/help', `${new URL(address).pathname}/send`]) {
      await page.goto(path);
      await expect.poll(wide).toBeLessThanOrEqual(0);
    }
  });

test('on a window too low for two panes they are pages', async ({ page }) => {
  await page.setViewportSize({ width: 720, height: 450 });
  await page.goto('/');
  await page.getByRole('button', { name: /Open the sample Two ferries/ }).click();
  await page.getByRole('button', { name: 'Sheet', exact: true }).click();
  await expect(page.locator('.pace-line').first()).toBeVisible();
  await expect(page.getByText('Nothing rides')).toBeHidden();
});

test('nothing leaves an art tile, however wide its picture', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.getByRole('button', { name: 'Art', exact: true }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: /Import a drawing/ }).click(),
  ]);
  const wide = '<svg xmlns="http://www.w3.org/2000/svg" width="900" height="40"><rect width="900" height="40"/></svg>';
  await chooser.setFiles({ name: 'wide.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(wide) });
  await expect(page.getByRole('button', { name: 'Ride wide on Ferry service' })).toBeVisible();
  const beyond = await page.evaluate(() =>
    [...document.querySelectorAll('.art-tile')].flatMap((tile) => {
      const box = tile.getBoundingClientRect();
      return [...tile.querySelectorAll('*')].filter((one) => {
        const own = one.getBoundingClientRect();
        return own.right > box.right + 0.5 || own.left < box.left - 0.5 || own.bottom > box.bottom + 0.5;
      }).length;
    }),
  );
  expect(beyond.length).toBeGreaterThan(5);
  expect(Math.max(...beyond)).toBe(0);
});

test('on the cards, each change of a field is one step of undo', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.locator('.mark').nth(1).focus();
  const undo = page.getByRole('button', { name: /^Undo/ });
  const fields = page.locator('.cards .number-field input:not([disabled])');
  const count = await fields.count();
  expect(count).toBeGreaterThan(12);
  for (let i = 0; i < count; i++) {
    const field = fields.nth(i);
    const name = await field.getAttribute('aria-label');
    const before = await field.inputValue();
    await field.focus();
    // Held: three steps in the field, one change once it is let go.
    for (const key of ['ArrowDown', 'ArrowUp', 'ArrowUp', 'ArrowUp']) await page.keyboard.down(key);
    for (const key of ['ArrowDown', 'ArrowUp']) await page.keyboard.up(key);
    await field.blur();
    if ((await field.inputValue()) === before) {
      // What it asks for is done, and the field asks anew: a factor.
      if (await undo.isEnabled()) await undo.click();
      continue;
    }
    await expect(undo, `${name}`).toHaveAccessibleName(/^Undo:/);
    await undo.click();
    await expect(field, `${name}`).toHaveValue(before);
    await expect(undo, `${name}`).toHaveAccessibleName('Undo');
  }
});

test('in a low window the cards are heads; one that is pressed shows them all, and covers neither pane', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 680 });
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.locator('.mark').nth(1).focus();
  await expect(page.locator('.card-body').first()).toBeHidden();
  await page.getByRole('button', { name: /^4 Pace/ }).click();
  const ease = page.getByRole('combobox', { name: /^Easing of the next leg/ });
  await expect(ease).toBeVisible();
  const box = async (of: string) => (await page.locator(of).boundingBox())!;
  const foot = await box('.foot');
  for (const pane of ['.canvas-pane', '.sheet-pane']) {
    const { y, height } = await box(pane);
    expect(y + height).toBeLessThanOrEqual(foot.y + 1);
    expect(height).toBeGreaterThan(300);
  }
  // Work on the canvas leaves them as they are.
  await page.locator('.canvas-surface').click({ position: { x: 40, y: 60 } });
  await expect(page.locator('.card-body').first()).toBeVisible();
  await page.keyboard.press('\\');
  await page.keyboard.press('\\');
  await expect(page.locator('.card-body').first()).toBeHidden();
});

test('the system’s dark setting is followed at the first visit; a choice made here stays', async ({ browser }) => {
  const context = await browser.newContext({ colorScheme: 'dark' });
  const page = await context.newPage();
  await page.goto('/');
  const root = page.locator('html');
  await expect(root).toHaveAttribute('data-mantine-color-scheme', 'dark');
  await page.getByRole('button', { name: 'Dark colours' }).click();
  await expect(root).toHaveAttribute('data-mantine-color-scheme', 'light');
  await page.reload();
  await expect(root).toHaveAttribute('data-mantine-color-scheme', 'light');
  await context.close();
});
