import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { openSample, parkDisc } from './desk.ts';

/** What is found wrong with the page as it stands. */
async function violations(page: Page, what: string): Promise<string[]> {
  // Nothing is half faded in while contrast is measured.
  await page.waitForTimeout(350);
  // Lists and menus stand beside the page's regions, as the interface kit puts them.
  const found = await new AxeBuilder({ page }).disableRules(['region']).analyze();
  return found.violations.flatMap(({ id, nodes }) => nodes.map((node) => `${what}: ${id} ${node.target.join(' ')}`));
}

interface Opened {
  readonly what: string;
  readonly open: (page: Page) => Promise<void>;
}

const click = (name: string | RegExp) => (page: Page) => page.getByRole('button', { name }).first().click();

/** Menus, popovers, lists and dialogs of the Desk, each opened from the Desk with nothing else open. */
const ON_THE_DESK: readonly Opened[] = [
  { what: 'list of eases', open: (page) => page.getByRole('combobox', { name: /^Easing of the next leg/ }).click() },
  { what: 'list of marks', open: (page) => page.getByRole('combobox', { name: 'Mark', exact: true }).click() },
  { what: 'list of repeats', open: (page) => page.getByRole('combobox', { name: 'Repeat', exact: true }).click() },
  { what: 'what a rider can have', open: (page) => page.locator('[data-card=rider] .add-button').click() },
  { what: 'what the canvas shows', open: click(/^Snapping and display/) },
  { what: 'riders of the route', open: (page) => page.locator('.routes .plain-button').last().click() },
  { what: 'shortcuts', open: (page) => page.keyboard.press('?') },
  { what: 'tooltip', open: (page) => page.getByRole('button', { name: 'One frame on' }).hover() },
];

for (const colorScheme of ['light', 'dark'] as const)
  test.describe(`open, ${colorScheme}`, () => {
    test.use({ colorScheme });

    test('no menu, popover, list or dialog of the Desk has an accessibility violation', async ({ page }) => {
      test.setTimeout(240_000);
      await openSample(page, /Open the sample Two ferries/);
      await page.keyboard.press('Space');
      await page.locator('.mark').nth(1).focus();
      const found: string[] = [];
      for (const { what, open } of ON_THE_DESK) {
        await open(page);
        found.push(...(await violations(page, what)));
        await page.keyboard.press('Escape');
        await page.keyboard.press('Escape');
        await page.locator('.mark').nth(1).focus();
      }
      await page.getByRole('button', { name: 'Card 1, Guide' }).or(page.locator('.card-head').first()).first().click();
      const menus = page.locator('.cards [aria-haspopup="menu"]');
      for (let i = 0; i < (await menus.count()); i++) {
        if (!(await menus.nth(i).isVisible())) continue;
        await menus.nth(i).click();
        found.push(...(await violations(page, `menu ${i} of the cards`)));
        await page.keyboard.press('Escape');
      }
      expect(found).toEqual([]);
    });

    test('nor the dialog of parts, notices, and the menu of the Shelf', async ({ page }) => {
      test.setTimeout(120_000);
      const found: string[] = [];
      await openSample(page, /Open the sample Two ferries/);
      await parkDisc(page);
      await page.getByRole('button', { name: 'Art', exact: true }).click();
      await page
        .getByRole('button', { name: /^Take .* apart$/ })
        .first()
        .click();
      await expect(page.getByRole('dialog')).toBeVisible();
      found.push(...(await violations(page, 'dialog of parts')));
      await page.keyboard.press('Escape');
      await page.evaluate(() => {
        const data = new DataTransfer();
        data.items.add(new File(['?'], 'odd.xyz'));
        window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
      });
      await expect(page.getByRole('alert').first()).toBeVisible();
      found.push(...(await violations(page, 'notice')));
      await page.goto('/');
      await page
        .getByRole('button', { name: /^More for/ })
        .first()
        .click();
      await expect(page.getByRole('menuitem', { name: 'Delete' })).toBeVisible();
      found.push(...(await violations(page, 'menu of the Shelf')));
      await page.getByRole('menuitem', { name: 'Delete' }).click();
      await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
      found.push(...(await violations(page, 'offer to undo')));
      expect(found).toEqual([]);
    });
  });
