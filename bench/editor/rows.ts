import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chromium, type CDPSession, type Page } from '@playwright/test';
import { median, type Row } from '../measure.ts';
import { bare, barePath } from './bare-pages.ts';
import { open, PORT, shapeMark, takeNode } from './hands.ts';
import { crowd, longGuide } from './scenes.ts';
import { SECONDS, watch } from './watch.ts';

/** A machine on which a bare page does not reach 60 cannot show it; there the bare page is the measure. */
const SIXTY = '60 frames a second; where a bare page does not reach them, 0.9 of its frames';

/** A page that is watched, and the session that tells what it costs. */
interface Watched {
  readonly page: Page;
  readonly cdp: CDPSession;
}

type Shown = Awaited<ReturnType<typeof watch>>;

const idle = ({ page }: Watched) => page.waitForTimeout(SECONDS * 1000);
const fps = (value: number): string => value.toFixed(1);
const figure = ({ fps: shown, task }: Shown): string =>
  `${fps(shown)} frames/s shown, ${((task / SECONDS) * 100).toFixed(0)} % of the main thread`;

/** Measures in turns, so that a busy machine is shared fairly: the median frames a second of ours and of a bare page, as what else runs comes in bursts. */
async function inTurns(
  turns: number,
  ours: () => Promise<Shown>,
  bares: () => Promise<Shown>,
): Promise<{ readonly ours: number; readonly bare: number }> {
  const [many, alone]: [number[], number[]] = [[], []];
  for (let turn = 0; turn < turns; turn++) {
    many.push((await ours()).fps);
    alone.push((await bares()).fps);
  }
  return { ours: median(many), bare: median(alone) };
}

async function fortyRiders(watched: Watched): Promise<Row[]> {
  const { page, cdp } = watched;
  await open(page, crowd(40));
  const playing = await watch(page, cdp, () => idle(watched));
  const node = await takeNode(page);
  const dragged = await watch(page, cdp, node.drag);
  await node.drop();
  await bare(page, crowd(40));
  const alone = await watch(page, cdp, () => idle(watched));
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

/** Frames of a crowd beside a bare page that moves the same. */
async function crowdRow(
  { page, cdp }: Watched,
  { what, riders, turns }: { readonly what: string; readonly riders: number; readonly turns: number },
  work: () => Promise<void>,
  // What a hand does for minutes is measured once its code is compiled, as that of playing is.
  before: () => Promise<void> = () => Promise.resolve(),
): Promise<Row> {
  const shown = await inTurns(
    turns,
    async () => {
      await open(page, crowd(riders));
      await before();
      return watch(page, cdp, work);
    },
    async () => {
      await bare(page, crowd(riders));
      return watch(page, cdp, () => idle({ page, cdp }));
    },
  );
  return {
    what,
    figure: `${fps(shown.ours)} frames/s shown`,
    beside: `bare page ${fps(shown.bare)}: share ${(shown.ours / shown.bare).toFixed(2)}`,
    promise: '0.9 of the bare page’s frames',
    kept: shown.ours >= 0.9 * shown.bare,
  };
}

async function longGuideRow({ page, cdp }: Watched): Promise<Row> {
  const scene = longGuide(2000);
  const top = scene.guides[0]?.nodes[1500];
  const shown = await inTurns(
    3,
    async () => {
      await open(page, scene);
      const grabbed = await takeNode(page, top ? [top.x, top.y] : undefined);
      const frames = await watch(page, cdp, grabbed.drag);
      await grabbed.drop();
      return frames;
    },
    async () => {
      await barePath(page, scene);
      return watch(page, cdp, () => idle({ page, cdp }));
    },
  );
  return {
    what: 'a node of a guide of 2,000 nodes with 20 riders is dragged',
    figure: `${fps(shown.ours)} frames/s shown`,
    beside: `bare page that draws that path whole ${fps(shown.bare)}: share ${(shown.ours / shown.bare).toFixed(2)}`,
    promise: 'three times the bare page’s frames, or as many as the screen shows',
    kept: shown.ours >= Math.min(3 * shown.bare, 50),
  };
}

export async function measureEditor(): Promise<Row[]> {
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
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const cdp = await page.context().newCDPSession(page);
    await cdp.send('Performance.enable');
    const watched = { page, cdp };
    return [
      ...(await fortyRiders(watched)),
      await crowdRow(watched, { what: '300 riders of 12 elements play', riders: 300, turns: 7 }, () => idle(watched)),
      await crowdRow(
        watched,
        { what: 'a mark is shaped while 100 riders of one route play', riders: 100, turns: 7 },
        () => shapeMark(page),
        () => shapeMark(page, 2),
      ),
      await longGuideRow(watched),
    ];
  } finally {
    await browser.close();
    server.kill();
  }
}
