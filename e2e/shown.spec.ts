import { expect, test, type Page } from '@playwright/test';
import { clockInside, isHolder, pathOfGuide, prepare, type Guide, type Rider, type Scene } from '@pace-line/core';
import { findingsOf } from '@pace-line/core/findings';
import { openShown, savedScene } from './desk.ts';

const guideOf = ({ guides }: Scene, name?: string): Guide =>
  guides.find((one) => name === undefined || one.name === name)!;
const riderOf = ({ riders }: Scene, name: string): Rider => riders.find((one) => one.name === name)!;
const times = ({ pace }: Rider): number[] => pace.marks.map(({ time }) => time);

/** What each recipe has made of its scene once it was shown. */
const MADE: Readonly<Record<string, (scene: Scene, page: Page) => unknown>> = {
  plot: (scene) => expect(guideOf(scene)).toMatchObject({ closed: false, nodes: { length: 3 } }),
  'set-down': (scene) => {
    expect(times(riderOf(scene, 'Lamp'))).toEqual([0, 1, 2.5]);
    expect(guideOf(scene).nodes).toHaveLength(3);
  },
  bend: (scene) => expect(guideOf(scene).nodes.map(({ name }) => name)).toEqual([undefined, 'Crest', undefined]),
  sketch: (scene) => expect(guideOf(scene).nodes.length).toBeGreaterThan(2),
  act: (scene) => expect(riderOf(scene, 'Lamp').guide).toBe(guideOf(scene).id),
  shape: (scene) => expect(guideOf(scene).shape).toMatchObject({ kind: 'circle', radius: 150 }),
  'figure-eight': (scene) => {
    expect(guideOf(scene).shape).toMatchObject({ kind: 'figure-eight' });
    expect(riderOf(scene, 'Boat')).toMatchObject({ guide: guideOf(scene).id, heading: { mode: 'along' } });
  },
  'from-file': (scene) => expect(guideOf(scene).nodes).toHaveLength(3),
  whole: (scene) => {
    const width = (one: Guide): number =>
      Math.max(...one.nodes.map(({ x }) => x)) - Math.min(...one.nodes.map(({ x }) => x));
    // 880 px, at 60 %, turned by 15°; it runs the other way round.
    expect(width(guideOf(scene))).toBeCloseTo(880 * 0.6 * Math.cos(Math.PI / 12), 0);
    expect(guideOf(scene).nodes[0]!.out![1]).toBeGreaterThan(0);
  },
  beside: (scene) => expect(scene.guides[1]).toMatchObject({ link: { kind: 'parallel', of: 'canal', distance: 40 } }),
  trace: (scene) => {
    expect(scene.tracing).toHaveLength(1);
    expect(guideOf(scene).nodes).toHaveLength(5);
  },
  measure: (scene, page) => {
    expect(scene.guides).toHaveLength(1);
    return expect(page.locator('.canvas-pane')).toContainText(/straight 43\d\.\d px.*along 44\d\.\d px/);
  },
  keep: async (_, page) => {
    await expect(page.getByRole('button', { name: 'Place Canal' })).toBeVisible();
  },
  drawn: (scene) => expect(guideOf(scene).stroke).toMatchObject({ draws: 'boat' }),
  'put-on': (scene) => expect(riderOf(scene, 'Boat')).toMatchObject({ guide: 'canal' }),
  along: (scene) => expect(riderOf(scene, 'Boat').heading).toMatchObject({ mode: 'along', offset: 8 }),
  roll: (scene) => expect(riderOf(scene, 'Barrel').roll).not.toBeNull(),
  keyframes: (scene) => {
    expect(riderOf(scene, 'Boat').keys.scale).toHaveLength(2);
    expect(riderOf(scene, 'Boat').squash).not.toBeNull();
  },
  walk: (scene) => expect(riderOf(scene, 'Walker').poses).toMatchObject({ by: 'distance', stride: 90 }),
  depth: (scene) => {
    expect(riderOf(scene, 'Boat').behind).toMatchObject([{ by: 'places', rider: 'reeds' }]);
    expect(guideOf(scene).depth).not.toBeNull();
  },
  camera: (scene) => {
    expect(scene.camera).toBe('boat');
    expect(riderOf(scene, 'Moon').parallax).toBe(0.3);
  },
  bounce: (scene) => {
    expect(riderOf(scene, 'Barrel').pace.recipe).toMatchObject({ kind: 'hop' });
    expect(riderOf(scene, 'Barrel').keys.squash.length).toBeGreaterThan(2);
  },
  arc: (scene) => {
    expect(riderOf(scene, 'Moon').pace.recipe).toMatchObject({ kind: 'fall' });
    expect(guideOf(scene).nodes[0]!.out![1]).toBeLessThan(-100);
  },
  hills: (scene) => {
    expect(riderOf(scene, 'Cart').heading).toMatchObject({ mode: 'contacts', base: 72 });
    expect(riderOf(scene, 'Cart').pace.recipe).toMatchObject({ kind: 'fall' });
  },
  pace: (scene) => {
    const { marks } = riderOf(scene, 'Boat').pace;
    expect(marks).toHaveLength(3);
    expect(marks[1]).toMatchObject({ dwell: 0.6 });
    expect(marks[1]!.time).toBeCloseTo(1.2, 1);
  },
  'pace-recipe': (scene) => {
    expect(riderOf(scene, 'Cart').pace.recipe).toBeNull();
    expect(riderOf(scene, 'Cart').pace.marks.length).toBeGreaterThan(1);
  },
  tempo: (scene) => {
    expect(scene.clock.tempo).toMatchObject({ beats: 90 });
    expect(riderOf(scene, 'Boat').pace.on).toBe(2);
    expect(times(riderOf(scene, 'Boat'))[1]).toBeCloseTo(1, 6);
  },
  compare: (scene) => expect(riderOf(scene, 'Boat').pace.marks[0]!.ease).toMatchObject({ family: 'sine' }),
  stations: (scene) => {
    const [guide, { pace }] = [guideOf(scene), riderOf(scene, 'Boat')];
    expect(pace.marks[1]).toMatchObject({ time: 3, dwell: 1, place: { by: 'node', node: guide.nodes[1]!.id } });
  },
  race: (scene) => {
    expect(riderOf(scene, 'Cart').lift).toBe(46);
    expect(times(riderOf(scene, 'Cart'))).toHaveLength(3);
    expect(times(riderOf(scene, 'Boat'))).toHaveLength(2);
  },
  'put-right': (scene) => expect(findingsOf(scene).filter(({ holds }) => !holds)).toEqual([]),
  'two-on-one': (scene) => expect(scene.riders.map(({ pace }) => pace.delay)).toEqual([0, 2]),
  train: (scene) => expect(scene.riders).toHaveLength(4),
  carry: (scene) => expect(riderOf(scene, 'Lamp').carrier).toMatchObject({ rider: 'boat', turn: false }),
  nest: (scene) => {
    const holder = scene.riders.find(({ id }) => isHolder(scene, id))!;
    expect(clockInside(scene, holder.id)).toBeCloseTo(3, 6);
  },
  'attach-later': (scene) => {
    expect(riderOf(scene, 'Lamp').carrier).toMatchObject({ rider: 'boat' });
    expect(riderOf(scene, 'Lamp').keys.opacity.map(({ value }) => value)).toEqual([0, 1]);
    expect(riderOf(scene, 'Waiting lamp').keys.opacity.map(({ value }) => value)).toEqual([1, 0]);
  },
  orbits: (scene) => {
    expect(guideOf(scene, 'Orbit').carrier).toBe('boat');
    expect(riderOf(scene, 'Moon').pace.cycle).toBe(2);
  },
  mechanism: (scene) =>
    expect(riderOf(scene, 'Rod').strung).toMatchObject({ from: 'pin', to: 'piston', stretch: true }),
  entrance: (scene) => expect(riderOf(scene, 'Boat').entrance).toMatchObject({ from: [-200, 0] }),
  driven: (scene) => expect(JSON.stringify(scene.driver)).toContain('enter'),
  button: (scene) => {
    expect(JSON.stringify(scene.driver)).toContain('over');
    expect(riderOf(scene, 'Button').pace.marks[0]!.ease).toMatchObject({ family: 'back' });
  },
  scroll: (scene) => expect(JSON.stringify(scene.driver)).toContain('scroll'),
  pointer: (scene) => expect(riderOf(scene, 'Pointer').heading).toMatchObject({ mode: 'toward' }),
  fade: (scene) => expect(riderOf(scene, 'Boat').keys.opacity.map(({ value }) => value)).toEqual([1, 0.1]),
  shadow: (scene) => expect(riderOf(scene, 'Shadow')).toMatchObject({ guide: 'canal', shift: [0, 60], opacity: 0.3 }),
  backwards: (scene) => {
    expect(guideOf(scene).nodes[0]!.x).toBe(1140);
    // The guide runs the other way, and so does its pace.
    const x = (time: number): number => prepare(scene).poseAt(time).of(0, 'x');
    expect([x(0), x(4)].map(Math.round)).toEqual([1140, 140]);
  },
  'slow-place': (scene) => {
    const [, slow, last] = times(riderOf(scene, 'Boat'));
    expect(pathOfGuide(guideOf(scene)).length / 2 / (last! - slow!)).toBeCloseTo(200, 0);
  },
  'three-times': (scene) => {
    expect(scene.clock.times).toBe(3);
    expect(riderOf(scene, 'Boat').pace.times).toBe(2);
  },
  several: (scene) => {
    expect(scene.riders.map(({ opacity }) => opacity)).toEqual([0.6, 0.6]);
    expect(scene.riders.every(({ entrance }) => entrance !== null)).toBe(true);
  },
  'by-keys': (scene) => expect(guideOf(scene).nodes).toHaveLength(3),
};

/** What stands on Send after the recipes that end there. */
const SENT: Readonly<Record<string, (page: Page) => Promise<void>>> = {
  send: async (page) => expect(page.getByRole('heading', { name: 'GIF' })).toBeVisible(),
  'half-gif': async (page) => expect(page.getByRole('textbox', { name: /^Scale/ })).toHaveValue(/^0\.5/),
};

const LOTS = 6;

for (let lot = 0; lot < LOTS; lot++) {
  test(`recipes of Help do in the real interface what they tell, lot ${lot + 1} of ${LOTS}`, async ({ page }) => {
    test.setTimeout(180_000);
    await openShown(page, 30);
    const ids = await page.locator('article[id]').evaluateAll((all) => all.map(({ id }) => id));
    expect(new Set(ids)).toEqual(new Set([...Object.keys(MADE), ...Object.keys(SENT)]));
    for (const id of ids.filter((_, i) => i % LOTS === lot)) {
      await test.step(id, async () => {
        await page
          .locator(`article#${id}`)
          .getByRole('button', { name: /^Show me/ })
          .click();
        const strip = page.getByRole('region', { name: /^Recipe: / });
        await expect(strip, id).toHaveAttribute('data-state', /done|failed/, { timeout: 60_000 });
        await expect(strip, id).toContainText('Done. The scene is yours to try');
        if (MADE[id]) await MADE[id](await savedScene(page), page);
        await SENT[id]?.(page);
        await page.getByRole('button', { name: 'Back to Help' }).click();
        await page.locator(`article#${id}`).waitFor();
      });
    }
  });
}

test('a show goes on step by step, waits for whoever presses, and leaves the scene', async ({ page }) => {
  await openShown(page, 1);
  await page
    .locator('article#plot')
    .getByRole('button', { name: /^Show me/ })
    .click();
  const strip = page.getByRole('region', { name: 'Recipe: Plot a guide' });
  await expect(strip).toHaveAttribute('data-state', 'acts');
  // A press anywhere stops it, and does nothing else.
  await page.mouse.click(300, 400);
  await expect(strip).toHaveAttribute('data-state', 'waits');
  await expect(page.locator('.shown-pointer')).toHaveCount(0);
  await strip.getByRole('button', { name: '4×' }).click();
  for (const step of ['2 of 4', '3 of 4', '4 of 4']) {
    await strip.getByRole('button', { name: 'Show one step' }).click();
    await expect(strip).toContainText(step);
    await expect(strip).toHaveAttribute('data-state', 'waits');
  }
  await expect(page.locator('.node')).toHaveCount(3);
  await strip.getByRole('button', { name: 'Show one step' }).click();
  await expect(strip).toHaveAttribute('data-state', 'done');
  await strip.getByRole('button', { name: 'Close, and keep the scene' }).click();
  await expect(strip).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.locator('.node')).toHaveCount(0);
  await page.goto('/');
  await expect(page.getByText('Recipe: Plot a guide')).toBeVisible();
});

test('a scene in which nothing was done after its show is not kept', async ({ page }) => {
  await openShown(page, 30);
  await page
    .locator('article#plot')
    .getByRole('button', { name: /^Show me/ })
    .click();
  await page.getByRole('button', { name: 'Back to Help' }).click();
  await page.locator('article#plot').waitFor();
  await page.getByRole('link', { name: 'To the Shelf' }).click();
  await page.getByRole('button', { name: 'New scene' }).waitFor();
  await expect(page.getByText('Recipe: Plot a guide')).toHaveCount(0);
});

test('in a low window, where cards are heads, the one that is asked for is opened first', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 660 });
  await openShown(page, 30);
  await page
    .locator('article#fade')
    .getByRole('button', { name: /^Show me/ })
    .click();
  await expect(page.getByRole('region', { name: /^Recipe: / })).toContainText('Done.', { timeout: 30_000 });
  await MADE['fade']?.(await savedScene(page), page);
});

test('in a narrow window, where panes and cards are pages, they are turned to what a step needs', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openShown(page, 30);
  for (const id of ['fade', 'plot']) {
    await page
      .locator(`article#${id}`)
      .getByRole('button', { name: /^Show me/ })
      .click();
    const strip = page.getByRole('region', { name: /^Recipe: / });
    await expect(strip).toHaveAttribute('data-state', /done|failed/, { timeout: 60_000 });
    await expect(strip).toContainText('Done.');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.getByRole('button', { name: 'Back to Help' }).click();
    await page.locator(`article#${id}`).waitFor();
  }
});
