import { chromium, type CDPSession, type Page } from '@playwright/test';
import { formatById, memorySink, prepare, QUIET_RUN, send, textOf, type Scene } from '@pace-line/core';
import { BOX_ART, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { median, type Row } from './measure.ts';
import { watch } from './editor/watch.ts';

const COUNT = 60;

/** Shapes of the art that each rider has. */
const SHAPES =
  '<circle cx="30" cy="20" r="14" fill="#E2A33D"/><path d="M4 20L30 6L56 20L30 34Z" fill="none" stroke="#1F2933" stroke-width="2"/><rect x="22" y="14" width="16" height="12" rx="3" fill="#0B7A75"/>';

/** Sixty riders on a ring, each with eases of its own, turned along it. */
function ringScene(): Scene {
  const corner = (i: number): object => {
    const angle = (i * Math.PI) / 3;
    const [x, y] = [400 + 220 * Math.cos(angle), 300 + 180 * Math.sin(angle)];
    const out = [-90 * Math.sin(angle), 74 * Math.cos(angle)];
    return { id: `n${i}`, x, y, out, in: out.map((one) => -one) };
  };
  return sceneOf({
    guides: [
      {
        id: 'ring',
        name: 'Ring',
        closed: true,
        color: '#0B7A75',
        nodes: Array.from({ length: 6 }, (_, i) => corner(i)),
      },
    ],
    art: [
      {
        ...BOX_ART,
        markup: `<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40" viewBox="0 0 60 40">${SHAPES}</svg>`,
      },
    ],
    riders: Array.from({ length: COUNT }, (_, i) => {
      const first = i / COUNT;
      const ease = { kind: 'family', family: 'sine', mode: 'in-out' };
      return riderOn(`r${i}`, 'ring', [
        { time: 0, place: { by: 'share', value: first }, ease },
        { time: 1.5 + (i % 7) * 0.2, place: { by: 'share', value: Math.min(1, first + 0.4) } },
      ]);
    }),
  });
}

async function textsOf(scene: Scene, id: string): Promise<string> {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse({}), sink, QUIET_RUN);
  return textOf(files[0]!);
}

/** What somebody writes by hand for the same: a group with the art for each rider, moved by one rule of keyframes. */
function byHand(scene: Scene): string {
  const motion = prepare(scene);
  const KEYS = 24;
  const rules = scene.riders.map((_, i) => {
    const keys = Array.from({ length: KEYS + 1 }, (__, k) => {
      const poses = motion.poseAt(Math.min((k / KEYS) * motion.length, motion.length - 1e-6));
      const [a, b, c, d, e, f] = (['a', 'b', 'c', 'd', 'e', 'f'] as const).map((key) => poses.of(i, key).toFixed(4));
      return `${((100 * k) / KEYS).toFixed(3)}%{transform:matrix(${[a, b, c, d, e, f].join()})}`;
    });
    return `@keyframes k${i}{${keys.join('')}}#r${i}{animation:k${i} ${motion.length}s linear infinite}`;
  });
  const groups = scene.riders.map((_, i) => `<g id="r${i}">${SHAPES}</g>`);
  return `<style>${rules.join('')}</style><svg width="800" height="600" viewBox="0 0 800 600">${groups.join('')}</svg>`;
}

/** Share of the main thread that a page takes, and the frames that it shows a second. */
async function taken(page: Page, cdp: CDPSession, html: string): Promise<{ task: number; fps: number }> {
  await page.setContent(`<!doctype html><body style="margin:0">${html}</body>`);
  await page.waitForTimeout(600);
  return watch(page, cdp, () => Promise.resolve());
}

/** What is sent beside what is written by hand for the same, in a page: the main thread's time. */
export async function sentRows(): Promise<Row[]> {
  const scene = ringScene();
  const module = await textsOf(scene, 'module');
  const ways: Readonly<Record<string, string>> = {
    hand: byHand(scene),
    'animated SVG': await textsOf(scene, 'animated-svg'),
    module: `<div id="here"></div><script type="module">const text = ${JSON.stringify(module).replace(/</g, '\\x3c')};const { mount } = await import(URL.createObjectURL(new Blob([text], { type: 'text/javascript' })));mount(document.querySelector('#here'));</script>`,
  };
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto('about:blank');
    const cdp = await page.context().newCDPSession(page);
    await cdp.send('Performance.enable');
    const found = new Map<string, { task: number[]; fps: number[] }>();
    for (let turn = 0; turn < 5; turn++)
      for (const [name, html] of Object.entries(ways)) {
        const { task, fps } = await taken(page, cdp, html);
        const own = found.get(name) ?? { task: [], fps: [] };
        own.task.push(task / fps);
        own.fps.push(fps);
        found.set(name, own);
      }
    const perFrame = (name: string): number => (median(found.get(name)?.task ?? []) * 1000) / 2;
    const hand = perFrame('hand');
    return ['animated SVG', 'module'].map((name): Row => {
      const own = perFrame(name);
      return {
        what: `${COUNT} riders play as ${name}, on a page’s main thread`,
        figure: `${own.toFixed(2)} ms a frame, ${median(found.get(name)?.fps ?? []).toFixed(1)} frames/s shown`,
        promise: 'at most 1.3 times what is written by hand',
        beside: `written by hand, one rule of keyframes each: ${hand.toFixed(2)} ms a frame, ${median(found.get('hand')?.fps ?? []).toFixed(1)} frames/s; ${(own / hand).toFixed(2)} times`,
        kept: own <= 1.3 * hand,
      };
    });
  } finally {
    await browser.close();
  }
}
