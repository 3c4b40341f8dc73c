import type { Page } from '@playwright/test';

export type CardOf = 'scene' | 'guide' | 'rider' | 'heading' | 'pace';

/** Adds a group to a card by its list, where it is not there yet. */
export async function addTo(page: Page, card: CardOf, title: string): Promise<void> {
  const place = page.locator(`[data-card=${card}]`);
  if ((await place.getByRole('region', { name: title, exact: true }).count()) > 0) return;
  await place.locator('.add-button').click();
  await page.getByRole('option', { name: title, exact: true }).click();
}

/** Types a value at the playhead that is a keyframe: set first, where there is none. */
export async function typeKey(page: Page, name: string, field: string, value: string): Promise<void> {
  const button = page.getByRole('button', { name: new RegExp(`^Set an? ${name} keyframe at the playhead$`) });
  if ((await button.count()) > 0) await button.click();
  const input = page.getByRole('textbox', { name: field, exact: true });
  await input.fill(value);
  await input.press('Enter');
}
