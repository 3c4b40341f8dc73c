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

/** A closed guide of so many nodes with twenty riders on it. */
function longGuide(count: number): Scene {
  const nodes = Array.from({ length: count }, (_, i) => {
    const a = (2 * Math.PI * i) / count;
    const r = 250 + 30 * Math.sin(40 * a);
    const step = (2 * Math.PI * r) / count / 3;
    const h = [-Math.sin(a) * step, Math.cos(a) * step] as const;
    return {
      id: `n${i + 1}`,
      x: 640 + 2 * r * Math.cos(a),
      y: 360 + r * Math.sin(a),
      in: [-h[0], -h[1]],
      out: h,
      join: 'smooth' as const,
    };
  });
  return sceneOf({
    canvas: { width: 1280, height: 720, background: '#F6F1E7' },
    clock: { duration: 8, fps: 30, repeat: 'loop' },
    art: [ART],
    guides: [{ id: 'ring', name: 'Ring', closed: true, color: '#0B7A75', nodes }],
    riders: Array.from({ length: 20 }, (_, i) =>
      riderOn(
        `r${i}`,
        'ring',
        [
          { time: 0, place: { by: 'node', node: 'n1' } },
          { time: 8, place: { by: 'node', node: 'n1', lap: 1 } },
        ],
        { art: 'float', pace: { delay: (i * 8) / 20 } },
      ),
    ),
  });
}

/** A page that draws a long path, cased, and changes it in every frame as a drag would: with none of our code. */
async function barePath(page: Page, scene: Scene): Promise<void> {
  const nodes = scene.guides[0]?.nodes ?? [];
  await page.setContent(
    `<!doctype html><body style="margin:0;background:#efe8da"><svg width="742" height="560"><g transform="matrix(0.536 0 0 0.536 28 90)" fill="none"><path id="a" stroke="#fff" stroke-width="14"/><path id="b" stroke="#0B7A75" stroke-width="7"/></g></svg></body>`,
  );
  await page.evaluate(
    (list) => {
      const paths = [document.getElementById('a'), document.getElementById('b')];
      let i = 0;
      const tick = (): void => {
        const dx = 60 * Math.sin(i++ / 12);
        const moved = list.map((node, k) => (k === 500 ? { ...node, x: node.x + dx } : node));
        const first = moved[0]!;
        let d = `M${first.x.toFixed(3)} ${first.y.toFixed(3)}`;
        for (let k = 0; k < moved.length; k++) {
          const a = moved[k]!;
          const b = moved[(k + 1) % moved.length]!;
          d += `C${(a.x + a.out[0]!).toFixed(3)} ${(a.y + a.out[1]!).toFixed(3)} ${(b.x + b.in[0]!).toFixed(3)} ${(b.y + b.in[1]!).toFixed(3)} ${b.x.toFixed(3)} ${b.y.toFixed(3)}`;
        }
        for (const path of paths) path?.setAttribute('d', `${d}Z`);
        requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
    },
    nodes.map(({ x, y, in: a, out: b }) => ({ x, y, in: [...(a ?? [0, 0])], out: [...(b ?? [0, 0])] })),
  );
  await page.waitForTimeout(800);
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
async function takeNode(
  page: Page,
  [nx, ny]: readonly [number, number] = [640, 140],
): Promise<{ drag: () => Promise<void>; drop: () => Promise<void> }> {
  const edge = await page.locator('.canvas-edge').boundingBox();
  if (!edge) throw new Error('no canvas');
  const at = (x: number, y: number): [number, number] => [
    edge.x + (x / 1280) * edge.width,
    edge.y + (y / 720) * edge.height,
  ];
  await page.mouse.click(...at(nx, ny));
  await page.mouse.move(...at(nx, ny));
  await page.mouse.down();
  return {
    drag: async () => {
      const until = Date.now() + SECONDS * 1000;
      for (let i = 0; Date.now() < until; i++) {
        await page.mouse.move(...at(nx + 60 * Math.sin(i / 12), ny + 50 * Math.sin(i / 9)));
        await page.waitForTimeout(12);
      }
    },
    drop: () => page.mouse.up(),
  };
}

/** Drags a mark on the sheet to and fro in time with the real mouse. */
async function shapeMark(page: Page): Promise<void> {
  const box = await page.locator('.mark').nth(1).boundingBox();
  if (!box) throw new Error('no mark');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const until = Date.now() + SECONDS * 1000;
  for (let i = 0; Date.now() < until; i++) {
    await page.mouse.move(x - 40 + 40 * Math.cos(i / 12), y + 30 * Math.sin(i / 9));
    await page.waitForTimeout(12);
  }
  await page.mouse.up();
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
