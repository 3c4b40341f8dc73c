import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { setTimeout as later } from 'node:timers/promises';
import puppeteer, { type Browser } from 'puppeteer-core';

/** A browser of one of the three kinds, as it is used here. */
export interface Engine {
  readonly name: string;
  readonly version: string;
  open(url: string): Promise<void>;
  /** Runs a function's text with one argument in the page. */
  run<T>(text: string, argument: unknown): Promise<T>;
  /** Opens a second tab beside the page, runs a function's text in it until it gives something that is not false, and closes it; undefined where that never was. */
  beside<T>(url: string, text: string, argument: unknown): Promise<T | undefined>;
  /** A picture of the page, PNG. */
  picture(): Promise<Buffer>;
  close(): Promise<void>;
}

/** ms. How long a second tab is waited for. */
const PATIENCE = 30_000;

/** Asks until there is an answer. */
async function answered<T>(ask: () => Promise<T>): Promise<T | undefined> {
  for (const begun = Date.now(); Date.now() - begun < PATIENCE; await later(300)) {
    const found = await ask().catch(() => undefined);
    if (found) return found;
  }
  return undefined;
}

const asRoot = process.getuid?.() === 0 ? ['--no-sandbox'] : [];

async function driven(name: string, browser: Browser): Promise<Engine> {
  const page = await browser.newPage();
  return {
    name,
    version: await browser.version(),
    open: async (url) => void (await page.goto(url, { waitUntil: 'load' })),
    run: async <T>(text: string, argument: unknown) =>
      (await page.evaluate(`(${text})(${JSON.stringify(argument)})`)) as T,
    beside: async <T>(url: string, text: string, argument: unknown) => {
      const second = await browser.newPage();
      await second.goto(url, { waitUntil: 'load' });
      const found = await answered(async () => (await second.evaluate(`(${text})(${JSON.stringify(argument)})`)) as T);
      await second.close();
      await page.bringToFront();
      return found;
    },
    picture: async () => Buffer.from(await page.screenshot()),
    close: () => browser.close(),
  };
}

/** The tests' own browser, at a pixel ratio. */
export const chromium = async (ratio: number): Promise<Engine> =>
  driven(
    `Chromium${ratio === 1 ? '' : `, pixel ratio ${ratio}`}`,
    await puppeteer.launch({
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: asRoot,
      defaultViewport: { width: 1400, height: 900, deviceScaleFactor: ratio },
    }),
  );

export const firefox = async (calm: boolean): Promise<Engine> =>
  driven(
    `Firefox${calm ? ', less motion' : ''}`,
    await puppeteer.launch({
      browser: 'firefox',
      executablePath: process.env['FIREFOX'] ?? '/usr/bin/firefox-esr',
      defaultViewport: { width: 1400, height: 900 },
      extraPrefsFirefox: calm ? { 'ui.prefersReducedMotion': 1 } : {},
    }),
  );

const MINI = ['4.1', '4.0', '6.0'].map((one) => `/usr/lib/x86_64-linux-gnu/webkit2gtk-${one}/MiniBrowser`);
const PORT = 4477;

/**
 * WebKit by its own driver (W3C WebDriver), on a screen that is none. `isPlain`: it paints by itself, without layers. Where there is no graphics card, layers are put together by a
 * card that is worked out in software, and that takes most of a frame.
 */
export async function webkit(isPlain = false): Promise<Engine> {
  const binary = MINI.find((path) => existsSync(path));
  if (!binary) throw new Error('there is no MiniBrowser: apt-get install webkit2gtk-driver');
  const driver = spawn('xvfb-run', ['-a', 'WebKitWebDriver', `--port=${PORT}`], {
    stdio: 'ignore',
    detached: true,
    env: { ...process.env, ...(isPlain ? { WEBKIT_DISABLE_COMPOSITING_MODE: '1' } : {}) },
  });
  const end = (): void => endGroup(driver);
  const ask = async (method: string, path: string, body?: object): Promise<unknown> => {
    const response = await fetch(`http://127.0.0.1:${PORT}${path}`, {
      method,
      ...(body ? { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } } : {}),
    });
    const { value } = (await response.json()) as { value: unknown };
    if (!response.ok) throw new Error(JSON.stringify(value).slice(0, 400));
    return value;
  };
  for (let i = 0; ; i++) {
    try {
      await ask('GET', '/status');
      break;
    } catch (error) {
      if (i > 60) throw error;
      await later(250);
    }
  }
  const options = { binary, args: ['--automation'] };
  const made = (await ask('POST', '/session', {
    capabilities: { alwaysMatch: { 'webkitgtk:browserOptions': options } },
  })) as { sessionId: string; capabilities: { browserVersion: string } };
  const session = `/session/${made.sessionId}`;
  await ask('POST', `${session}/window/rect`, { width: 1400, height: 1000 }).catch(() => undefined);
  const run = async <T>(text: string, argument: unknown): Promise<T> =>
    (await ask('POST', `${session}/execute/sync`, {
      script: `return (${text})(arguments[0])`,
      args: [argument],
    })) as T;
  return {
    name: `WebKit${isPlain ? ', painting by itself' : ''}`,
    version: made.capabilities.browserVersion,
    open: async (url) => void (await ask('POST', `${session}/url`, { url })),
    run,
    beside: async <T>(url: string, text: string, argument: unknown) => {
      const first = (await ask('GET', `${session}/window`)) as string;
      const { handle } = (await ask('POST', `${session}/window/new`, { type: 'tab' })) as { handle: string };
      await ask('POST', `${session}/window`, { handle });
      await ask('POST', `${session}/url`, { url });
      const found = await answered(() => run<T>(text, argument));
      await ask('DELETE', `${session}/window`);
      await ask('POST', `${session}/window`, { handle: first });
      return found;
    },
    picture: async () => Buffer.from((await ask('GET', `${session}/screenshot`)) as string, 'base64'),
    close: async () => {
      await ask('DELETE', session).catch(() => undefined);
      end();
    },
  };
}

function endGroup({ pid }: ChildProcess): void {
  if (pid !== undefined) spawnSync('kill', ['--', `-${pid}`]);
}
