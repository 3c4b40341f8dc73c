import { expect, test, type Locator, type Page } from '@playwright/test';
import type { Rider, Scene } from '@pace-line/core';
import { canvasAt, newScene, openSample, savedScene } from './desk.ts';

const boxOf = async (one: Locator) => (await one.boundingBox())!;

const ferryIn = ({ riders }: Scene): Rider => riders.find(({ name }) => name === 'Ferry A')!;
const ferryA = async (page: Page): Promise<Rider> => ferryIn(await savedScene(page));

/** Opens the ferries, standing still. */
async function ferries(page: Page): Promise<void> {
  await openSample(page, /Open the sample Two ferries/);
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
}

test('a drawer takes of the sheet’s room: the canvas keeps its width and its zoom', async ({ page }) => {
  await ferries(page);
  const canvas = page.locator('.canvas-surface');
  const zoom = page.getByRole('button', { name: /^Zoom/ });
  const [before, words] = [await boxOf(canvas), await zoom.textContent()];
  for (const name of ['Contents', 'Art', 'Collection']) {
    await page.getByRole('button', { name, exact: true }).click();
    await expect(page.getByRole('complementary', { name })).toBeVisible();
    expect(await boxOf(canvas)).toEqual(before);
    expect(await zoom.textContent()).toBe(words);
  }
});

test('charts stand on the sheet’s time: the playhead is one line; the limit is dragged, or typed', async ({ page }) => {
  await ferries(page);
  await page.locator('.mark').nth(1).focus();
  await page.getByRole('button', { name: 'Charts' }).click();
  const charts = page.getByRole('region', { name: 'Charts' });
  await expect(charts.getByRole('img', { name: /^speed of/ })).toBeVisible();
  const x = async (one: string): Promise<number> => {
    const { x: left, width } = await boxOf(page.locator(one));
    return left + width / 2;
  };
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('Home');
    for (let k = 0; k < 20 * i; k++) await page.keyboard.press('.');
    await expect
      .poll(async () => Math.abs((await x('.playhead > svg')) - (await x('.chart-playhead'))))
      .toBeLessThan(1.6);
  }
  const limit = charts.getByRole('slider', { name: 'Limit' });
  const handle = await boxOf(limit);
  await page.mouse.move(handle.x + 10, handle.y + 8);
  await page.mouse.down();
  await page.mouse.move(handle.x + 10, handle.y + 50, { steps: 4 });
  await page.mouse.up();
  const value = Number(await limit.getAttribute('aria-valuenow'));
  expect(value).toBeGreaterThan(50);
  await expect(charts.getByRole('textbox', { name: 'Limit of the speed' })).toHaveValue(`${value} px/s`);
  // Escape gives up what is being dragged.
  const again = await boxOf(limit);
  await page.mouse.move(again.x + 10, again.y + 8);
  await page.mouse.down();
  await page.mouse.move(again.x + 10, again.y - 20, { steps: 4 });
  await expect(limit).not.toHaveText(`${value} px/s`);
  await page.keyboard.press('Escape');
  await expect(limit).toHaveText(`${value} px/s`);
  await page.mouse.up();
  await expect(limit).toHaveAttribute('aria-valuenow', String(value));
  await charts.getByRole('textbox', { name: 'Limit of the speed' }).fill('0');
  await page.keyboard.press('Enter');
  await expect(limit).toHaveAttribute('aria-valuetext', 'none');
});

test('0 fits the canvas, and pressed again all that there is', async ({ page }) => {
  await newScene(page);
  await page.keyboard.press('2');
  await page.mouse.click(...(await canvasAt(page, 200, 200)));
  await page.mouse.click(...(await canvasAt(page, 600, 300)));
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Guide x' }).fill('4000');
  await page.keyboard.press('Enter');
  const pane = await boxOf(page.locator('.canvas-surface'));
  const isInside = async (): Promise<boolean> => {
    const box = await page.locator('.node').last().boundingBox();
    return box !== null && box.x > pane.x && box.x + box.width < pane.x + pane.width;
  };
  // What moves all of it never leaves the view.
  const grip = await boxOf(page.locator('.grip'));
  expect(grip.x + grip.width).toBeLessThanOrEqual(pane.x + pane.width);
  const zoom = page.getByRole('button', { name: /^Zoom/ });
  const fitted = await zoom.textContent();
  await zoom.click();
  await expect.poll(isInside).toBe(true);
  await zoom.click();
  await expect(zoom).toHaveText(fitted!);
});

test('several riders are one: what differs is mixed, what is entered is for all, one step of undo', async ({
  page,
}) => {
  await ferries(page);
  await page.locator('.canvas-surface').focus();
  await page.keyboard.press('Control+a');
  const opacity = page.getByRole('textbox', { name: 'Opacity', exact: true });
  await expect(page.getByText('3 riders: what you enter is set for all of them.')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Offset: lift' })).toHaveValue('mixed');
  await opacity.fill('50');
  await opacity.press('Enter');
  await expect(opacity).toHaveValue('50%');
  const free = async (): Promise<readonly Rider[]> => (await savedScene(page)).riders.filter(({ locked }) => !locked);
  expect((await free()).map((one) => one.opacity)).toEqual([0.5, 0.5, 0.5]);
  const lift = page.getByRole('textbox', { name: 'Offset: lift' });
  // What the first has already, is entered for the others too.
  const [first] = await free();
  await lift.fill(String(first!.lift));
  await lift.press('Enter');
  await expect(lift).toHaveValue(`${first!.lift} px`);
  expect(new Set((await free()).map((one) => one.lift)).size).toBe(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(lift).toHaveValue('mixed');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(opacity).toHaveValue('100%');
});

test('a speed for which there is no room says by how much, and offers the room', async ({ page }) => {
  await ferries(page);
  await page.locator('.mark').first().focus();
  const speed = page.getByRole('textbox', { name: 'Speed of the next leg' });
  await speed.fill('100');
  await speed.press('Enter');
  const note = page.getByText(/^At 100 px\/s the last mark comes .* after the loop ends\. Nothing was changed\.$/);
  await expect(note).toBeVisible();
  await page.getByRole('button', { name: /^Lengthen the loop to/ }).click();
  await expect(speed).toHaveValue('100 px/s');
  const scene = await savedScene(page);
  const [a, b] = ferryIn(scene).pace.marks;
  expect(scene.clock.duration).toBeGreaterThan(12);
  expect(b!.time - a!.time - a!.dwell).toBeGreaterThan(9);
  await page.getByRole('button', { name: 'Undo' }).click();
  expect((await savedScene(page)).clock.duration).toBe(12);
});

test('places are written as shares and by the names of nodes, and shares stay shares', async ({ page }) => {
  await ferries(page);
  await page.locator('.mark').nth(1).focus();
  const place = page.getByRole('textbox', { name: 'Position on the guide' });
  await place.fill('40 %');
  await place.press('Enter');
  await expect(place).toHaveValue('40 %');
  expect((await ferryA(page)).pace.marks[1]!.place).toEqual({ by: 'share', value: 0.4 });
  await place.fill('east landing');
  await place.press('Enter');
  await expect(place).toHaveValue('995.3 px');
  await place.fill('the moon');
  await place.press('Enter');
  await expect(page.getByText('Enter px along the guide, a share such as 20 %, or the name of a node')).toBeVisible();
  await expect(place).toHaveValue('the moon');
});

test('a shape is dragged onto a guide; a parked rider dropped on one is asked for; a deleted guide is told of', async ({
  page,
}) => {
  await newScene(page);
  await page.keyboard.press('2');
  await page.mouse.click(...(await canvasAt(page, 300, 300)));
  await page.mouse.click(...(await canvasAt(page, 900, 300)));
  await page.keyboard.press('Enter');
  await page.keyboard.press('l');
  const [x, y] = await canvasAt(page, 600, 300);
  const surface = await boxOf(page.locator('.canvas-surface'));
  await page
    .getByRole('button', { name: 'Take the shape Dart into the scene' })
    .dragTo(page.locator('.canvas-surface'), { targetPosition: { x: x - surface.x, y: y - surface.y } });
  await expect(page.locator('.pace-line.selected')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  expect((await savedScene(page)).art).toHaveLength(0);
  await page.getByRole('button', { name: 'Put a new Disc on the canvas' }).click();
  await page.getByRole('button', { name: 'Close Art' }).click();
  const from = await canvasAt(page, 640, 360);
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move(...(await canvasAt(page, 640, 320)), { steps: 3 });
  await page.mouse.move(...(await canvasAt(page, 640, 301)), { steps: 3 });
  await page.mouse.up();
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await expect(page.locator('.pace-line.selected')).toHaveCount(1);
  // With its guide the rider loses its marks: that is said, and taken back.
  await page.mouse.click(...(await canvasAt(page, 420, 300)));
  await expect(page.locator('.node')).toHaveCount(2);
  await page.keyboard.press('Delete');
  await expect(page.getByText(/^Deleted “Guide”; “Disc” stays where it is, without marks$/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.locator('.pace-line')).toHaveCount(1);
});

test('the strip of speed is drawn by hand, and says when it cannot be', async ({ page }) => {
  await ferries(page);
  await page.locator('.mark').first().focus();
  const line = page.locator('.pace-line.selected');
  const before = await line.getAttribute('d');
  const strip = await boxOf(page.locator('.ribbon-area'));
  // At a quarter of the loop it is on its way; the first second it rests.
  const x = strip.x + strip.width * 0.28;
  await page.mouse.move(x, strip.y + strip.height * 0.5);
  await page.mouse.down();
  await page.mouse.move(x, strip.y + strip.height * 0.2, { steps: 5 });
  await page.mouse.up();
  await expect.poll(() => line.getAttribute('d')).not.toBe(before);
  const [first] = (await ferryA(page)).pace.marks;
  expect(first!.ease.kind).toBe('shaped');
  await page.mouse.move(strip.x + strip.width * 0.08, strip.y + strip.height * 0.9);
  await page.mouse.down();
  await page.mouse.move(strip.x + strip.width * 0.08, strip.y + strip.height * 0.4, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByText(/^It rests there: drag the strip where it moves/)).toBeVisible();
});

test('Find answers on the Shelf and on Send', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New scene' }).waitFor();
  const ask = async (question: string): Promise<void> => {
    await page.keyboard.press('Control+k');
    await page.getByRole('textbox', { name: 'Find anything' }).fill(question);
  };
  await ask('ferries');
  await page
    .getByRole('button', { name: /Two ferries, one loop/ })
    .last()
    .click();
  await expect(page.locator('.pace-line').first()).toBeVisible({ timeout: 15_000 });
  await ask('bitrate');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'WebM film', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await ask('half size gif');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'GIF', exact: true })).toHaveAttribute('aria-pressed', 'true');
  // Format, options and Save are in sight together.
  for (const name of [/^Scale, up to 4/, /^Frame rate/]) await expect(page.getByLabel(name)).toBeInViewport();
  await expect(page.getByRole('button', { name: /^Save .*\.gif/ })).toBeInViewport({ timeout: 60_000 });
  await ask('back to the desk');
  await page.keyboard.press('Enter');
  await expect(page.locator('.pace-line').first()).toBeVisible();
});

test('a first loop by pointer: from the Shelf to its file in at most 14 actions', async ({ page }) => {
  await page.goto('/');
  let actions = 0;
  const click = async (one: Locator): Promise<void> => {
    actions++;
    await one.click();
  };
  const clickAt = async (x: number, y: number): Promise<void> => {
    actions++;
    await page.mouse.click(...(await canvasAt(page, x, y)));
  };
  await click(page.getByRole('button', { name: 'New scene' }));
  await expect(page.locator('.canvas-edge')).toBeVisible();
  await click(page.getByRole('button', { name: 'Plot', exact: true }));
  for (const [x, y] of [
    [340, 360],
    [640, 200],
    [940, 360],
    [340, 360],
  ] as const)
    await clickAt(x, y);
  await click(page.getByRole('button', { name: 'Art', exact: true }));
  await click(page.getByRole('button', { name: 'Put a new Dart on Guide' }));
  await click(page.getByRole('button', { name: 'Close Art' }));
  // A rest where it starts, by the handle beside its mark.
  const ring = page.locator('.mark-ring').first();
  // The sheet has its room back first.
  await expect(page.getByRole('complementary', { name: 'Art' })).toHaveCount(0);
  await ring.hover();
  const mark = await boxOf(ring);
  actions++;
  await page.mouse.click(mark.x + mark.width / 2, mark.y + mark.height / 2);
  actions++;
  await page.mouse.move(mark.x + mark.width / 2 + 16, mark.y + mark.height / 2);
  await page.mouse.down();
  await page.mouse.move(mark.x + mark.width / 2 + 60, mark.y + mark.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole('textbox', { name: 'Rest', exact: true })).not.toHaveValue('0 s');
  await click(page.getByRole('link', { name: 'Send' }));
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    click(page.getByRole('button', { name: /^Save .*\.svg/ })),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.svg$/);
  expect(actions).toBeLessThanOrEqual(14);
});
