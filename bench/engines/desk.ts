import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { setTimeout as later } from 'node:timers/promises';
import { median } from '../measure.ts';
import type { Engine } from './engines.ts';

/** ms of a frame of the Desk at most, in each engine. */
export const DESK_LIMIT = 20;

/** What the Desk plays: a sample with one rider along a guide, and one that it carries. */
const SAMPLE = 'Down the canal';

const PORT = 4479;

/** ms from one frame to the next, from now on. */
const WATCH = `() => {
  const list = (window.frameTimes = []);
  let last = performance.now();
  const next = () => {
    const now = performance.now();
    list.push(now - last);
    last = now;
    requestAnimationFrame(next);
  };
  requestAnimationFrame(next);
}`;

/** How long it is watched, ms. */
const LONG = 6000;

/** The median and the mean time of a page's frames, ms. */
async function watched(engine: Engine): Promise<{ readonly median: number; readonly mean: number }> {
  await engine.run(WATCH, null);
  await later(LONG);
  const times = await engine.run<number[]>('() => window.frameTimes', null);
  return { median: median(times), mean: times.reduce((sum, one) => sum + one, 0) / times.length };
}

const BARE =
  'data:text/html,<body><div id="box" style="width:80px;height:80px;background:teal"></div><script>const go=(t)=>{box.style.transform=`translate(${(t/9)%25900}px,200px)`;requestAnimationFrame(go)};requestAnimationFrame(go)</script>';

/** How long a frame of the Desk takes while it plays, beside a page on which one box moves. */
export async function deskFrames(engine: Engine): Promise<{ readonly figure: string; readonly kept: boolean }> {
  const server = spawn(process.execPath, ['server/dist/main.js'], { env: { ...process.env, PORT: String(PORT) } });
  try {
    await once(server.stdout, 'data');
    await engine.open(BARE);
    const bare = await watched(engine);
    await engine.open(`http://127.0.0.1:${PORT}/`);
    await later(3000);
    const press = `(name) => [...document.querySelectorAll('button')].find((one) => one.getAttribute('aria-label') === name).click()`;
    await engine.run(press, `Open the sample ${SAMPLE}`);
    await later(6000);
    const desk = await watched(engine);
    const said = ({ median: middle, mean }: typeof desk): string => `${middle.toFixed(1)} ms (mean ${mean.toFixed(1)})`;
    return {
      figure: `a frame in ${said(desk)}; a page on which one box moves: ${said(bare)}`,
      kept: desk.median <= DESK_LIMIT,
    };
  } finally {
    server.kill();
  }
}
