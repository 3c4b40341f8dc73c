import { expect, test, type Page } from '@playwright/test';
import type { Rider } from '@pace-line/core';
import { newScene, openSample, savedScene } from './desk.ts';

/** Presses keys one after the other, and counts them. */
function counting(page: Page): { readonly press: (...keys: string[]) => Promise<void>; readonly count: () => number } {
  let count = 0;
  return {
    async press(...keys) {
      for (const key of keys) {
        count++;
        await page.keyboard.press(key);
      }
    },
    count: () => count,
  };
}

const ferryA = async (page: Page): Promise<Rider> =>
  (await savedScene(page)).riders.find(({ name }) => name === 'Ferry A')!;

/** Tabs on until what has the keyboard has a name. */
async function tabTo(page: Page, press: (key: string) => Promise<void>, name: RegExp): Promise<void> {
  const words = (): Promise<string> =>
    page.evaluate(() => {
      const one = document.activeElement;
      return one?.getAttribute('aria-label') ?? one?.textContent ?? '';
    });
  for (let i = 0; i < 20; i++) {
    await press('Tab');
    if (name.test(await words())) return;
  }
  throw new Error(`not come to in 20 steps: ${name}`);
}

test('a whole loop by keys alone, from the Shelf to the file, in at most 60 presses', async ({ page }) => {
  const { press, count } = counting(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'New scene' }).waitFor();
  await tabTo(page, press, /New scene/);
  await press('Enter');
  await expect(page.locator('.canvas-edge')).toBeVisible();
  // A guide of four nodes, closed where it began.
  await press('2', 'c');
  await expect(page.locator('.canvas-surface')).toBeFocused();
  await press('Control+ArrowLeft', 'Control+ArrowLeft', 'Enter');
  await press('Control+ArrowUp', 'Control+ArrowRight', 'Control+ArrowRight', 'Enter');
  await press('Control+ArrowRight', 'Control+ArrowRight', 'Control+ArrowDown', 'Enter');
  await press('Control+ArrowDown', 'Control+ArrowLeft', 'Control+ArrowLeft', 'Enter');
  await press('Control+ArrowUp', 'Control+ArrowLeft', 'Control+ArrowLeft', 'Enter');
  // A disc on it.
  await press('l');
  await expect(page.getByRole('complementary', { name: 'Art' })).toBeFocused();
  await tabTo(page, press, /Put a new Disc on Guide/);
  await press('Enter', 'Escape');
  await expect(page.locator('.pace-line.selected')).toHaveCount(1);
  // It rests a second where it starts.
  await press('Shift+Digit4');
  await expect(page.getByRole('combobox', { name: 'Mark' })).toBeFocused();
  await tabTo(page, press, /^Rest$/);
  await press('1', 'Enter');
  await expect(page.getByRole('textbox', { name: 'Rest', exact: true })).toBeFocused();
  // Sent, by asking for it.
  await press('Control+k');
  await expect(page.getByRole('textbox', { name: 'Find anything' })).toBeFocused();
  await press('s', 'v', 'g', 'Enter');
  await expect(page.getByRole('heading', { name: /^Send/ })).toBeFocused();
  await expect(page.locator('.facts')).toContainText('Largest deviation');
  await expect(page.getByRole('button', { name: /^Save .*\.svg/ })).toBeVisible();
  const [download] = await Promise.all([page.waitForEvent('download'), press('Control+s')]);
  expect(download.suggestedFilename()).toMatch(/\.svg$/);
  expect(count()).toBeLessThanOrEqual(60);
});

test('arrows move the cursor by 1, 10 and 100 px; Enter once more ends an open guide; Escape gives it up', async ({
  page,
}) => {
  await newScene(page);
  await page.keyboard.press('2');
  await page.keyboard.press('c');
  await expect(page.locator('.canvas-surface')).toBeFocused();
  for (const key of [
    'Enter',
    'Control+ArrowRight',
    'Control+ArrowDown',
    'Shift+ArrowDown',
    'ArrowDown',
    'Enter',
    'Enter',
  ])
    await page.keyboard.press(key);
  await expect(page.locator('.node')).toHaveCount(2);
  const [guide] = (await savedScene(page)).guides;
  expect(guide).toMatchObject({
    closed: false,
    nodes: [
      { x: 640, y: 360 },
      { x: 740, y: 471 },
    ],
  });
  // A shape from corner to corner.
  await page.keyboard.press('6');
  await page.keyboard.press('c');
  await expect(page.locator('.canvas-surface')).toBeFocused();
  for (const key of ['Enter', 'Control+ArrowLeft', 'Control+ArrowUp', 'Enter']) await page.keyboard.press(key);
  await expect.poll(async () => (await savedScene(page)).guides.length).toBe(2);
  await page.keyboard.press('2');
  await page.keyboard.press('c');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  expect((await savedScene(page)).guides).toHaveLength(2);
});

test('after scrubbing, arrows step frames; a value entered stays in its field, and space plays from there', async ({
  page,
}) => {
  await openSample(page, /Open the sample Two ferries/);
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
  await page.locator('.mark').nth(1).focus();
  const time = page.locator('[data-readout="time"]');
  const strip = (await page.locator('.strip-ground').boundingBox())!;
  const frame = page.locator('[data-readout="frame"]');
  const paused = (await frame.textContent())!;
  await page.mouse.click(strip.x + strip.width * 0.3, strip.y + 10);
  await expect(frame).not.toHaveText(paused);
  const at = Number(await frame.textContent());
  await page.keyboard.press('ArrowRight');
  await expect(frame).toHaveText(String(at + 1));
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(frame).toHaveText(String(at - 9));
  expect((await ferryA(page)).pace.marks.map((one) => one.time)).toEqual([0, 6, 12]);
  // The mark at the playhead is on the card: the second, as 3.6 s and more lie behind the first.
  const rest = page.getByRole('textbox', { name: 'Rest', exact: true });
  await rest.fill('0.5');
  await rest.press('Enter');
  await expect(rest).toBeFocused();
  await expect(rest).toHaveValue('0.5 s');
  const before = await time.textContent();
  await page.keyboard.press('Space');
  await expect(time).not.toHaveText(before!);
  await expect(rest).toHaveValue('0.5 s');
  await page.keyboard.press('Control+z');
  await expect(rest).toHaveValue('1 s');
});

test('a tool’s button stays the keyboard’s: Enter chooses it; arrows after that draw on the canvas', async ({
  page,
}) => {
  await newScene(page);
  await page.keyboard.press('2');
  await page.getByRole('button', { name: 'Sketch', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Sketch', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Plot', exact: true }).click();
  await page.keyboard.press('Control+ArrowRight');
  await expect(page.locator('.canvas-surface')).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+ArrowDown');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  const [guide] = (await savedScene(page)).guides;
  expect(guide!.nodes.map(({ x, y }) => [x, y])).toEqual([
    [740, 360],
    [740, 460],
  ]);
});
