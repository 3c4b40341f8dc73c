import type { Page } from '@playwright/test';
import type { HostileDrawing } from './drawings.ts';
import type { HostileScene } from './scenes.ts';

/** How the page fared with one file. */
export interface PageFate {
  readonly name: string;
  readonly state: 'taken' | 'asked' | 'refused' | 'no answer';
  /** ms of the longest stretch in which the page did not answer, from the drop to the answer. */
  readonly held: number;
  readonly faults: readonly string[];
}

/** ms. Longest that an answer is waited for. */
const PATIENCE = 30_000;

declare global {
  interface Window {
    /** Ends of the page's long tasks and how long they took, ms. */
    longTasks: { end: number; length: number }[];
  }
}

/** Begins to watch a page: long tasks, errors of the console, requests to elsewhere. To be called before the page is loaded. */
export async function watchPage(page: Page): Promise<{ readonly faults: string[] }> {
  const faults: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error') faults.push(`console: ${message.text().slice(0, 200)}`);
  });
  page.on('pageerror', (error) => faults.push(`error: ${error.message.slice(0, 200)}`));
  page.on('dialog', (dialog) => {
    faults.push(`a script ran: ${dialog.message()}`);
    void dialog.dismiss();
  });
  page.on('request', (request) => {
    if (!/^(?:http:\/\/127\.0\.0\.1|blob:|data:)/.test(request.url())) faults.push(`a request to ${request.url()}`);
  });
  await page.addInitScript(() => {
    window.longTasks = [];
    new PerformanceObserver((list) => {
      for (const { startTime, duration } of list.getEntries())
        window.longTasks.push({ end: startTime + duration, length: duration });
    }).observe({ entryTypes: ['longtask'] });
  });
  return { faults };
}

/** Drops a file on the page as from outside; gives the page's time then. */
async function drop(page: Page, name: string, text: string, type: string): Promise<number> {
  return page.evaluate(
    ([called, content, kind]) => {
      const data = new DataTransfer();
      data.items.add(new File([content], called, { type: kind }));
      const now = performance.now();
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
      return now;
    },
    [name, text, type] as const,
  );
}

const heldSince = (page: Page, since: number): Promise<number> =>
  page.evaluate(
    (from) => window.longTasks.reduce((most, { end, length }) => Math.max(most, Math.min(length, end - from)), 0),
    since,
  );

/** Drops a drawing on the open Desk and sees what it says; then the Desk is as before. */
export async function dropDrawing(page: Page, { name, text }: HostileDrawing, faults: string[]): Promise<PageFate> {
  faults.length = 0;
  const since = await drop(page, 'drawing.svg', text, 'image/svg+xml');
  const taken = page.getByRole('button', { name: 'Close Art' });
  const refused = page.getByText('was not taken in').first();
  const asked = page.getByRole('dialog').getByRole('button', { name: 'Leave it' });
  await taken
    .or(refused)
    .or(asked)
    .first()
    .waitFor({ timeout: PATIENCE })
    .catch(() => undefined);
  let state: PageFate['state'] = 'no answer';
  if (await asked.isVisible()) state = 'asked';
  else if (await taken.isVisible()) state = 'taken';
  else if (await refused.isVisible()) state = 'refused';
  const held = await heldSince(page, since);
  if (state === 'asked') {
    await asked.click();
    await asked.waitFor({ state: 'hidden' });
  }
  if (state === 'taken') {
    await taken.click();
    // As long as the drawer is going, the next drawing would seem to be answered.
    await taken.waitFor({ state: 'hidden' });
    await page.getByRole('button', { name: /^Undo/ }).click();
  }
  for (const close of await page.getByRole('button', { name: 'Close this notice' }).all())
    await close.click({ timeout: 2000 }).catch(() => undefined);
  return { name, state, held, faults: [...faults] };
}

/** Opens a scene from the Shelf by a dropped file, and looks at every part of its Desk. */
export async function openHostile(
  page: Page,
  base: string,
  { name, json }: HostileScene,
  faults: string[],
): Promise<PageFate> {
  await page.goto(base);
  faults.length = 0;
  const since = await drop(page, 'scene.paceline.json', JSON.stringify(json), 'application/json');
  const desk = page.locator('.canvas-edge');
  const refused = page.getByText('was not opened').first();
  await desk
    .or(refused)
    .first()
    .waitFor({ timeout: PATIENCE })
    .catch(() => undefined);
  const isOpen = await desk.isVisible();
  if (isOpen) {
    await page.waitForTimeout(300);
    await page.keyboard.press('Space');
    if ((await page.getByText(/cannot be shown/).count()) > 0) faults.push('a part of the Desk failed');
    if (await page.locator('svg').evaluateAll((all) => all.some((one) => /NaN|Infinity/.test(one.outerHTML))))
      faults.push('NaN in the page');
  }
  const state = isOpen ? 'taken' : (await refused.isVisible()) ? 'refused' : 'no answer';
  return { name, state, held: await heldSince(page, since), faults: [...faults] };
}
