import { expect, test, type Page } from '@playwright/test';
import { prepare, type ImageArt, type SvgArt } from '@pace-line/core';
import { typeKey } from './cards.ts';
import { canvasAt, dropFile, newScene, savedScene } from './desk.ts';
import { worstGap } from './motion.ts';
import { write } from './writing.ts';

/** A picture made by the browser: a plain colour with another in its left upper quarter. */
async function picture(page: Page, width: number, height: number, type: string): Promise<Buffer> {
  const url = await page.evaluate(
    ({ width, height, type }) => {
      const canvas = document.createElement('canvas');
      Object.assign(canvas, { width, height });
      const context = canvas.getContext('2d')!;
      context.fillStyle = '#0b7a75';
      context.fillRect(0, 0, width, height);
      context.fillStyle = '#a3471f';
      context.fillRect(0, 0, width / 2, height / 2);
      return canvas.toDataURL(type);
    },
    { width, height, type },
  );
  return Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
}

async function bringIn(page: Page, name: string, mimeType: string, buffer: Buffer): Promise<void> {
  const close = page.getByRole('button', { name: 'Close Art' });
  if (!(await close.isVisible())) await page.getByRole('button', { name: 'Art', exact: true }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: /Import a drawing/ }).click(),
  ]);
  await chooser.setFiles({ name, mimeType, buffer });
}

test('a picture rides, is kept, undone, and sent with its pixels in it', async ({ page }) => {
  await newScene(page);
  await bringIn(page, 'round-stamp.png', 'image/png', await picture(page, 80, 60, 'image/png'));
  await page.getByRole('button', { name: 'Park Round stamp on the canvas' }).click();
  await page.getByRole('button', { name: 'Close Art' }).click();
  await page.locator('[data-card=rider] .card-head').click();
  await expect(page.getByRole('textbox', { name: 'Offset: lift' })).toHaveCount(0);
  await typeKey(page, 'scale', 'Scale', '150');
  const scene = await savedScene(page);
  const art = scene.art[0] as ImageArt;
  expect(art).toMatchObject({ kind: 'image', type: 'image/png', width: 80, height: 60, pivot: [40, 30] });
  expect(Object.keys(scene.assets)).toEqual([art.asset]);
  // Opened anew it is still there.
  await page.reload();
  await expect(page.locator('.stage image, svg image').first()).toBeAttached();
  // What is sent holds its pixels, and shows them where the scene says.
  const file = await write(scene, 'animated-svg');
  expect(file.text).toContain('href="data:image/png;base64,');
  await page.setContent(`<!doctype html><body style="margin:0">${file.text}</body>`);
  const worst = await worstGap(page, scene, [0.2, 1.1, 3.3]);
  expect(worst.gap).toBeLessThan(0.5);
  const pose = prepare(scene).poseAt(0);
  const [x, y] = [pose.of(0, 'x'), pose.of(0, 'y')];
  const shot = await page.screenshot({ clip: { x: x - 30, y: y - 20, width: 60, height: 40 } });
  const colours = await page.evaluate(async (data) => {
    const image = new Image();
    image.src = `data:image/png;base64,${data}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width: 60, height: 40 });
    const context = canvas.getContext('2d')!;
    context.drawImage(image, 0, 0);
    const at = (px: number, py: number): number[] => [...context.getImageData(px, py, 1, 1).data.slice(0, 3)];
    return [at(5, 5), at(55, 35)];
  }, shot.toString('base64'));
  expect(colours).toEqual([
    [0xa3, 0x47, 0x1f],
    [0x0b, 0x7a, 0x75],
  ]);
});

test('its pixels go with the last art that shows them', async ({ page }) => {
  await newScene(page);
  await bringIn(page, 'stamp.webp', 'image/webp', await picture(page, 40, 40, 'image/webp'));
  await expect(page.getByRole('button', { name: 'Delete Stamp' })).toBeVisible();
  expect(Object.keys((await savedScene(page)).assets)).toHaveLength(1);
  await page.getByRole('button', { name: 'Delete Stamp' }).click();
  expect(Object.keys((await savedScene(page)).assets)).toHaveLength(0);
  await page.keyboard.press('Control+z');
  expect(Object.keys((await savedScene(page)).assets)).toHaveLength(1);
});

test('one that is too large is offered to be made smaller; what is no picture is said to be none', async ({ page }) => {
  await newScene(page);
  await bringIn(page, 'long.png', 'image/png', await picture(page, 9000, 30, 'image/png'));
  await expect(page.getByRole('dialog')).toContainText('9000 × 30 px');
  await page.getByRole('button', { name: 'Make it 2048 px' }).click();
  await expect(page.getByRole('button', { name: 'Park Long on the canvas' })).toBeVisible();
  expect((await savedScene(page)).art[0]).toMatchObject({ kind: 'image', width: 2048, height: 7 });
  await bringIn(page, 'broken.png', 'image/png', Buffer.from('no picture at all'));
  await expect(page.getByText('It could not be read as a picture.')).toBeVisible();
  expect((await savedScene(page)).art).toHaveLength(1);
});

test('a heavy drawing can be taken as a picture of itself', async ({ page }) => {
  await newScene(page);
  const circles = Array.from({ length: 3000 }, (_, i) => `<circle cx="${i % 100}" cy="${Math.floor(i / 100)}" r="1"/>`);
  const text = `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="60" viewBox="0 0 100 60"><rect width="100" height="60" fill="#0b7a75"/>${circles.join('')}</svg>`;
  await dropFile(page, 'dots.svg', 'image/svg+xml', text);
  await page.getByRole('button', { name: 'Take it as a picture' }).click();
  await expect(page.getByRole('button', { name: 'Park Dots on the canvas' })).toBeVisible();
  expect((await savedScene(page)).art[0]).toMatchObject({ kind: 'image', type: 'image/png', width: 100, height: 60 });
});

test('a sheet cut into poses walks along its guide, in what is sent too', async ({ page }) => {
  await newScene(page);
  const url = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width: 160, height: 60 });
    const context = canvas.getContext('2d')!;
    for (const [i, fill] of ['#aa0001', '#aa0002', '#aa0003', '#aa0004'].entries()) {
      context.fillStyle = fill;
      context.fillRect(40 * i, 0, 40, 60);
    }
    return canvas.toDataURL('image/png');
  });
  await page.getByRole('button', { name: 'Art', exact: true }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: /Import poses/ }).click(),
  ]);
  const buffer = Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
  await chooser.setFiles({ name: 'walker 01.png', mimeType: 'image/png', buffer });
  await expect(page.getByRole('dialog')).toContainText('160 × 60 px');
  await page.getByRole('textbox', { name: 'Columns' }).fill('4');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Cut it' }).click();
  await expect(page.getByText('Walker · 4 poses')).toBeVisible();
  await page.getByRole('button', { name: 'Park Walker on the canvas' }).click();
  await page.getByRole('button', { name: 'Close Art' }).click();
  await page.keyboard.press('2');
  await page.mouse.click(...(await canvasAt(page, 200, 500)));
  await page.mouse.click(...(await canvasAt(page, 1000, 500)));
  await page.keyboard.press('Enter');
  await page.keyboard.press('1');
  await page.mouse.click(...(await canvasAt(page, 640, 350)));
  await page.locator('[data-card=rider] .card-head').click();
  await page.getByRole('combobox', { name: 'Guide', exact: true }).click();
  await page.getByRole('option', { name: 'Guide', exact: true }).click();
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await page.getByRole('group', { name: 'Poses' }).getByRole('button', { name: 'by distance' }).click();
  await page.getByRole('textbox', { name: 'Stride' }).fill('90');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Whole strides: use \d+\.\d\d px \(\d\)$/ }).click();
  const scene = await savedScene(page);
  const [walker] = scene.riders;
  expect(scene.art[0]).toMatchObject({ kind: 'strip', width: 40, height: 60, pivot: [20, 60] });
  expect(Object.keys(scene.assets)).toHaveLength(4);
  const motion = prepare(scene);
  const way = motion.riders[0]!.distanceAt(4, -1) - motion.riders[0]!.distanceAt(0);
  const strides = way / walker!.poses.stride;
  expect(strides).toBeCloseTo(Math.round(strides), 6);
  expect(Math.round(strides)).toBe(Math.round(way / 90));
  const seen = Array.from({ length: 40 }, (_, i) => motion.poseAt(i / 10 + 0.013).of(0, 'pose'));
  expect(new Set(seen)).toEqual(new Set([1, 2, 3, 4]));
  const { text } = await write(scene, 'animated-svg');
  await page.setContent(`<!doctype html><body style="margin:0">${text}</body>`);
  const shown = await page.evaluate(() => {
    const animations = document.getAnimations();
    animations.forEach((animation) => animation.pause());
    const groups = [...document.querySelectorAll<SVGGElement>('g:has(> image)')];
    return Array.from({ length: 40 }, (_, i) => {
      animations.forEach((animation) => (animation.currentTime = (i / 10 + 0.013) * 1000));
      return groups.findIndex((group) => getComputedStyle(group).opacity === '1');
    });
  });
  // Groups stand in the order in which their poses are first shown.
  const order = [...new Set(seen)];
  expect(shown.map((index) => order[index])).toEqual(seen);
});

test('a text becomes outlines that need no font', async ({ page }) => {
  await newScene(page);
  await page.getByRole('button', { name: 'Art', exact: true }).click();
  await page.getByRole('button', { name: /^Text/ }).click();
  await page.keyboard.type('Night boat 7 & <b>');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Park Night boat 7/ }).click();
  const { art } = await savedScene(page);
  expect(art[0]).toMatchObject({ kind: 'svg', name: 'Night boat 7 & <b>' });
  const { markup, width, height } = art[0] as SvgArt;
  expect(markup).toMatch(/^<svg [^>]*><path d="M[^"]+" fill="#1F2933"\/><\/svg>$/i);
  expect(width).toBeGreaterThan(4 * height);
  // Nothing but white space is no art.
  await page.getByRole('button', { name: /^Text/ }).click();
  await page.keyboard.type('   ');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  expect((await savedScene(page)).art).toHaveLength(1);
});
