import { fileURLToPath } from 'node:url';
import { expect, test, type Page } from '@playwright/test';
import { prepare } from '@pace-line/core';
import { canvasAt, savedScene } from './desk.ts';
import { worstGap } from './motion.ts';

const swallow = fileURLToPath(new URL('./fixtures/swallow.svg', import.meta.url));

/** Canvas px to window px, as a point. */
async function canvasPoint(page: Page, x: number, y: number): Promise<{ x: number; y: number }> {
  const [left, top] = await canvasAt(page, x, y);
  return { x: left, y: top };
}

async function drag(page: Page, from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 4 });
  await page.mouse.move(to.x, to.y, { steps: 4 });
  await page.mouse.up();
}

test('the first loop, from end to end', async ({ page }, info) => {
  const outside: string[] = [];
  page.on('request', (request) => {
    if (!/^(?:http:\/\/127\.0\.0\.1:|data:|blob:)/.test(request.url())) outside.push(request.url());
  });
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));

  await test.step('a sample opens and loops', async () => {
    await page.goto('/');
    await page.getByRole('button', { name: /Open the sample Two ferries/ }).click();
    await expect(page.locator('.pace-line')).toHaveCount(3);
    const first = await page.locator('[data-readout="time"]').textContent();
    await expect.poll(() => page.locator('[data-readout="time"]').textContent()).not.toBe(first);
    await page.getByRole('link', { name: 'To the Shelf' }).click();
  });

  await test.step('a new scene, a drawing of one’s own', async () => {
    await page.getByRole('button', { name: 'New scene' }).click();
    await expect(page.locator('.canvas-edge')).toBeVisible();
    await page.getByRole('button', { name: 'Art', exact: true }).click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: /Import a drawing/ }).click(),
    ]);
    await chooser.setFiles(swallow);
    await expect(page.locator('.drawer').getByText('Swallow')).toBeVisible();
    await page.getByRole('button', { name: 'Close Art' }).click();
  });

  await test.step('a guide is plotted', async () => {
    await page.keyboard.press('2');
    const at = async (x: number, y: number) => canvasPoint(page, x, y);
    await drag(page, await at(200, 520), await at(260, 420));
    await drag(page, await at(560, 200), await at(700, 220));
    await drag(page, await at(900, 520), await at(960, 600));
    const end = await at(1150, 300);
    await page.mouse.click(end.x, end.y);
    await page.keyboard.press('Enter');
    await expect(page.locator('.node')).toHaveCount(4);
    await expect(page.getByRole('button', { name: 'Adjust' })).toHaveAttribute('aria-pressed', 'true');
  });

  await test.step('the drawing is put on it by dragging', async () => {
    await page.getByRole('button', { name: 'Art', exact: true }).click();
    const tile = page.locator('.art-face[draggable="true"]').first();
    const target = await canvasPoint(page, 200, 520);
    const surface = page.locator('.canvas-surface');
    const box = await surface.boundingBox();
    await tile.dragTo(surface, {
      targetPosition: { x: target.x - (box?.x ?? 0) + 4, y: target.y - (box?.y ?? 0) - 4 },
    });
    await expect(page.getByRole('button', { name: 'sits on the guide' })).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('button', { name: 'stays where it is' }).click();
    await expect(page.getByRole('button', { name: 'stays where it is' })).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('button', { name: 'sits on the guide' }).click();
    await page.getByRole('button', { name: 'Close Art' }).click();
    await expect(page.locator('.pace-line')).toHaveCount(1);
  });

  await test.step('it turns along the curve', async () => {
    await page.getByRole('combobox', { name: 'Orientation' }).click();
    await page.getByRole('option', { name: 'along', exact: true }).click();
    await expect(page.locator('[data-card="heading"] .card-summary')).toHaveText('along the guide');
  });

  await test.step('marks and eases while the loop plays', async () => {
    await page.getByRole('button', { name: 'Play', exact: true }).click();
    const sheet = page.locator('.sheet');
    const box = await sheet.boundingBox();
    const first = await page.locator('.mark-ring').first().boundingBox();
    const last = await page.locator('.mark-ring').last().boundingBox();
    if (!box || !first || !last) throw new Error('no sheet');
    const middle = { x: (first.x + last.x + first.width) / 2, y: (first.y + last.y + first.height) / 2 };
    await page.mouse.click(middle.x, middle.y);
    await drag(page, middle, { x: middle.x - 30, y: middle.y - 40 });
    await expect(page.locator('.mark')).toHaveCount(3);
    const rest = page.locator('.mark.selected .rest-end');
    const handle = await rest.boundingBox();
    if (!handle) throw new Error('no rest handle');
    const grab = { x: handle.x + handle.width / 2, y: handle.y + handle.height / 2 };
    await drag(page, grab, { x: grab.x + 40, y: grab.y });
    await page.getByRole('combobox', { name: 'Easing of the next leg' }).click();
    await page.getByRole('option', { name: 'cubic in and out' }).click();
    await page.getByRole('combobox', { name: 'Mark', exact: true }).click();
    await page.getByRole('option', { name: '1 of 3' }).click();
    await page.getByRole('combobox', { name: 'Easing of the next leg' }).click();
    await page.getByRole('option', { name: 'back out', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Pause', exact: true })).toBeVisible();
    const scene = await savedScene(page);
    const [start, landing] = scene.riders[0]?.pace.marks ?? [];
    expect(start?.ease).toMatchObject({ kind: 'family', family: 'back', mode: 'out' });
    expect(landing?.ease).toMatchObject({ kind: 'family', family: 'cubic', mode: 'in-out' });
    expect(landing?.dwell).toBeGreaterThan(0.1);
  });

  await test.step('the keyboard nudges a node and a mark; undo takes each back', async () => {
    const before = await savedScene(page);
    await page.locator('.mark').nth(1).focus();
    await page.keyboard.press('ArrowRight');
    const nudged = await savedScene(page);
    expect(nudged.riders[0]!.pace.marks[1]!.time).toBeCloseTo(before.riders[0]!.pace.marks[1]!.time + 1 / 30, 9);
    await page.keyboard.press('Control+z');
    expect(await savedScene(page)).toEqual(before);
    await page.keyboard.press('Control+Shift+z');
    expect(await savedScene(page)).toEqual(nudged);
  });

  const scene = await savedScene(page);
  const url = page.url();

  await test.step('after reloading all is as it was', async () => {
    await expect(page.locator('.save-line')).toContainText('Saved');
    await page.waitForTimeout(1000);
    await page.reload();
    await expect(page.locator('.mark, .guide-line').first()).toBeVisible();
    expect(await savedScene(page)).toEqual(scene);
  });

  for (const format of ['Animated SVG', 'Web page'])
    await test.step(`sent as ${format}, it moves the same`, async () => {
      await page.goto(`${url}/send`);
      await page.getByRole('button', { name: new RegExp(`^${format}`) }).click();
      const save = page.getByRole('button', { name: /^Save .+\.(svg|html)$/ });
      await expect(save).toBeEnabled();
      const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
      const file = info.outputPath(download.suggestedFilename());
      await download.saveAs(file);
      const out = await page.context().newPage();
      await out.goto(`file://${file}`);
      const motion = prepare(scene);
      const events = motion.riders[0]!.events(0, motion.length).flatMap((time) => [time - 0.001, time + 0.001]);
      const random = Array.from({ length: 40 }, (_, i) => ((i * 0.6180339887 + 0.137) % 1) * motion.length);
      const times = [...events, ...random].filter((time) => time >= 0 && time < motion.length);
      const worst = await worstGap(out, scene, times);
      expect(worst.gap, `${worst.rider} at ${worst.time}`).toBeLessThan(0.5);
      await out.close();
    });

  expect(outside).toEqual([]);
  expect(errors).toEqual([]);
});
