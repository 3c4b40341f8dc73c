import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { emptyScene, writeScene, type Scene } from '@pace-line/core';
import { newScene, openSample, savedScene } from './desk.ts';

const PIXELS = readFileSync('docs/screenshots/send.png');
const HASH = createHash('sha256').update(PIXELS).digest('hex');

/** A scene with a picture to draw over. */
const withPicture = (name: string): Scene => ({
  ...emptyScene(name),
  tracing: [
    {
      ...{ id: 'plan', name: 'Plan of the quay', asset: HASH, type: 'image/png', width: 1280, height: 800 },
      ...{ x: 0, y: 0, scale: 1, turn: 0, opacity: 0.5, visible: true, locked: true },
    },
  ],
  assets: { [HASH]: PIXELS.toString('base64') },
});

/** Drops a scene on the Shelf, which opens it. */
async function openOnShelf(page: Page, scene: Scene): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New scene' }).waitFor();
  const [choosing] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Open file…' }).click(),
  ]);
  const buffer = Buffer.from(writeScene(scene));
  await choosing.setFiles({ name: 'plan.paceline.json', mimeType: 'application/json', buffer });
  await expect(page.locator('.canvas-edge')).toBeVisible();
}

async function deleteOnShelf(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: `More for ${name}` }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByRole('button', { name: `Open ${name}` })).toHaveCount(0);
}

const toShelf = (page: Page): Promise<void> => page.getByRole('link', { name: /Shelf/ }).first().click();
const pictureIn = async (page: Page): Promise<string> => (await savedScene(page)).assets[HASH] ?? 'none';

test('a deletion undone after other views, in another tab’s company, brings the picture back', async ({
  page,
  context,
}) => {
  await openOnShelf(page, withPicture('With a plan'));
  await toShelf(page);
  await deleteOnShelf(page, 'With a plan');
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  await page.getByRole('link', { name: 'Help' }).click();
  await toShelf(page);
  const other = await context.newPage();
  await other.goto('/');
  await expect(other.getByText('Deleted scenes (1)')).toBeVisible();
  await undo.click();
  await expect(other.getByRole('button', { name: 'Open With a plan' })).toBeVisible();
  await page.getByRole('button', { name: 'Open With a plan' }).click();
  await expect(page.locator('.canvas-edge')).toBeVisible();
  expect(await pictureIn(page)).toBe(PIXELS.toString('base64'));
  await expect(page.getByText('is missing')).toHaveCount(0);
});

test('what was deleted is restored from its list, or from its own address, and deleted for good only when asked', async ({
  page,
}) => {
  await openOnShelf(page, withPicture('With a plan'));
  const address = page.url();
  await toShelf(page);
  await deleteOnShelf(page, 'With a plan');
  await page.reload();
  await page.getByText('Deleted scenes (1)').click();
  await page.getByRole('button', { name: 'Restore With a plan' }).click();
  await expect(page.getByRole('button', { name: 'Open With a plan' })).toBeVisible();
  await expect(page.getByText('Deleted scenes')).toHaveCount(0);
  await deleteOnShelf(page, 'With a plan');
  await page.goto(address);
  await expect(page.getByRole('heading', { name: '“With a plan” was deleted' })).toBeVisible();
  await page.getByRole('button', { name: 'Restore' }).click();
  expect(await pictureIn(page)).toBe(PIXELS.toString('base64'));
  await toShelf(page);
  await deleteOnShelf(page, 'With a plan');
  await page.getByText('Deleted scenes (1)').click();
  await page.getByRole('button', { name: 'Delete With a plan for good' }).click();
  await page.getByRole('button', { name: 'Delete for good', exact: true }).click();
  await expect(page.getByText('Deleted scenes')).toHaveCount(0);
  await page.goto(address);
  await expect(page.getByRole('heading', { name: 'This scene is not in this browser' })).toBeVisible();
});

/** Damages the stored pixels, as an earlier build did: the name is there and its content is not. */
const poison = (page: Page): Promise<void> =>
  page.evaluate(
    (hash) =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('pace-line-scenes');
        opening.onsuccess = () => {
          const into = opening.result.transaction('assets', 'readwrite');
          into.objectStore('assets').put('', hash);
          into.oncomplete = () => resolve();
        };
      }),
    HASH,
  );

test('a picture that is missing is named, and taken from its own file or from a scene that has it', async ({
  page,
}) => {
  await openOnShelf(page, withPicture('With a plan'));
  const banner = page.getByText('A picture is missing: Plan of the quay');
  const choose = async (name: string, buffer: Buffer): Promise<void> => {
    const [choosing] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Choose the file…' }).click(),
    ]);
    await choosing.setFiles({ name, mimeType: name.endsWith('json') ? 'application/json' : 'image/png', buffer });
  };
  const files: [string, Buffer][] = [
    ['plan.png', PIXELS],
    ['other.paceline.json', Buffer.from(writeScene(withPicture('Other')))],
  ];
  for (const [name, buffer] of files) {
    await poison(page);
    await page.reload();
    await expect(banner).toBeVisible();
    await choose('wrong.png', readFileSync('docs/screenshots/desk.png'));
    await expect(page.getByText('wrong.png is not a missing picture')).toBeVisible();
    await choose(name, buffer);
    await expect(banner).toHaveCount(0);
    expect(await pictureIn(page)).toBe(PIXELS.toString('base64'));
    await expect(page.getByText(/^Saved [^i]/)).toBeVisible();
    await page.reload();
    await expect(page.locator('.canvas-edge')).toBeVisible();
    await expect(banner).toHaveCount(0);
  }
});

test('undo and redo survive a reload, and a visit to the Shelf', async ({ page }) => {
  await openSample(page, /Open the sample Two ferries/);
  const before = await savedScene(page);
  await page.locator('.mark').nth(1).focus();
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('ArrowRight');
    await page.waitForTimeout(800);
  }
  const after = await savedScene(page);
  const undo = page.getByRole('button', { name: /^Undo/ });
  await expect(page.getByText(/^Saved [^i]/)).toBeVisible();
  await page.reload();
  await expect(undo).toBeEnabled();
  await undo.click();
  await toShelf(page);
  await page.getByRole('button', { name: /^Open Two ferries/ }).click();
  await undo.click();
  await undo.click();
  await expect(undo).toBeDisabled();
  expect(await savedScene(page)).toEqual(before);
  const redo = page.getByRole('button', { name: /^Redo/ });
  for (let i = 0; i < 3; i++) await redo.click();
  expect(await savedScene(page)).toEqual(after);
});

test('where the browser refuses to store anything that is said, and a scene can be made and saved', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const refuse = (): never => {
      throw new DOMException('storage is refused', 'SecurityError');
    };
    IDBFactory.prototype.open = refuse;
    Storage.prototype.setItem = refuse;
    Storage.prototype.getItem = refuse;
  });
  await page.goto('/');
  await expect(page.getByRole('alert').filter({ hasText: 'does not let Pace Line store anything' })).toBeVisible();
  await page.getByRole('button', { name: 'New scene' }).click();
  await expect(page.locator('.canvas-edge')).toBeVisible();
  expect((await savedScene(page)).name).toBe('New scene');
  await toShelf(page);
  await expect(page.getByRole('button', { name: 'Open New scene' })).toBeVisible();
});

test('no page violates its own policy as it is loaded', async ({ page }) => {
  const violations: string[] = [];
  await page.exposeFunction('violated', (words: string) => violations.push(words));
  await page.addInitScript(() =>
    addEventListener('securitypolicyviolation', (event) =>
      (window as unknown as { violated: (words: string) => void }).violated(
        `${event.violatedDirective} ${event.blockedURI} ${event.sourceFile}:${event.lineNumber}`,
      ),
    ),
  );
  await newScene(page);
  for (const address of ['/', '/help']) await page.goto(address);
  expect(violations).toEqual([]);
});
