import { expect, test } from '@playwright/test';
import { dropFile, openSample, savedScene } from './desk.ts';

test('a state kept by hand moves behind the present one, and comes back as a scene of its own', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  const before = await savedScene(page);
  await page.getByRole('button', { name: 'Versions' }).click();
  const drawer = page.getByRole('complementary', { name: 'Versions' });
  await expect(drawer).toContainText('None yet');
  await drawer.getByRole('textbox', { name: 'Name of this version' }).fill('First idea');
  await page.keyboard.press('Enter');
  await expect(drawer.getByText('First idea')).toBeVisible();
  await page.locator('.mark').nth(1).focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await drawer.getByRole('button', { name: 'Show First idea behind the present' }).click();
  await expect(page.locator('.ghost-line').first()).toBeAttached();
  await drawer.getByRole('button', { name: 'Show First idea behind the present' }).click();
  await expect(page.locator('.ghost')).toHaveCount(0);
  const address = page.url();
  await drawer.getByRole('button', { name: 'Open First idea as a copy' }).click();
  await expect(page).not.toHaveURL(address);
  await expect(page.getByRole('textbox', { name: 'Scene name' })).toHaveValue(/, First idea$/);
  const back = await savedScene(page);
  expect({ ...back, name: before.name }).toEqual(before);
  await page.goto(address);
  await page.getByRole('button', { name: 'Versions' }).click();
  await page.getByRole('button', { name: 'Delete First idea' }).click();
  await expect(page.locator('.version-title', { hasText: 'First idea' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('.version-title', { hasText: 'First idea' })).toBeVisible();
});

test('the state before something is brought in is kept', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect width="5" height="5"/></svg>';
  await dropFile(page, 'box.svg', 'image/svg+xml', svg);
  await page.getByRole('button', { name: 'Close Art' }).click();
  await page.getByRole('button', { name: 'Versions' }).click();
  await expect(page.getByText('before an import')).toBeVisible();
});

test('while a browser stores nothing that is said, with saving the file beside it', async ({ page }) => {
  await page.addInitScript(() => {
    const refuse = (): never => {
      throw new DOMException('refused', 'SecurityError');
    };
    Object.defineProperty(window, 'refuseStorage', {
      value: () => {
        IDBFactory.prototype.open = refuse;
        IDBDatabase.prototype.transaction = refuse;
        Storage.prototype.setItem = refuse;
      },
    });
  });
  await openSample(page, /Open the sample Two ferries/);
  await page.evaluate(() => (window as unknown as { refuseStorage: () => void }).refuseStorage());
  await page.locator('.mark').nth(1).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Not saved!')).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save it as a file' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.paceline\.json$/);
});
