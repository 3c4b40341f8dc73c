import { expect, test } from '@playwright/test';
import { nearestOnPath, pathOfGuide, prepare } from '@pace-line/core';
import { addTo } from './cards.ts';
import { canvasAt, dragOn, dropFile, newScene, openSample, parkDisc, savedScene } from './desk.ts';
import { write } from './writing.ts';
import { pixelAt } from './pictures.ts';

const at = (scene: Parameters<typeof prepare>[0], time: number, rider = 0): [number, number] => {
  const pose = prepare(scene).poseAt(time);
  return [pose.of(rider, 'x'), pose.of(rider, 'y')];
};

test('set down at one time after another, then bent: the rider is where it was put', async ({ page }) => {
  await newScene(page);
  await parkDisc(page);
  await page.keyboard.press('5');
  await expect(page.getByText('is parked: that is its place at 0 s')).toBeVisible();
  await dragOn(page, [
    [640, 360],
    [300, 400],
    [200, 500],
  ]);
  const step = async (frames: number): Promise<void> => {
    for (let i = 0; i < frames; i++) await page.keyboard.press('.');
  };
  await step(30);
  await page.mouse.move(...(await canvasAt(page, 200, 500)));
  await page.mouse.down();
  await page.mouse.move(...(await canvasAt(page, 500, 200)), { steps: 4 });
  // The guide that is just being made is on the sheet before the hand lets go.
  await expect(page.locator('.route-tab')).toBeVisible();
  await expect(page.locator('.pace-line')).toBeVisible();
  await page.mouse.up();
  await expect(page.locator('.guide')).toHaveCount(1);
  await step(60);
  await dragOn(page, [
    [500, 200],
    [700, 300],
    [900, 500],
  ]);
  await expect(page.getByText('3 placements')).toBeVisible();
  await page.keyboard.press('1');
  await page.mouse.click(...(await canvasAt(page, 700, 350)));
  await dragOn(page, [
    [700, 350],
    [760, 320],
    [800, 250],
  ]);
  const scene = await savedScene(page);
  const [guide] = scene.guides;
  expect(scene.riders[0]!.pace.marks.map((mark) => mark.time)).toEqual([0, 1, 3]);
  expect(guide!.nodes).toHaveLength(3);
  expect(nearestOnPath(pathOfGuide(guide!), 800, 250)!.gap).toBeLessThan(3);
  for (const [time, x, y] of [
    [0, 200, 500],
    [1, 500, 200],
    [3, 900, 500],
  ] as const) {
    const [px, py] = at(scene, time);
    expect(Math.hypot(px - x, py - y)).toBeLessThan(4);
  }
});

test('sketched, then fitted again with another tolerance as one step of undo', async ({ page }) => {
  await newScene(page);
  await page.keyboard.press('3');
  const wave = Array.from({ length: 60 }, (_, i): [number, number] => [
    150 + 16 * i,
    360 - 120 * Math.sin(i / 7) + 3 * Math.sin(i * 1.7),
  ]);
  await dragOn(page, wave);
  await expect(page.locator('.guide')).toHaveCount(1);
  const nodes = async (): Promise<number> => page.locator('.node').count();
  const before = await nodes();
  expect(before).toBeLessThan(30);
  await page.getByRole('slider', { name: 'Tolerance, px' }).focus();
  for (let i = 0; i < 24; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(nodes).toBeLessThan(before);
  const scene = await savedScene(page);
  for (const [x, y] of wave) expect(nearestOnPath(pathOfGuide(scene.guides[0]!), x, y)!.gap).toBeLessThan(16);
});

test('acted out: the way and the timing of the hand', async ({ page }) => {
  await newScene(page);
  await parkDisc(page);
  await page.keyboard.press('4');
  await page.getByRole('group', { name: 'Beats of the count-in' }).getByRole('button', { name: 'at once' }).click();
  await dragOn(
    page,
    Array.from({ length: 40 }, (_, i): [number, number] => [200 + 20 * i, 300 + 100 * Math.sin(i / 8)]),
    12,
  );
  const scene = await savedScene(page);
  expect(scene.guides[0]!.name).toBe('Way of Disc');
  const { marks } = scene.riders[0]!.pace;
  expect(marks.length).toBeGreaterThan(1);
  const [x] = at(scene, marks.at(-1)!.time - 0.001);
  expect(x).toBeGreaterThan(960);
  await page.getByRole('slider', { name: 'Smooth, s' }).focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
  const smoother = await savedScene(page);
  // A scripted hand moves in fits and starts; evened out, it needs fewer marks.
  expect(smoother.riders[0]!.pace.marks.length).toBeLessThanOrEqual(marks.length);
  await page.keyboard.press('1');
});

test('a shape stays live on its card until a node is edited, reversed or begun elsewhere too', async ({ page }) => {
  await newScene(page);
  await page.keyboard.press('6');
  await dragOn(page, [
    [400, 200],
    [600, 400],
  ]);
  const radius = page.getByRole('textbox', { name: 'Circle, radius' });
  await expect(radius).toBeVisible();
  await radius.fill('80+40');
  await radius.press('Enter');
  await expect(page.locator('[data-card="guide"] .card-summary')).toContainText('754 px');
  await page.locator('.node').nth(1).focus();
  await page.getByRole('button', { name: /^Direction/ }).click();
  await page.getByRole('menuitem', { name: 'Start at the selected node' }).click();
  await expect(page.getByRole('button', { name: 'Undo: Start guide at node' })).toBeEnabled();
  await page.getByRole('button', { name: /^Direction/ }).click();
  await page.getByRole('menuitem', { name: /^Reverse/ }).click();
  await expect(radius).toBeVisible();
  await page.locator('.node').nth(1).focus();
  await page.keyboard.press('ArrowRight');
  await expect(radius).toHaveCount(0);
});

test('a parallel beside a guide follows when the guide is bent; unlinked it stays', async ({ page }) => {
  await openSample(page, /Open the sample Down the canal/);
  await page.keyboard.press('Space');
  await page.mouse.click(...(await canvasAt(page, 960, 560)));
  await page.getByRole('button', { name: /^1 Guide/ }).click();
  await page.getByRole('button', { name: /^More/ }).click();
  await page.getByRole('menuitem', { name: 'Parallel guide, linked' }).click();
  await expect(page.getByText('Linked to', { exact: true })).toBeVisible();
  const before = await savedScene(page);
  expect(before.guides[1]!.link).toMatchObject({ kind: 'parallel', distance: 40 });
  await page.keyboard.press('Escape');
  await page.mouse.click(...(await canvasAt(page, 250, 520)));
  await page.locator('.node').nth(1).focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowDown');
  const after = await savedScene(page);
  const original = pathOfGuide(after.guides[0]!);
  const beside = pathOfGuide(after.guides[1]!);
  for (let i = 0; i <= 200; i++) {
    const { x, y } = beside.frameAtDistance((beside.length * i) / 200);
    expect(Math.abs(nearestOnPath(original, x, y)!.gap - 40)).toBeLessThan(0.1);
  }
});

test('one drawing taken apart: a guide, a rider and scenery, all where they were', async ({ page }) => {
  await newScene(page);
  await page.getByRole('button', { name: 'Collection' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'From a file…' }).click(),
  ]);
  await chooser.setFiles({
    name: 'pond.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="640" height="360" viewBox="0 0 1280 720"><rect id="pond" width="1280" height="720" fill="#9cc"/><g transform="translate(100 0)"><path id="tow-path" d="M100 600C400 200 800 200 1000 600" fill="none" stroke="#333"/></g><circle id="float" cx="200" cy="300" r="40" fill="#c33"/></svg>',
    ),
  });
  await expect(page.getByText('Parts of Pond')).toBeVisible();
  await page.getByRole('group', { name: 'Float is' }).getByRole('button', { name: 'rider' }).click();
  await page.getByRole('button', { name: 'Bring in 3 parts' }).click();
  const scene = await savedScene(page);
  expect(scene.guides.map(({ name }) => name)).toEqual(['Tow path']);
  // Half its size (640 × 360 of a viewBox of 1280 × 720), in the middle of the canvas.
  expect(scene.guides[0]!.nodes[0]).toMatchObject({ x: 320 + 100, y: 180 + 300 });
  expect(scene.riders.map(({ name, locked }) => [name, locked])).toEqual([
    ['Pond', true],
    ['Float', false],
  ]);
  const float = scene.riders[1]!;
  expect(Math.hypot(float.at[0] - (320 + 100), float.at[1] - (180 + 150))).toBeLessThan(0.01);
});

test('a drawing taken apart follows its groups: one part until it is opened, pointed at on its picture', async ({
  page,
}) => {
  await newScene(page);
  await page.getByRole('button', { name: 'Collection' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'From a file…' }).click(),
  ]);
  const rects = Array.from(
    { length: 60 },
    (_, i) => `<rect x="${20 * i}" y="600" width="16" height="40" fill="#c96"/>`,
  );
  await chooser.setFiles({
    name: 'quay.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1280" height="720"><g id="planks">${rects.join('')}</g>` +
        '<g id="boat" transform="translate(400 200)"><rect id="hull" width="400" height="100" fill="#930"/><rect id="mast" x="190" y="-150" width="20" height="150" fill="#333"/></g></svg>',
    ),
  });
  const dialog = page.getByRole('dialog');
  await expect(dialog.locator('.parts-row')).toHaveCount(2);
  await expect(dialog.getByText('2 parts, all as')).toBeVisible();
  const picture = dialog.locator('.parts-picture');
  const box = (await picture.boundingBox())!;
  const scale = Math.min(box.width / 1280, box.height / 720);
  const at = (x: number, y: number): [number, number] => [
    box.x + (box.width - 1280 * scale) / 2 + x * scale,
    box.y + (box.height - 720 * scale) / 2 + y * scale,
  ];
  // Pressed twice on the picture, the group is opened; what is pointed at is shown in the list.
  await page.mouse.dblclick(...at(600, 250));
  await expect(dialog.getByRole('button', { name: 'Boat, 2 parts' })).toHaveAttribute('aria-expanded', 'true');
  await page.mouse.move(...at(600, 120));
  await expect(dialog.locator('.parts-row.pointed')).toHaveText(/^Mast/);
  await page.mouse.click(...at(600, 120));
  await expect(dialog.getByRole('group', { name: 'Mast is' }).getByRole('button').first()).toBeFocused();
  await dialog.getByRole('group', { name: 'Mast is' }).getByRole('button', { name: 'rider' }).click();
  await page.getByRole('button', { name: 'Bring in 3 parts' }).click();
  const { riders } = await savedScene(page);
  expect(riders.map(({ name, locked }) => [name, locked])).toEqual([
    ['Planks', true],
    ['Hull', true],
    ['Mast', false],
  ]);
  const mast = riders[2]!;
  expect(Math.hypot(mast.at[0] - 600, mast.at[1] - 125)).toBeLessThan(0.01);
});

test('a dart between two hills is taken apart, lies where it lay, and comes over the front one in Contents', async ({
  page,
}) => {
  await newScene(page);
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="1280" height="720" viewBox="0 0 1280 720"><rect id="far-hill" x="200" y="200" width="800" height="400" fill="#00ff00"/>' +
    '<rect id="dart" x="500" y="300" width="200" height="100" fill="#ff0000"/><rect id="near-hill" x="600" y="250" width="400" height="350" fill="#0000ff"/></svg>';
  await page.getByRole('button', { name: 'Collection' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'From a file…' }).click(),
  ]);
  await chooser.setFiles({ name: 'hills.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
  await page.getByRole('group', { name: 'Dart is' }).getByRole('button', { name: 'rider' }).click();
  await page.getByRole('button', { name: 'Bring in 3 parts' }).click();
  await page.getByRole('button', { name: 'Close Collection' }).click();
  /** The colour that a screen shows where the dart and the near hill are both. */
  const shown = async (): Promise<string> => {
    const [x, y] = await canvasAt(page, 650, 320);
    const [r = 0, , b = 0] = (await pixelAt(page, x, y)).split(',').map(Number);
    return r > b ? 'dart' : 'hill';
  };
  await page.keyboard.press('Escape');
  expect(await shown()).toBe('hill');
  await page.getByRole('button', { name: 'Contents' }).click();
  const names = (): Promise<string[]> =>
    page.locator('.contents-list').first().locator('.contents-text').allTextContents();
  await expect.poll(names).toEqual(['Near hill', 'Dart', 'Far hill']);
  // To the top of the list, by keys: what is first there is drawn last.
  const handle = page.getByLabel('Move Dart in the stack');
  await handle.focus();
  await page.keyboard.press('Space');
  // What is held is measured before it listens for keys; it says each of its places.
  await expect(async () => {
    await page.keyboard.press('ArrowUp');
    await expect(page.getByText('Moved: Dart, 1 of 3 from the front')).toBeAttached({ timeout: 500 });
  }).toPass();
  await page.keyboard.press('Space');
  await expect.poll(names).toEqual(['Dart', 'Near hill', 'Far hill']);
  await page.getByRole('button', { name: 'Close Contents' }).click();
  expect(await shown()).toBe('dart');
  const scene = await savedScene(page);
  expect(scene.riders.map(({ name }) => name)).toEqual(['Far hill', 'Near hill', 'Dart']);
  // What is sent has it so too.
  const { text } = await write(scene, 'animated-svg');
  const fills = [...text.matchAll(/fill="(#[0-9a-f]{6}|#00f|#f00|#0f0|red|blue|lime)"/gi)].map(([, fill = '']) =>
    fill.toLowerCase(),
  );
  expect(fills.indexOf('#ff0000')).toBeGreaterThan(fills.indexOf('#0000ff'));
});

test('a guide is drawn in dashes of a typed pattern: seen on the canvas as they are sent', async ({ page }) => {
  await newScene(page);
  await dropFile(page, 'way.csv', 'text/csv', 'x,y\n100,360\n1100,360\n');
  await expect(page.locator('.guide')).toHaveCount(1);
  await page.locator('[data-card=guide] .card-head').click();
  await addTo(page, 'guide', 'Drawn in what is sent');
  const typed = async (name: string, value: string): Promise<void> => {
    await page.getByRole('textbox', { name, exact: true }).fill(value);
    await page.keyboard.press('Enter');
  };
  await typed('Width of the stroke', '20');
  await page.getByRole('group', { name: 'Pattern of the stroke' }).getByRole('button', { name: 'dashed' }).click();
  await typed('Dashes and gaps, px', '120, 60, 30');
  await expect(page.getByRole('textbox', { name: 'Dashes and gaps, px' })).toHaveValue('120 60 30 120 60 30');
  await typed('Dashes and gaps, px', 'rather long');
  await expect(page.getByText('“rather long” is not a pattern')).toBeVisible();
  await typed('Dashes and gaps, px', '120 60 30 60');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  const scene = await savedScene(page);
  expect(scene.guides[0]!.stroke!.dash).toEqual([120, 60, 30, 60]);
  // Where dashes are the canvas is dark for the line's whole width, in gaps the guide is a hair.
  const darkAt = async (x: number): Promise<number> => {
    const [left, top] = await canvasAt(page, x, 360);
    const picture = await page.screenshot({
      clip: { x: Math.round(left), y: Math.round(top) - 12, width: 1, height: 24 },
    });
    return page.evaluate(async (data) => {
      const image = new Image();
      image.src = `data:image/png;base64,${data}`;
      await image.decode();
      const context = new OffscreenCanvas(1, 24).getContext('2d')!;
      context.drawImage(image, 0, 0);
      const { data: pixels } = context.getImageData(0, 0, 1, 24);
      return Array.from({ length: 24 }, (_, i) => pixels[4 * i]! < 190).filter(Boolean).length;
    }, picture.toString('base64'));
  };
  const zoom = ((await canvasAt(page, 1000, 0))[0] - (await canvasAt(page, 0, 0))[0]) / 1000;
  for (const [from, isDash] of [
    [160, true],
    [250, false],
    [295, true],
    [340, false],
    [430, true],
  ] as const) {
    const dark = await darkAt(from);
    if (isDash) expect(dark, `a dash at ${from}`).toBeGreaterThan(20 * zoom - 3);
    else expect(dark, `a gap at ${from}`).toBeLessThan(5);
  }
  const { text } = await write(scene, 'animated-svg');
  expect(text).toContain('stroke-dasharray="120 60 30 60"');
});

test('points, GPX and path data come in; what cannot be read is named', async ({ page }) => {
  await newScene(page);
  await dropFile(page, 'way.csv', 'text/csv', 'x,y\n100,100\n400,300\nhere\n700,100\n');
  await expect(page.locator('.guide')).toHaveCount(1);
  await expect(page.locator('.mantine-Notification-root').filter({ hasText: 'line 4' })).toBeVisible();
  await dropFile(
    page,
    'walk.gpx',
    'application/gpx+xml',
    '<gpx><trk><name>Round the basin</name><trkseg><trkpt lat="50" lon="10"/><trkpt lat="50.01" lon="10.02"/><trkpt lat="50" lon="10.04"/></trkseg></trk></gpx>',
  );
  await expect(page.locator('.guide')).toHaveCount(2);
  await dropFile(page, 'broken.gpx', 'application/gpx+xml', '<gpx></gpx>');
  await expect(
    page.locator('.mantine-Notification-root').filter({ hasText: 'broken.gpx was not imported' }),
  ).toBeVisible();
  await page.locator('.canvas-surface').focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', 'M100 600c100-200 300-200 400 0s300 200 400 0');
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.locator('.guide')).toHaveCount(3);
  const scene = await savedScene(page);
  expect(scene.guides.map(({ name }) => name)).toEqual(['Way', 'Round the basin', 'Pasted path']);
  expect(scene.guides[0]!.nodes.map(({ x, y }) => [x, y])).toEqual([
    [100, 100],
    [400, 300],
    [700, 100],
  ]);
});

test('points pasted on one line become a guide, with corners where that is wished; what is none gets an answer', async ({
  page,
}) => {
  await newScene(page);
  const paste = (text: string): Promise<void> =>
    page.evaluate((one) => {
      const data = new DataTransfer();
      data.setData('text/plain', one);
      window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, text);
  const notice = (words: string) => page.locator('.mantine-Notification-root').filter({ hasText: words });
  await paste('(100, 100) (400, 300) (700, 100)');
  await expect(page.locator('.guide')).toHaveCount(1);
  const smooth = (await savedScene(page)).guides[0]!.nodes;
  expect(smooth.map(({ x, y }) => [x, y])).toEqual([
    [100, 100],
    [400, 300],
    [700, 100],
  ]);
  expect(smooth[1]!.out).toBeDefined();
  await notice('3 points became a smooth path').getByRole('button', { name: 'Make it corners' }).click();
  await expect.poll(async () => (await savedScene(page)).guides[0]!.nodes[1]!.out ?? null).toBeNull();
  await paste('Mooring plan, second draft');
  await expect(notice('is not a drawing, a path or a list of points')).toBeVisible();
  await paste('');
  await expect(notice('There is nothing to paste')).toBeVisible();
  await expect(page.locator('.guide')).toHaveCount(1);
});

test('a file with five thousand paths stays usable', async ({ page }) => {
  test.slow();
  await newScene(page);
  const paths = Array.from(
    { length: 5000 },
    (_, i) => `<path d="M${(i % 100) * 12} ${Math.floor(i / 100) * 14}c4 4 6 4 9 0" fill="none" stroke="#000"/>`,
  ).join('');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.keyboard.press(';').then(() => page.getByRole('button', { name: 'From a file…' }).click()),
  ]);
  await chooser.setFiles({
    name: 'many.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="700">${paths}</svg>`),
  });
  await page.getByRole('button', { name: 'Bring in 5000 parts' }).click({ timeout: 60_000 });
  await expect(page.locator('.guide')).toHaveCount(5000, { timeout: 60_000 });
  await page.getByRole('button', { name: 'Close Collection' }).click();
  await page.keyboard.press('Escape');
  await page.mouse.click(...(await canvasAt(page, 1230, 710)));
  await page.keyboard.press('Control+z');
  await expect(page.locator('.guide')).toHaveCount(0, { timeout: 30_000 });
});

test('a picture to trace over is kept with the scene, and is not in what is sent', async ({ page }) => {
  await openSample(page, /Open the sample Kite/);
  await expect(page.locator('.overlay.tracing image')).toHaveCount(1);
  await page.keyboard.press('Space');
  await page.keyboard.press('k');
  const size = page.getByRole('textbox', { name: 'Sketch of the swing, size' });
  await size.fill('90%');
  await size.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo: Scale picture' })).toBeEnabled();
  await page.locator('.canvas-surface').focus();
  await page.keyboard.down('x');
  await expect(page.locator('.overlay.tracing')).toBeHidden();
  await page.keyboard.up('x');
  await expect(page.locator('.save-line')).toContainText('Saved');
  await page.waitForTimeout(1000);
  await page.reload();
  await expect(page.locator('.overlay.tracing image')).toHaveAttribute('transform', /scale\(0\.9\)/);
  await expect(page.locator('.overlay.tracing image')).toHaveAttribute('href', /^blob:/);
  const href = await page.locator('.overlay.tracing image').getAttribute('href');
  const width = await page.evaluate(async (url) => {
    const image = new Image();
    image.src = url ?? '';
    await image.decode();
    return image.naturalWidth;
  }, href);
  expect(width).toBe(1280);
  await page.goto(`${page.url()}/send`);
  await expect(page.getByText('Largest deviation')).toBeVisible();
});

test('the collection: keep, search, rename, drop into another scene, save and add as a file', async ({ page }) => {
  await openSample(page, /Open the sample Dragonfly/);
  await page.keyboard.press('Space');
  await page.mouse.click(...(await canvasAt(page, 300, 470)));
  await page.keyboard.press(';');
  await page.getByRole('button', { name: 'Keep “Flight”' }).click();
  await expect(page.getByRole('button', { name: 'Place Flight' })).toBeVisible();
  const name = page.getByRole('textbox', { name: 'Name of Flight' });
  await name.fill('Three loops');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: 'Place Three loops' })).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a collection file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('guides.paceline-guides.json');
  await newScene(page);
  await page.keyboard.press(';');
  await page.getByRole('textbox', { name: 'Search the collection' }).fill('three');
  await expect(page.locator('.guide-tile')).toHaveCount(1);
  await page.getByRole('button', { name: 'Place Three loops' }).click();
  await page.getByRole('textbox', { name: 'Search the collection' }).fill('');
  await page
    .getByRole('button', { name: 'Place Coil' })
    .dragTo(page.locator('.canvas-surface'), { targetPosition: { x: 120, y: 200 } });
  await expect(page.locator('.guide')).toHaveCount(2);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Add from a collection file' }).click(),
  ]);
  await chooser.setFiles(await download.path());
  await expect(page.getByRole('button', { name: 'Place Three loops' })).toHaveCount(2);
  const scene = await savedScene(page);
  expect(scene.guides.map(({ name }) => name)).toEqual(['Three loops', 'Coil']);
});

test('snapping shows what it snapped to; Ctrl holds it off; a kind can be switched off and is remembered', async ({
  page,
}) => {
  await newScene(page);
  await page.keyboard.press('6');
  await page.mouse.move(...(await canvasAt(page, 643, 357)));
  await expect(page.locator('.hint-word')).toHaveText('centre of the canvas');
  await page.keyboard.down('Control');
  await page.mouse.move(...(await canvasAt(page, 644, 357)));
  await expect(page.locator('.hint-word')).toHaveCount(0);
  await page.keyboard.up('Control');
  await page.getByRole('button', { name: /^Snapping and display/ }).click();
  await page.getByRole('checkbox', { name: 'edges and middle of the canvas' }).uncheck();
  await page.keyboard.press('Escape');
  await page.reload();
  await page.getByRole('button', { name: /^Snapping and display/ }).click();
  await expect(page.getByRole('checkbox', { name: 'edges and middle of the canvas' })).not.toBeChecked();
  await page.getByRole('checkbox', { name: 'direction arrows' }).check();
  await page.keyboard.press('Escape');
  await page.keyboard.press('6');
  await dragOn(page, [
    [400, 200],
    [600, 400],
  ]);
  await expect(page.locator('.arrow')).toHaveCount(1);
});

test('several nodes and whole guides are scaled and turned by their handles; joined and reversed by keys', async ({
  page,
}) => {
  await newScene(page);
  for (const d of ['M100 300H400', 'M420 310H700V500'])
    await page.evaluate((text) => {
      const data = new DataTransfer();
      data.setData('text/plain', text);
      window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, d);
  await page.keyboard.press('j');
  await expect(page.locator('.guide')).toHaveCount(1);
  let scene = await savedScene(page);
  expect(scene.guides[0]!.nodes).toHaveLength(5);
  await page.keyboard.press('r');
  await expect(page.getByRole('button', { name: 'Undo: Reverse guide' })).toBeEnabled();
  const zoom = await page.locator('.canvas-edge').boundingBox();
  const px = 1280 / (zoom?.width ?? 1);
  await dragOn(page, [
    [700 + 14 * px, 500 + 14 * px],
    [600, 420],
    [400 + 14 * px, 400 + 14 * px],
  ]);
  scene = await savedScene(page);
  const xs = scene.guides[0]!.nodes.map(({ x }) => x);
  expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(280);
  expect(Math.max(...xs) - Math.min(...xs)).toBeLessThan(320);
  await expect(page.getByRole('button', { name: 'Undo: Scale' })).toBeEnabled();
});

test('the Desk with every drawing tool has no accessibility violation', async ({ page }) => {
  const { default: AxeBuilder } = await import('@axe-core/playwright');
  await openSample(page, /Open the sample Kite/);
  await page.keyboard.press('Space');
  for (const key of ['3', '4', '5', '6', '7']) {
    await page.keyboard.press(key);
    const { violations } = await new AxeBuilder({ page }).include('.canvas-pane').analyze();
    expect(
      violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 140)}`),
      `tool ${key}`,
    ).toEqual([]);
  }
  await page.keyboard.press('1');
  await page.locator('.node, .mark').first().focus();
  await page.getByRole('button', { name: /^1 Guide/ }).click();
  for (const open of ['k', ';']) {
    await page.keyboard.press(open);
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(
      violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 140)}`),
      `drawer ${open}`,
    ).toEqual([]);
  }
});

test('measured under the pointer and between two points; simplified, faired and flipped on the card', async ({
  page,
}) => {
  await newScene(page);
  await page.keyboard.press('3');
  await dragOn(
    page,
    Array.from({ length: 50 }, (_, i): [number, number] => [
      200 + 18 * i,
      360 + 60 * Math.sin(i / 5) + 6 * Math.sin(i * 2),
    ]),
  );
  const drawn = await savedScene(page);
  await page.keyboard.press('7');
  const [guide] = drawn.guides;
  const { x, y } = pathOfGuide(guide!).frameAtDistance(300);
  await page.mouse.move(...(await canvasAt(page, x, y)));
  await expect(page.locator('.slip text').first()).toHaveText(`Sketch: ${pathOfGuide(guide!).length.toFixed(1)} px`);
  await dragOn(page, [
    [100, 100],
    [300, 200],
    [500, 400],
  ]);
  await expect(page.locator('.slip text').first()).toHaveText(/^straight 500\.\d px|^straight 499\.\d px/);
  await page.keyboard.press('1');
  await page.getByRole('button', { name: /^1 Guide/ }).click();
  const count = drawn.guides[0]!.nodes.length;
  await addTo(page, 'guide', 'Simplify and smooth');
  await page.getByRole('slider', { name: 'Simplify, px' }).focus();
  for (let i = 0; i < 24; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Undo: Simplify' })).toBeEnabled();
  const simple = await savedScene(page);
  expect(simple.guides[0]!.nodes.length).toBeLessThan(count);
  await page.getByRole('button', { name: /^More/ }).click();
  await page.getByRole('menuitem', { name: 'Flip left and right' }).click();
  const flipped = await savedScene(page);
  const before = pathOfGuide(simple.guides[0]!);
  const after = pathOfGuide(flipped.guides[0]!);
  expect(after.length).toBeCloseTo(before.length, 6);
  expect(after.frameAtDistance(0).x).toBeCloseTo(
    before.bounds.left + before.bounds.right - before.frameAtDistance(0).x,
    6,
  );
  await addTo(page, 'guide', 'Scale and rotate');
  const turn = page.getByRole('textbox', { name: 'Rotate the selection by' });
  await turn.fill('90');
  await turn.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo: Turn' })).toBeEnabled();
  const scale = page.getByRole('textbox', { name: 'Scale the selection by' });
  await scale.fill('50%');
  await scale.press('Enter');
  const turned = await savedScene(page);
  expect(pathOfGuide(turned.guides[0]!).length).toBeCloseTo(before.length / 2, 6);
  await page.getByRole('slider', { name: 'Smooth, %' }).focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Undo: Smooth' })).toBeEnabled();
});

test('a guide drawn by its rider is seen as it will be sent', async ({ page }) => {
  await openSample(page, /Open the sample Heron/);
  await page.keyboard.press('Space');
  await page.keyboard.press('End');
  await page.locator('.mark').first().focus();
  await page.getByRole('button', { name: /^1 Guide/ }).click();
  await addTo(page, 'guide', 'Drawn in what is sent');
  await page.getByRole('group', { name: 'Drawn' }).getByRole('button', { name: 'by a rider' }).click();
  const offset = (): Promise<number> =>
    page
      .locator('.stage')
      .evaluate((host) =>
        Number(host.shadowRoot?.querySelector('path[stroke-dashoffset]')?.getAttribute('stroke-dashoffset')),
      );
  const scene = await savedScene(page);
  const motion = prepare(scene);
  const { length } = pathOfGuide(scene.guides[0]!);
  await page.keyboard.press('Escape');
  await page.locator('.canvas-surface').focus();
  await page.keyboard.press('Home');
  for (let i = 0; i < 60; i++) await page.keyboard.press('.');
  const distance = motion.riders[1]!.distanceAt(2);
  await expect.poll(async () => Math.abs((await offset()) - (length - distance))).toBeLessThan(0.5);
});
