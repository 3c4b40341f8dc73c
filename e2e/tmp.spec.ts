import { test, type Page } from '@playwright/test';
import { openSample } from './desk.ts';
async function open(page: Page, card: string): Promise<void> {
  const head = page.locator(`[data-card=${card}] .card-head`);
  if ((await head.getAttribute('aria-expanded')) !== 'true') await head.click();
}

test('look', async ({ page }) => {
  await openSample(page, /Open the sample Tea tin/);
  await page.keyboard.press('Space');
  const rider = page.locator('.mark').nth(1);
  await rider.click();
  await open(page, 'pace');
  await page.screenshot({ path: '/tmp/s1.png' });
  await page.getByRole('button', { name: 'Squash at this mark' }).click();
  await page.waitForTimeout(400);
  await page.screenshot({ path: '/tmp/s2.png' });
  await page.keyboard.press('Escape');
  await page.locator('.key-strips .key').first().click();
  await open(page, 'rider');
  await page.waitForTimeout(300);
  await page.screenshot({ path: '/tmp/s3.png' });
  const card = page.locator('[data-card="rider"] .card-body');
  await card.evaluate((e) => (e.scrollTop = 380));
  await page.screenshot({ path: '/tmp/s4.png' });
});
