import { createHash } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import {
  advanced,
  driveSpec,
  formatById,
  happened,
  timeOfPassage,
  undriven,
  type Driven,
  type DriveEvent,
  type Driver,
  type Scene,
} from '@pace-line/core';
import { PASSAGE_HASH, PASSAGE_SCRIPT } from '../core/src/export/embed.ts';
import { WRITER_SCENES } from '../core/src/testing/scenes.ts';
import { worstGap } from './motion.ts';
import { write } from './writing.ts';
import { timelineByClock } from './timeline.ts';

const sceneOf = (driver: Driver | readonly Driver[], repeat: Scene['clock']['repeat'] = 'once'): Scene => {
  const scene = WRITER_SCENES['eased']!;
  return { ...scene, clock: { ...scene.clock, repeat }, driver: [driver].flat() };
};

/** Opens a scene's page below a page's policy that allows what the file itself asks for; its time stands until it is let run. */
async function opened(page: Page, scene: Scene): Promise<string[]> {
  const said: string[] = [];
  page.on('console', (message) => said.push(message.text()));
  page.on('pageerror', (error) => said.push(error.message));
  const { text } = await write(scene, 'web-page');
  await page.route('**/driven', (route) => route.fulfill({ body: text, contentType: 'text/html' }));
  await page.clock.install({ time: 0 });
  await page.addInitScript(timelineByClock);
  await page.goto('http://driven.test/driven');
  await page.clock.pauseAt(30_000);
  return said;
}

/** The time, s, that is shown. */
const shown = (page: Page): Promise<number> =>
  page.evaluate(() => Number(document.getAnimations()[0]?.currentTime) / 1000);

const HAND: Readonly<Record<Exclude<DriveEvent, 'enter' | 'leave'>, (page: Page) => Promise<void>>> = {
  over: (page) => page.locator('body > svg').hover(),
  out: (page) => page.mouse.move(0, 0),
  press: (page) => page.locator('body > svg').click({ force: true }),
};

const TALES: readonly (readonly [
  string,
  Driver | readonly Driver[],
  Scene['clock']['repeat'],
  readonly (keyof typeof HAND | number)[],
])[] = [
  [
    'turned round midway',
    { kind: 'click', again: 'back' },
    'once',
    ['press', 1.5, 'press', 0.5, 'press', 0.25, 9, 'press', 9],
  ],
  ['stopped and let go on', { kind: 'click', again: 'stop' }, 'loop', ['press', 5, 'press', 1, 'press', 1]],
  ['begun anew', { kind: 'click', again: 'restart' }, 'once', ['press', 3, 'press', 0.5, 9]],
  [
    'back when the pointer leaves',
    { kind: 'over', leaving: 'back' },
    'loop',
    ['over', 2, 'out', 0.5, 'over', 9, 'out', 9],
  ],
  ['standing while the pointer is away', { kind: 'over', leaving: 'stop' }, 'loop', ['over', 2, 'out', 3, 'over', 1]],
  ['to its end whatever the pointer does', { kind: 'over', leaving: 'finish' }, 'once', ['over', 2, 'out', 1, 9]],
  [
    'the pointer and presses together, left while it plays back',
    [
      { kind: 'over', leaving: 'back' },
      { kind: 'click', again: 'back' },
    ],
    'loop',
    ['over', 2, 'press', 0.5, 'out', 0.5, 'over', 0.75, 'press', 'press', 0.5, 9, 'out', 9],
  ],
  [
    'by itself, and stopped and let go by presses',
    [{ kind: 'time' }, { kind: 'click', again: 'stop' }],
    'loop',
    [1, 'press', 5, 'press', 1, 'press', 'press', 0.5],
  ],
];

for (const [name, driver, repeat, tale] of TALES)
  test(`a page that is driven: ${name}`, async ({ page }) => {
    const scene = sceneOf(driver, repeat);
    const said = await opened(page, scene);
    const spec = driveSpec(scene);
    let state: Driven = undriven(spec);
    // What runs by itself has begun already.
    if (state.way === 0) expect(await shown(page)).toBe(0);
    else state = { ...state, at: await shown(page) };
    for (const one of tale) {
      if (typeof one === 'number') {
        await page.clock.runFor(one * 1000);
        state = advanced(spec, state, one);
      } else {
        await HAND[one](page);
        state = happened(spec, state, one);
      }
      // It begins with the frame after an event, and is told in frames.
      expect(Math.abs((await shown(page)) - state.at), `${one} of ${tale.join(', ')}`).toBeLessThan(0.06);
    }
    expect(said).toEqual([]);
  });

test('quick presses are each a press: twice is as if it had not been, three times is once', async ({ page }) => {
  await opened(page, sceneOf({ kind: 'click', again: 'back' }));
  const picture = page.locator('body > svg');
  await picture.dblclick();
  await page.clock.runFor(9000);
  expect(await shown(page)).toBe(0);
  await picture.click({ clickCount: 3 });
  await page.clock.runFor(9000);
  expect(await shown(page)).toBe(4);
});

test('keys: Enter and the space bar press it once however long they are held; the keyboard’s focus is over it', async ({
  page,
}) => {
  await opened(page, sceneOf({ kind: 'click', again: 'back' }));
  const picture = page.locator('body > svg');
  await expect(picture).toHaveRole('button');
  await page.keyboard.press('Tab');
  await expect(picture).toBeFocused();
  await page.keyboard.down('Enter');
  await page.keyboard.down('Enter');
  await page.keyboard.down('Enter');
  await page.keyboard.up('Enter');
  await page.clock.runFor(9000);
  expect(await shown(page)).toBe(4);
  await page.keyboard.press(' ');
  await page.clock.runFor(9000);
  expect(await shown(page)).toBe(0);
});

test('the keyboard’s focus plays what the pointer plays; a pointer that leaves then does not take it back', async ({
  page,
}) => {
  await opened(page, sceneOf({ kind: 'over', leaving: 'back' }, 'loop'));
  await page.keyboard.press('Tab');
  await expect(page.locator('body > svg')).toBeFocused();
  await page.clock.runFor(1000);
  await HAND.over(page);
  await page.clock.runFor(1000);
  await HAND.out(page);
  await page.clock.runFor(1000);
  expect(Math.abs((await shown(page)) - 3)).toBeLessThan(0.06);
  await page.keyboard.press('Tab');
  await page.clock.runFor(1000);
  expect(Math.abs((await shown(page)) - 2)).toBeLessThan(0.06);
});

const FINGER: readonly (readonly [string, Driver[], readonly ('on' | 'off')[], readonly number[]])[] = [
  ['over it until it taps elsewhere', [{ kind: 'over', leaving: 'back' }], ['on', 'off'], [4, 0]],
  ['over it until it taps again', [{ kind: 'over', leaving: 'back' }], ['on', 'on', 'on'], [4, 0, 4]],
  ['over it anew with each tap where that finishes', [{ kind: 'over', leaving: 'finish' }], ['on', 'on'], [4, 4]],
  [
    'a press where both drive',
    [
      { kind: 'over', leaving: 'back' },
      { kind: 'click', again: 'back' },
    ],
    ['on', 'on'],
    [4, 0],
  ],
];

for (const [name, driver, taps, wanted] of FINGER)
  test(`a finger that taps it is ${name}`, async ({ browser }) => {
    const page = await browser.newPage({ hasTouch: true, viewport: { width: 800, height: 700 } });
    await opened(page, sceneOf(driver));
    const found: number[] = [];
    for (const tap of taps) {
      // The drawing is 800 × 600, in the middle.
      if (tap === 'on') await page.touchscreen.tap(400, 350);
      else await page.touchscreen.tap(400, 10);
      await page.clock.runFor(9000);
      found.push(await shown(page));
    }
    expect(found).toEqual(wanted);
    await page.close();
  });

test('a scene that loops holds its last moment where its middle and its end are the loop’s end', async ({ page }) => {
  const scene = sceneOf({ kind: 'scroll', enters: 0, middle: 4, leaves: 4 }, 'loop');
  await opened(page, scene);
  for (const share of [0.5, 0.6, 0.75, 1]) {
    await page.evaluate((at) => {
      const { height } = document.querySelector('svg')!.getBoundingClientRect();
      scrollTo(0, at * (innerHeight + height));
    }, share);
    await page.clock.runFor(50);
    await page.waitForTimeout(60);
    expect(await shown(page), `at ${share}`).toBeGreaterThan(3.99);
    const worst = await worstGap(page, scene, [4 - 1e-5], { seek: false });
    expect(worst.gap, `${worst.rider} at ${share}`).toBeLessThan(0.5);
  }
});

for (const [name, policy] of [
  ['a page of one’s own', undefined],
  ['a page with a strict policy', `default-src 'self'; style-src 'unsafe-inline'; script-src '${PASSAGE_HASH}'`],
] as const)
  test(`embedded as Send advises in ${name}, it goes with that page’s scrolling`, async ({ page }) => {
    const driver: Driver = { kind: 'scroll', enters: null, middle: 4, leaves: null };
    const scene = sceneOf(driver, 'loop');
    const said: string[] = [];
    page.on('console', (message) => said.push(message.text()));
    const { name: file, text } = await write(scene, 'web-page');
    const snippet = formatById('web-page')!.embed!(scene, [file], {});
    const long = `<!doctype html><style>body{margin:0}p{height:1700px;margin:0}</style><p>Before</p>${snippet}<p>After</p>`;
    await page.route('http://own.test/**', (route) =>
      new URL(route.request().url()).pathname === `/${file}`
        ? route.fulfill({ body: text, contentType: 'text/html' })
        : route.fulfill({
            body: long,
            contentType: 'text/html',
            headers: policy ? { 'content-security-policy': policy } : {},
          }),
    );
    await page.goto('http://own.test/');
    const inner = page.frames().find((one) => one.url().endsWith(file))!;
    await inner.waitForFunction(() => document.getAnimations().length > 0);
    for (const share of [0.1, 0.25, 0.5, 0.75, 0.9]) {
      const at = await page.evaluate((wanted) => {
        const frame = document.querySelector('iframe')!;
        const { height } = frame.getBoundingClientRect();
        scrollTo(0, 1700 - innerHeight + wanted * (innerHeight + height));
        const { top } = frame.getBoundingClientRect();
        return (innerHeight - top) / (innerHeight + height);
      }, share);
      const time = timeOfPassage(driveSpec(scene), at);
      await expect
        .poll(() => inner.evaluate(() => Number(document.getAnimations()[0]?.currentTime) / 1000))
        .toBeCloseTo(time, 3);
      // It fills its frame: nothing of it is beyond.
      const seen = await inner.evaluate(() => {
        const { top, bottom } = document.querySelector('svg')!.getBoundingClientRect();
        return top > -1 && bottom < innerHeight + 1;
      });
      expect(seen).toBe(true);
    }
    expect(said).toEqual([]);
  });

test('the script that tells a page in a frame has the hash that is named beside it', () => {
  const hash = createHash('sha256').update(PASSAGE_SCRIPT).digest('base64');
  expect(PASSAGE_HASH).toBe(`sha256-${hash}`);
});

test('it comes into view: then, and not before, it plays', async ({ page }) => {
  const scene = sceneOf({ kind: 'enter', again: false });
  const said = await opened(page, scene);
  await expect
    .poll(async () => {
      await page.clock.runFor(100);
      return shown(page);
    })
    .toBeGreaterThan(0.05);
  expect(said).toEqual([]);
});

const SCROLLS: readonly Extract<Driver, { kind: 'scroll' }>[] = [
  // The first can be left to the browser, the second asks for the script.
  { kind: 'scroll', enters: 1, middle: null, leaves: 3.5 },
  { kind: 'scroll', enters: 0.5, middle: 3, leaves: 3.2 },
];

for (const driver of SCROLLS)
  test(`scrolled past from ${driver.enters} s to ${driver.leaves} s, the middle ${driver.middle === null ? 'halfway' : `at ${driver.middle} s`}`, async ({
    page,
  }) => {
    const scene = sceneOf(driver, 'loop');
    const said = await opened(page, scene);
    const heights = await page.evaluate(() => {
      const { height } = document.querySelector('svg')!.getBoundingClientRect();
      return { height, window: innerHeight, whole: document.documentElement.scrollHeight };
    });
    for (const share of [0.08, 0.3, 0.5, 0.77, 0.93]) {
      // The drawing begins one window down the page.
      const top = heights.window - share * (heights.window + heights.height);
      await page.evaluate((y) => scrollTo(0, y), heights.window - top);
      await page.clock.runFor(50);
      await page.waitForTimeout(60);
      const at = await page.evaluate(() => {
        const rect = document.querySelector('svg')!.getBoundingClientRect();
        return (innerHeight - rect.top) / (innerHeight + rect.height);
      });
      expect(at).toBeCloseTo(share, 1);
      const time = timeOfPassage(driveSpec(scene), at);
      const worst = await worstGap(page, scene, [time], { seek: false });
      expect(worst.gap, `${worst.rider} at ${share}`).toBeLessThan(0.5);
    }
    expect(said).toEqual([]);
  });

test('with less motion it is at its other end at once', async ({ browser }) => {
  const page = await browser.newPage({ reducedMotion: 'reduce' });
  await opened(page, sceneOf({ kind: 'click', again: 'back' }));
  await page.locator('body > svg').click({ force: true });
  await page.clock.runFor(50);
  expect(await shown(page)).toBeCloseTo(4, 3);
  await page.locator('body > svg').press('Enter');
  await page.clock.runFor(50);
  expect(await shown(page)).toBe(0);
  await page.close();
});

test('what runs by itself can be paused, without a script', async ({ page }) => {
  const { text } = await write(WRITER_SCENES['eased']!, 'web-page');
  expect(text).not.toContain('<script');
  await page.setContent(text);
  const states = (): Promise<string[]> =>
    page.evaluate(() => [...new Set(document.getAnimations().map((one) => one.playState))]);
  expect(await states()).toEqual(['running']);
  await page.getByRole('checkbox', { name: 'Pause' }).check();
  expect(await states()).toEqual(['paused']);
});
