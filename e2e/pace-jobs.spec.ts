import { createHash } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { nodesOfShape, prepare, type Scene } from '@pace-line/core';
import { BOX_ART, colouredArt, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { addTo, typeKey } from './cards.ts';
import { canvasAt, openScene, savedScene } from './desk.ts';
import { playsAsMeant } from './plays.ts';

type Json = Record<string, unknown>;

const guideOf = (id: string, nodes: readonly Json[], more: Json = {}): Json => ({
  ...{ id, name: id, closed: false, color: '#0B7A75', nodes },
  ...more,
});

/** A sketch of the floor, to draw over. */
function tracedOver(): Json {
  const sketch = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" width="800" height="600"><path d="M0 480H800" stroke="#8A93A0"/></svg>',
  );
  const asset = createHash('sha256').update(sketch).digest('hex');
  return {
    tracing: [{ id: 'sketch', name: 'Sketch', asset, type: 'image/svg+xml', width: 800, height: 600, x: 400, y: 300 }],
    assets: { [asset]: sketch.toString('base64') },
  };
}

const paceCard = (page: Page) => page.getByRole('button', { name: /^4 Pace/ }).click();

/** Types a value into a field. */
async function typed(page: Page, name: string, value: string): Promise<void> {
  const field = page.getByRole('textbox', { name, exact: true });
  await field.fill(value);
  await field.press('Enter');
}

/** Presses the strip of times at a time, s, of a loop of a length. */
async function scrubTo(page: Page, time: number, length: number): Promise<void> {
  const [from, to] = [page.locator('.loop-edge').first(), page.locator('.loop-edge').nth(1)];
  const [a, b, strip] = [
    await from.boundingBox(),
    await to.boundingBox(),
    await page.locator('.strip-ground').boundingBox(),
  ];
  if (!a || !b || !strip) throw new Error('no sheet');
  await page.mouse.click(a.x + (time / length) * (b.x - a.x), strip.y + 8);
}

async function chosen(page: Page, list: string, option: string | RegExp): Promise<void> {
  await page.getByRole('combobox', { name: list, exact: true }).click();
  await page.getByRole('option', { name: option }).click();
}

const ways = (repeat: Scene['clock']['repeat'] = 'loop', duration = 4): Scene =>
  sceneOf({
    clock: { duration, fps: 24, repeat },
    art: [BOX_ART],
    guides: [
      guideOf('way', [
        { id: 'w1', x: 100, y: 300, out: [120, -160] },
        { id: 'w2', x: 700, y: 300, in: [-120, -160] },
      ]),
    ],
    riders: [
      riderOn('a', 'way', [
        { time: 0, place: { by: 'node', node: 'w1' } },
        { time: duration / 2, place: { by: 'share', value: 0.4 } },
        { time: duration, place: { by: 'node', node: 'w2' } },
      ]),
      riderOn('b', 'way', [
        { time: 0.0925 * duration, place: { by: 'share', value: 0.1 } },
        { time: 0.775 * duration, place: { by: 'share', value: 0.9 } },
      ]),
    ],
  });

test('a card that flies to a basket on a click, and turns round when it is pressed midway', async ({ page }) => {
  await openScene(page, ways('there-and-back', 2));
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Control+a');
  await page.getByRole('button', { name: /^Shape: Easing of the next leg/ }).click();
  await page
    .getByRole('group', { name: 'Gallery of easings' })
    .getByRole('button', { name: 'springs a little' })
    .click();
  await page.keyboard.press('Escape');
  await paceCard(page);
  await chosen(page, 'Trigger', 'click');
  await page.getByRole('button', { name: 'try it' }).click();
  const picture = page.locator('.try-picture');
  const time = async (): Promise<number> => Number(await page.locator('[data-readout="time"]').textContent());
  await expect.poll(time).toBe(0);
  await picture.click();
  await expect.poll(time).toBeGreaterThan(0.3);
  await picture.click();
  await expect(page.locator('.try-layer').getByRole('status')).toHaveText('goes back');
  await expect.poll(time).toBe(0);
  await picture.press('Enter');
  // One way and no further.
  await expect.poll(time, { timeout: 10_000 }).toBe(2);
  await page.keyboard.press('Escape');
  await expect(picture).toHaveCount(0);
  const scene = await savedScene(page);
  expect(scene.driver).toEqual([{ kind: 'click', again: 'back' }]);
  expect(scene.riders[0]!.pace.marks[0]!.ease).toMatchObject({ kind: 'spring' });
  await playsAsMeant(page, scene);
});

test('a scene that is scrolled past and one that the pointer plays are tried on the Desk', async ({ page }) => {
  await openScene(page, ways());
  const time = async (): Promise<number> => Number(await page.locator('[data-readout="time"]').textContent());
  await paceCard(page);
  await chosen(page, 'Trigger', 'scroll');
  await typed(page, 'Enters view at', '1');
  await page.getByRole('button', { name: 'try it' }).click();
  await expect.poll(time).toBe(1);
  await page.locator('.try-picture').hover();
  await page.mouse.wheel(0, 900);
  await expect.poll(time).toBeGreaterThan(2);
  await page.getByRole('slider', { name: 'How far it has passed through the window' }).press('End');
  await expect.poll(time).toBe(4);
  await page.getByRole('button', { name: 'stop trying' }).click();
  await paceCard(page);
  await chosen(page, 'Trigger', 'pointer over');
  await page.getByRole('button', { name: 'try it' }).click();
  await page.mouse.move(5, 5);
  await expect.poll(time).toBe(0);
  await page.locator('.try-picture').hover();
  await expect.poll(time).toBeGreaterThan(0.3);
  await page.mouse.move(5, 5);
  await expect.poll(time).toBe(0);
});

test('a lamp that rests at three stations, and a label that fades in at each', async ({ page }) => {
  const stations = guideOf('line', [
    { id: 's1', x: 120, y: 300 },
    { id: 's2', x: 400, y: 300 },
    { id: 's3', x: 680, y: 300 },
  ]);
  await openScene(
    page,
    sceneOf({
      clock: { duration: 8, fps: 24, repeat: 'once' },
      art: [BOX_ART, colouredArt('label-art', '#7A3E7E')],
      guides: [stations],
      riders: [
        riderOn('lamp', 'line', [
          { time: 0, place: { by: 'node', node: 's1' } },
          { time: 3, place: { by: 'node', node: 's2' } },
          { time: 6, place: { by: 'node', node: 's3' } },
        ]),
        riderOn('label', 'line', [], { art: 'label-art', guide: null, at: [30, -40], carrier: { rider: 'lamp' } }),
      ],
    }),
  );
  await page.keyboard.press('.');
  await page.locator('.mark').first().focus();
  await paceCard(page);
  for (const [i, rest] of ['1', '1', '2'].entries()) {
    await page.locator('.mark').nth(i).focus();
    await page.keyboard.press('Enter');
    await typed(page, 'Rest', rest);
  }
  await paceCard(page);
  await page.keyboard.press('k');
  await page.locator('.contents-name', { hasText: 'label' }).click();
  await page.keyboard.press('k');
  await page.getByRole('button', { name: /^2 Rider/ }).click();
  // Faded out while it travels, and in within a third of a second of each arrival.
  for (const [at, opacity] of [
    [0, 0],
    [8, 100],
    [24, 100],
    [30, 0],
    [72, 0],
    [80, 100],
    [96, 100],
    [102, 0],
    [144, 0],
    [152, 100],
  ] as const) {
    await scrubTo(page, at / 24, 8);
    await typeKey(page, 'opacity', 'Opacity', String(opacity));
    // Typed, a value is a key, also where it is what is shown already.
    await expect(page.getByRole('button', { name: 'Delete the opacity keyframe at the playhead' })).toBeVisible();
  }
  const scene = await savedScene(page);
  const motion = prepare(scene);
  const label = motion.indexOf('label');
  const shown = (time: number): number => motion.poseAt(time).of(label, 'opacity');
  expect(scene.riders[0]!.pace.marks.map(({ dwell }) => dwell)).toEqual([1, 1, 2]);
  for (const time of [0.6, 3.6, 7]) expect(shown(time)).toBeGreaterThan(0.9);
  for (const time of [2, 5]) expect(shown(time)).toBeLessThan(0.1);
  await playsAsMeant(page, scene);
});

test('a ball that bounces along arcs over a tracing picture, with a squash at each landing', async ({ page }) => {
  const { nodes } = nodesOfShape({
    ...{ kind: 'bounces', length: 640, height: 200, bounces: 3, keep: 0.3 },
    ...{ x: 400, y: 480, turn: 0, reversed: false, start: 0 },
  });
  const arcs = guideOf(
    'arcs',
    nodes.map((node, i) => ({ ...node, id: `n${i}` })),
  );
  await openScene(
    page,
    sceneOf({
      clock: { duration: 2, fps: 30, repeat: 'once' },
      art: [BOX_ART],
      ...tracedOver(),
      guides: [arcs],
      riders: [
        riderOn('ball', 'arcs', [
          { time: 0, place: { by: 'share', value: 0 } },
          { time: 2, place: { by: 'share', value: 1 } },
        ]),
      ],
    }),
  );
  await page.locator('.mark').first().focus();
  await paceCard(page);
  await chosen(page, 'Pace from', /^hop /);
  await expect(page.locator('.overlay.tracing image')).toHaveCount(1);
  await page.getByRole('button', { name: 'Land at its corners' }).click();
  await typed(page, 'Squash on landing', '40');
  const scene = await savedScene(page);
  const [ball] = scene.riders;
  expect(ball!.pace.recipe).toMatchObject({ kind: 'hop' });
  expect(ball!.pace.marks).toHaveLength(4);
  const motion = prepare(scene);
  const high = (time: number): number => Math.hypot(motion.poseAt(time).of(0, 'b'), motion.poseAt(time).of(0, 'd'));
  const landings = ball!.pace.marks.slice(1);
  expect(high(landings[0]!.time)).toBeCloseTo(0.6, 3);
  for (const [i, { time }] of landings.slice(0, 2).entries()) {
    expect(high(time)).toBeLessThan(0.95);
    // Halfway to the next landing it is as it was; just after this one it is stretched.
    const next = landings[i + 1]!.time;
    expect(high((time + next) / 2)).toBeCloseTo(1, 2);
    expect(high(time + Math.min(0.09, (next - time) / 5))).toBeGreaterThan(1.02);
  }
  // The second contact is heard at 1.2 s: its time is typed, the arcs beside it follow, first in time, then in height.
  await chosen(page, 'Mark', '2 of 4');
  await typed(page, 'Time of the mark', '1.2');
  const lands = page.getByRole('group', { name: 'Landings' });
  await expect(lands.getByRole('button', { name: 'as set', exact: true })).toHaveAttribute('aria-pressed', 'true');
  const timed = await savedScene(page);
  expect(timed.riders[0]!.pace.marks[1]!.time).toBeCloseTo(1.2, 9);
  expect(timed.guides).toEqual(scene.guides);
  expect(prepare(timed).poseAt(1.2).of(0, 'y')).toBeCloseTo(motion.poseAt(landings[0]!.time).of(0, 'y'), 1);
  await lands.getByRole('button', { name: 'as set, by height' }).click();
  await typed(page, 'Time of the mark', '1');
  const byHeight = await savedScene(page);
  const heightAt = (one: Scene, time: number): number => {
    const moving = prepare(one).riders[0]!;
    return moving.path!.frameAtDistance(moving.distanceAt(time)).y;
  };
  const apexOf = (one: Scene, from: number, to: number): number => heightAt(one, (from + to) / 2);
  const ground = heightAt(byHeight, 1);
  const { gravity } = byHeight.riders[0]!.pace.recipe as { gravity: number };
  const after = byHeight.riders[0]!.pace.marks[2]!.time;
  expect(ground - apexOf(byHeight, 0, 1)).toBeCloseTo(gravity / 8, 0);
  expect(ground - apexOf(byHeight, 1, after)).toBeCloseTo((gravity * (after - 1) ** 2) / 8, 0);
  // Of another recipe the field says why it cannot be set.
  await chosen(page, 'Pace from', 'constant speed');
  await expect(page.getByRole('textbox', { name: 'Time of the mark' })).toBeDisabled();
  await expect(page.getByText('The recipe sets this time;')).toBeVisible();
  for (const one of [scene, timed, byHeight]) await playsAsMeant(page, one);
});

test('a loop made as long as all rounds take goes on closing when another length is typed', async ({ page }) => {
  const scene = ways('loop', 4);
  const [rider] = scene.riders;
  await openScene(page, {
    ...scene,
    riders: [
      rider!,
      {
        ...rider!,
        id: 'other',
        name: 'other',
        pace: {
          ...rider!.pace,
          cycle: 8 / 3,
          marks: [
            { ...rider!.pace.marks[0]!, id: 'o1', time: 0 },
            { ...rider!.pace.marks.at(-1)!, id: 'o2', time: 8 / 3 },
          ],
        },
      },
    ],
  });
  await page.locator('.mark').first().focus();
  await page.getByRole('button', { name: 'make the loop 8.00 s' }).click();
  await expect(page.getByRole('button', { name: /^make the loop/ })).toHaveCount(0);
  await paceCard(page);
  await typed(page, 'Duration', '5');
  await expect(page.getByRole('button', { name: /^make the loop/ })).toHaveCount(0);
  const fitted = await savedScene(page);
  expect(fitted.riders.map(({ pace }) => pace.cycle)).toEqual([2.5, expect.closeTo(5 / 3, 9)]);
  const motion = prepare(fitted);
  for (const i of [0, 1])
    for (const time of [0.2, 1.7, 3.9])
      expect(motion.poseAt(time + 5).of(i, 'x')).toBeCloseTo(motion.poseAt(time).of(i, 'x'), 6);
  // Told to stay, they do, and the card says what that does.
  await addTo(page, 'scene', 'Changing the duration');
  await page
    .getByRole('group', { name: 'Delays and own cycles then' })
    .getByRole('button', { name: 'keep', exact: true })
    .click();
  await typed(page, 'Duration', '6');
  await expect(page.getByText('Everything closes')).toBeVisible();
  await playsAsMeant(page, fitted);
});

test('marks reversed, mirrored and stretched about the playhead; one rider slower, on twos, wavering', async ({
  page,
}) => {
  await openScene(page, ways());
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  await page.locator('.mark').first().focus();
  await paceCard(page);
  await addTo(page, 'pace', 'Play backwards, mirror, scale times');
  await page.getByRole('button', { name: 'Play backwards', exact: true }).click();
  await page.getByRole('button', { name: 'Mirror', exact: true }).click();
  // Both together go the same way again, by the other place in between.
  const turned = await savedScene(page);
  const places = prepare(turned).riders[0]!;
  const length = places.path!.length;
  expect(places.distanceAt(0)).toBeCloseTo(0, 3);
  expect(places.distanceAt(2)).toBeCloseTo(0.6 * length, 0);
  await page.getByRole('button', { name: 'playhead', exact: true }).click();
  await typed(page, 'Scale times by', '50');
  expect((await savedScene(page)).riders[0]!.pace.marks.map(({ time }) => time)).toEqual([0, 1, 2]);
  await addTo(page, 'pace', 'Change speed');
  await typed(page, 'Speed, times', '0.5');
  const slower = await savedScene(page);
  expect(slower.riders[0]!.pace).toMatchObject({ cycle: 8 });
  expect(slower.riders[1]).toEqual(turned.riders[1]);
  await addTo(page, 'pace', 'On twos, threes…');
  await chosen(page, 'Step', 'on twos');
  await chosen(page, 'Pace from', /^random/);
  await typed(page, 'Sideways by', '20');
  await page.getByRole('button', { name: 'Next seed' }).click();
  const wavers = await savedScene(page);
  expect(wavers.riders[0]!.pace).toMatchObject({ on: 2, recipe: { kind: 'waver', sway: 20, seed: 2 } });
  const motion = prepare(wavers);
  expect(motion.poseAt(0.05).of(0, 'x')).toBe(motion.poseAt(0.01).of(0, 'x'));
  await playsAsMeant(page, wavers);
});

test('a mark is drawn to a beat, and to another rider’s mark; Ctrl holds both off', async ({ page }) => {
  await openScene(page, ways());
  await page.keyboard.press('.');
  await page.locator('.mark').first().focus();
  await paceCard(page);
  await addTo(page, 'scene', 'Tempo');
  await typed(page, 'Beats a minute', '50');
  await paceCard(page);
  await expect(page.locator('.time-rule.beat')).toHaveCount(4);
  const ring = page.locator('.mark').nth(1).locator('.mark-ring');
  const box = (await ring.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const sheet = (await page.locator('.loop-edge').first().boundingBox())!;
  const end = (await page.locator('.loop-edge').nth(1).boundingBox())!;
  const second = (end.x - sheet.x) / 4;
  const dragged = async (to: number, ctrl = false): Promise<number> => {
    if (ctrl) await page.keyboard.down('Control');
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 20, y);
    await page.mouse.move(sheet.x + to * second, y, { steps: 3 });
    await page.mouse.up();
    if (ctrl) await page.keyboard.up('Control');
    const { time } = (await savedScene(page)).riders[0]!.pace.marks[1]!;
    await page.keyboard.press('Control+z');
    return time;
  };
  // A beat each 1.2 s; the other's mark is at 3.1 s; frames are 1/24 s.
  expect(await dragged(2.43)).toBeCloseTo(2.4, 6);
  expect(await dragged(3.13)).toBeCloseTo(3.1, 6);
  const free = await dragged(2.43, true);
  expect(Math.abs(free - 2.4)).toBeGreaterThan(0.005);
});

test('an ease is kept under a name, and chosen again in another scene', async ({ page }) => {
  await openScene(page, ways());
  await page.locator('.mark').first().focus();
  await page.getByRole('button', { name: /^Shape: Easing of the next leg/ }).click();
  await page.getByRole('group', { name: 'Gallery of easings' }).getByRole('button', { name: 'bounce out' }).click();
  await page.getByRole('textbox', { name: 'Save this easing as' }).fill('Our landing');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(
    page.getByRole('group', { name: 'Saved easings' }).getByRole('button', { name: 'Our landing' }),
  ).toBeVisible();
  await openScene(page, ways('loop', 3));
  await page.locator('.mark').first().focus();
  await page.getByRole('button', { name: /^Shape: Easing of the next leg/ }).click();
  await page.getByRole('group', { name: 'Saved easings' }).getByRole('button', { name: 'Our landing' }).click();
  await page.keyboard.press('Escape');
  expect((await savedScene(page)).riders[0]!.pace.marks[0]!.ease).toMatchObject({ family: 'bounce', mode: 'out' });
  await page.getByRole('button', { name: 'Collection' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of Our landing' })).toBeVisible();
});

test('with Alt the guide is pressed where the rider shall be now; the seam is told in numbers', async ({ page }) => {
  await openScene(page, ways());
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  await page.locator('.mark').first().focus();
  const steps = page.getByRole('note', { name: /^Steps at the seam/ });
  await expect(steps).toContainText('place');
  await expect(page.locator('.seam-words')).toContainText('px');
  const scene = await savedScene(page);
  const path = prepare(scene).riders[0]!.path!;
  const { x, y } = path.frameAtDistance(path.length * 0.25);
  await page.keyboard.down('Alt');
  await page.mouse.click(...(await canvasAt(page, x, y)));
  await page.keyboard.up('Alt');
  const [first] = (await savedScene(page)).riders[0]!.pace.marks;
  const now = prepare(await savedScene(page)).riders[0]!;
  expect(first!.time).toBe(0);
  expect(now.distanceAt(0) / path.length).toBeCloseTo(0.25, 1);
});

test('two triggers are set on the card; scrolled past, Send plays the passage by itself and holds it where it is told', async ({
  page,
}) => {
  await openScene(page, ways());
  await paceCard(page);
  await chosen(page, 'Trigger', 'click');
  await chosen(page, 'Add a trigger', 'pointer over');
  await expect(page.getByRole('option', { name: 'scroll' })).toHaveCount(0);
  expect((await savedScene(page)).driver).toEqual([
    { kind: 'click', again: 'back' },
    { kind: 'over', leaving: 'back' },
  ]);
  await page.getByRole('button', { name: 'Remove trigger', exact: true }).click();
  await chosen(page, 'Trigger', 'scroll');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Send' }).click();
  for (const format of ['Web page', 'Module']) {
    await page.getByRole('button', { name: format, exact: true }).click();
    const output = page.frameLocator('iframe[title="The page as it will be"]');
    const times = async (): Promise<number> =>
      output
        .locator('svg')
        .first()
        .evaluate(() => Number(document.getAnimations()[0]?.currentTime) / 1000);
    const [one] = [await times(), await page.waitForTimeout(700)];
    expect(Math.abs((await times()) - one), format).toBeGreaterThan(0.1);
    await page.getByRole('button', { name: 'Pause' }).click();
    await page.getByRole('slider', { name: 'How far it has been scrolled through the window' }).press('End');
    // Its last moment, and it is there to be seen.
    await expect.poll(times).toBeGreaterThan(3.99);
    await page.getByRole('slider', { name: 'How far it has been scrolled through the window' }).press('Home');
    await expect.poll(times).toBe(0);
    await page.getByRole('button', { name: 'Play' }).click();
  }
});
