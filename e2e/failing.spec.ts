import { expect, test, type Page } from '@playwright/test';
import { openSample, savedScene } from './desk.ts';

/** From now on something that a part of the page needs breaks, until it is mended. */
async function breakMatching(page: Page, selector: string): Promise<void> {
  await page.evaluate((matching) => {
    // eslint-disable-next-line @typescript-eslint/unbound-method -- called with its element below
    const original = Element.prototype.setAttribute;
    Object.assign(window, { mend: () => (Element.prototype.setAttribute = original) });
    Element.prototype.setAttribute = function (name: string, value: string) {
      if (this.matches(matching)) throw new Error('It broke.');
      original.call(this, name, value);
    };
  }, selector);
}

test('a part of the Desk that breaks leaves the others, the scene, undo and saving', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.locator('.mark').nth(1).focus();
  await breakMatching(page, '.pace-line.selected, .ribbon-line, .ribbon-area');
  await page.keyboard.press('ArrowRight');
  const failed = page.locator('.failed');
  await expect(failed).toContainText('The sheet cannot be shown');
  await expect(failed).toContainText('Reason: It broke.');
  await expect(page.getByText('Unexpected Application Error')).toHaveCount(0);
  await expect(page.locator('.guide-line').first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Card 4, Pace' })).toBeVisible();
  await page.evaluate(() => (window as unknown as { mend: () => void }).mend());
  await failed.getByRole('button', { name: 'undo: Move mark' }).click();
  await expect(failed).toHaveCount(0);
  await expect(page.locator('.pace-line.selected')).toBeVisible();
  expect((await savedScene(page)).riders.length).toBeGreaterThan(1);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
});

test('half characters in what is stored harm neither the Shelf nor the Desk', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await expect(page.getByText(/^Saved [^i]/)).toBeVisible();
  const address = page.url();
  await page.goto('/');
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('pace-line-scenes');
        opening.onerror = reject;
        opening.onsuccess = () => {
          const writing = opening.result.transaction(['cards', 'pictures'], 'readwrite');
          const cards = writing.objectStore('cards');
          const all = cards.getAllKeys();
          all.onsuccess = () => {
            const key = all.result[0] as string;
            const reading = cards.get(key);
            reading.onsuccess = () => {
              cards.put({ ...(reading.result as object), name: 'Half \uD800' }, key);
              writing.objectStore('pictures').put('<svg>\uDC00</svg>', key);
              cards.put(null, 'nothing');
              writing.oncomplete = () => resolve();
            };
          };
        };
      }),
  );
  await page.reload();
  await expect(page.getByRole('button', { name: /^Open Half/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Open the sample/ }).first()).toBeVisible();
  await page.goto(address);
  await expect(page.locator('.pace-line').first()).toBeVisible();
});

test('an address that is none says so in the editor’s look', async ({ page }) => {
  const answer = await page.goto('/nowhere/at/all');
  expect(answer?.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.getByRole('link', { name: 'To the Shelf' }).click();
  await expect(page.getByRole('button', { name: 'New scene' })).toBeVisible();
});
