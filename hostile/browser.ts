import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { chromium, type Browser, type Page } from '@playwright/test';

/** A browser with all of its processes, that can be killed as a power cut or a full memory would. */
export interface KillableBrowser {
  readonly page: Page;
  /** Ends every process at once; gives up nothing, saves nothing. */
  readonly kill: () => Promise<void>;
}

const ARGUMENTS = [
  '--headless=new',
  '--remote-debugging-port=0',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  '--disable-gpu',
  '--window-size=1280,800',
];

/** A folder for a browser's profile, and what takes it away again. */
export function newProfile(): { readonly folder: string; readonly remove: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'pace-line-kill-'));
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true, maxRetries: 5 }) };
}

/** Starts a browser on a profile, as often as one likes on the same. */
export async function startBrowser(profile: string): Promise<KillableBrowser> {
  const portFile = join(profile, 'DevToolsActivePort');
  rmSync(portFile, { force: true });
  // A browser that was killed has left its lock; its next start would ask about it.
  for (const lock of ['SingletonLock', 'SingletonSocket', 'SingletonCookie'])
    rmSync(join(profile, lock), { force: true });
  const isRoot = process.getuid?.() === 0;
  const child = spawn(
    process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    [...ARGUMENTS, ...(isRoot ? ['--no-sandbox'] : []), `--user-data-dir=${profile}`, 'about:blank'],
    // A group of its own: killed with all the processes that it began.
    { detached: true, stdio: 'ignore' },
  );
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const end = (): void => {
    try {
      if (child.pid !== undefined) process.kill(-child.pid, 'SIGKILL');
    } catch {
      // It has ended by itself.
    }
  };
  for (let i = 0; i < 600 && !existsSync(portFile); i++) await wait(25);
  let browser: Browser | undefined;
  for (let i = 0; i < 40 && !browser; i++) {
    const [port] = readFileSync(portFile, 'utf8').split('\n');
    browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`).catch(() => undefined);
    if (!browser) await wait(50);
  }
  if (!browser) {
    end();
    throw new Error('The browser did not start');
  }
  const context = browser.contexts()[0] ?? (await browser.newContext());
  const page = context.pages()[0] ?? (await context.newPage());
  page.setDefaultTimeout(30_000);
  // What runs this file may name functions by a helper that pages do not have.
  await page.addInitScript('globalThis.__name ??= (f) => f');
  return {
    page,
    kill: async () => {
      end();
      await ended;
    },
  };
}
