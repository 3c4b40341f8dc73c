import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as later } from 'node:timers/promises';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import type { Engine } from './engines.ts';

const PORT = 4480;
const BASE = `http://127.0.0.1:${PORT}/`;

/** Presses a button, or what is one, by its name. */
const PRESS = `(name) => {
  const all = [...document.querySelectorAll('button, [role=menuitem], summary')];
  const one = all.find((each) => (each.getAttribute('aria-label') ?? each.textContent).startsWith(name) && !each.disabled);
  one?.click();
  return one !== undefined;
}`;

/** Writes a scene's name as a hand would, and confirms it. */
const RENAME = `(name) => {
  const field = document.querySelector('input[aria-label="Scene name"]');
  if (!field) return false;
  field.focus();
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, name);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  requestAnimationFrame(() => field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true })));
  return true;
}`;

const NAME = `() => document.querySelector('input[aria-label="Scene name"]')?.value ?? null`;
const SAYS = `(words) => document.body.innerText.includes(words)`;

/** ms. Engines that are driven from outside on a busy machine take their time. */
const PATIENCE = 60_000;

async function until(what: string, holds: () => Promise<boolean>): Promise<void> {
  for (const begun = Date.now(); Date.now() - begun < PATIENCE; await later(250))
    if (await holds().catch(() => false)) return;
  throw new Error(what);
}

/** Whether a second tab only looks on, and the last edit, undo, a deletion and its restoring hold in an engine, through reloads. */
export async function storageRow(engine: Engine): Promise<{ readonly figure: string; readonly kept: boolean }> {
  const server = spawn(process.execPath, ['server/dist/main.js'], { env: { ...process.env, PORT: String(PORT) } });
  const press = (name: string): Promise<boolean> => engine.run<boolean>(PRESS, name);
  const isCalled = async (name: string): Promise<boolean> => (await engine.run<string | null>(NAME, null)) === name;
  const says = (words: string): Promise<boolean> => engine.run<boolean>(SAYS, words);
  try {
    await once(server.stdout, 'data');
    await engine.open(BASE);
    await until('no sample opens', () => press('Open the sample Down the canal'));
    await until('the scene does not open', () => isCalled('Down the canal'));
    const address = await engine.run<string>('() => location.href', null);
    if (!(await engine.beside<boolean>(address, SAYS, 'open in another tab')))
      throw new Error('a second tab may change it as well');
    await engine.run(RENAME, 'Kept by this engine');
    await until('the edit is not kept', () => says('Saved '));
    await later(1500);
    await engine.open(address);
    await until('the edit was lost by a reload', () => isCalled('Kept by this engine'));
    await until('undo was lost by a reload', () => press('Undo'));
    await until('undo does not undo', () => isCalled('Down the canal'));
    await later(1500);
    await engine.open(BASE);
    await until('the scene is not on the Shelf', () => press('More for Down the canal'));
    await until('it cannot be deleted', () => press('Delete'));
    await until('what was deleted is not listed', () => says('Deleted scenes (1)'));
    await engine.open(BASE);
    await until('the list does not open', () => press('Deleted scenes'));
    await until('it cannot be restored', () => press('Restore Down the canal'));
    await until('it is not on the Shelf again', () => press('More for Down the canal'));
    await engine.open(address);
    await until('what was restored does not open', () => isCalled('Down the canal'));
    return {
      figure: 'a second tab only looks on; the last edit, undo, a deletion and its restoring hold through reloads',
      kept: true,
    };
  } catch (error) {
    return { figure: error instanceof Error ? error.message : String(error), kept: false };
  } finally {
    server.kill();
  }
}

/** Whether a second tab only looks on, and the last edit is there after every process of the browser was killed, in Firefox on a profile of its own. */
export async function killedRow(): Promise<{ readonly figure: string; readonly kept: boolean }> {
  const server = spawn(process.execPath, ['server/dist/main.js'], { env: { ...process.env, PORT: String(PORT) } });
  const profile = mkdtempSync(join(tmpdir(), 'pace-line-firefox-'));
  const launched = (): Promise<Browser> =>
    puppeteer.launch({
      browser: 'firefox',
      executablePath: process.env['FIREFOX'] ?? '/usr/bin/firefox-esr',
      userDataDir: profile,
      defaultViewport: { width: 1280, height: 800 },
    });
  const run = (page: Page, text: string, argument: unknown): Promise<unknown> =>
    page.evaluate(`(${text})(${JSON.stringify(argument)})`);
  const isCalled = async (page: Page, name: string): Promise<boolean> => (await run(page, NAME, null)) === name;
  let browser = await launched();
  try {
    await once(server.stdout, 'data');
    const page = await browser.newPage();
    await page.goto(BASE);
    await until('no sample opens', async () => (await run(page, PRESS, 'Open the sample Kite over the quay')) === true);
    await until('the scene does not open', () => isCalled(page, 'Kite over the quay'));
    const address = page.url();
    const second = await browser.newPage();
    await second.goto(address);
    await until(
      'a second tab may change it as well',
      async () => (await run(second, SAYS, 'open in another tab')) === true,
    );
    await second.close();
    await page.bringToFront();
    await run(page, RENAME, 'Before the kill');
    // What was kept before says so as well.
    await later(2500);
    await until('the edit is not kept', async () => (await run(page, SAYS, 'Saved ')) === true);
    browser.process()?.kill('SIGKILL');
    await later(2000);
    browser = await launched();
    const after = await browser.newPage();
    await after.goto(address);
    await until('the edit was lost by the kill', () => isCalled(after, 'Before the kill'));
    await until('undo was lost by the kill', async () => (await run(after, PRESS, 'Undo')) === true);
    return {
      figure: 'a second tab only looks on; the last edit and undo are there after a kill of the browser',
      kept: true,
    };
  } catch (error) {
    return { figure: error instanceof Error ? error.message : String(error), kept: false };
  } finally {
    await browser.close().catch(() => undefined);
    server.kill();
    rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
  }
}
