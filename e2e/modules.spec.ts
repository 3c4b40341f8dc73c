import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test, type Page } from '@playwright/test';
import { build, type Rolldown } from 'vite';
import { artById, leadInOf, pathOfGuide, prepare, type Scene } from '@pace-line/core';
import { BOX_ART, LINE, riderOn, sceneOf as sceneFrom, WRITER_SCENES } from '../core/src/testing/scenes.ts';
import { SAMPLES } from '../samples/scenes.ts';
import { entering } from './entering.ts';
import { filesOf, hostPage, type Global } from './hosting.ts';
import { cornersInPage, expectedCorners, worstGap } from './motion.ts';
import { timelineByClock } from './timeline.ts';

const scenes: Record<string, Scene> = {
  ...WRITER_SCENES,
  ...Object.fromEntries(SAMPLES.map(({ file, scene }) => [file, scene])),
};

for (const [name, scene] of Object.entries(scenes))
  test(`a module of ${name} shows every time as the evaluator has it, in a page with styles of its own`, async ({
    page,
  }) => {
    const said = await hostPage(page, scene, `mount(document.querySelector('#here'), { driver: 'none' })`);
    const motion = prepare(scene);
    const events = motion.riders.flatMap((rider) => rider.events(0, motion.length));
    const times = Array.from({ length: 20 }, (_, i) => ((i * 0.6180339887 + 0.0417) % 1) * motion.length).filter(
      (time) => events.every((event) => Math.abs(event - time) > 1e-3),
    );
    const worst = await worstGap(page, scene, times);
    expect(worst.gap, `${worst.rider} at ${worst.time}`).toBeLessThan(0.5);
    // And by what it is told itself.
    for (const time of times.slice(0, 3)) {
      await page.evaluate((at) => (globalThis as unknown as Global).made.seek(at), time);
      expect((await worstGap(page, scene, [time], { seek: false })).gap).toBeLessThan(0.5);
      await page.evaluate((at) => (globalThis as unknown as Global).made.setProgress(at), time / motion.length);
      expect((await worstGap(page, scene, [time], { seek: false })).gap).toBeLessThan(0.5);
    }
    expect(said).toEqual([]);
  });

test('a module plays the lead-in before the loop, as the evaluator has both; less motion and a mount without it begin with the loop', async ({
  page,
}) => {
  const scene = entering();
  const [motion, led] = [prepare(scene), leadInOf(scene)];
  const told = (act: string): Promise<unknown> => page.evaluate(`made.${act}`);
  const entry = (): Promise<number> =>
    page.evaluate(() =>
      Number(document.getAnimations().find(({ effect }) => effect?.getTiming().duration === 1100)?.currentTime ?? -1),
    );
  // Held as soon as it is there: it stands where the lead-in begins.
  const held = `(() => { const made = mount(document.querySelector('#here')); made.pause(); return made; })()`;
  const said = await hostPage(page, scene, held);
  expect(await entry()).toBe(0);
  const boxes = scene.riders.map(({ art }) => artById(scene, art)!);
  let worst = 0;
  for (let i = 0; i < 40; i++) {
    const time = ((i * 0.6180339887 + 0.0417) % 1) * (led + motion.length) - led;
    await told(`seek(${time})`);
    const [shown] = await page.evaluate(cornersInPage, { times: [0], boxes, seek: false });
    for (const [index] of scene.riders.entries())
      expectedCorners(scene, motion, index, time).forEach(([x, y], k) => {
        const [u, v] = shown![index]![k]!;
        worst = Math.max(worst, Math.hypot(x - u, y - v));
      });
  }
  expect(worst).toBeLessThan(0.5);
  // By itself it goes on into the loop; back it stops where the loop begins.
  await told('seek(-1)');
  await told('play()');
  await expect.poll(entry, { intervals: [50] }).toBe(-1);
  await told('seek(0.2)');
  await told('reverse()');
  await expect
    .poll(() => page.evaluate(() => document.getAnimations().map(({ currentTime }) => Number(currentTime))))
    .toContain(0);
  for (const [mount, media] of [
    [`mount(document.querySelector('#here'), { leadIn: false })`, 'no-preference'],
    [`mount(document.querySelector('#here'))`, 'reduce'],
    [`mount(document.querySelector('#here'), { driver: 'click' })`, 'no-preference'],
  ] as const) {
    await page.emulateMedia({ reducedMotion: media });
    await page.unrouteAll();
    await hostPage(page, scene, mount);
    await expect.poll(entry).toBe(-1);
  }
  expect(said).toEqual([]);
});

test('a module of what plays once ends where the evaluator has its end', async ({ page }) => {
  // Along an open guide: its end is not where it begins.
  const scene: Scene = { ...flying, clock: { ...flying.clock, repeat: 'once' } };
  await hostPage(page, scene, `mount(document.querySelector('#here'), { driver: 'none' })`);
  await page.evaluate(() => (globalThis as unknown as Global).made.setProgress(1));
  const worst = await worstGap(page, scene, [scene.clock.duration], { seek: false });
  expect(worst.gap, worst.rider).toBeLessThan(0.5);
});

test('a module plays, pauses, and leaves nothing behind', async ({ page }) => {
  await hostPage(page, WRITER_SCENES['eased']!, `mount(document.querySelector('#here'), { driver: 'none' })`);
  const time = (): Promise<number> => page.evaluate(() => Number(document.getAnimations()[0]?.currentTime ?? -1));
  expect(await time()).toBe(0);
  await page.evaluate(() => (globalThis as unknown as Global).made.play());
  await expect.poll(time).toBeGreaterThan(100);
  await page.evaluate(() => (globalThis as unknown as Global).made.pause());
  const stands = await time();
  await page.waitForTimeout(120);
  expect(await time()).toBe(stands);
  await page.evaluate(() => (globalThis as unknown as Global).made.destroy());
  expect(await page.evaluate(() => [document.getAnimations().length, document.querySelectorAll('svg').length])).toEqual(
    [0, 0],
  );
});

test('laid between two elements, the rider flies from the middle of the one to that of the other', async ({ page }) => {
  const scene = SAMPLES.find(({ file }) => file.startsWith('tea-order'))!.scene;
  await hostPage(
    page,
    scene,
    `mount(document.body, { driver: 'none', fit: { from: document.querySelector('#a'), to: document.querySelector('#b') } })`,
    '<i id="a" style="position:absolute;left:700px;top:500px;width:40px;height:20px"></i><i id="b" style="position:absolute;left:100px;top:200px;width:60px;height:60px"></i>',
  );
  // The art's middle is its pivot: where its box lies is where the rider is.
  const middle = (): Promise<[number, number]> =>
    page.evaluate(() => {
      const chip = document.querySelector('circle[stroke="#55752A" i]')!;
      const { left, top, width, height } = chip.getBoundingClientRect();
      return [left + width / 2, top + height / 2] as [number, number];
    });
  const at = async (time: number): Promise<[number, number]> => {
    await page.evaluate((one) => (globalThis as unknown as Global).made.seek(one), time);
    return middle();
  };
  const [from, to] = [await at(0), await at(scene.clock.duration)];
  expect(Math.hypot(from[0] - 720, from[1] - 510)).toBeLessThan(2);
  expect(Math.hypot(to[0] - 130, to[1] - 230)).toBeLessThan(2);
  await page.evaluate(() => {
    document.querySelector<HTMLElement>('#a')!.style.left = '400px';
    dispatchEvent(new Event('resize'));
  });
  expect(Math.hypot((await at(0))[0] - 420, (await at(0))[1] - 510)).toBeLessThan(2);
});

/** A level button that flies to the upper right along a bow, a label that it carries, and an arrow that turns along the same guide. */
const flying: Scene = sceneFrom({
  clock: { duration: 2, fps: 30, repeat: 'loop' },
  art: [BOX_ART],
  guides: [
    {
      id: 'bow',
      name: 'Bow',
      closed: false,
      color: '#0B7A75',
      nodes: [
        { id: 'n1', x: 200, y: 400, out: [60, -160] },
        { id: 'n2', x: 600, y: 300, in: [-60, -160] },
      ],
    },
  ],
  riders: ['button', 'arrow']
    .map((id) => ({
      ...{ id, name: id, art: 'box', guide: 'bow', heading: { mode: id === 'arrow' ? 'along' : 'level' } },
      pace: {
        marks: [
          { id: `${id}1`, time: 0, place: { by: 'node', node: 'n1' } },
          { id: `${id}2`, time: 2, place: { by: 'node', node: 'n2' } },
        ],
      },
    }))
    .concat([
      { id: 'label', name: 'label', art: 'box', guide: null, at: [0, 50], carrier: { rider: 'button' } } as never,
    ]),
});

/** Boxes of the three, px of the page, at a time, s. */
const boxesAt = (
  page: Page,
  time: number,
): Promise<{ x: number; y: number; width: number; height: number; turn: number }[]> =>
  page.evaluate((one) => {
    (globalThis as unknown as Global).made.seek(one);
    return [...document.querySelectorAll<SVGGraphicsElement>('svg use')].map((rect) => {
      const { left, top, width, height } = rect.getBoundingClientRect();
      const { a, b } = rect.getScreenCTM()!;
      return { x: left + width / 2, y: top + height / 2, width, height, turn: (Math.atan2(b, a) * 180) / Math.PI };
    });
  }, time);

const ELEMENTS =
  '<i id="a" style="position:absolute;left:100px;top:100px;width:90px;height:30px"></i><i id="b" style="position:absolute;left:700px;top:500px;width:240px;height:160px"></i>';
const between = (more: string): string =>
  `mount(document.body, { driver: 'none', fit: { from: document.querySelector('#a'), to: document.querySelector('#b')${more} } })`;

test('laid between two elements the way is laid, and art stays upright and as large as it is', async ({ page }) => {
  const said = await hostPage(page, flying, between(''), ELEMENTS);
  const motion = prepare(flying);
  // From (145, 115) to (820, 580): the turn and the scale of the way.
  const scale = Math.hypot(675, 465) / Math.hypot(400, -100);
  const turn = ((Math.atan2(465, 675) - Math.atan2(-100, 400)) * 180) / Math.PI;
  for (const time of [0, 0.3, 1, 1.6, 2 - 1e-4]) {
    const [button, arrow, label] = await boxesAt(page, time);
    const poses = motion.poseAt(time);
    // BOX_ART is 60 × 40 with its pivot at 20, 20: its middle is 10 px to the right of its place.
    const [dx, dy] = [poses.of(0, 'x') - 200, poses.of(0, 'y') - 400];
    const at = (turn * Math.PI) / 180;
    const [x, y] = [
      145 + scale * (dx * Math.cos(at) - dy * Math.sin(at)),
      115 + scale * (dx * Math.sin(at) + dy * Math.cos(at)),
    ];
    expect(Math.hypot(button!.x - 10 - x, button!.y - y), `button at ${time}`).toBeLessThan(0.5);
    expect([button!.width, button!.height].map(Math.round)).toEqual([60, 40]);
    expect(Math.abs(button!.turn)).toBeLessThan(0.01);
    // What it carries goes with it as on the canvas.
    const apart = [poses.of(2, 'x') - poses.of(0, 'x'), poses.of(2, 'y') - poses.of(0, 'y')];
    expect(Math.hypot(label!.x - button!.x - apart[0]!, label!.y - button!.y - apart[1]!)).toBeLessThan(0.5);
    expect([label!.width, label!.height].map(Math.round)).toEqual([60, 40]);
    // What turns along its guide turns with the way.
    const heading = (Math.atan2(poses.of(1, 'b'), poses.of(1, 'a')) * 180) / Math.PI + turn;
    expect(Math.abs(((arrow!.turn - heading + 540) % 360) - 180), `arrow at ${time}`).toBeLessThan(0.2);
  }
  expect(said).toEqual([]);
});

test('laid between two elements art grows from the one’s box to the other’s, is scaled with the way, or all upright', async ({
  page,
}) => {
  await hostPage(page, flying, between(`, size: 'elements'`), ELEMENTS);
  const [first] = await boxesAt(page, 0);
  expect(first!.width).toBeCloseTo(90, 0);
  expect(first!.height).toBeCloseTo(30, 0);
  expect(Math.hypot(first!.x - 145, first!.y - 115)).toBeLessThan(0.5);
  const [last] = await boxesAt(page, 2 - 1e-5);
  expect(last!.width).toBeCloseTo(240, 0);
  expect(last!.height).toBeCloseTo(160, 0);
  expect(Math.hypot(last!.x - 820, last!.y - 580)).toBeLessThan(0.5);
  const [middle] = await boxesAt(page, 1);
  expect(middle!.width).toBeGreaterThan(140);
  expect(middle!.width).toBeLessThan(190);
  const scale = Math.hypot(675, 465) / Math.hypot(400, -100);
  await page.unrouteAll();
  await hostPage(page, flying, between(`, size: 'scaled'`), ELEMENTS);
  const [scaled] = await boxesAt(page, 1);
  expect(scaled!.width).toBeCloseTo(60 * scale, 0);
  expect(Math.abs(scaled!.turn)).toBeLessThan(0.01);
  await page.unrouteAll();
  await hostPage(page, flying, between(`, upright: true`), ELEMENTS);
  const [, upright] = await boxesAt(page, 0.3);
  const poses = prepare(flying).poseAt(0.3);
  expect(upright!.turn).toBeCloseTo((Math.atan2(poses.of(1, 'b'), poses.of(1, 'a')) * 180) / Math.PI, 0);
});

/** Bundles a page's program with the component of a scene, for the React of a folder of this one. */
async function componentPage(scene: Scene, react: '.' | 'react-18', program: string): Promise<string> {
  const folder = mkdtempSync(join(fileURLToPath(new URL(react, import.meta.url)), '.react-'));
  try {
    const files = await filesOf(scene, 'react');
    for (const [name, text] of files) writeFileSync(join(folder, name), text);
    const component = [...files.keys()].find((name) => name.endsWith('.jsx'))!;
    writeFileSync(join(folder, 'main.js'), `import Loop from './${component}';\n${program}`);
    const built = (await build({
      configFile: false,
      logLevel: 'silent',
      define: { 'process.env.NODE_ENV': '"development"' },
      build: { write: false, minify: false, lib: { entry: join(folder, 'main.js'), name: 'Main', formats: ['iife'] } },
    })) as Rolldown.RolldownOutput[];
    return built[0]!.output[0].code;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

interface Told {
  version: string;
  show: (props: object) => void;
  hide: () => void;
  ref: { seek: (time: number) => void; play: () => void; pause: () => void };
  served: string;
  hydrate: () => void;
}

const COMPONENT = `import { createElement as h, createRef, StrictMode, version } from 'react';
import { createRoot, hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server.browser';
const ref = createRef();
const host = document.body.appendChild(document.createElement('div'));
let root;
const page = (props) => h(StrictMode, null, h(Loop, { ref, ...props(), id: 'ignored' }));
globalThis.version = version;
globalThis.of = (props) => page(() => props);
globalThis.show = (props) => {
  root ??= createRoot(host);
  // Elements are named by their ids: objects are made anew with each render, as parents write them.
  root.render(page(() => props.fit ? { ...props, fit: { ...props.fit, from: document.querySelector('#a'), to: document.querySelector('#b') } } : { ...props }));
};
globalThis.hide = () => root.unmount();
globalThis.hydrate = () => {
  globalThis.served = renderToString(page(() => ({ progress: 0.25 })));
  host.innerHTML = globalThis.served;
  root = hydrateRoot(host, page(() => ({ progress: 0.25 })));
};
Object.defineProperty(globalThis, 'ref', { get: () => ref.current });
`;

for (const react of ['.', 'react-18'] as const)
  test(`a component in strict mode, React ${react === '.' ? '19' : '18'}: mounted once, holds through every render and remount, gone without a trace`, async ({
    page,
  }) => {
    const scene = SAMPLES.find(({ file }) => file.startsWith('tea-order'))!.scene;
    const code = await componentPage(scene, react, COMPONENT);
    const said: string[] = [];
    page.on('console', (message) => message.type() === 'error' && said.push(message.text()));
    page.on('pageerror', (error) => said.push(error.message));
    await page.setContent(
      '<!doctype html><body><i id="a" style="position:absolute;left:300px;top:500px;width:40px;height:20px"></i><i id="b" style="position:absolute;left:100px;top:200px;width:60px;height:60px"></i></body>',
    );
    await page.addScriptTag({ content: code });
    const told = <R>(act: (here: Told) => R): Promise<R> => page.evaluate<R>(`(${act.toString()})(globalThis)`);
    expect(await told(({ version }) => version)).toMatch(react === '.' ? /^19/ : /^18/);
    const drawings = page.locator('div > svg');
    const time = (): Promise<number> =>
      page.evaluate(() => Math.round(Number(document.getAnimations()[0]?.currentTime) * 1000) / 1000);
    // On a server it keeps its place and draws its first picture; taken up in a page that is set in motion, and shows what it is told.
    await told(({ hydrate }) => hydrate());
    expect(await told(({ served }) => served)).toMatch(
      /^<div style="[^"]*aspect-ratio[^>]*><svg [^>]*viewBox="0 0 \d+ \d+"[^>]*role="img"[^>]*><title [^>]*>Tea to the basket<.*<path [^>]*stroke-width=/,
    );
    await expect(drawings).toHaveCount(1);
    expect(await time()).toBeCloseTo(600, 3);
    // Told a share it shows that, through renders with other drivers and other elements too.
    await told(({ show }) => show({ progress: 0.5, driver: 'click' }));
    await expect.poll(time).toBeCloseTo(1200, 2);
    await told(({ show }) => show({ progress: 0.5, driver: 'over', fit: {} }));
    await page.waitForTimeout(60);
    expect(await time()).toBeCloseTo(1200, 2);
    await expect(drawings).toHaveCount(1);
    // Sought and held, it stays where it is when it is mounted anew.
    await told(({ show }) => show({ driver: 'none' }));
    await told(({ ref }) => ref.seek(0.7));
    await told(({ show }) => show({ driver: 'none', fit: {} }));
    await page.waitForTimeout(60);
    expect(await time()).toBe(700);
    expect(await drawings.evaluate((svg) => getComputedStyle(svg).position)).toBe('fixed');
    await told(({ show }) => show({ driver: 'none', leadIn: false, rate: 2 }));
    await expect.poll(() => drawings.evaluate((svg) => getComputedStyle(svg).position)).toBe('static');
    await page.waitForTimeout(60);
    expect(await time()).toBe(700);
    // It plays on, as fast as it is told, while its parent renders with new objects of the same.
    await page.clock.install();
    await page.clock.pauseAt(Date.now() + 60_000);
    await page.evaluate(timelineByClock);
    await told(({ show }) => show({ driver: 'none', fit: {}, rate: 0.5 }));
    await told(({ ref }) => ref.play());
    await page.clock.runFor(100);
    const begun = await time();
    for (let i = 0; i < 10; i++) {
      await told(({ show }) => show({ driver: 'none', fit: {}, rate: 0.5 }));
      await page.clock.runFor(100);
    }
    expect(Math.abs((await time()) - begun - 500)).toBeLessThan(35);
    await told(({ hide }) => hide());
    await expect(drawings).toHaveCount(0);
    expect(await page.evaluate(() => document.getAnimations().length)).toBe(0);
    expect(said).toEqual([]);
  });

const ONE_RIDER = Object.entries(scenes).filter(([, { riders }]) => riders.filter(({ output }) => output).length > 0);

/** px. Farthest that a corner of an element under a rider's CSS is from where the evaluator has it; times from where the CSS begins, s. */
async function cssGap(page: Page, scene: Scene, index: number, times: readonly number[], led = 0): Promise<number> {
  const motion = prepare(scene);
  const rider = scene.riders[index]!;
  const art = artById(scene, rider.art)!;
  const [css = ''] = (await filesOf(scene, 'css', { rider: rider.id, selector: '#one' })).values();
  // Held from the beginning: what is over is no longer told by the page.
  await page.setContent(
    `<!doctype html><style>${css}*{animation-play-state:paused!important}</style><body style="margin:0"><div id="one" style="width:${art.width}px;height:${art.height}px"><i id="c" style="position:absolute;left:100%;top:100%"></i></div>`,
  );
  const shown = await page.evaluate((list) => {
    const all = document.getAnimations();
    return list.map((time) => {
      all.forEach((one) => (one.currentTime = time * 1000));
      const style = getComputedStyle(document.querySelector('#one')!);
      const matrix = new DOMMatrix(style.transform);
      return [matrix.a, matrix.b, matrix.c, matrix.d, matrix.e, matrix.f, Number(style.opacity)];
    });
  }, times);
  let worst = 0;
  times.forEach((time, i) => {
    const poses = motion.poseAt(time < led ? time - led : (time - led) % motion.length);
    const m = (['a', 'b', 'c', 'd', 'e', 'f'] as const).map((key) => poses.of(index, key));
    const corner = ([a, b, c, d, e, f]: readonly number[], x: number, y: number): [number, number] => [
      a! * x + c! * y + e!,
      b! * x + d! * y + f!,
    ];
    expect(Math.abs(shown[i]![6]! - poses.of(index, 'opacity'))).toBeLessThan(0.01);
    for (const [x, y] of [
      [0, 0],
      [art.width, art.height],
    ] as const) {
      const [p, q] = [corner(m, x, y), corner(shown[i]!, x, y)];
      worst = Math.max(worst, Math.hypot(p[0] - q[0], p[1] - q[1]));
    }
  });
  return worst;
}

/** So many times spread over a span, s. */
const spread = (count: number, span: number): number[] =>
  Array.from({ length: count }, (_, i) => ((i * 0.6180339887 + 0.0417) % 1) * span);

test('CSS for one element moves it as the rider', async ({ page }) => {
  for (const [name, scene] of ONE_RIDER) {
    const motion = prepare(scene);
    const index = scene.riders.findIndex((rider, i) => rider.output && (motion.riders[i]?.varies.length ?? 0) > 0);
    const rider = scene.riders[index];
    if (!rider || rider.carrier) continue;
    const events = motion.riders[index]!.events(0, motion.length);
    const times = spread(15, motion.length).filter((time) => events.every((event) => Math.abs(event - time) > 1e-3));
    expect(await cssGap(page, scene, index, times), name).toBeLessThan(0.5);
  }
});

for (const times of [null, 3])
  test(`CSS for one element plays the lead-in first, ${times ?? 'for ever'}`, async ({ page }) => {
    const scene = entering({ times });
    const led = leadInOf(scene);
    for (const [index] of scene.riders.entries())
      expect(await cssGap(page, scene, index, spread(60, led + 3), led), scene.riders[index]!.name).toBeLessThan(0.5);
  });

test('the pace as CSS: what overshoots the ends of an open guide does so on the page', async ({ page }) => {
  const scene = sceneFrom({
    clock: { duration: 2, fps: 30, repeat: 'loop' },
    guides: [
      {
        ...LINE,
        nodes: [
          { id: 'a', x: 100, y: 300, out: [60, -120] },
          { id: 'c', x: 500, y: 200, in: [-80, -60] },
        ],
      },
    ],
    riders: [
      riderOn('kite', 'line', [
        { time: 0, place: { by: 'node', node: 'a' }, ease: { kind: 'family', family: 'back', mode: 'in-out' } },
        { time: 1, place: { by: 'node', node: 'c' }, ease: { kind: 'spring', overshoot: 25, settle: 0.9 } },
        { time: 2, place: { by: 'node', node: 'a' } },
      ]),
    ],
  });
  const [css = ''] = (await filesOf(scene, 'pace-css')).values();
  await page.setContent(
    `<!doctype html><style>div{position:absolute;left:0;top:0;width:0;height:0}${css}</style><body style="margin:0"><div class="kite"></div>`,
  );
  const motion = prepare(scene);
  const times = Array.from({ length: 60 }, (_, i) => ((i * 0.6180339887 + 0.0417) % 1) * 2);
  const length = motion.riders[0]!.path!.length;
  // It does go beyond: some of the times would be missed by pixels.
  expect(Math.max(...times.map((time) => motion.riders[0]!.footAt(time)))).toBeGreaterThan(length + 8);
  expect(Math.min(...times.map((time) => motion.riders[0]!.footAt(time)))).toBeLessThan(-8);
  const shown = await page.evaluate((list) => {
    const [one] = document.getAnimations();
    one!.pause();
    return list.map((time) => {
      one!.currentTime = time * 1000;
      const { x, y } = document.querySelector('div')!.getBoundingClientRect();
      return [x, y] as const;
    });
  }, times);
  times.forEach((time, i) => {
    const pose = motion.poseAt(time);
    expect(Math.hypot(shown[i]![0] - pose.of(0, 'x'), shown[i]![1] - pose.of(0, 'y')), `at ${time}`).toBeLessThan(0.6);
  });
});

test('the pace as CSS: an element on the motion path is as far along it as the rider', async ({ page }) => {
  for (const name of ['eased', 'dwelling', 'reversing']) {
    const scene = scenes[name]!;
    const [css = ''] = (await filesOf(scene, 'pace-css')).values();
    const rider = scene.riders.find(({ guide }) => guide !== null)!;
    const selector = /^\.([\w-]+) \{/m.exec(css)![1]!;
    await page.setContent(`<!doctype html><style>${css}</style><body><div class="${selector}"></div>`);
    const motion = prepare(scene);
    const moving = motion.rider(rider.id)!;
    const { length } = pathOfGuide(scene.guides.find(({ id }) => id === rider.guide)!);
    const times = Array.from({ length: 25 }, (_, i) => ((i * 0.6180339887 + 0.0417) % 1) * motion.length);
    const shares = await page.evaluate((list) => {
      const [one] = document.getAnimations();
      one!.pause();
      return list.map((time) => {
        one!.currentTime = time * 1000;
        return Number.parseFloat(getComputedStyle(document.querySelector('div')!).offsetDistance) / 100;
      });
    }, times);
    times.forEach((time, i) =>
      expect(Math.abs(shares[i]! * length - moving.footAt(time)), `${name} at ${time}`).toBeLessThan(0.6),
    );
  }
});
