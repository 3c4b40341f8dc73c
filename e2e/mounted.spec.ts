import { expect, test, type Page } from '@playwright/test';
import { artById, leadInOf, prepare, stillSvg, type Scene } from '@pace-line/core';
import { BOX_ART, LAYERED_SCENES, LINE, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { entering } from './entering.ts';
import { hostPage } from './hosting.ts';
import { cornersInPage, expectedCorners } from './motion.ts';
import { differingShare, pixelAt } from './pictures.ts';
import { write } from './writing.ts';

interface Heard {
  readonly name: string;
  readonly rider?: string;
  readonly mark?: number;
  readonly time: number;
}

/** A box that goes along a line in a second, with a mark midway, for ever. */
const going = sceneOf({
  clock: { duration: 1, fps: 30, repeat: 'loop' },
  art: [BOX_ART],
  guides: [LINE],
  riders: [
    {
      ...riderOn('barge', LINE.id, [
        { id: 'm1', time: 0, place: { by: 'share', value: 0 } },
        { id: 'm2', time: 0.4, place: { by: 'share', value: 0.7 } },
        { id: 'm3', time: 1, place: { by: 'share', value: 1 } },
      ]),
      name: 'Tea barge',
    },
  ],
});

/** Mounts, and writes down all that is heard with the time that it has then. */
const listening = (options: string): string => `(() => {
  const made = mount(document.querySelector('#here'), ${options});
  globalThis.heard = [];
  for (const name of ['start', 'loop', 'end', 'mark']) made.on(name, (mark) => heard.push({ name, ...mark, time: made.time }));
  return made;
})()`;

const heardIn = (page: Page): Promise<Heard[]> => page.evaluate('heard');
const told = (page: Page, act: string): Promise<unknown> => page.evaluate(`made.${act}`);
const named = (list: readonly Heard[]): string[] =>
  list.map(({ name, rider, mark }) => (name === 'mark' ? `${rider} ${mark}` : name));

test('what happens is heard in its order: the start, each mark, each loop, the end', async ({ page }) => {
  const said = await hostPage(page, going, listening('{}'));
  await expect.poll(async () => (await heardIn(page)).length, { timeout: 15_000 }).toBeGreaterThan(8);
  const list = await heardIn(page);
  expect(named(list).slice(0, 9)).toEqual([
    ...['start', 'tea-barge 1', 'tea-barge 2'],
    ...['tea-barge 1', 'tea-barge 3', 'loop', 'tea-barge 2'],
    ...['tea-barge 1', 'tea-barge 3'],
  ]);
  // In the frame of its time, not before.
  for (const { time } of list.filter(({ mark }) => mark === 2)) expect(time).toBeGreaterThan(0.4 - 1e-9);
  // Back, and once: the marks the other way round, then its end.
  await page.unrouteAll();
  await hostPage(page, { ...going, clock: { ...going.clock, repeat: 'once' } }, listening(`{ driver: 'none' }`));
  await told(page, 'play()');
  await expect.poll(async () => named(await heardIn(page)).at(-1)).toBe('end');
  expect(named(await heardIn(page))).toEqual(['start', 'tea-barge 1', 'tea-barge 2', 'tea-barge 3', 'end']);
  await told(page, 'reverse()');
  await expect.poll(async () => (await heardIn(page)).length).toBe(10);
  expect(named(await heardIn(page)).slice(5)).toEqual(['start', 'tea-barge 3', 'tea-barge 2', 'tea-barge 1', 'end']);
  // Of what is sought nothing is heard; nor by whoever listens no more.
  await told(page, 'seek(0.6)');
  const silenced = await page.evaluate(
    `(() => { const off = made.on('mark', () => (globalThis.late = true)); off(); })()`,
  );
  expect(silenced).toBeUndefined();
  expect((await heardIn(page)).length).toBe(10);
  await told(page, 'play()');
  await expect.poll(async () => named(await heardIn(page)).slice(10)).toEqual(['start', 'tea-barge 3', 'end']);
  expect(await page.evaluate(`'late' in globalThis`)).toBe(false);
  expect(said).toEqual([]);
});

test('a mark is sought by its name; another name is an error that names it', async ({ page }) => {
  await hostPage(page, going, `mount(document.querySelector('#here'), { driver: 'none' })`);
  await told(page, `seek('tea-barge 2')`);
  expect(await page.evaluate('made.time')).toBe(0.4);
  expect(await page.evaluate('made.length')).toBe(1);
  const [shown] = await page.evaluate(cornersInPage, { times: [0], boxes: [artById(going, BOX_ART.id)!], seek: false });
  expectedCorners(going, prepare(going), 0, 0.4).forEach(([x, y], k) =>
    expect(Math.hypot(x - shown![0]![k]![0], y - shown![0]![k]![1])).toBeLessThan(0.5),
  );
  await expect(told(page, `seek('tea-barge 9')`)).rejects.toThrow('there is no mark tea-barge 9');
});

test('while it runs nothing is set: the browser’s own clock moves it, as fast as it is told', async ({ page }) => {
  const scene = { ...going, clock: { ...going.clock, duration: 20 } };
  await hostPage(page, scene, `mount(document.querySelector('#here'), { rate: 2 })`);
  const time = (): Promise<number> => page.evaluate(() => Number(document.getAnimations()[0]?.currentTime));
  await expect.poll(time).toBeGreaterThan(100);
  const run = await page.evaluate(async () => {
    let count = 0;
    const current = Object.getOwnPropertyDescriptor(Animation.prototype, 'currentTime')!;
    Object.defineProperty(Animation.prototype, 'currentTime', {
      ...current,
      set(this: Animation, value: number) {
        count++;
        current.set!.call(this, value);
      },
    });
    const [one] = document.getAnimations();
    const [from, at] = [Number(document.timeline.currentTime), Number(one!.currentTime)];
    for (let i = 0; i < 20; i++) await new Promise(requestAnimationFrame);
    const [to, then] = [Number(document.timeline.currentTime), Number(one!.currentTime)];
    const { made } = globalThis as unknown as { made: { time: number; rate: number } };
    return { count, rate: (then - at) / (to - from), apart: made.time * 1000 - then, told: made.rate };
  });
  expect(run.count).toBe(0);
  expect(run.rate).toBeCloseTo(2, 6);
  expect(run.told).toBe(2);
  // What it says of itself is what is shown: by a frame at most.
  expect(Math.abs(run.apart)).toBeLessThan(1);
  await page.evaluate('made.rate = 0.5');
  const slower = await page.evaluate(async () => {
    for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
    return document.getAnimations()[0]!.playbackRate;
  });
  expect(slower).toBe(0.5);
});

test('it starts when it comes into the window, with its lead-in, and stands still while it is out of it', async ({
  page,
}) => {
  const scene = entering();
  await hostPage(
    page,
    scene,
    `mount(document.querySelector('#here'))`,
    '<div id="before"></div><div id="here"></div><div id="after"></div>',
    { style: '#before,#after{height:3000px}' },
  );
  const time = (): Promise<number> => page.evaluate('made.time');
  await page.waitForTimeout(300);
  expect(await time()).toBe(-leadInOf(scene));
  await page.evaluate(() => document.querySelector('#here')!.scrollIntoView());
  await expect.poll(time).toBeGreaterThan(-leadInOf(scene) + 0.1);
  await page.evaluate(() => scrollTo(0, 0));
  const running = (): Promise<number> =>
    page.evaluate(() => document.getAnimations().filter(({ playState }) => playState === 'running').length);
  await expect.poll(running).toBe(0);
  const stands = await time();
  await page.waitForTimeout(200);
  expect(await time()).toBe(stands);
  await page.evaluate(() => document.querySelector('#here')!.scrollIntoView());
  await expect.poll(time).not.toBe(stands);
  // Told to, it runs wherever it is.
  await page.unrouteAll();
  await hostPage(
    page,
    scene,
    `mount(document.querySelector('#here'), { lazy: false })`,
    '<div id="before"></div><div id="here"></div>',
    { style: '#before{height:3000px}' },
  );
  await expect.poll(time).toBeGreaterThan(-leadInOf(scene) + 0.1);
});

test('less motion is followed as it is asked for, and no more', async ({ page }) => {
  await hostPage(page, { ...going, clock: { ...going.clock, duration: 20 } }, `mount(document.querySelector('#here'))`);
  const running = (): Promise<number> =>
    page.evaluate(() => document.getAnimations().filter(({ playState }) => playState === 'running').length);
  await expect.poll(running).toBeGreaterThan(0);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect.poll(running).toBe(0);
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await expect.poll(running).toBeGreaterThan(0);
  // What was held by hand stays so.
  await told(page, 'pause()');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.waitForTimeout(100);
  expect(await running()).toBe(0);
});

/** Art with a gradient, and letters, under all that a page may say of letters and drawings that are not its own. */
const lettered: Scene = {
  ...going,
  art: [
    {
      ...BOX_ART,
      markup:
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40"><linearGradient id="g"><stop offset="0" stop-color="#c00"/><stop offset="1" stop-color="#00c"/></linearGradient>' +
        '<rect width="60" height="40" fill="url(#g)"/><path d="M0 0h9v9z"/><text x="4" y="24" font-size="14" font-family="sans-serif">Quay</text><rect x="40" y="30" width="60" height="60" fill="#070"/></svg>',
    },
  ],
};
const AGAINST =
  'body{text-transform:uppercase;letter-spacing:4px;word-spacing:9px;writing-mode:vertical-rl;font:italic bold 30px serif;text-shadow:3px 3px red;text-indent:9px}' +
  'svg{display:block;fill:#0a0;stroke:#fa0;stroke-width:3px;stroke-linejoin:round}svg svg{width:24px;height:24px}svg:not(:root){overflow:visible}svg *{transform-origin:center;transform-box:fill-box}#here{position:absolute;top:0;left:0}';
const STRICT =
  "default-src 'none'; script-src 'self'; style-src 'self'; require-trusted-types-for 'script'; trusted-types 'none'";

/** What the evaluator's picture of a time is, in a page of its own. */
async function pictureOf(page: Page, scene: Scene, time: number): Promise<Buffer> {
  await page.setContent(
    `<!doctype html><body style="margin:0">${stillSvg(scene, time, { title: '', background: false })}</body>`,
  );
  return page.screenshot();
}

for (const [name, scene] of [
  ['letters and a gradient', lettered],
  ['what is seen within a line', LAYERED_SCENES['inside, outside, at a mark']!],
] as const)
  test(`under a policy that forbids all markup and styles, among a page’s own rules, ${name} is as the evaluator has it`, async ({
    page,
    context,
  }) => {
    const said = await hostPage(
      page,
      scene,
      `mount(document.querySelector('#here'), { driver: 'none' })`,
      '<div id="here"></div>',
      { style: AGAINST, policy: STRICT },
    );
    const other = await context.newPage();
    await other.setViewportSize(page.viewportSize()!);
    for (const share of [0.1, 0.37, 0.8]) {
      const time = share * prepare(scene).length;
      await told(page, `seek(${time})`);
      const both = [await page.screenshot(), await pictureOf(other, scene, time)] as const;
      expect(await differingShare(other, both), `at ${time}`).toBeLessThan(0.0005);
    }
    expect(said).toEqual([]);
  });

test('of two in a page the second keeps its colours while the first is not displayed; no id is there twice', async ({
  page,
  context,
}) => {
  await hostPage(
    page,
    lettered,
    `(mount(document.querySelector('#gone'), { driver: 'none' }), mount(document.querySelector('#here'), { driver: 'none' }))`,
    '<div id="gone"></div><div id="here"></div>',
    { style: '#gone{display:none}' },
  );
  await told(page, 'seek(0.3)');
  const ids = await page.evaluate(() =>
    [...document.querySelectorAll('svg [id], svg')].map(({ id }) => id).filter(Boolean),
  );
  expect(new Set(ids).size).toBe(ids.length);
  const other = await context.newPage();
  await other.setViewportSize(page.viewportSize()!);
  const both = [await page.screenshot(), await pictureOf(other, lettered, 0.3)] as const;
  expect(await differingShare(other, both)).toBeLessThan(0.0005);
});

/** A plain box that stands, half of it in the colour that its page writes in. */
const coloured = sceneOf({
  art: [
    {
      ...BOX_ART,
      markup:
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40"><rect width="30" height="40" fill="#0B7A75"/><rect x="30" width="30" height="40" fill="currentColor"/></svg>',
    },
  ],
  riders: [{ ...riderOn('still', 'line', []), guide: null, at: [100, 100] }],
});

for (const way of ['mounted', 'pasted'] as const)
  test(`${way}, a named colour is what the page says, else what it is on dark pages; the page’s own colour works through`, async ({
    page,
  }) => {
    const options = { colors: 'ink=#0b7a75/#cfe0f0', background: false };
    const show = async (style: string): Promise<void> => {
      await page.unrouteAll();
      if (way === 'mounted')
        await hostPage(page, coloured, `mount(document.querySelector('#here'), { driver: 'none' })`, undefined, {
          style: `#here{color:#c00000}${style}`,
          policy: `${STRICT}; img-src data:`,
          options,
        });
      else {
        const { text } = await write(coloured, 'animated-svg', options);
        await page.setContent(
          `<!doctype html><style>body{margin:0;color:#c00000}${style}</style><div id="here">${text}</div>`,
        );
      }
    };
    await page.emulateMedia({ colorScheme: 'light' });
    await show('');
    // The box lies at (80, 80).
    expect(await pixelAt(page, 90, 90)).toBe('11,122,117');
    expect(await pixelAt(page, 130, 90)).toBe('192,0,0');
    await page.emulateMedia({ colorScheme: 'dark' });
    expect(await pixelAt(page, 90, 90)).toBe('207,224,240');
    await page.emulateMedia({ colorScheme: 'light' });
    expect(await pixelAt(page, 90, 90)).toBe('11,122,117');
    await show('#here{--ink:rgb(1,2,3)}');
    expect(await pixelAt(page, 90, 90)).toBe('1,2,3');
    await page.emulateMedia({ colorScheme: 'dark' });
    expect(await pixelAt(page, 90, 90)).toBe('1,2,3');
  });
