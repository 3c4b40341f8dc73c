import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chromium, type CDPSession, type Page } from '@playwright/test';
import { placedArt, prepare, Poses, writeScene, type Art, type Scene } from '@pace-line/core';
import { sceneOf, riderOn } from '../core/src/testing/scenes.ts';
import type { Row } from './measure.ts';

const PORT = 4189;
const SECONDS = 4;

/** A machine on which a bare page does not reach 60 cannot show it; there the bare page is the measure. */
const SIXTY = '60 frames a second; where a bare page does not reach them, 0.9 of its frames';

/** A drawing of twelve elements. */
const ART = {
  id: 'float',
  name: 'Float',
  kind: 'svg',
  markup:
    '<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40" viewBox="0 0 60 40" overflow="visible"><path d="M2 24 58 24 48 38H12Z" fill="#8C2F2B"/><rect x="16" y="12" width="26" height="12" fill="#FBF3DF"/>' +
    Array.from({ length: 4 }, (_, i) => `<rect x="${18 + 6 * i}" y="15" width="4" height="4" fill="#F2B84B"/>`).join(
      '',
    ) +
    '<circle cx="46" cy="18" r="4" fill="#1F2933"/><path d="M46 14V4" stroke="#1F2933" stroke-width="2"/><path d="M46 4 56 8 46 11Z" fill="#0B7A75"/><path d="M6 28H54" stroke="#E7C99A" stroke-width="1.5"/><circle cx="20" cy="31" r="1.5" fill="#E7C99A"/><circle cx="40" cy="31" r="1.5" fill="#E7C99A"/></svg>',
  width: 60,
  height: 40,
  pivot: [30, 24],
  facing: 0,
} as const;

function crowd(count: number): Scene {
  const nodes = [
    { id: 'n1', x: 200, y: 360, in: [0, 160], out: [0, -160], join: 'balanced' },
    { id: 'n2', x: 640, y: 140, in: [-200, 0], out: [200, 0], join: 'balanced' },
    { id: 'n3', x: 1080, y: 360, in: [0, -160], out: [0, 160], join: 'balanced' },
    { id: 'n4', x: 640, y: 580, in: [200, 0], out: [-200, 0], join: 'balanced' },
  ];
  return sceneOf({
    canvas: { width: 1280, height: 720, background: '#F6F1E7' },
    clock: { duration: 8, fps: 30, repeat: 'loop' },
    art: [ART],
    guides: [{ id: 'ring', name: 'Ring', closed: true, color: '#0B7A75', nodes }],
    riders: Array.from({ length: count }, (_, i) =>
      riderOn(
        `r${i}`,
        'ring',
        [
          { time: 0, place: { by: 'node', node: 'n1' }, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
          { time: 8, place: { by: 'node', node: 'n1', lap: 1 } },
        ],
        { art: 'float', lift: (i % 7) * 12 - 36, pace: { delay: (i * 8) / count } },
      ),
    ),
  });
}

/** Frames shown and main-thread task time over some seconds, while `work` goes on. */
async function watch(page: Page, cdp: CDPSession, work: () => Promise<void>): Promise<{ fps: number; task: number }> {
  const taskTime = async (): Promise<number> => {
    const { metrics } = await cdp.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0;
  };
  const before = await taskTime();
  const counting = page.evaluate(
    (ms) =>
      new Promise<number>((resolve) => {
        let frames = 0;
        const begun = performance.now();
        const tick = (): void => {
          frames++;
          const now = performance.now();
          if (now - begun >= ms) resolve((frames * 1000) / (now - begun));
          else requestAnimationFrame(tick);
        };
        requestAnimationFrame(tick);
      }),
    SECONDS * 1000,
  );
  const [fps] = await Promise.all([counting, work()]);
  return { fps, task: (await taskTime()) - before };
}

async function open(page: Page, scene: Scene): Promise<void> {
  await page.goto(`http://127.0.0.1:${PORT}/`);
  await page.getByRole('button', { name: 'New scene' }).waitFor();
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.items.add(new File([text], 'crowd.paceline.json', { type: 'application/json' }));
    window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
  }, writeScene(scene));
  await page.locator('.canvas-edge').waitFor();
  // Until the Shelf's picture of the new scene has been drawn, by a worker.
  await page.waitForTimeout(8000);
}

/** Takes the second node with the real mouse; gives what drags it to and fro, and then lets go. */
async function takeNode(page: Page): Promise<{ drag: () => Promise<void>; drop: () => Promise<void> }> {
  const edge = await page.locator('.canvas-edge').boundingBox();
  if (!edge) throw new Error('no canvas');
  const at = (x: number, y: number): [number, number] => [
    edge.x + (x / 1280) * edge.width,
    edge.y + (y / 720) * edge.height,
  ];
  await page.mouse.click(...at(640, 140));
  await page.mouse.move(...at(640, 140));
  await page.mouse.down();
  return {
    drag: async () => {
      const until = Date.now() + SECONDS * 1000;
      for (let i = 0; Date.now() < until; i++) {
        await page.mouse.move(...at(640 + 60 * Math.sin(i / 12), 140 + 50 * Math.sin(i / 9)));
        await page.waitForTimeout(12);
      }
    },
    drop: () => page.mouse.up(),
  };
}

/** A page with nothing but the art, moved by one loop. */
async function bare(page: Page, scene: Scene): Promise<void> {
  const motion = prepare(scene);
  // Fine enough that every shown frame moves everything, as it does on the Desk.
  const steps = 960;
  const poses = new Poses(scene.riders.length);
  const tracks = scene.riders.map((): string[] => []);
  for (let k = 0; k < steps; k++) {
    motion.poseAt((k / steps) * motion.length, poses);
    tracks.forEach((track, i) =>
      track.push(
        `matrix(${(['a', 'b', 'c', 'd', 'e', 'f'] as const).map((key) => poses.of(i, key).toFixed(4)).join(' ')})`,
      ),
    );
  }
  const edge = 686 / 1280;
  const groups = scene.riders.map((_, i) => `<g>${placedArt(ART as unknown as Art, `x${i}`)}</g>`).join('');
  await page.setContent(
    `<!doctype html><body style="margin:0;background:#efe8da"><svg width="742" height="560"><g transform="matrix(${edge} 0 0 ${edge} 28 90)"><rect width="1280" height="720" fill="#F6F1E7"/></g></svg>` +
      `<svg id="m" width="742" height="560" style="position:absolute;left:0;top:0"><g transform="matrix(${edge} 0 0 ${edge} 28 90)">${groups}</g></svg></body>`,
  );
  await page.evaluate((all) => {
    const moved = [...document.querySelectorAll('#m > g > g')];
    const steps = all[0]!.length;
    const tick = (now: number): void => {
      const k = Math.floor((now / 8000) * steps) % steps;
      for (let i = 0; i < moved.length; i++) moved[i]!.setAttribute('transform', all[i]![k]!);
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  }, tracks);
  await page.waitForTimeout(800);
}

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
    ];
  } finally {
    await browser.close();
    server.kill();
  }
}
