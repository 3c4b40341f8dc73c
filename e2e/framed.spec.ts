import { expect, test } from '@playwright/test';
import { formatById } from '@pace-line/core';
import { LINE, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { filesOf, hostPage } from './hosting.ts';

const scene = sceneOf({
  canvas: { width: 800, height: 600, background: null },
  guides: [LINE],
  riders: [
    riderOn(
      'kite',
      'line',
      [
        { time: 0, place: { by: 'node', node: 'a' } },
        { time: 4, place: { by: 'node', node: 'c' } },
      ],
      { name: 'Kite & $& "tail"' },
    ),
  ],
});

for (const [scheme, ground] of [
  ['dark', [32, 48, 64]],
  ['light', [240, 232, 220]],
] as const)
  test(`a page without a ground lets a ${scheme} page be seen around it`, async ({ page }) => {
    const [html = ''] = (await filesOf(scene, 'web-page')).values();
    // As Send says that it is put into a page.
    const format = formatById('web-page')!;
    const frame = format.embed!(scene, ['/loop.html'], format.options.parse({}));
    await page.route('http://host.test/**', (route) =>
      route.fulfill({
        contentType: 'text/html',
        body: route.request().url().endsWith('/loop.html')
          ? html
          : `<!doctype html><style>:root{color-scheme:${scheme}}body{margin:0;background:rgb(${ground.join()})}</style><div style="width:400px">${frame}</div>`,
      }),
    );
    await page.goto('http://host.test/');
    await page.frameLocator('iframe').locator('body > svg').waitFor();
    const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 400, height: 300 } });
    await page.unrouteAll();
    await page.goto('about:blank');
    const corner = await page.evaluate(async (data) => {
      const image = new Image();
      image.src = `data:image/png;base64,${data}`;
      await image.decode();
      const context = new OffscreenCanvas(400, 300).getContext('2d')!;
      context.drawImage(image, 0, 0);
      return [...context.getImageData(20, 20, 1, 1).data].slice(0, 3);
    }, picture.toString('base64'));
    expect(corner).toEqual([...ground]);
  });

test('the group of a rider says whose it is, in drawings and modules, whatever the name', async ({ page }) => {
  const named = 'Kite & $& "tail"';
  for (const id of ['animated-svg', 'web-page']) {
    const [text = ''] = (await filesOf(scene, id)).values();
    await page.setContent(text);
    const group = page.locator(`[data-rider=${JSON.stringify(named)}]`);
    await expect(group, id).toHaveCount(1);
    expect(await group.locator('rect').count()).toBe(1);
  }
  await hostPage(page, scene, `mount(document.querySelector('#here'), { driver: 'none' })`);
  await expect(page.locator(`[data-rider=${JSON.stringify(named)}]`)).toHaveCount(1);
});
