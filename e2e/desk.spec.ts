import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { canvasAt as canvas, openSample } from './desk.ts';

test.describe('no accessibility violation', () => {
  const check = async (page: Page): Promise<void> => {
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(
      violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`),
    ).toEqual([]);
  };
  for (const scheme of ['light', 'dark'])
    test(`on any view, ${scheme}`, async ({ page }) => {
      await page.addInitScript((value) => localStorage.setItem('mantine-color-scheme-value', value), scheme);
      await openSample(page, /Open the sample Two ferries/);
      await page.keyboard.press('Space');
      const address = page.url();
      await check(page);
      await page.locator('.mark').nth(1).focus();
      await page.getByRole('button', { name: 'Contents' }).click();
      await check(page);
      await page.getByRole('button', { name: 'Art', exact: true }).click();
      await page.getByRole('button', { name: /^4 Pace/ }).click();
      await check(page);
      await page.goto(`${address}/send`);
      await expect(page.getByText('Largest deviation')).toBeVisible();
      await check(page);
      await page.goto('/');
      await expect(page.getByRole('button', { name: /^Open Two ferries/ })).toBeVisible();
      await check(page);
      await page.goto('/help');
      await expect(page.getByRole('heading', { name: 'Plot a guide' })).toBeVisible();
      await check(page);
      await page.goto('/scene/nothing-here');
      await expect(page.getByText('not in this browser')).toBeVisible();
      await check(page);
    });
});

test('the whole Desk by keyboard: play, step, mark, nudge, undo, drawers, tools', async ({ page }) => {
  await openSample(page, /Open the sample Down the canal/);
  const frame = page.locator('[data-readout="frame"]');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
  await page.keyboard.press('Home');
  await expect(frame).toHaveText('0');
  for (let i = 0; i < 30; i++) await page.keyboard.press('.');
  await expect(frame).toHaveText('30');
  await page.keyboard.press(',');
  await expect(frame).toHaveText('29');
  await page.keyboard.press('k');
  await page.getByRole('button', { name: /^Paper boat (?:rides|parked)/ }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('k');
  await expect(page.locator('.drawer')).toHaveCount(0);
  await page.keyboard.press('m');
  await expect(page.locator('.mark')).toHaveCount(4);
  await expect(page.getByRole('button', { name: 'Undo: Add mark' })).toBeEnabled();
  await page.keyboard.press('Delete');
  await expect(page.locator('.mark')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.mark')).toHaveCount(4);
  await expect(page.locator('.mark.selected')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.mark')).toHaveCount(3);
  await page.keyboard.press('2');
  await expect(page.getByRole('button', { name: 'Plot', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Adjust' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.down('x');
  await expect(page.locator('.canvas-pane.as-sent')).toBeVisible();
  await page.keyboard.up('x');
  await expect(page.locator('.canvas-pane.as-sent')).toHaveCount(0);
});

test('a node is dragged while the loop plays: the line, the ticks and the sheet follow before the button is let go', async ({
  page,
}) => {
  await openSample(page, /Open the sample Two ferries/);
  const line = page.locator('.guide-line').first();
  // It plays on from its start, where no rider lies where the guide is pressed.
  await page.keyboard.press('Home');
  await page.mouse.click(...(await canvas(page, 640, 190)));
  await expect(page.locator('.node')).toHaveCount(4);
  const before = {
    line: await line.getAttribute('d'),
    ticks: await page.locator('.tick').first().getAttribute('d'),
    length: await page.locator('[data-card="guide"] .card-summary').textContent(),
  };
  await page.mouse.move(...(await canvas(page, 640, 190)));
  await page.mouse.down();
  await page.mouse.move(...(await canvas(page, 700, 150)), { steps: 5 });
  await expect.poll(() => line.getAttribute('d')).not.toBe(before.line);
  await expect.poll(() => page.locator('.tick').first().getAttribute('d')).not.toBe(before.ticks);
  await expect.poll(() => page.locator('[data-card="guide"] .card-summary').textContent()).not.toBe(before.length);
  await expect(page.getByRole('button', { name: 'Pause', exact: true })).toBeVisible();
  const time = await page.locator('[data-readout="time"]').textContent();
  await expect.poll(() => page.locator('[data-readout="time"]').textContent()).not.toBe(time);
  await page.keyboard.press('Escape');
  await expect.poll(() => line.getAttribute('d')).toBe(before.line);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
});

test('nodes stay the elements they are while the dot comes, goes along their guide and goes: a guide may have thousands', async ({
  page,
}) => {
  await openSample(page, /Open the sample Two ferries/);
  // At its start no rider lies where the guide is pressed.
  await page.keyboard.press('Space');
  await page.keyboard.press('Home');
  await page.mouse.click(...(await canvas(page, 640, 190)));
  const nodes = page.locator('.node');
  await expect(nodes).toHaveCount(4);
  await nodes.evaluateAll((all) => all.forEach((one) => one.setAttribute('data-seen', '')));
  const points = await page
    .locator('.guide-line')
    .first()
    .evaluate((path: SVGPathElement) =>
      [110, 125, 140].map((length): [number, number] => {
        const { x, y } = path.getPointAtLength(length);
        return [x, y];
      }),
    );
  const dot = page.locator('.hover-dot');
  const nowhere = await canvas(page, 640, 560);
  await page.mouse.move(...nowhere);
  await expect(dot).toHaveCount(0);
  for (const point of points) {
    await page.mouse.move(...(await canvas(page, ...point)));
    await expect(dot).toHaveCount(1);
    await expect(page.locator('.node[data-seen]')).toHaveCount(4);
  }
  await page.mouse.move(...nowhere);
  await expect(dot).toHaveCount(0);
  await expect(page.locator('.node[data-seen]')).toHaveCount(4);
});

test('double click adds a node without changing the shape; card 1 changes its join', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.keyboard.press('Space');
  await page.keyboard.press('Home');
  const point = await page
    .locator('.guide-line')
    .first()
    .evaluate((path: SVGPathElement) => {
      const { x, y } = path.getPointAtLength(120);
      return [x, y] as [number, number];
    });
  await page.keyboard.press('Home');
  await page.mouse.click(...(await canvas(page, 640, 190)));
  await expect(page.locator('.node')).toHaveCount(4);
  const length = await page.locator('[data-card="guide"] .card-summary').textContent();
  await page.mouse.dblclick(...(await canvas(page, ...point)));
  await expect(page.locator('.node')).toHaveCount(5);
  await expect(page.locator('[data-card="guide"] .card-summary')).toHaveText(length ?? '');
  await page.getByRole('group', { name: 'Join' }).getByRole('button', { name: 'corner' }).click();
  await expect(page.getByRole('button', { name: 'Undo: Change join' })).toBeEnabled();
});

test('copy, paste and duplicate; multi-select; delete and undo', async ({ page }) => {
  await openSample(page, /Open the sample Dragonfly/);
  await page.keyboard.press('k');
  await page.getByRole('button', { name: /^Dragonfly (?:rides|parked)/ }).click();
  await page.keyboard.press('Control+c');
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('button', { name: /^Dragonfly 2 (?:rides|parked)/ })).toBeVisible();
  await page.keyboard.press('Control+d');
  await expect(page.getByRole('button', { name: /^Dragonfly 3 (?:rides|parked)/ })).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: /^Dragonfly 3 (?:rides|parked)/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Dragonfly 3 (?:rides|parked)/ })).toBeVisible();
  await page.keyboard.press('k');
  await page.keyboard.press('Control+a');
  await expect(page.locator('.contents-row.selected')).toHaveCount(0);
  await page.keyboard.press('k');
  await expect.poll(() => page.locator('.contents-row.selected').count()).toBeGreaterThan(3);
});

test('a second tab may only look, until it takes over', async ({ page, context }) => {
  await openSample(page, /Open the sample Down the canal/);
  const second = await context.newPage();
  await second.goto(page.url());
  await expect(second.getByText('open in another tab')).toBeVisible();
  await second.getByRole('button', { name: 'Take over' }).click();
  await expect(page.getByText('open in another tab')).toBeVisible();
  await expect(second.getByText('open in another tab')).toHaveCount(0);
  await second.locator('.mark').nth(1).focus();
  await second.keyboard.press('ArrowRight');
  await expect(second.getByRole('button', { name: 'Undo: Move mark' })).toBeEnabled();
});

test('the Shelf: rename, delete with undo, save and open a file, refuse a bad one', async ({ page }) => {
  await openSample(page, /Open the sample Down the canal/);
  await page.getByRole('link', { name: 'To the Shelf' }).click();
  await page.getByRole('button', { name: 'More for Down the canal' }).click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  await page.getByRole('textbox', { name: /New name/ }).fill('My canal');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Open My canal' })).toBeVisible();
  await page.getByRole('button', { name: 'More for My canal' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Save as a file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('my-canal.paceline.json');
  await page.getByRole('button', { name: 'More for My canal' }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByRole('button', { name: 'Open My canal' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Open My canal' })).toBeVisible();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: /Open file/ }).click(),
  ]);
  await chooser.setFiles(await download.path());
  await expect(page.locator('.notice, .mantine-Notification-root, .canvas-edge').first()).toBeVisible();
  await page.goto('/');
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.items.add(
      new File(['{"format":"pace-line/scene","version":1,"name":7}'], 'bad.paceline.json', {
        type: 'application/json',
      }),
    );
    window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
  });
  await expect(page.locator('.mantine-Notification-root')).toContainText(/bad\.paceline\.json was not opened.*name/s);
});

test('the divider is moved and remembered; a key leans the Desk; cards fold', async ({ page }) => {
  await openSample(page, /Open the sample Down the canal/);
  const width = async (): Promise<number> => (await page.locator('.canvas-pane').boundingBox())?.width ?? 0;
  const before = await width();
  const divider = await page.locator('.divider').boundingBox();
  if (!divider) throw new Error('no divider');
  await page.mouse.move(divider.x, divider.y + 200);
  await page.mouse.down();
  await page.mouse.move(divider.x - 150, divider.y + 200, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => Math.round(before - (await width()))).toBeGreaterThan(120);
  const moved = await width();
  await page.reload();
  await expect.poll(async () => Math.abs((await width()) - moved)).toBeLessThan(3);
  await page.keyboard.press('[');
  await expect.poll(width).toBeGreaterThan(moved + 150);
  await page.keyboard.press('[');
  await expect.poll(async () => Math.abs((await width()) - moved)).toBeLessThan(3);
  await page.keyboard.press('\\');
  await expect(page.locator('.card-body').first()).toBeHidden();
});
