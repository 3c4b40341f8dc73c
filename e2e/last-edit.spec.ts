import { expect, test, type Page } from '@playwright/test';
import { openSample, savedScene } from './desk.ts';

/** Renames the scene; the edit is the last thing that happens before what follows. */
async function rename(page: Page, name: string): Promise<void> {
  const field = page.getByRole('textbox', { name: 'Scene name' });
  await field.fill(name);
  await field.press('Enter');
}

const send = (page: Page) => page.getByRole('link', { name: 'Send', exact: true }).click();

test('Send shows the last edit at once, and it is kept', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await rename(page, 'Just now');
  await send(page);
  await expect(page.getByRole('heading', { name: 'Send “Just now”' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Send “Just now”' })).toBeVisible();
});

test('with a full browser Send shows the last edit, nothing is dropped, and leaving asks first', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.evaluate(() => {
    const full = (): never => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    IDBObjectStore.prototype.put = full;
    Storage.prototype.setItem = full;
  });
  await rename(page, 'Not kept');
  await send(page);
  await expect(page.getByRole('heading', { name: 'Send “Not kept”' })).toBeVisible();
  await expect(page.getByText('The scene is not saved')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the Desk' }).click();
  await expect(page.getByText('Not saved!')).toBeVisible();
  expect((await savedScene(page)).name).toBe('Not kept');
  const asked = new Promise<string>((resolve) =>
    page.on('dialog', (dialog) => {
      resolve(dialog.type());
      void dialog.dismiss();
    }),
  );
  await page.close({ runBeforeUnload: true });
  expect(await asked).toBe('beforeunload');
});

test('with the storage deleted under it Send shows the last edit, and the scene is kept anew', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await expect(page.getByText(/^Saved [^i]/)).toBeVisible();
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const deleting = indexedDB.deleteDatabase('pace-line-scenes');
        deleting.onsuccess = deleting.onerror = () => resolve();
      }),
  );
  await rename(page, 'Out of nothing');
  await send(page);
  await expect(page.getByRole('heading', { name: 'Send “Out of nothing”' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the Desk' }).click();
  expect((await savedScene(page)).name).toBe('Out of nothing');
  await expect(page.getByText(/^Saved [^i]/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Scene name' })).toHaveValue('Out of nothing');
});

test('a tab that takes over has the other’s last edit; that one changes nothing more and says so', async ({
  page,
  context,
}) => {
  await openSample(page, /Open the sample Down the canal/);
  const second = await context.newPage();
  await second.goto(page.url());
  const over = second.getByRole('button', { name: 'Take over' });
  await expect(over).toBeVisible();
  await rename(page, 'Handed over');
  await over.click();
  await expect(second.getByText('open in another tab')).toHaveCount(0);
  await expect(second.getByRole('textbox', { name: 'Scene name' })).toHaveValue('Handed over');
  await expect(page.getByText('open in another tab').first()).toBeVisible();
  await page.bringToFront();
  await page.locator('.mark').nth(1).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('alert').filter({ hasText: 'This scene is open' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
});
