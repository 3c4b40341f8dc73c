import { expect, test, type Page } from '@playwright/test';
import {
  advanced,
  happened,
  timeOfScroll,
  undriven,
  type Driven,
  type DriveEvent,
  type Driver,
  type Scene,
} from '@pace-line/core';
import { WRITER_SCENES } from '../core/src/testing/scenes.ts';
import { worstGap } from './motion.ts';
import { write } from './writing.ts';

const sceneOf = (driver: Driver, repeat: Scene['clock']['repeat'] = 'once'): Scene => {
  const scene = WRITER_SCENES['eased']!;
  return { ...scene, clock: { ...scene.clock, repeat }, driver };
};

/** Opens a scene's page below a page's policy that allows what the file itself asks for; its time stands until it is let run. */
async function opened(page: Page, scene: Scene): Promise<string[]> {
  const said: string[] = [];
  page.on('console', (message) => said.push(message.text()));
  page.on('pageerror', (error) => said.push(error.message));
  const { text } = await write(scene, 'web-page');
  await page.route('**/driven', (route) => route.fulfill({ body: text, contentType: 'text/html' }));
  await page.clock.install({ time: 0 });
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

const TALES: readonly (readonly [string, Driver, Scene['clock']['repeat'], readonly (keyof typeof HAND | number)[]])[] =
  [
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
  ];

for (const [name, driver, repeat, tale] of TALES)
  test(`a page that is driven: ${name}`, async ({ page }) => {
    const scene = sceneOf(driver, repeat);
    const said = await opened(page, scene);
    expect(await shown(page)).toBe(0);
    let state: Driven = undriven(driver);
    for (const one of tale) {
      if (typeof one === 'number') {
        await page.clock.runFor(one * 1000);
        state = advanced(driver, scene.clock, state, one);
      } else {
        await HAND[one](page);
        state = happened(driver, scene.clock, state, one);
      }
      // It begins with the frame after an event, and is told in frames.
      expect(Math.abs((await shown(page)) - state.at), `${one} of ${tale.join(', ')}`).toBeLessThan(0.06);
    }
    expect(said).toEqual([]);
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
      const time = timeOfScroll(driver, scene.clock, at);
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
