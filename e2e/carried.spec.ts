import { expect, test, type Page } from '@playwright/test';
import { pathOfGuide, prepare, writeScene, type Scene } from '@pace-line/core';
import { LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { addTo } from './cards.ts';
import { lineOn } from './carried-line.ts';
import { decoded } from './decoded.ts';
import { dragOn, dropFile, newScene, openScene, savedScene } from './desk.ts';
import { playsAsMeant } from './plays.ts';
import { sent, worst } from './red-rider.ts';
import { write } from './writing.ts';

/** Where a point of the boat's frame is on the canvas at a time. */
function placed(scene: Scene, [x, y]: readonly [number, number], time: number): readonly [number, number] {
  const poses = prepare(scene).poseAt(time);
  const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => poses.of(0, key);
  return [m('a') * x + m('c') * y + m('e'), m('b') * x + m('d') * y + m('f')];
}

/** Both ends of the red line in a page that shows an animated SVG, at times. */
const endsShown = (page: Page, times: readonly number[]): Promise<[number, number][][]> =>
  page.evaluate((list) => {
    const path = [...document.querySelectorAll<SVGPathElement>('path')].find(
      (one) => one.getAttribute('stroke') === '#dd0000',
    )!;
    const animations = document.getAnimations();
    animations.forEach((animation) => animation.pause());
    return list.map((time) => {
      animations.forEach((animation) => (animation.currentTime = time * 1000));
      const matrix = path.getScreenCTM()!;
      return [path.getPointAtLength(0), path.getPointAtLength(path.getTotalLength())].map((point): [number, number] => {
        const { x, y } = new DOMPoint(point.x, point.y).matrixTransform(matrix);
        return [x, y];
      });
    });
  }, times);

test('the line of a carried guide is where its carrier has it: in an animated SVG, and in pictures', async ({
  page,
}) => {
  test.setTimeout(120_000);
  const times = Array.from({ length: 40 }, (_, i) => ((i * 0.618 + 0.03) % 1) * 2);
  for (const scene of [lineOn(null), lineOn('climber')]) {
    await page.setContent(`<!doctype html><body style="margin:0">${(await write(scene, 'animated-svg')).text}</body>`);
    const shown = await endsShown(page, times);
    const ends = [
      [30, -10],
      [60, -40],
    ] as const;
    for (const [i, end] of ends.entries())
      expect(
        worst(
          shown.map((both) => both[i]!),
          times.map((time) => placed(scene, end, time)),
        ),
      ).toBeLessThan(0.5);
  }
  const whole = lineOn(null);
  await openScene(page, whole);
  await page.getByRole('link', { name: 'Send' }).click();
  const { places } = await decoded(page, await sent(page, 'Animated PNG'), 'image/png');
  const middles = places.map((_, i) => placed(whole, [45, -25], (i * 2) / places.length));
  expect(places).toHaveLength(24);
  expect(worst(places, middles)).toBeLessThan(0.7);
  expect(worst(places, middles.slice(3).concat(middles.slice(0, 3)))).toBeGreaterThan(5);
});

test('on the Desk the line goes with its carrier', async ({ page }) => {
  const scene = lineOn(null);
  await openScene(page, scene);
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  for (let i = 0; i < 7; i++) await page.keyboard.press('.');
  const shown = (): Promise<readonly [readonly number[], number]> =>
    page.evaluate(() => {
      const all = [...document.querySelectorAll<SVGGraphicsElement>('path, rect')];
      const roots = [...document.querySelectorAll('*')].flatMap((one) => (one.shadowRoot ? [one.shadowRoot] : []));
      const inside = roots.flatMap((root) => [...root.querySelectorAll<SVGGraphicsElement>('path')]);
      const line = [...all, ...inside].find((one) => one.getAttribute('stroke') === '#dd0000')!;
      const { x, y } = new DOMPoint(45, -25).matrixTransform(line.getScreenCTM()!);
      const box = [document, ...roots]
        .flatMap((root) => [...root.querySelectorAll('.canvas-edge')])[0]!
        .getBoundingClientRect();
      return [[x - box.x, y - box.y], box.width] as const;
    });
  const [x, y] = placed(scene, [45, -25], 7 / 12);
  // Keys are answered in the frame after them.
  const gap = async (): Promise<number> => {
    const [found, edge] = await shown();
    return Math.hypot((found[0]! * 400) / edge - x, (found[1]! * 400) / edge - y);
  };
  await expect.poll(gap).toBeLessThan(1);
});

test('a carried guide is bent where it is seen: a node goes where the hand goes, by keyboard too', async ({ page }) => {
  const scene = lineOn(null);
  await openScene(page, scene);
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  const edge = (await page.locator('.canvas-edge').boundingBox())!;
  const zoom = edge.width / scene.canvas.width;
  const onScreen = ([x, y]: readonly [number, number]) => [edge.x + x * zoom, edge.y + y * zoom] as const;
  const [, second] = scene.guides.find(({ carrier }) => carrier !== null)!.nodes;
  const [x, y] = onScreen(placed(scene, [second!.x, second!.y], 0));
  await page.mouse.click(x, y);
  const ring = page.locator('.node.selected');
  await expect(ring).toHaveCount(1);
  const middle = async (): Promise<[number, number]> => {
    const box = (await ring.boundingBox())!;
    return [box.x + box.width / 2, box.y + box.height / 2];
  };
  expect(worst([await middle()], [[x, y]])).toBeLessThan(2);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 30, y + 12);
  await page.mouse.move(x + 40, y - 30);
  await page.mouse.up();
  expect(worst([await middle()], [[x + 40, y - 30]])).toBeLessThan(2);
  await ring.focus();
  await page.keyboard.press('Shift+ArrowRight');
  const saved = await savedScene(page);
  const node = saved.guides.find(({ carrier }) => carrier !== null)!.nodes[1]!;
  const [u, v] = onScreen(placed(saved, [node.x, node.y], 0));
  // What is drawn to something lands on that: within the reach of snapping.
  expect(worst([[u, v]], [[x + 40 + 10 * zoom, y - 30]])).toBeLessThan(9);
  expect(worst([await middle()], [[u, v]])).toBeLessThan(1);
});

test('a scene is set into another one: it is one rider, moves by a clock of its own, and what is sent plays so', async ({
  page,
}) => {
  await openScene(page, lineOn(null));
  await expect(page.getByText(/^Saved [^i]/)).toBeVisible();
  await newScene(page);
  await page.getByRole('button', { name: 'Art', exact: true }).click();
  await page.getByRole('button', { name: /^Nest a scene/ }).click();
  const question = page.getByRole('dialog', { name: 'A scene as art' });
  await expect(question.getByText('400 × 300 px, 2 riders')).toBeVisible();
  await expect(question.getByRole('checkbox', { name: 'cut off what reaches beyond them' })).toBeChecked();
  await question.getByRole('textbox', { name: 'Its loop' }).fill('4');
  await question.getByRole('textbox', { name: 'Its loop' }).press('Enter');
  await question.getByRole('button', { name: 'Nest it' }).click();
  await page.getByRole('button', { name: 'Close Art' }).click();
  await expect(page.getByRole('textbox', { name: 'Rider name' })).toHaveValue('Test');
  await expect(page.getByRole('textbox', { name: 'Longest loop within it' })).toHaveValue('4 s');
  await page.getByRole('textbox', { name: 'Longest loop within it' }).fill('1');
  await page.keyboard.press('Enter');
  const scene = await savedScene(page);
  expect(scene.riders.map(({ name, pace }) => [name, pace.cycle])).toEqual([
    ['Test', null],
    ['boat', 1],
    ['climber', 1],
  ]);
  const boat = scene.guides.find(({ name }) => name === 'Loops')!;
  expect(boat.carrier).toBe(scene.riders[0]!.id);
  expect(pathOfGuide(boat).length).toBeGreaterThan(100);
  await playsAsMeant(page, scene);
});

test('a scene file dropped while the art is open is set in; a broken one is said to be so', async ({ page }) => {
  await newScene(page);
  await page.getByRole('button', { name: 'Art', exact: true }).click();
  await dropFile(page, 'boat.paceline.json', 'application/json', writeScene(lineOn(null)));
  await expect(page.getByRole('textbox', { name: 'Rider name' })).toHaveValue('Test');
  await dropFile(page, 'boat.paceline.json', 'application/json', '{"format":"pace-line/scene","version":7}');
  await expect(page.getByText('boat.paceline.json was not imported')).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  expect((await savedScene(page)).riders).toEqual([]);
});

test('a rider is looked at along its guide, by hand and by keyboard, and nothing is changed', async ({ page }) => {
  await openScene(page, lineOn(null));
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  const before = await savedScene(page);
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Enter');
  await addTo(page, 'rider', 'Preview along the guide');
  const slider = page.getByRole('slider', { name: /^Preview along the guide/ });
  const moved = async (): Promise<string> =>
    page.evaluate(() => {
      const roots = [...document.querySelectorAll('*')].flatMap((one) => (one.shadowRoot ? [one.shadowRoot] : []));
      const line = [document, ...roots]
        .flatMap((root) => [...root.querySelectorAll('path')])
        .find((one) => one.getAttribute('stroke') === '#dd0000')!;
      return line.getAttribute('transform') ?? '';
    });
  const stood = await moved();
  await slider.focus();
  for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowRight');
  await expect.poll(moved).not.toBe(stood);
  await page.keyboard.press('Tab');
  await expect.poll(moved).toBe(stood);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
  expect(await savedScene(page)).toEqual(before);
});

test('an orbit about a boat: the ring is drawn anywhere, carried, centred on the boat’s art or pivot, and typed where it is to be', async ({
  page,
}) => {
  const lap = [
    { time: 0, place: { by: 'node', node: 'l1' } },
    { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
  ];
  await openScene(page, sceneOf({ guides: [LOOPS], riders: [riderOn('boat', 'loops', lap, { pivot: [50, 5] })] }));
  await page.keyboard.press('.');
  await page.keyboard.press('Home');
  await page.keyboard.press('Escape');
  await page.keyboard.press('6');
  await dragOn(page, [
    [560, 80],
    [620, 140],
  ]);
  await expect(page.locator('.guide')).toHaveCount(2);
  const ringOf = (scene: Scene): Scene['guides'][number] => scene.guides.find(({ id }) => id !== 'loops')!;
  const middleOf = (scene: Scene): [number, number] => {
    const { left, right, top, bottom } = pathOfGuide(ringOf(scene)).bounds;
    return [(left + right) / 2, (top + bottom) / 2];
  };
  const near = (found: readonly number[], wanted: readonly number[]): void =>
    found.forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 3));
  await page.locator('[data-card=guide] .card-head').click();
  const typed = async (name: string, value: string): Promise<void> => {
    await page.getByRole('textbox', { name, exact: true }).fill(value);
    await page.keyboard.press('Enter');
  };
  await typed('Centre x', '500');
  await typed('Centre y', '150');
  near(middleOf(await savedScene(page)), [500, 150]);
  await addTo(page, 'guide', 'Carried by a rider');
  await page.getByRole('combobox', { name: 'Rider that carries the guide' }).click();
  await page.getByRole('option', { name: 'boat' }).click();
  await page.getByRole('button', { name: 'Its art' }).click();
  const onArt = await savedScene(page);
  expect(ringOf(onArt).carrier).toBe('boat');
  near(middleOf(onArt), [30, 20]);
  await page.getByRole('button', { name: 'Its pivot' }).click();
  near(middleOf(await savedScene(page)), [50, 5]);
});
