import type { Locator, Page } from '@playwright/test';
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

/** What the page says to a dropped drawing. Looked for by the page itself, seldom and cheaply: being asked from outside for what is visible holds it up for longer than most drawings do. */
const answerOf = (page: Page): Promise<PageFate['state']> =>
  page.evaluate(
    (patience) =>
      new Promise<PageFate['state']>((resolve) => {
        const until = performance.now() + patience;
        const has = (selector: string, text: string): boolean =>
          [...document.querySelectorAll(selector)].some((one) => one.textContent.includes(text));
        const look = (): void => {
          if (has('[role=dialog] button', 'Cancel')) resolve('asked');
          else if (document.querySelector('[aria-label="Close Art"]')) resolve('taken');
          else if (has('[role=alert]', 'was not imported')) resolve('refused');
          else if (performance.now() > until) resolve('no answer');
          else setTimeout(look, 50);
        };
        look();
      }),
    PATIENCE,
  );

/** Drops a drawing on the open Desk and sees what it says; then the Desk is as before. */
export async function dropDrawing(page: Page, { name, text }: HostileDrawing, faults: string[]): Promise<PageFate> {
  faults.length = 0;
  const since = await drop(page, 'drawing.svg', text, 'image/svg+xml');
  const state = await answerOf(page);
  const taken = page.getByRole('button', { name: 'Close Art' });
  const refused = page.getByText('was not imported').first();
  const asked = page.getByRole('dialog').getByRole('button', { name: 'Cancel' });
  const held = await heldSince(page, since);
  if (state === 'asked') await pressed(asked, asked);
  if (state === 'taken') {
    // As long as the drawer is going, the next drawing would seem to be answered.
    await pressed(taken, taken);
    await page.getByRole('button', { name: /^Undo/ }).click();
  }
  const close = page.getByRole('button', { name: 'Close this notice' }).first();
  while ((await close.count()) > 0) await close.click({ timeout: 2000 }).catch(() => undefined);
  // A notice that is still going would answer for the next one.
  await refused.waitFor({ state: 'hidden' });
  return { name, state, held, faults: [...faults] };
}

/** Presses a button until something is gone, however busy the page is. */
async function pressed(button: Locator, until: Locator): Promise<void> {
  for (let tries = 0; tries < 6; tries++) {
    await button.click({ timeout: 5000 }).catch(() => undefined);
    const gone = await until.waitFor({ state: 'hidden', timeout: 5000 }).then(
      () => true,
      () => false,
    );
    if (gone) return;
  }
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
