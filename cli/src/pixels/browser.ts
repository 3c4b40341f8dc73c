import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { delimiter, join } from 'node:path';
import { UsageError } from '../errors.ts';
import { onInterrupt } from '../signals.ts';

/** What the browser that paints is called, where it is not said by CHROMIUM. */
const NAMES = ['chromium', 'chromium-browser'];

/** The path of a Chromium, or a message that says how to get one. */
export function findBrowser(env: NodeJS.ProcessEnv = process.env): string {
  const said = env['CHROMIUM'];
  if (said !== undefined) {
    if (existsSync(said)) return said;
    throw new UsageError(`CHROMIUM: there is no such file (${said})`);
  }
  const folders = (env['PATH'] ?? '').split(delimiter).filter(Boolean);
  const found = folders.flatMap((folder) => NAMES.map((name) => join(folder, name))).find((path) => existsSync(path));
  if (found) return found;
  throw new UsageError('pixels are painted by a browser: install Chromium, or set CHROMIUM to its path');
}

/** A browser without a window that shows one page. */
export interface Headless {
  readonly process: ChildProcess;
  readonly close: () => Promise<void>;
}

/** Ends a browser and its helpers, which are one group of processes where the system has such. */
function kill(child: ChildProcess): void {
  try {
    if (process.platform !== 'win32' && child.pid !== undefined) process.kill(-child.pid, 'SIGKILL');
    else child.kill('SIGKILL');
  } catch {
    // It has ended.
  }
}

/** Stays away for a moment, the whole program with it: in the hands of a signal nothing is waited for otherwise. */
const pause = (ms: number): unknown => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);

/** Takes away a profile. What its browser's helpers had under way may put a part of it back for a moment; what is left after that is no reason for the work to fail. */
function forget(profile: string): void {
  try {
    for (let tries = 0, gone = 0; gone < 3 && tries < 40; tries++) {
      gone = existsSync(profile) ? 0 : gone + 1;
      if (gone === 0) rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 100 });
      pause(20);
    }
  } catch {
    // The system clears its folder for what is not kept.
  }
}

/** Opens a page, with a profile of its own that is gone afterwards. */
export function openHeadless(browser: string, address: string): Headless {
  const profile = mkdtempSync(join(tmpdir(), 'pace-line-browser-'));
  const asRoot = process.getuid?.() === 0 ? ['--no-sandbox'] : [];
  const quiet = [
    '--no-first-run',
    '--no-default-browser-check',
    '--disable-extensions',
    '--disable-background-networking',
  ];
  const args = ['--headless=new', ...asRoot, ...quiet, '--disable-gpu', `--user-data-dir=${profile}`, address];
  // What it puts aside goes with its profile; elsewhere the path would be too long for its sockets.
  const env = process.platform === 'linux' ? { ...process.env, TMPDIR: profile } : process.env;
  // A group of its own: its helpers end with it.
  const child = spawn(browser, args, { stdio: 'ignore', env, detached: process.platform !== 'win32' });
  // Where the program is ended in between, no browser stays behind.
  const settle = onInterrupt(() => {
    kill(child);
    forget(profile);
  });
  const close = async (): Promise<void> => {
    const ended = new Promise((resolve) =>
      child.exitCode === null && child.signalCode === null ? child.once('exit', resolve) : resolve(null),
    );
    kill(child);
    await ended;
    settle();
    forget(profile);
  };
  return { process: child, close };
}
