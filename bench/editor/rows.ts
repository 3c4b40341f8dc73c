import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chromium } from '@playwright/test';
import type { Row } from '../measure.ts';
import { bare, barePath } from './bare-pages.ts';
import { open, PORT, shapeMark, takeNode } from './hands.ts';
import { crowd, longGuide } from './scenes.ts';
import { SECONDS, watch } from './watch.ts';

/** A machine on which a bare page does not reach 60 cannot show it; there the bare page is the measure. */
const SIXTY = '60 frames a second; where a bare page does not reach them, 0.9 of its frames';

export async function editorRows(): Promise<Row[]> {
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
    const rest = (): Promise<void> => page.waitForTimeout(SECONDS * 1000);
    await open(page, crowd(40));
    const playing = await watch(page, cdp, rest);
    const node = await takeNode(page);
    const dragged = await watch(page, cdp, node.drag);
    await node.drop();
    await bare(page, crowd(40));
    const bare40 = await watch(page, cdp, rest);
    // The two are measured in turns, so that a busy machine is shared fairly.
    const many: number[] = [];
    const alone: number[] = [];
    for (let turn = 0; turn < 3; turn++) {
      await open(page, crowd(300));
      many.push((await watch(page, cdp, rest)).fps);
      await bare(page, crowd(300));
      alone.push((await watch(page, cdp, rest)).fps);
    }
    const shaped: number[] = [];
    const bare100: number[] = [];
    for (let turn = 0; turn < 2; turn++) {
      await open(page, crowd(100));
      shaped.push((await watch(page, cdp, () => shapeMark(page))).fps);
      await bare(page, crowd(100));
      bare100.push((await watch(page, cdp, rest)).fps);
    }
    const long: number[] = [];
    const bareLong: number[] = [];
    for (let turn = 0; turn < 2; turn++) {
      await open(page, longGuide(2000));
      const top = longGuide(2000).guides[0]?.nodes[1500];
      const grabbed = await takeNode(page, top ? [top.x, top.y] : undefined);
      long.push((await watch(page, cdp, grabbed.drag)).fps);
      await grabbed.drop();
      await barePath(page, longGuide(2000));
      bareLong.push((await watch(page, cdp, rest)).fps);
    }
    const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
    const share = mean(many) / mean(alone);
    const figure = ({ fps, task }: { fps: number; task: number }): string =>
      `${fps.toFixed(1)} frames/s shown, ${((task / SECONDS) * 100).toFixed(0)} % of the main thread`;
    return [
      {
        what: '40 riders of 12 elements play',
        figure: figure(playing),
        beside: `bare page: ${figure(bare40)}`,
        promise: SIXTY,
        kept: playing.fps >= Math.min(57, 0.9 * bare40.fps),
      },
      {
        what: 'the same while a node is dragged',
        figure: figure(dragged),
        beside: `bare page: ${figure(bare40)}`,
        promise: SIXTY,
        kept: dragged.fps >= Math.min(57, 0.9 * bare40.fps),
      },
      {
        what: '300 riders of 12 elements play',
        figure: `${mean(many).toFixed(1)} frames/s shown`,
        beside: `bare page ${mean(alone).toFixed(1)}: share ${share.toFixed(2)}`,
        promise: '0.9 of the bare page’s frames',
        kept: share >= 0.9,
      },
      {
        what: 'a mark is shaped while 100 riders of one route play',
        figure: `${mean(shaped).toFixed(1)} frames/s shown`,
        beside: `bare page ${mean(bare100).toFixed(1)}: share ${(mean(shaped) / mean(bare100)).toFixed(2)}`,
        promise: '0.9 of the bare page’s frames',
        kept: mean(shaped) >= 0.9 * mean(bare100),
      },
      {
        what: 'a node of a guide of 2,000 nodes with 20 riders is dragged',
        figure: `${mean(long).toFixed(1)} frames/s shown`,
        beside: `bare page that draws that path whole ${mean(bareLong).toFixed(1)}: share ${(mean(long) / mean(bareLong)).toFixed(2)}`,
        promise: 'three times the bare page’s frames, or as many as the screen shows',
        kept: mean(long) >= Math.min(3 * mean(bareLong), 50),
      },
    ];
  } finally {
    await browser.close();
    server.kill();
  }
}
