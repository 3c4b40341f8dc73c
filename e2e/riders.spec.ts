import { expect, test, type Page } from '@playwright/test';
import { POSE, prepare, type Scene } from '@pace-line/core';
import { addTo, typeKey } from './cards.ts';
import { dragOn, dropFile, newScene, savedScene } from './desk.ts';
import { playsAsMeant } from './plays.ts';
import { write } from './writing.ts';

// Whole jobs with riders, by pointer and keyboard, with drawings that are not among the samples.

const svg = (title: string, width: number, height: number, inside: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><title>${title}</title>${inside}</svg>`;

const ARM = svg('Arm', 160, 24, '<rect width="160" height="24" rx="12" fill="#3D5A99"/>');
const LABEL = svg(
  'Label',
  80,
  30,
  '<rect width="80" height="30" fill="#F7F3EA"/><path d="M8 22L20 8L32 22" fill="none" stroke="#1F2933" stroke-width="3"/>',
);
const DRUM = svg(
  'Drum',
  60,
  60,
  '<circle cx="30" cy="30" r="30" fill="#A3471F"/><path d="M30 4V30" stroke="#F7F3EA" stroke-width="4"/>',
);

/** Drops a drawing on the canvas: a parked rider with that name. */
async function park(page: Page, file: string, text: string): Promise<void> {
  await dropFile(page, `${file.toLowerCase()}.svg`, 'image/svg+xml', text);
  const drawer = page.getByRole('button', { name: 'Close Art' });
  await expect(drawer).toBeVisible();
  await page.getByRole('button', { name: `Park ${file} on the canvas` }).click();
  await drawer.click();
  await expect(page.getByRole('textbox', { name: 'Rider name' })).toHaveValue(file);
}

async function open(page: Page, card: 'rider' | 'heading' | 'guide' | 'pace'): Promise<void> {
  const head = page.locator(`[data-card=${card}] .card-head`);
  if ((await head.getAttribute('aria-expanded')) !== 'true') await head.click();
}

async function fill(page: Page, field: string, value: string): Promise<void> {
  await page.getByRole('textbox', { name: field, exact: true }).fill(value);
  await page.keyboard.press('Enter');
}

async function choose(page: Page, field: string, option: string): Promise<void> {
  await page.getByRole('combobox', { name: field, exact: true }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
}

/** Draws a bumpy guide across the canvas with the plotting tool. */
async function plotGround(page: Page): Promise<void> {
  await page.keyboard.press('2');
  const nodes = [
    [140, 460],
    [380, 400],
    [620, 470],
    [860, 410],
    [1120, 450],
  ] as const;
  for (const [x, y] of nodes)
    await dragOn(page, [
      [x, y],
      [x + 70, y],
    ]);
  await page.keyboard.press('Enter');
  await page.keyboard.press('1');
}

/** A drum on a bumpy guide, in a new scene that stands at its start. */
async function seatDrum(page: Page): Promise<void> {
  await newScene(page);
  await page.keyboard.press('Space');
  await plotGround(page);
  await park(page, 'Drum', DRUM);
  await page.keyboard.press('Home');
  await open(page, 'rider');
  await choose(page, 'Guide', 'Guide');
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
}

test('a label that stays upright on a turning arm', async ({ page }) => {
  await newScene(page);
  await park(page, 'Arm', ARM);
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  await open(page, 'rider');
  await fill(page, 'Position x', '640');
  await fill(page, 'Position y', '360');
  await open(page, 'heading');
  await page.getByRole('button', { name: 'Set a rotation keyframe at the playhead' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('End');
  await open(page, 'heading');
  await typeKey(page, 'rotation', 'Rotation offset', '360');
  await park(page, 'Label', LABEL);
  await open(page, 'rider');
  await addTo(page, 'rider', 'Carried by another rider');
  await choose(page, 'Carried by', 'Arm');
  await page.getByRole('button', { name: 'rotation', exact: true }).click();
  await fill(page, 'Position x', '150');
  await fill(page, 'Position y', '12');
  const scene = await savedScene(page);
  const motion = prepare(scene);
  const label = scene.riders.findIndex(({ name }) => name === 'Label');
  const arm = scene.riders.findIndex(({ name }) => name === 'Arm');
  expect(scene.riders[arm]?.keys.turn.at(-1)?.value).toBe(360);
  for (const time of [0.5, 1.3, 2.9]) {
    const pose = motion.poseAt(time);
    expect(Math.cos(pose.of(label, 'angle'))).toBeCloseTo(1, 6);
    expect(Math.hypot(pose.of(label, 'x') - pose.of(arm, 'x'), pose.of(label, 'y') - pose.of(arm, 'y'))).toBeCloseTo(
      70,
      3,
    );
  }
  await playsAsMeant(page, scene);
});

test('a drum rolls over a bumpy guide and does not slip', async ({ page }) => {
  await newScene(page);
  await plotGround(page);
  await park(page, 'Drum', DRUM);
  await open(page, 'rider');
  await choose(page, 'Guide', 'Guide');
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await addTo(page, 'rider', 'Roll');
  await expect(page.getByRole('textbox', { name: 'Rolling radius' })).toHaveValue('30 px');
  const scene = await savedScene(page);
  const moving = prepare(scene).riders[0]!;
  // The drum's own point that touches, followed a little before and after: it has no speed along the ground.
  const h = 1e-4;
  const steps = 500;
  let slipped = 0;
  for (let i = 1; i < steps; i++) {
    const time = (4 * i) / steps;
    const frame = moving.path!.frameAtDistance(moving.footAt(time));
    const now = moving.poseAt(time);
    const [dx, dy] = [frame.x - now[POSE.x]!, frame.y - now[POSE.y]!];
    expect(Math.hypot(dx, dy)).toBeCloseTo(30, 6);
    const touching = (at: number): [number, number] => {
      const pose = moving.poseAt(at);
      const turn = pose[POSE.angle]! - now[POSE.angle]!;
      return [
        pose[POSE.x]! + Math.cos(turn) * dx - Math.sin(turn) * dy,
        pose[POSE.y]! + Math.sin(turn) * dx + Math.cos(turn) * dy,
      ];
    };
    const [before, after] = [touching(time - h), touching(time + h)];
    const along = (after[0] - before[0]) * frame.tangentX + (after[1] - before[1]) * frame.tangentY;
    slipped += (Math.abs(along) / (2 * h)) * (4 / steps);
  }
  expect(slipped).toBeLessThan(0.1);
  await playsAsMeant(page, scene);
});

test('a bounce whose floor contact stays put while it is squashed', async ({ page }) => {
  await newScene(page);
  await page.keyboard.press('Space');
  await park(page, 'Drum', DRUM);
  await open(page, 'rider');
  await fill(page, 'Position x', '640');
  await fill(page, 'Position y', '500');
  await addTo(page, 'rider', 'Squash and stretch');
  await page.getByRole('group', { name: 'Squash axis' }).getByRole('button', { name: 'fixed' }).click();
  await page.getByRole('button', { name: 'Floor', exact: true }).click();
  await page.keyboard.press('Escape');
  for (let i = 0; i < 30; i++) await page.keyboard.press('.');
  await open(page, 'rider');
  await typeKey(page, 'stretch', 'Stretch', '60');
  await expect(page.locator('.key-strips .key')).toHaveCount(3);
  const scene = await savedScene(page);
  const drum = scene.riders[0]!;
  expect(drum.squash).toMatchObject({ axis: 'fixed', angle: 90 });
  expect(drum.keys.squash.map(({ value }) => value)).toEqual([1, 0.6, 1]);
  const motion = prepare(scene);
  for (let i = 0; i < 40; i++) {
    const pose = motion.poseAt(i / 10);
    const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f') => pose.of(0, key);
    expect([m('a') * 30 + m('c') * 60 + m('e'), m('b') * 30 + m('d') * 60 + m('f')]).toEqual([
      expect.closeTo(640, 6),
      expect.closeTo(530, 6),
    ]);
    expect(m('a') * m('d') - m('b') * m('c')).toBeCloseTo(1, 9);
  }
  await playsAsMeant(page, scene);
});

test('keys on their strip: dragged, nudged, tied, deleted, undone', async ({ page }) => {
  await newScene(page);
  await plotGround(page);
  await park(page, 'Drum', DRUM);
  await page.keyboard.press('.');
  await open(page, 'rider');
  await choose(page, 'Guide', 'Guide');
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await typeKey(page, 'lift', 'Offset: lift', '40');
  await page.keyboard.press('Escape');
  const tick = page.locator('.key-strips .key').first();
  const box = (await tick.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const lift = async () => (await savedScene(page)).riders[0]!.keys.lift[0]!;
  const before = await lift();
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y, { steps: 4 });
  await page.mouse.up();
  const after = await lift();
  expect(after.time).toBeGreaterThan(before.time);
  expect(after.value).toBe(40);
  await page.keyboard.press('ArrowRight');
  expect((await lift()).time).toBeCloseTo(after.time + 1 / 30, 6);
  await open(page, 'pace');
  await page.getByRole('combobox', { name: 'Moves with' }).click();
  await page.getByRole('option', { name: /^mark 1/ }).click();
  expect((await lift()).mark).not.toBeNull();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Delete');
  await expect(page.locator('.key-strips')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.key-strips .key')).toHaveCount(1);
});

test('the same movement moved to another drawing, and eight of it along a closed guide', async ({ page }) => {
  await newScene(page);
  await plotGround(page);
  await open(page, 'guide');
  await page.getByRole('button', { name: 'closed', exact: true }).click();
  await park(page, 'Drum', DRUM);
  await open(page, 'rider');
  await choose(page, 'Guide', 'Guide');
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await open(page, 'heading');
  await choose(page, 'Orientation', 'along');
  await addTo(page, 'heading', 'Smoothing');
  await fill(page, 'Smoothing over', '60');
  await park(page, 'Label', LABEL);
  await open(page, 'rider');
  await addTo(page, 'rider', 'Copy motion from another rider');
  await choose(page, 'Copy motion from', 'Drum');
  const one = await savedScene(page);
  const [drum, label] = one.riders;
  expect(label?.heading).toEqual(drum?.heading);
  const motion = prepare(one);
  for (const time of [0.4, 1.9, 3.1])
    for (const key of ['x', 'y', 'angle'] as const)
      expect(motion.poseAt(time).of(1, key)).toBeCloseTo(motion.poseAt(time).of(0, key), 6);
  await open(page, 'rider');
  await addTo(page, 'rider', 'Copies along the guide');
  await page.getByRole('button', { name: 'Create' }).click();
  const many = await savedScene(page);
  expect(many.riders.filter(({ art }) => art === label?.art)).toHaveLength(8);
  await playsAsMeant(page, many);
});

test('pivot and facing by handles: the drawing stays where it is, one press seats it', async ({ page }) => {
  await newScene(page);
  await plotGround(page);
  await park(page, 'Arm', ARM);
  await page.keyboard.press('.');
  await open(page, 'rider');
  await choose(page, 'Guide', 'Guide');
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await open(page, 'rider');
  await page.getByRole('button', { name: 'On canvas', exact: true }).click();
  const before = await savedScene(page);
  const ring = (await page.getByRole('button', { name: /^Pivot of/ }).boundingBox())!;
  const [x, y] = [ring.x + ring.width / 2, ring.y + ring.height / 2];
  const time = Number(await page.locator('[data-readout="time"]').textContent());
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 44, y + 8, { steps: 5 });
  await page.mouse.up();
  const after = await savedScene(page);
  // Near the left edge, and near the lower one: it has snapped to a corner or an edge.
  // It is the rider's own: the art's stays, and with it other riders of that.
  expect(after.art[0]!.pivot).toEqual(before.art[0]!.pivot);
  expect(after.riders[0]!.pivot).not.toBeNull();
  const corner = (scene: Scene): [number, number] => {
    const pose = prepare(scene).poseAt(time);
    return [pose.of(0, 'e'), pose.of(0, 'f')];
  };
  const [was, now] = [corner(before), corner(after)];
  expect(Math.hypot(was[0] - now[0], was[1] - now[1])).toBeLessThan(1.5);
  expect(after.riders[0]!.lift !== 0 || after.riders[0]!.lead !== 0).toBe(true);
  await page.getByRole('button', { name: /^Facing of/ }).focus();
  await page.keyboard.press('ArrowRight');
  expect((await savedScene(page)).art[0]!.facing).toBe(1);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Pivot of/ })).toHaveCount(0);
});

const ROD = svg('Rod', 120, 12, '<rect width="120" height="12" rx="6" fill="#1F2933"/>');
const KNEE = svg('Knee', 30, 30, '<circle cx="15" cy="15" r="14" fill="#7A3E7E"/>');
const POST = svg('Post', 40, 260, '<rect width="40" height="260" fill="#55752A"/>');

/** Draws a ring about (700, 400). */
async function drawRing(page: Page): Promise<void> {
  await page.keyboard.press('6');
  await dragOn(page, [
    [640, 400],
    [760, 400],
  ]);
  await page.keyboard.press('1');
}

test('a pedal crank: two pedals half a lap apart, a rod strung from each to a knee', async ({ page }) => {
  await newScene(page);
  await drawRing(page);
  await park(page, 'Drum', DRUM);
  await open(page, 'rider');
  await fill(page, 'Rider name', 'Pedal');
  await choose(page, 'Guide', (await savedScene(page)).guides[0]!.name);
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await open(page, 'rider');
  await addTo(page, 'rider', 'Copies along the guide');
  await fill(page, 'Number along the guide', '2');
  await page.getByRole('group', { name: 'Linked' }).getByRole('button', { name: 'yes' }).click();
  await page.getByRole('button', { name: 'Create' }).click();
  await page.keyboard.press('Escape');
  for (const [i, x] of [500, 800].entries()) {
    await park(page, `Knee ${i + 1}`, KNEE);
    await open(page, 'rider');
    await fill(page, 'Position x', String(x));
    await fill(page, 'Position y', '120');
    await page.keyboard.press('Escape');
    await park(page, `Rod ${i + 1}`, ROD);
    await open(page, 'rider');
    await fill(page, 'Pivot x', '0');
    await addTo(page, 'rider', 'Hangs between two riders');
    await choose(page, 'Hangs from', i === 0 ? 'Pedal' : 'Pedal 2');
    await choose(page, 'Hangs to', `Knee ${i + 1}`);
    await page.getByRole('group', { name: 'Stretched' }).getByRole('button', { name: 'yes' }).click();
    await page.keyboard.press('Escape');
  }
  const scene = await savedScene(page);
  const pedals = scene.riders.filter(({ name }) => name.startsWith('Pedal'));
  expect(new Set(pedals.map(({ pace }) => pace.link)).size).toBe(1);
  const motion = prepare(scene);
  const place = (name: string, time: number): [number, number] => {
    const pose = motion.poseAt(time);
    const i = scene.riders.findIndex((one) => one.name === name);
    return [pose.of(i, 'x'), pose.of(i, 'y')];
  };
  for (const time of [0.2, 1.1, 2.9]) {
    const [[ax, ay], [bx, by]] = [place('Pedal', time), place('Pedal 2', time)];
    // Half a lap apart on a ring about (700, 400).
    expect([(ax + bx) / 2, (ay + by) / 2]).toEqual([expect.closeTo(700, 0), expect.closeTo(400, 0)]);
    for (const [rod, pedal, knee] of [
      ['Rod 1', 'Pedal', 'Knee 1'],
      ['Rod 2', 'Pedal 2', 'Knee 2'],
    ] as const) {
      const i = scene.riders.findIndex(({ name }) => name === rod);
      const pose = motion.poseAt(time);
      const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f') => pose.of(i, key);
      const tip = [m('a') * 120 + m('c') * 6 + m('e'), m('b') * 120 + m('d') * 6 + m('f')];
      expect([m('c') * 6 + m('e'), m('d') * 6 + m('f')]).toEqual(place(pedal, time).map((v) => expect.closeTo(v, 3)));
      expect(tip).toEqual(place(knee, time).map((v) => expect.closeTo(v, 3)));
    }
  }
  await playsAsMeant(page, scene);
});

test('up to a post, behind it, and out in front', async ({ page }) => {
  await newScene(page);
  await drawRing(page);
  await park(page, 'Post', POST);
  await open(page, 'rider');
  await fill(page, 'Position x', '640');
  await fill(page, 'Position y', '300');
  await page.keyboard.press('Escape');
  await park(page, 'Drum', DRUM);
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  await open(page, 'rider');
  await choose(page, 'Guide', (await savedScene(page)).guides[0]!.name);
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await open(page, 'rider');
  await addTo(page, 'rider', 'Behind another rider');
  await choose(page, 'Behind another rider', 'Post');
  await page.getByRole('button', { name: 'Begin here' }).click();
  await page.keyboard.press('Escape');
  for (let i = 0; i < 60; i++) await page.keyboard.press('.');
  await open(page, 'rider');
  await page.getByRole('button', { name: 'End here' }).click();
  const scene = await savedScene(page);
  const drum = scene.riders.findIndex(({ name }) => name === 'Drum');
  const motion = prepare(scene);
  expect([0.5, 1.5, 2.5, 3.5].map((time) => motion.poseAt(time).of(drum, 'under'))).toEqual([1, 1, 0, 0]);
  // On the canvas as well: the stage's order of the two.
  const order = (): Promise<string> =>
    page.evaluate(() => {
      const root = document.querySelector('.stage')?.shadowRoot;
      const all = [...(root?.querySelectorAll('.riders > g > g') ?? [])];
      return all.map((one) => (one.querySelector('circle') ? 'drum' : 'post')).join(' ');
    });
  await page.keyboard.press('Escape');
  await page.keyboard.press('Home');
  await expect.poll(order).toBe('drum post');
  for (let i = 0; i < 75; i++) await page.keyboard.press('.');
  await expect.poll(order).toBe('post drum');
});

test('an element that is carried, with a small loop of its own inside', async ({ page }) => {
  await newScene(page);
  await plotGround(page);
  await park(page, 'Arm', ARM);
  await open(page, 'rider');
  await choose(page, 'Guide', 'Guide');
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await park(page, 'Knee', KNEE);
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  await open(page, 'rider');
  await addTo(page, 'rider', 'Carried by another rider');
  await choose(page, 'Carried by', 'Arm');
  await fill(page, 'Position x', '20');
  await fill(page, 'Position y', '0');
  await open(page, 'rider');
  await typeKey(page, 'opacity', 'Opacity', '20');
  await open(page, 'pace');
  await addTo(page, 'pace', 'Own cycle');
  await fill(page, 'Own cycle', '1.5');
  await page.keyboard.press('Escape');
  for (let i = 0; i < 20; i++) await page.keyboard.press('.');
  await open(page, 'rider');
  await typeKey(page, 'opacity', 'Opacity', '100');
  const scene = await savedScene(page);
  const knee = scene.riders.find(({ name }) => name === 'Knee')!;
  expect(knee.pace.cycle).toBe(1.5);
  expect(knee.keys.opacity).toHaveLength(2);
  // Four seconds hold its 1.5 s two and two thirds times: told, and mended by a press.
  await page.keyboard.press('Escape');
  await expect(page.getByText('after 3 loops, 12.00 s')).toBeVisible();
  await page.getByRole('button', { name: /^fit Knee/ }).click();
  await expect(page.getByText('Everything closes')).toHaveCount(0);
  const fitted = await savedScene(page);
  expect(fitted.riders.find(({ name }) => name === 'Knee')?.pace.cycle).toBeCloseTo(4 / 3, 9);
  await playsAsMeant(page, fitted);
});

test('a camera that follows a rider', async ({ page }) => {
  await newScene(page);
  await plotGround(page);
  await park(page, 'Drum', DRUM);
  await open(page, 'rider');
  await choose(page, 'Guide', 'Guide');
  await page.getByRole('button', { name: 'Put it on the guide' }).click();
  await park(page, 'Arm', ARM);
  await open(page, 'rider');
  await fill(page, 'Rider name', 'Eye');
  await addTo(page, 'rider', 'Carried by another rider');
  await choose(page, 'Carried by', 'Drum');
  await fill(page, 'Position x', '30');
  await fill(page, 'Position y', '30');
  await fill(page, 'Scale', '50');
  await addTo(page, 'rider', 'Camera');
  const scene = await savedScene(page);
  const eye = scene.riders.find(({ name }) => name === 'Eye')!;
  expect(scene.camera).toBe(eye.id);
  await expect(page.locator('.camera-frame path')).toHaveAttribute('d', /^M.+L.+Z/);
  // What is sent keeps the drum in the middle, twice as large.
  const { text } = await write(scene, 'animated-svg');
  await page.setContent(`<!doctype html><body style="margin:0">${text}</body>`);
  const middles = await page.evaluate(() => {
    const animations = document.getAnimations();
    animations.forEach((animation) => animation.pause());
    return [100, 1100, 2300, 3700].map((time) => {
      animations.forEach((animation) => (animation.currentTime = time));
      const box = document.querySelector('circle')!.getBoundingClientRect();
      return [box.x + box.width / 2, box.y + box.height / 2, box.width];
    });
  });
  for (const [x, y, width] of middles)
    expect([x, y, width]).toEqual([expect.closeTo(640, 0), expect.closeTo(360, 0), expect.closeTo(120, 0)]);
});

test('a label that fades in when a drum arrives goes with the drum’s mark, which is pointed at', async ({ page }) => {
  await seatDrum(page);
  await page.keyboard.press('Escape');
  await park(page, 'Label', LABEL);
  await open(page, 'rider');
  await typeKey(page, 'opacity', 'Opacity', '40');
  await page.keyboard.press('Escape');
  const key = page.locator('.key-strips .key');
  await key.first().click();
  await page.getByRole('button', { name: 'Point at it' }).click();
  await expect(page.getByRole('button', { name: 'Press a mark…' })).toHaveAttribute('aria-pressed', 'true');
  // The sheet shows the drum's pace line: its last mark is the label's from now on, and the key is chosen again.
  await page.locator('.mark').last().click();
  await expect(page.getByRole('combobox', { name: 'Moves with' })).toHaveValue(/^mark 2/);
  await expect(key.first()).toHaveClass(/selected/);
  const before = await savedScene(page);
  const [drum, label] = before.riders;
  const tied = label!.keys.opacity[0]!;
  expect(tied.mark).toBe(drum!.pace.marks.at(-1)!.id);
  await page.locator('.mark').last().click();
  await open(page, 'pace');
  const time = drum!.pace.marks.at(-1)!.time;
  await fill(page, 'Time of the mark', String(time - 0.1));
  const after = (await savedScene(page)).riders[1]!.keys.opacity[0]!;
  expect(after.time).toBeCloseTo(Math.max(0, tied.time - 0.1), 6);
});

test('a drum is squashed at a mark by one press, and sent so; lifted up it keeps its height in bends', async ({
  page,
}) => {
  await seatDrum(page);
  await fill(page, 'Offset: lift', '40');
  await addTo(page, 'rider', 'Offset direction');
  await page.getByRole('group', { name: 'Offset direction' }).getByRole('button', { name: 'up', exact: true }).click();
  await page.keyboard.press('Escape');
  await page.locator('.mark').last().click();
  await open(page, 'pace');
  await fill(page, 'Time of the mark', '2');
  await addTo(page, 'pace', 'Squash at a mark');
  await page.getByRole('button', { name: 'Squash at this mark' }).click();
  const scene = await savedScene(page);
  const [drum] = scene.riders;
  expect(drum).toMatchObject({ liftBy: 'up', squash: { by: 'keys', axis: 'fixed', angle: 90 } });
  expect(drum!.keys.squash).toHaveLength(5);
  const motion = prepare(scene);
  const moving = motion.riders[0]!;
  for (const time of [0.3, 0.9, 1.4]) {
    const frame = moving.path!.frameAtDistance(moving.footAt(time));
    const pose = moving.poseAt(time);
    expect([pose[POSE.x]! - frame.x, pose[POSE.y]! - frame.y]).toEqual([expect.closeTo(0, 6), expect.closeTo(-40, 6)]);
  }
  expect(motion.poseAt(2).of(0, 'd')).toBeLessThan(0.95);
  await playsAsMeant(page, scene);
});

test('a drum that goes its way twice, then holds, in what is sent as well', async ({ page }) => {
  await seatDrum(page);
  await open(page, 'pace');
  await addTo(page, 'pace', 'Own cycle');
  await fill(page, 'Own cycle', '1');
  await addTo(page, 'pace', 'Rider’s repeat');
  await fill(page, 'Rounds, 0 endlessly', '2');
  await expect(page.getByText('It begins anew with each loop of the scene.')).toBeVisible();
  const scene = await savedScene(page);
  expect(scene.riders[0]!.pace).toMatchObject({ cycle: 1, times: 2 });
  const moving = prepare(scene).riders[0]!;
  const end = moving.distanceAt(1, -1);
  expect(moving.distanceAt(1.5)).toBeCloseTo(moving.distanceAt(0.5), 6);
  expect(moving.distanceAt(0.5)).toBeLessThan(end - 1);
  expect([2, 2.7, 3.9].map((time) => moving.distanceAt(time))).toEqual([end, end, end]);
  await playsAsMeant(page, scene);
});
