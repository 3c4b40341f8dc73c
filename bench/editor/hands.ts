import type { Page } from '@playwright/test';
import { writeScene, type Scene } from '@pace-line/core';
import { SECONDS } from './watch.ts';

export const PORT = 4189;

export async function open(page: Page, scene: Scene): Promise<void> {
  await page.bringToFront();
  await page.goto(`http://127.0.0.1:${PORT}/`);
  await page.getByRole('button', { name: 'New scene' }).waitFor();
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.items.add(new File([text], 'crowd.paceline.json', { type: 'application/json' }));
    window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
  }, writeScene(scene));
  await page.locator('.canvas-edge').waitFor();
  // Until the Shelf's picture of the new scene has been drawn, by a worker.
  await page.waitForTimeout(8000);
}

/** Takes the second node with the real mouse; gives what drags it to and fro, and then lets go. */
export async function takeNode(
  page: Page,
  [nx, ny]: readonly [number, number] = [640, 140],
): Promise<{ drag: () => Promise<void>; drop: () => Promise<void> }> {
  const edge = await page.locator('.canvas-edge').boundingBox();
  if (!edge) throw new Error('no canvas');
  const at = (x: number, y: number): [number, number] => [
    edge.x + (x / 1280) * edge.width,
    edge.y + (y / 720) * edge.height,
  ];
  await page.mouse.click(...at(nx, ny));
  await page.mouse.move(...at(nx, ny));
  await page.mouse.down();
  return {
    drag: async () => {
      const until = Date.now() + SECONDS * 1000;
      for (let i = 0; Date.now() < until; i++) {
        await page.mouse.move(...at(nx + 60 * Math.sin(i / 12), ny + 50 * Math.sin(i / 9)));
        await page.waitForTimeout(12);
      }
    },
    drop: () => page.mouse.up(),
  };
}

/** A hand that holds something and moves it about a place for some seconds, and lets it go where it was. */
export async function moveAbout(page: Page, [x, y]: readonly [number, number], seconds = SECONDS): Promise<void> {
  await page.mouse.move(x, y);
  await page.mouse.down();
  const until = Date.now() + seconds * 1000;
  for (let i = 0; Date.now() < until; i++) {
    await page.mouse.move(x - 40 + 40 * Math.cos(i / 12), y + 30 * Math.sin(i / 9));
    await page.waitForTimeout(12);
  }
  await page.mouse.move(x, y);
  await page.mouse.up();
}

/** Drags a mark on the sheet to and fro in time with the real mouse, and brings it back to where it was. */
export async function shapeMark(page: Page, seconds = SECONDS): Promise<void> {
  const box = await page.locator('.mark').nth(1).boundingBox();
  if (!box) throw new Error('no mark');
  await moveAbout(page, [box.x + box.width / 2, box.y + box.height / 2], seconds);
}
