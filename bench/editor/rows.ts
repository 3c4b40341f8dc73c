import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chromium, type Browser, type CDPSession, type Page } from '@playwright/test';
import { median, type Row } from '../measure.ts';
import { bare, barePath } from './bare-pages.ts';
import { growthRows } from './growth.ts';
import { moveAbout, open, PORT, shapeMark, takeNode } from './hands.ts';
import { crowd, longGuide } from './scenes.ts';
import { shelfRows } from './shelf.ts';
import { SECONDS, watch } from './watch.ts';

/** A machine on which a bare page does not reach 60 cannot show it; there the bare page is the measure. */
const SIXTY = '60 frames a second; where a bare page does not reach them, 0.9 of its frames';

/** A page that is watched, and the session that tells what it costs. */
interface Watched {
  readonly page: Page;
  readonly cdp: CDPSession;
}

/** The Desk and a bare page, each in a tab of its own: the one that is not in front stands still. */
interface Tabs {
  readonly ours: Watched;
  readonly bare: Watched;
}

type Shown = Awaited<ReturnType<typeof watch>>;

const idle = ({ page }: Watched) => page.waitForTimeout(SECONDS * 1000);
const fps = (value: number): string => value.toFixed(1);
const figure = ({ fps: shown, task }: Shown): string =>
  `${fps(shown)} frames/s shown, ${((task / SECONDS) * 100).toFixed(0)} % of the main thread`;

/** ms after which a tab that has come to the front shows its frames evenly. */
const SETTLE = 500;

interface Turns {
  /** Before each turn of the Desk, and after it. */
  readonly ready?: () => Promise<unknown>;
  readonly after?: () => Promise<unknown>;
  /** What goes on over the bare page. */
  readonly beside?: () => Promise<void>;
}

/** Measures in many short turns, as what else runs on a machine comes in bursts: the median frames a second of the Desk and of a bare page. */
async function inTurns(
  { ours, bare: alone }: Tabs,
  turns: number,
  work: () => Promise<void>,
  { ready, after, beside = () => idle(alone) }: Turns = {},
): Promise<{ readonly ours: number; readonly bare: number }> {
  const framesOf = async ({ page, cdp }: Watched, doing: () => Promise<void>): Promise<number> => {
    await page.bringToFront();
    await page.waitForTimeout(SETTLE);
    return (await watch(page, cdp, doing)).fps;
  };
  const [many, few]: [number[], number[]] = [[], []];
  for (let turn = 0; turn < turns; turn++) {
    await ours.page.bringToFront();
    await ready?.();
    many.push(await framesOf(ours, work));
    await after?.();
    few.push(await framesOf(alone, beside));
  }
  return { ours: median(many), bare: median(few) };
}

async function fortyRiders({ ours: watched, bare: beside }: Tabs): Promise<Row[]> {
  const { page, cdp } = watched;
  await open(page, crowd(40));
  const playing = await watch(page, cdp, () => idle(watched));
  const node = await takeNode(page);
  const dragged = await watch(page, cdp, node.drag);
  await node.drop();
  await bare(beside.page, crowd(40));
  const alone = await watch(beside.page, beside.cdp, () => idle(beside));
  return (
    [
      ['40 riders of 12 elements play', playing],
      ['the same while a node is dragged', dragged],
    ] as const
  ).map(([what, shown]) => ({
    what,
    figure: figure(shown),
    beside: `bare page: ${figure(alone)}`,
    promise: SIXTY,
    kept: shown.fps >= Math.min(57, 0.9 * alone.fps),
  }));
}

/** What a hand does on the Desk. That the browser is told of each of its moves takes half of a frame by itself, so it moves over the bare page as well. */
interface Hand {
  readonly work: (seconds?: number) => Promise<void>;
  readonly beside: () => Promise<void>;
}

/** Frames of a crowd beside a bare page that moves the same. */
async function crowdRow(
  tabs: Tabs,
  { what, riders, turns }: { readonly what: string; readonly riders: number; readonly turns: number },
  hand?: Hand,
): Promise<Row> {
  await open(tabs.ours.page, crowd(riders));
  // What a hand does for minutes is measured once its code is compiled, as that of playing is.
  await hand?.work(4);
  await bare(tabs.bare.page, crowd(riders));
  const shown = await inTurns(tabs, turns, () => hand?.work() ?? idle(tabs.ours), hand);
  return {
    what,
    figure: `${fps(shown.ours)} frames/s shown`,
    beside: `bare page${hand ? ', the same hand over it' : ''} ${fps(shown.bare)}: share ${(shown.ours / shown.bare).toFixed(2)}`,
    promise: '0.9 of the bare page’s frames',
    kept: shown.ours >= 0.9 * shown.bare,
  };
}

async function longGuideRow(tabs: Tabs): Promise<Row> {
  const scene = longGuide(2000);
  const top = scene.guides[0]?.nodes[1500];
  await open(tabs.ours.page, scene);
  await barePath(tabs.bare.page, scene);
  let grabbed: Awaited<ReturnType<typeof takeNode>> | undefined;
  const shown = await inTurns(tabs, 5, async () => grabbed?.drag(), {
    ready: async () => (grabbed = await takeNode(tabs.ours.page, top ? [top.x, top.y] : undefined)),
    // Undone, it lies where it is taken the next time.
    after: async () => {
      await grabbed?.drop();
      await tabs.ours.page.keyboard.press('Control+z');
    },
  });
  return {
    what: 'a node of a guide of 2,000 nodes with 20 riders is dragged',
    figure: `${fps(shown.ours)} frames/s shown`,
    beside: `bare page that draws that path whole ${fps(shown.bare)}: share ${(shown.ours / shown.bare).toFixed(2)}`,
    promise: 'three times the bare page’s frames, or as many as the screen shows',
    kept: shown.ours >= Math.min(3 * shown.bare, 50),
  };
}

/** What shaping a mark costs beside playing alone, on the main thread; of the crowd that is open. */
async function shapingRow({ page, cdp }: Watched): Promise<Row> {
  await page.bringToFront();
  const [shaping, playing]: [number[], number[]] = [[], []];
  for (let turn = 0; turn < 7; turn++) {
    playing.push((await watch(page, cdp, () => page.waitForTimeout(SECONDS * 1000))).task);
    shaping.push((await watch(page, cdp, () => shapeMark(page))).task);
  }
  const share = (task: number): string => `${((task / SECONDS) * 100).toFixed(0)} % of the main thread`;
  const times = median(shaping) / median(playing);
  return {
    what: 'a mark is shaped while 100 riders play',
    figure: share(median(shaping)),
    beside: `they play alone: ${share(median(playing))}; ${times.toFixed(2)} times`,
    promise: 'at most 1.3 times the main thread of playing',
    kept: times <= 1.3,
  };
}

/** Rows of a browser that opens the built application from its server. */
async function served(rows: (browser: Browser) => Promise<Row[]>): Promise<Row[]> {
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
  try {
    return await rows(browser);
  } finally {
    await browser.close();
    server.kill();
  }
}

/** The Shelf, in a browser of its own. */
export const measureShelf = (): Promise<Row[]> => served(shelfRows);

export const measureEditor = (): Promise<Row[]> =>
  served(async (browser) => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const tab = async (): Promise<Watched> => {
      const page = await context.newPage();
      const cdp = await context.newCDPSession(page);
      await cdp.send('Performance.enable');
      return { page, cdp };
    };
    const tabs = { ours: await tab(), bare: await tab() };
    const { page } = tabs.ours;
    return [
      ...(await fortyRiders(tabs)),
      await crowdRow(tabs, { what: '300 riders of 12 elements play', riders: 300, turns: 11 }),
      await crowdRow(
        tabs,
        { what: 'a mark is shaped while 100 riders of one route play', riders: 100, turns: 11 },
        { work: (seconds) => shapeMark(page, seconds), beside: () => moveAbout(tabs.bare.page, [400, 300]) },
      ),
      await shapingRow(tabs.ours),
      await longGuideRow(tabs),
      ...(await growthRows(tabs.ours.page, tabs.ours.cdp)),
    ];
  });
