import { expect, test, type Page } from '@playwright/test';
import { openSample, savedScene } from './desk.ts';

const FERRIES = /Open the sample Two ferries/;
const tool = (page: Page) => page.locator('.tool-tab[aria-pressed="true"]');
const isPlaying = (page: Page) => page.getByRole('button', { name: 'Pause' });

/** Tabs until the focus is on what is asked for. */
async function tabTo(page: Page, name: string): Promise<void> {
  for (let i = 0; i < 80; i++) {
    if ((await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))) === name) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab does not come to ${name}`);
}

test('an ease is chosen by keyboard alone, for the mark that was chosen', async ({ page }) => {
  await openSample(page, FERRIES);
  await page.keyboard.press('Space');
  await page.locator('.mark').first().focus();
  await page.keyboard.press('PageDown');
  const chosen = page.locator('.mark.selected');
  await expect(chosen).toBeFocused();
  const id = await chosen.getAttribute('data-mark');
  await tabTo(page, 'Easing of the next leg');
  expect(await chosen.getAttribute('data-mark')).toBe(id);
  const field = page.getByRole('combobox', { name: 'Easing of the next leg' });
  const before = await field.inputValue();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('boun');
  await page.keyboard.press('Escape');
  await expect(field).toHaveValue(before);
  await field.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('boun');
  await page.keyboard.press('Enter');
  await expect(field).toHaveValue(/ounc/);
  expect(await chosen.getAttribute('data-mark')).toBe(id);
  const scene = await savedScene(page);
  const marks = scene.riders.flatMap((rider) => rider.pace.marks);
  expect(marks.find((mark) => mark.id === id)?.ease).toMatchObject({ family: 'bounce' });
  // The keyboard is the Desk's again.
  await page.keyboard.press('Control+z');
  await expect(field).toHaveValue(before);
});

test('letters of a name never run a tool, and the keyboard goes on from the name', async ({ page }) => {
  await openSample(page, FERRIES);
  await page.keyboard.press('k');
  const name = page.locator('.contents-name').first();
  await name.dblclick();
  await page.keyboard.type('Lantern 2 7');
  await expect(tool(page)).toHaveAccessibleName(/Adjust/);
  await page.keyboard.press('Enter');
  await expect(name).toContainText('Lantern 2 7');
  await expect(name).toBeFocused();
  await page.keyboard.press('F2');
  await page.keyboard.type('Not this');
  await page.keyboard.press('Escape');
  await expect(name).toContainText('Lantern 2 7');
  await expect(name).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('complementary', { name: 'Contents' })).toHaveCount(0);
});

test('arrows on the divider move only that; space after a click plays; a key held while the window is left is let go', async ({
  page,
}) => {
  await openSample(page, FERRIES);
  await page.keyboard.press('Space');
  await expect(isPlaying(page)).toHaveCount(0);
  await page.locator('.mark').nth(1).focus();
  const divider = page.getByRole('separator', { name: 'Divider between canvas and sheet' });
  const at = async () => (await divider.boundingBox())?.x ?? 0;
  const before = await at();
  await divider.focus();
  await page.keyboard.press('ArrowLeft');
  expect(await at()).toBeLessThan(before);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
  await page.getByRole('button', { name: 'Art', exact: true }).click();
  await page.keyboard.press('Space');
  await expect(isPlaying(page)).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Art' })).toBeVisible();
  await page.keyboard.down('x');
  await expect(page.locator('.canvas-pane.as-sent')).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event('blur')));
  await expect(page.locator('.canvas-pane.as-sent')).toHaveCount(0);
  await page.keyboard.up('x');
});

test('the list of shortcuts opens on the Desk, and closes where one was', async ({ page }) => {
  await openSample(page, FERRIES);
  await page.locator('.mark').first().focus();
  await page.keyboard.press('?');
  const dialog = page.getByRole('dialog', { name: 'Shortcuts' });
  await expect(dialog.getByText('to the next node or mark')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(page.locator('.mark').first()).toBeFocused();
});

test('after a change of views the keyboard goes on at the new one’s heading', async ({ page }) => {
  await openSample(page, FERRIES);
  await page.getByRole('link', { name: 'Send', exact: true }).press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused();
  await page.getByRole('link', { name: 'Back to the Desk' }).press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Desk' })).toBeFocused();
  await page.keyboard.press('2');
  await expect(tool(page)).toHaveAccessibleName(/Plot/);
});
