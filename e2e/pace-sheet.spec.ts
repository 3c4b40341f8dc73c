import { expect, test, type Page } from '@playwright/test';
import { prepare, type Scene } from '@pace-line/core';
import { BOX_ART, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { addTo } from './cards.ts';
import { openScene, savedScene } from './desk.ts';
import { playsAsMeant } from './plays.ts';

type Json = Record<string, unknown>;

/** Five humps, 200 px from crest to crest, 120 px high, from trough to trough. */
const CRESTS = [200, 400, 600, 800, 1000];
const HUMPS: Json = {
  id: 'humps',
  name: 'Humps',
  closed: false,
  color: '#A3471F',
  nodes: [
    { id: 'h0', x: 100, y: 460, out: [40, 0] },
    ...CRESTS.flatMap((x, i) => [
      { id: `crest${i + 1}`, x, y: 340, in: [-40, 0], out: [40, 0] },
      { id: `trough${i + 1}`, x: x + 100, y: 460, in: [-40, 0], ...(i < 4 ? { out: [40, 0] } : {}) },
    ]),
  ],
};

const cart = (): Scene =>
  sceneOf({
    canvas: { width: 1200, height: 600, background: '#F6F1E7' },
    clock: { duration: 8, fps: 30, repeat: 'loop' },
    art: [BOX_ART],
    guides: [HUMPS],
    riders: [
      riderOn('cart', 'humps', [
        { time: 0, place: { by: 'node', node: 'h0' } },
        { time: 8, place: { by: 'node', node: 'trough5' } },
      ]),
    ],
  });

/** Speed, px/s, of the first rider where it passes each crest first, and the fastest between the crests before and after. */
function crossings(scene: Scene): { crest: number; between: number }[] {
  const rider = prepare(scene).riders[0]!;
  const { path } = rider;
  const all = Array.from({ length: 1600 }, (_, i) => {
    const time = i / 200;
    const distance = rider.distanceAt(time);
    return { x: path!.frameAtDistance(distance).x, speed: Math.abs(rider.speedAt(time)) };
  });
  return CRESTS.map((x) => ({
    crest: Math.min(...all.filter((one) => Math.abs(one.x - x) < 8).map(({ speed }) => speed)),
    between: Math.max(...all.filter((one) => Math.abs(one.x - x - 100) < 20).map(({ speed }) => speed)),
  }));
}

/** The Desk is playing, and goes on to. */
const plays = (page: Page) => expect(page.getByRole('button', { name: 'Pause', exact: true })).toBeVisible();

const chooseEase = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('button', { name: /^Shape: Easing of the next leg/ }).click();
  await page.getByRole('group', { name: 'Gallery of easings' }).getByRole('button', { name, exact: true }).click();
  await page.keyboard.press('Escape');
};

test('a cart on five humps: slow over each crest, back a little on the third and over it, shaped while it plays', async ({
  page,
}) => {
  await openScene(page, cart());
  await plays(page);
  // On the sheet a straight line from the first mark to the last: a mark is pressed where it comes to each crest.
  const [first, last] = [page.locator('.mark-ring').first(), page.locator('.mark-ring').last()];
  const [a, b] = [await first.boundingBox(), await last.boundingBox()];
  if (!a || !b) throw new Error('no marks');
  let actions = 0;
  for (let i = 0; i < CRESTS.length; i++) {
    const share = (2 * i + 1) / 10;
    await page.mouse.click(a.x + a.width / 2 + share * (b.x - a.x), a.y + a.height / 2 + share * (b.y - a.y));
    actions++;
  }
  await expect(page.locator('.mark')).toHaveCount(7);
  await page.keyboard.press('Control+a');
  actions++;
  await chooseEase(page, 'sine in and out');
  actions += 2;
  await page.locator('.mark').nth(3).locator('.mark-ring').click({ force: true });
  actions++;
  await chooseEase(page, 'back in');
  actions += 2;
  expect(actions).toBeLessThanOrEqual(12);
  await expect(page.locator('.leg-words')).toHaveText('anticipation');
  const scene = await savedScene(page);
  for (const { crest, between } of crossings(scene)) expect(crest).toBeLessThan(0.35 * between);
  const rider = prepare(scene).riders[0]!;
  const third = scene.riders[0]!.pace.marks[3]!.time;
  expect(rider.speedAt(third + 0.2)).toBeLessThan(0);
  await playsAsMeant(page, scene);
});

test('the same by falling, in three actions, and it follows the guide', async ({ page }) => {
  await openScene(page, cart());
  await plays(page);
  await page.locator('.mark-ring').first().click({ force: true });
  await page.getByRole('combobox', { name: 'Pace from' }).click();
  await page.getByRole('option', { name: 'gravity on slopes' }).click();
  await page.getByRole('button', { name: /^4 Pace/ }).click();
  const least = page.getByRole('textbox', { name: 'Least speed', exact: true });
  await least.fill('60');
  await least.press('Enter');
  const scene = await savedScene(page);
  expect(scene.riders[0]!.pace.recipe).toMatchObject({ kind: 'fall', least: 60 });
  for (const { crest, between } of crossings(scene)) expect(crest).toBeLessThan(0.35 * between);
  // Frozen, it is shaped by hand from then on, and does the same.
  await page.getByRole('button', { name: 'Convert to marks' }).click();
  const frozen = await savedScene(page);
  expect(frozen.riders[0]!.pace.recipe).toBeNull();
  const [was, is] = [prepare(scene).riders[0]!, prepare(frozen).riders[0]!];
  for (let t = 0; t < 8; t += 0.05) expect(Math.abs(was.distanceAt(t) - is.distanceAt(t))).toBeLessThan(0.5);
  await playsAsMeant(page, scene);
});

test('a pointer that glides to a button: two eases compared by a ghost, the softer one kept', async ({ page }) => {
  await openScene(
    page,
    sceneOf({
      clock: { duration: 2, fps: 30, repeat: 'once' },
      art: [BOX_ART],
      guides: [
        {
          ...HUMPS,
          id: 'glide',
          nodes: [
            { id: 'g1', x: 80, y: 80 },
            { id: 'g2', x: 620, y: 420 },
          ],
        },
      ],
      riders: [
        riderOn('pointer', 'glide', [
          { time: 0, place: { by: 'node', node: 'g1' } },
          { time: 2, place: { by: 'node', node: 'g2' } },
        ]),
      ],
    }),
  );
  await page.locator('.mark').first().focus();
  await chooseEase(page, 'expo out');
  await page.locator('.mark').first().focus();
  await page.keyboard.press('g');
  await expect(page.getByRole('button', { name: 'Ghost', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.locator('.ghost-pace')).toHaveCount(0);
  await chooseEase(page, 'sine in and out');
  await expect(page.locator('.ghost-pace .pace-line')).toHaveCount(1);
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Shift+g');
  expect((await savedScene(page)).riders[0]!.pace.marks[0]!.ease).toMatchObject({ family: 'expo' });
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Shift+g');
  await page.keyboard.press('g');
  await expect(page.locator('.ghost-pace')).toHaveCount(0);
  const scene = await savedScene(page);
  expect(scene.riders[0]!.pace.marks[0]!.ease).toMatchObject({ family: 'sine', mode: 'in-out' });
  await playsAsMeant(page, scene);
});

test('two runners on one track: their meetings are rings and a figure; their marks are copied and shifted', async ({
  page,
}) => {
  const oval = {
    ...HUMPS,
    id: 'track',
    name: 'Track',
    closed: true,
    nodes: [
      { id: 't1', x: 120, y: 300, in: [0, 110], out: [0, -110] },
      { id: 't2', x: 400, y: 100, in: [-150, 0], out: [150, 0] },
      { id: 't3', x: 680, y: 300, in: [0, -110], out: [0, 110] },
      { id: 't4', x: 400, y: 500, in: [150, 0], out: [-150, 0] },
    ],
  };
  const lap = (laps: number): Json[] => [
    { time: 0, place: { by: 'share', value: 0 } },
    { time: 4, place: { by: 'share', value: laps } },
  ];
  await openScene(
    page,
    sceneOf({
      clock: { duration: 4, fps: 30, repeat: 'loop' },
      art: [BOX_ART],
      guides: [oval],
      riders: [riderOn('fast', 'track', lap(3), { name: 'Fast' }), riderOn('slow', 'track', lap(1), { name: 'Slow' })],
    }),
  );
  // Two laps more: they start together, and meet once more before the loop's end, where they are together again.
  await expect(page.locator('.meeting-ring').first()).toBeAttached();
  await expect(page.locator('.card[data-card="checks"]')).toContainText('Meetings');
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+c');
  await page
    .getByRole('button', { name: /Riders of this route/ })
    .or(page.locator('.routes .plain-button').last())
    .first()
    .click();
  await page
    .getByRole('option', { name: 'Slow' })
    .or(page.getByRole('menuitem', { name: 'Slow' }))
    .first()
    .click();
  await page.keyboard.press('Control+v');
  const pasted = await savedScene(page);
  const slow = pasted.riders.find(({ id }) => id === 'slow')!;
  const fast = pasted.riders.find(({ id }) => id === 'fast')!;
  expect(slow.pace.marks.map(({ time }) => time)).toEqual(fast.pace.marks.map(({ time }) => time));
  await page.getByRole('button', { name: /^4 Pace/ }).click();
  const delay = page.getByRole('textbox', { name: 'Delay' });
  await delay.fill('0.5');
  await delay.press('Enter');
  const scene = await savedScene(page);
  await page.getByRole('button', { name: /^4 Pace/ }).click();
  await expect(page.locator('.card[data-card="checks"]')).toContainText('never, closest');
  await playsAsMeant(page, scene);
});

test('all of it takes twice as long, and one rider goes on as it was', async ({ page }) => {
  const start = cart();
  const twin = riderOn('twin', 'humps', [
    { time: 0, place: { by: 'node', node: 'h0' }, ease: { kind: 'spring', overshoot: 10, settle: 0.8 } },
    { time: 8, place: { by: 'node', node: 'trough5' } },
  ]);
  await openScene(page, sceneOf({ ...start, riders: [...start.riders, twin] }));
  await page.locator('.mark').first().focus();
  await page.getByRole('button', { name: /^4 Pace/ }).click();
  const field = (name: string) => page.getByRole('textbox', { name, exact: true });
  await field('Duration').fill('16');
  await field('Duration').press('Enter');
  await addTo(page, 'pace', 'Own cycle');
  await field('Own cycle').fill('8');
  await field('Own cycle').press('Enter');
  const scene = await savedScene(page);
  const [was, is] = [prepare(sceneOf({ ...start, riders: [...start.riders, twin] })), prepare(scene)];
  const own = is.rider('cart') ?? is.riders[0]!;
  const other = is.rider('twin')!;
  for (let t = 0.05; t < 8; t += 0.31) {
    expect(own.distanceAt(t)).toBeCloseTo(was.rider('cart')!.distanceAt(t), 6);
    expect(own.distanceAt(t + 8)).toBeCloseTo(was.rider('cart')!.distanceAt(t), 6);
    expect(other.distanceAt(2 * t)).toBeCloseTo(was.rider('twin')!.distanceAt(t), 6);
  }
  await playsAsMeant(page, scene);
});

test('marks are typed into a table, sorted, and pasted as text; a leg gets a speed', async ({ page }) => {
  await openScene(page, cart());
  await page.locator('.mark').first().focus();
  await page.getByRole('button', { name: 'Table of marks' }).click();
  const drawer = page.getByRole('complementary', { name: 'Marks' });
  await drawer.getByRole('textbox', { name: /From text/ }).fill('0; 0\n2; 100\n1; 5');
  await expect(drawer).toContainText('line 3: each time must come after the one before');
  await drawer.getByRole('textbox', { name: /From text/ }).fill('time,way\n0, 0\n2, 400\n4, 600');
  await drawer.getByRole('button', { name: 'Set 3 marks' }).click();
  await expect(page.locator('.mark')).toHaveCount(3);
  await drawer.getByRole('textbox', { name: 'Speed after mark 1' }).fill('100');
  await drawer.getByRole('textbox', { name: 'Speed after mark 1' }).press('Enter');
  await expect(drawer.getByRole('textbox', { name: 'Time of mark 2' })).toHaveValue('4 s');
  await drawer.getByRole('button', { name: 'time' }).click();
  await drawer.getByRole('button', { name: 'time' }).click();
  await expect(drawer.locator('tbody tr').first()).toContainText('3');
  const { marks } = (await savedScene(page)).riders[0]!.pace;
  expect(marks.map(({ time }) => Math.round(time * 1000) / 1000)).toEqual([0, 4, 6]);
});

test('charts show the speed; a peak pressed brings the playhead there', async ({ page }) => {
  await openScene(page, cart());
  await page.keyboard.press('.');
  await page.locator('.mark').first().focus();
  await chooseEase(page, 'sine in and out');
  await page.getByRole('button', { name: 'Charts' }).click();
  const charts = page.getByRole('region', { name: 'Charts' });
  await expect(charts.getByRole('img', { name: 'speed of cart over time' })).toBeVisible();
  await charts.getByRole('button', { name: 'Peaks and stops of cart' }).click();
  await page.getByRole('menuitem', { name: /^peak/ }).click();
  await expect(page.locator('[data-readout="time"]')).toHaveText('4.00');
});
