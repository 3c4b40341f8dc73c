import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { readScene, writeScene, type Scene } from '@pace-line/core';

/** Canvas px to window px, by the canvas's drawn edge. */
export async function canvasAt(page: Page, x: number, y: number): Promise<[number, number]> {
  const edge = page.locator('.canvas-edge');
  const box = await edge.boundingBox();
  if (!box) throw new Error('no canvas');
  const [width, height] = await edge.evaluate((one) => [
    Number(one.getAttribute('width')),
    Number(one.getAttribute('height')),
  ]);
  return [box.x + (x / (width ?? 1)) * box.width, box.y + (y / (height ?? 1)) * box.height];
}

/** Presses at the first of canvas points, moves through the others and lets go. */
export async function dragOn(page: Page, points: readonly (readonly [number, number])[], hold = 0): Promise<void> {
  const [first, ...rest] = points;
  if (!first) return;
  await page.mouse.move(...(await canvasAt(page, ...first)));
  await page.mouse.down();
  for (const point of rest) {
    await page.mouse.move(...(await canvasAt(page, ...point)), { steps: 2 });
    if (hold > 0) await page.waitForTimeout(hold);
  }
  await page.mouse.up();
}

export async function newScene(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New scene' }).click();
  await expect(page.locator('.canvas-edge')).toBeVisible();
}

export async function openSample(page: Page, name: RegExp): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name }).click();
  await expect(page.locator('.pace-line').first()).toBeVisible({ timeout: 15_000 });
  await settled(page);
}

/** Waits until the canvas stands where it stays: what is pressed before that is pressed elsewhere. */
async function settled(page: Page): Promise<void> {
  let last = '';
  await expect
    .poll(async () => {
      const before = last;
      last = JSON.stringify(await page.locator('.canvas-edge').boundingBox());
      return last === before;
    })
    .toBe(true);
}

/** The scene as the Desk saves it. */
export async function savedScene(page: Page): Promise<Scene> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save file' }).click(),
  ]);
  const read = readScene(readFileSync(await download.path(), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.scene;
}

/** Parks a built-in shape in the middle of the canvas and selects it. */
export async function parkDisc(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Art', exact: true }).click();
  await page.getByRole('button', { name: 'Take the shape Disc into the scene' }).click();
  await page.getByRole('button', { name: 'Park Disc on the canvas' }).click();
  await page.getByRole('button', { name: 'Close Art' }).click();
}

/** Drops a file on the Desk as from outside. */
export async function dropFile(page: Page, name: string, type: string, text: string): Promise<void> {
  await page.evaluate(
    ({ name, type, text }) => {
      const data = new DataTransfer();
      data.items.add(new File([text], name, { type }));
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
    },
    { name, type, text },
  );
}

/** Opens a scene as a file dropped on the Shelf. */
export async function openScene(page: Page, scene: Scene): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New scene' }).waitFor();
  await dropFile(page, 'job.paceline.json', 'application/json', writeScene(scene));
  await expect(page.locator('.pace-line').first()).toBeVisible({ timeout: 15_000 });
  await settled(page);
}

/** Opens Help, where recipes are shown so many times as fast as an unhurried hand. */
export async function openShown(page: Page, speed: number): Promise<void> {
  await page.addInitScript(
    (stored) => localStorage.setItem('pace-line-shows', stored),
    JSON.stringify({ state: { speed }, version: 0 }),
  );
  await page.goto('/help');
  await page.locator('article[id]').first().waitFor();
}
