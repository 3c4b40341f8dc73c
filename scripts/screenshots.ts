import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { addTo } from '../e2e/cards.ts';

// npm run screenshots: one picture of each main view, from the samples, on the built application.
const PORT = 4191;
const folder = new URL('../docs/screenshots/', import.meta.url).pathname;
mkdirSync(folder, { recursive: true });

const server = spawn(process.execPath, ['server/dist/main.js'], { env: { ...process.env, PORT: String(PORT) } });
await once(server.stdout, 'data');
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
  args: [
    ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
    '--disable-background-networking',
    '--disable-component-update',
  ],
});

async function fresh(scheme: 'light' | 'dark' = 'light', height = 800): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 1280, height },
    baseURL: `http://127.0.0.1:${PORT}`,
  });
  const page = await context.newPage();
  await page.addInitScript((value) => localStorage.setItem('mantine-color-scheme-value', value), scheme);
  return page;
}

const keep = async (page: Page, name: string): Promise<void> => {
  await page.screenshot({ path: `${folder}${name}.png` });
  await page.context().close();
  console.log(`docs/screenshots/${name}.png`);
};

/** Opens a sample, stops it at a frame and selects one of its marks. */
async function sample(page: Page, name: string, frame: number, mark = 1): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: `Open the sample ${name}` }).click();
  await page.locator('.pace-line').first().waitFor();
  await page.keyboard.press('Space');
  await page.keyboard.press('Home');
  for (let i = 0; i < frame; i++) await page.keyboard.press('.');
  if (mark >= 0) await page.locator('.mark').nth(mark).focus();
  await page.waitForTimeout(400);
}

const shelf = await fresh();
await sample(shelf, 'Two ferries, one loop', 0);
await shelf.waitForTimeout(6000);
await shelf.goto('/');
await shelf.getByRole('button', { name: 'Open Two ferries, one loop' }).waitFor();
await shelf.waitForTimeout(5000);
await keep(shelf, 'shelf');

const desk = await fresh();
await sample(desk, 'Down the canal', 54);
await keep(desk, 'desk');

const low = await fresh('light', 680);
await sample(low, 'Dragonfly among lanterns', 70);
await keep(low, 'desk-680');

const night = await fresh('dark');
await sample(night, 'Two ferries, one loop', 90);
await keep(night, 'desk-night');

const at = async (page: Page, x: number, y: number): Promise<[number, number]> => {
  const box = await page.locator('.canvas-edge').boundingBox();
  return [(box?.x ?? 0) + (x / 1280) * (box?.width ?? 0), (box?.y ?? 0) + (y / 720) * (box?.height ?? 0)];
};

// A guide being shaped: selected, with its box, its handles and its card.
const guide = await fresh();
await sample(guide, 'Two ferries, one loop', 60, -1);
await guide.mouse.click(...(await at(guide, 640, 190)));
await guide.getByRole('button', { name: /^1 Guide/ }).click();
await guide.waitForTimeout(400);
await keep(guide, 'guide');

// Set down over a tracing picture.
const kite = await fresh();
await sample(kite, 'Kite over the quay', 70);
await kite.keyboard.press('5');
await kite.waitForTimeout(400);
await keep(kite, 'set-down');

// Acted out, with what the hand did.
const heron = await fresh();
await sample(heron, 'Heron along the bank', 100);
await keep(heron, 'acted-out');

// What rolls, with its onion skins and its heading over time.
const rolls = await fresh();
await sample(rolls, 'Tea barrel down the ramp', 70, -1);
await rolls.evaluate(() => {
  const key = 'pace-line-desk';
  const kept = JSON.parse(localStorage.getItem(key) ?? '{"state":{},"version":0}') as {
    state: Record<string, unknown>;
  };
  const seeing = { ...(kept.state['seeing'] as object), onionFrames: true, heading: true };
  localStorage.setItem(key, JSON.stringify({ ...kept, state: { ...kept.state, seeing } }));
});
await rolls.reload();
await rolls.locator('.canvas-edge').waitFor();
await rolls.keyboard.press('.');
await rolls.keyboard.press('Home');
for (let i = 0; i < 70; i++) await rolls.keyboard.press('.');
await rolls.locator('.mark').nth(1).focus();
await rolls.waitForTimeout(500);
await keep(rolls, 'rolling');

// Keys in strips under the sheet: a lamp that is carried, and sways.
const keyed = await fresh();
await sample(keyed, 'Down the canal', 60, -1);
await keyed.getByRole('button', { name: 'Contents' }).click();
await keyed.getByText('Lamp on the boat').first().click();
await keyed.getByRole('button', { name: 'Close Contents' }).click();
await keyed.waitForTimeout(500);
await keep(keyed, 'carried');

// Poses that go with the way, and what else the Rider card offers.
const poses = await fresh();
await sample(poses, 'Heron along the bank', 96, 2);
await poses.locator('[data-card=rider] .add-button').click();
await poses.locator('.add-picture img').first().waitFor();
await poses.waitForTimeout(1500);
await keep(poses, 'poses');

// Anything by its name.
const found = await fresh();
await sample(found, 'Two ferries, one loop', 96, 0);
await found.keyboard.press('Control+k');
await found.getByRole('textbox', { name: 'Find anything' }).fill('slow down');
await found.waitForTimeout(500);
await keep(found, 'find');

// The frame of a camera that is carried along.
const camera = await fresh();
await sample(camera, 'Down the canal', 66, -1);
await camera.keyboard.press('l');
await camera.getByRole('button', { name: 'Take the shape Marker into the scene' }).click();
await camera.getByRole('button', { name: 'Park Marker on the canvas' }).click();
await camera.getByRole('button', { name: 'Close Art' }).click();
await addTo(camera, 'rider', 'Carried by another rider');
await camera.getByRole('combobox', { name: 'Carried by' }).click();
await camera.getByRole('option', { name: 'Paper boat' }).click();
await camera.getByRole('textbox', { name: 'Scale', exact: true }).fill('60');
await camera.keyboard.press('Enter');
await addTo(camera, 'rider', 'Camera');
await camera.waitForTimeout(500);
await keep(camera, 'camera');

// A drawing taken apart.
const apart = await fresh();
await sample(apart, 'Down the canal', 0, -1);
await apart.keyboard.press('l');
await apart.getByRole('button', { name: 'Take Quay at dusk apart' }).click();
await apart.getByText('Parts of Quay at dusk').waitFor();
await apart.waitForTimeout(600);
await keep(apart, 'parts');

// An earlier state, in motion behind the present one.
const versions = await fresh();
await sample(versions, 'Two ferries, one loop', 150, -1);
await versions.getByRole('button', { name: 'Versions' }).click();
await versions.getByRole('textbox', { name: 'Name of this version' }).fill('Before the long way round');
await versions.keyboard.press('Enter');
await versions.getByText('by you').waitFor();
await versions.locator('.mark').nth(1).focus();
for (let i = 0; i < 24; i++) await versions.keyboard.press('Shift+ArrowRight');
await versions.getByRole('button', { name: /^Show Before the long way round/ }).click();
await versions.waitForTimeout(600);
await keep(versions, 'versions');

const send = await fresh();
await sample(send, 'Dragonfly among lanterns', 0, -1);
await send.goto(`${send.url()}/send`);
await send.getByRole('button', { name: 'Save as a set' }).click();
await send.getByRole('button', { name: /^Module/ }).click();
await send.getByRole('button', { name: 'Add Module' }).click();
await send.getByText('Largest deviation').waitFor();
await send.waitForTimeout(1500);
await keep(send, 'send');

const help = await fresh();
await help.goto('/help');
await help.getByRole('heading', { name: 'Plot a guide' }).waitFor();
// Its pictures are drawn one after another.
await help.locator('article#roll').scrollIntoViewIfNeeded();
await help.locator('article#roll .recipe-picture img').waitFor();
await help.waitForTimeout(800);
await keep(help, 'help');

// The pace sheet at work: a leg bent by hand, what it was as a ghost, and its speed as a chart.
const pace = await fresh();
await sample(pace, 'Two ferries, one loop', 96, 0);
await pace.keyboard.press('g');
const onLine = await pace.evaluate(() => {
  const line = document.querySelector<SVGPathElement>('.pace-line.selected');
  const box = line?.ownerSVGElement?.getBoundingClientRect();
  const point = line?.getPointAtLength(line.getTotalLength() * 0.34);
  return [(point?.x ?? 0) + (box?.left ?? 0), (point?.y ?? 0) + (box?.top ?? 0)] as const;
});
await pace.mouse.move(...onLine);
await pace.mouse.down();
await pace.mouse.move(onLine[0] - 10, onLine[1] - 46, { steps: 6 });
await pace.mouse.up();
await pace.getByRole('button', { name: 'Charts' }).click();
await pace.locator('.chart-plot canvas').waitFor();
await pace.mouse.move(640, 590);
await pace.waitForTimeout(900);
await keep(pace, 'pace');

// Every ease as a small curve.
const eases = await fresh();
await sample(eases, 'Tea tin into the canal', 33, 1);
await eases.getByRole('combobox', { name: 'Pace from' }).click();
await eases.getByRole('option', { name: 'marks', exact: true }).click();
await eases.getByRole('button', { name: /^Shape: Easing of the next leg/ }).click();
await eases.waitForTimeout(500);
await keep(eases, 'eases');

// A scene that a click drives, tried on the Desk.
const driven = await fresh();
await sample(driven, 'Tea to the basket', 20, 1);
await driven.getByRole('button', { name: 'Snapping and display' }).click();
await driven.getByLabel('speed as a band along the guide').check();
await driven.keyboard.press('Escape');
await driven.getByRole('button', { name: 'Try it' }).click();
await driven.locator('.try-picture').click();
await driven.waitForTimeout(420);
await keep(driven, 'driven');

await browser.close();
server.kill();
