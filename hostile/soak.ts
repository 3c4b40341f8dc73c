import type { CDPSession, Page } from '@playwright/test';

/** How a page stands after its garbage was collected. */
export interface Standing {
  /** Minutes since the beginning. */
  readonly minute: number;
  readonly heapMB: number;
  readonly nodes: number;
  /** Frames a second while it plays. */
  readonly frames: number;
}

export interface SoakReport {
  readonly minutes: number;
  readonly edits: number;
  readonly standings: readonly Standing[];
  /** Growth an hour after history was full, in percent of the mean: the slope of the straight line that fits best. */
  readonly heapSlope: number;
  readonly nodesSlope: number;
}

const FRAMES_FOR = 2000;

async function standing(page: Page, session: CDPSession, minute: number): Promise<Standing> {
  for (let i = 0; i < 3; i++) await session.send('HeapProfiler.collectGarbage');
  const { metrics } = await session.send('Performance.getMetrics');
  const metric = (name: string): number => metrics.find((one) => one.name === name)?.value ?? 0;
  const frames = await page.evaluate(
    (span) =>
      new Promise<number>((resolve) => {
        let count = 0;
        const begun = performance.now();
        const next = (now: number): void => {
          count++;
          if (now - begun < span) requestAnimationFrame(next);
          else resolve((count * 1000) / (now - begun));
        };
        requestAnimationFrame(next);
      }),
    FRAMES_FOR,
  );
  return { minute, heapMB: metric('JSHeapUsedSize') / 2 ** 20, nodes: metric('Nodes'), frames };
}

/** The slope of the straight line through points, an hour, in percent of their mean. */
export function slopeOf(points: readonly (readonly [minute: number, value: number])[]): number {
  const mean = (of: (point: readonly [number, number]) => number): number =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [x, y] = [mean(([minute]) => minute), mean(([, value]) => value)];
  const spread = mean(([minute]) => (minute - x) ** 2);
  return spread === 0 ? 0 : (mean(([minute, value]) => (minute - x) * (value - y)) / spread / y) * 6000;
}

/** Steps of undo that are made first: more than are kept, so that what grows later is no history. */
const STEPS = 330;

/** Makes so many steps that the oldest are let go of: each moves another mark than the one before. */
async function fillHistory(page: Page): Promise<void> {
  const marks = page.locator('.mark');
  const count = await marks.count();
  for (let i = 0; i < STEPS; i++) {
    await marks.nth(1 + (i % (count - 1))).focus();
    await page.keyboard.press(i % (2 * (count - 1)) < count - 1 ? 'ArrowRight' : 'ArrowLeft');
  }
}

/** Plays and edits the open scene for some minutes, once history is full: marks moved, nodes pulled, undone and done again, panels opened and closed. */
export async function soak(page: Page, minutes: number): Promise<SoakReport> {
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const standings: Standing[] = [];
  await fillHistory(page);
  const begun = Date.now();
  let edits = 0;
  const since = (): number => (Date.now() - begun) / 60_000;
  const edit = async (): Promise<void> => {
    const marks = page.locator('.mark');
    await marks.nth(1 + (edits % ((await marks.count()) - 1))).focus();
    for (let i = 0; i < 10; i++) {
      await page.keyboard.press(i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft');
      await page.waitForTimeout(30);
    }
    edits += 10;
    if (edits % 50 === 0)
      for (let i = 0; i < 8; i++) await page.keyboard.press(i < 4 ? 'Control+z' : 'Control+Shift+z');
    if (edits % 100 === 0)
      for (const drawer of ['Contents', 'Art', 'Collection'])
        for (let i = 0; i < 2; i++) await page.getByRole('button', { name: drawer, exact: true }).click();
  };
  while (since() < minutes) {
    const until = Date.now() + Math.min(60_000, (minutes * 60_000) / 10);
    while (Date.now() < until) await edit();
    standings.push(await standing(page, session, since()));
  }
  // History has filled up by then: what grows later is a leak.
  const late = standings.slice(Math.floor(standings.length / 3));
  return {
    minutes,
    edits,
    standings,
    heapSlope: slopeOf(late.map(({ minute, heapMB }) => [minute, heapMB])),
    nodesSlope: slopeOf(late.map(({ minute, nodes }) => [minute, nodes])),
  };
}
