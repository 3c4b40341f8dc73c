import { readdirSync, readFileSync } from 'node:fs';
import type { Browser, Page } from '@playwright/test';
import type { Scene } from '@pace-line/core';
import type { Row } from '../measure.ts';
import { open } from './hands.ts';
import { crowd } from './scenes.ts';

/** MB. What the issue allows. */
const LIMIT = 1000;

/** ms. A task of the page that holds it up longer is felt. */
const FELT = 100;

/** 1920 × 1080, 300 frames. */
function scene(): Scene {
  const whole = crowd(8);
  return {
    ...whole,
    name: 'Large',
    canvas: { ...whole.canvas, width: 1920, height: 1080 },
    clock: { ...whole.clock, duration: 10, fps: 30 },
  };
}

/** MB that all processes of the browser hold, shared pages once for each. */
function memory(): number {
  let kilobytes = 0;
  for (const id of readdirSync('/proc')) {
    if (!/^\d+$/.test(id)) continue;
    try {
      if (!readFileSync(`/proc/${id}/cmdline`, 'utf8').includes('--type=renderer')) continue;
      kilobytes += Number(/^RssAnon:\s+(\d+)/m.exec(readFileSync(`/proc/${id}/status`, 'utf8'))?.[1] ?? 0);
    } catch {
      // It has ended in between.
    }
  }
  return kilobytes / 1000;
}

async function watched(page: Page, name: string): Promise<{ readonly most: number; readonly longest: number }> {
  await page.evaluate(() => {
    const here = window as unknown as { longest: number };
    here.longest = 0;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) here.longest = Math.max(here.longest, duration);
    }).observe({ type: 'longtask' });
  });
  let most = 0;
  const timer = setInterval(() => (most = Math.max(most, memory())), 150);
  await page.getByRole('button', { name, exact: true }).click();
  const save = page.getByRole('button', { name: /^Save .*\./ });
  await save.waitFor({ state: 'detached' });
  await save.waitFor({ timeout: 400_000 });
  clearInterval(timer);
  return { most, longest: await page.evaluate(() => (window as unknown as { longest: number }).longest) };
}

/** What sending much takes in memory, and whether the page stays responsive. */
export async function largeRows(browser: Browser): Promise<Row[]> {
  const page = await browser.newPage();
  await open(page, scene());
  await page.getByRole('link', { name: 'Send' }).click();
  await page.getByRole('button', { name: /^Save .*\./ }).waitFor();
  const rows: Row[] = [];
  for (const name of ['GIF', 'Animated PNG', 'Animated WebP', 'WebM film', 'PNG sequence']) {
    const { most, longest } = await watched(page, name);
    rows.push({
      what: `1920 × 1080, 300 frames to ${name}`,
      figure: `at most ${most.toFixed(0)} MB in the browser’s pages, ${longest.toFixed(0)} ms the longest task of the page`,
      beside: `limits ${LIMIT} MB and ${FELT} ms`,
      promise: `under 1 GB, no task over ${FELT} ms`,
      kept: most < LIMIT && longest <= FELT,
    });
  }
  await page.close();
  return rows;
}
