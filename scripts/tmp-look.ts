import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { addTo } from '../e2e/cards.ts';
const PORT = 4192;
mkdirSync('/tmp/pics', { recursive: true });
const server = spawn(process.execPath, ['server/dist/main.js'], { env: { ...process.env, PORT: String(PORT) } });
await once(server.stdout, 'data');
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
async function fresh(scheme: string, height: number): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height }, baseURL: `http://127.0.0.1:${PORT}` });
  const page = await context.newPage();
  page.setDefaultTimeout(15000);
  await page.addInitScript((value) => localStorage.setItem('mantine-color-scheme-value', value), scheme);
  return page;
}
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
const cardsOpen = async (page: Page) => {
  if ((page.viewportSize()?.height ?? 0) < 700) { const b = page.getByRole('button', { name: /Checks/ }).first(); await b.click(); await page.waitForTimeout(300); }
};
const views: Record<string, (page: Page) => Promise<void>> = {
  shelf: async (p) => { await sample(p, 'Two ferries, one loop', 0); await p.waitForTimeout(4000); await p.goto('/'); await p.waitForTimeout(4000); },
  desk: async (p) => { await sample(p, 'Two ferries, one loop', 54); await cardsOpen(p); },
  bounds: async (p) => { await sample(p, 'Two ferries, one loop', 54); await cardsOpen(p); await addTo(p, 'rider', 'Stays within an area'); },
  art: async (p) => { await sample(p, 'Down the canal', 54, -1); await p.keyboard.press('l'); await p.waitForTimeout(900); },
  parts: async (p) => { await sample(p, 'Down the canal', 0, -1); await p.keyboard.press('l'); await p.getByRole('button', { name: 'Take Quay at dusk apart' }).click(); await p.waitForTimeout(900); },
  contents: async (p) => { await sample(p, 'Down the canal', 54, -1); await p.getByRole('button', { name: 'Contents' }).click(); await p.getByText('Lamp on the boat').first().click(); await p.waitForTimeout(500); },
  collection: async (p) => { await sample(p, 'Down the canal', 54, -1); await p.getByRole('button', { name: /^Collection/ }).first().click(); await p.waitForTimeout(900); },
  versions: async (p) => { await sample(p, 'Two ferries, one loop', 150, -1); await p.getByRole('button', { name: 'Versions' }).click(); await p.getByRole('textbox', { name: 'Name of this version' }).fill('Before the long way round'); await p.keyboard.press('Enter'); await p.getByText('by you').waitFor(); await p.waitForTimeout(700); },
  charts: async (p) => { await sample(p, 'Two ferries, one loop', 96, 1); await p.getByRole('button', { name: 'Charts' }).click(); await p.locator('.chart-plot canvas').waitFor(); await p.waitForTimeout(900); },
  marks: async (p) => { await sample(p, 'Two ferries, one loop', 96, 1); await p.keyboard.press('Control+k'); await p.getByRole('textbox', { name: 'Find anything' }).fill('marks as a table'); await p.keyboard.press('Enter'); await p.waitForTimeout(900); },
  find: async (p) => { await sample(p, 'Two ferries, one loop', 96, 1); await p.keyboard.press('Control+k'); await p.getByRole('textbox', { name: 'Find anything' }).fill('slow down'); await p.waitForTimeout(700); },
  shortcuts: async (p) => { await sample(p, 'Two ferries, one loop', 96, 1); await p.keyboard.press('?'); await p.waitForTimeout(700); },
  send: async (p) => { await sample(p, 'Dragonfly among lanterns', 0, -1); await p.goto(`${p.url()}/send`); await p.getByText('Largest deviation').waitFor(); await p.waitForTimeout(1500); },
  help: async (p) => { await p.goto('/help'); await p.waitForTimeout(5000); },
};
const only = process.argv.slice(2);
for (const [name, act] of Object.entries(views)) {
  if (only.length && !only.includes(name)) continue;
  for (const [scheme, height] of [['dark', 800], ['light', 680]] as const) {
    const page = await fresh(scheme, height);
    try { await act(page); } catch (e) { console.log(name, scheme, String(e).split('\n')[0]); }
    await page.screenshot({ path: `/tmp/pics/${name}-${scheme}.png` });
    await page.context().close();
  }
  console.log(name);
}
await browser.close();
server.kill();
