import { expect, test, type Page } from '@playwright/test';
import { leadInOf, prepare, stillSvg, type Scene } from '@pace-line/core';
import { BOX_ART, LINE, LOOPS, riderOn, sceneOf } from '../core/src/testing/scenes.ts';
import { addTo } from './cards.ts';
import { canvasAt, openScene, savedScene } from './desk.ts';
import { hostPage } from './hosting.ts';
import { differingShare, drawingAt } from './pictures.ts';
import { write } from './writing.ts';

const at = (node: string, lap = 0) => ({ by: 'node', node, lap });
const { markup: _markup, ...BOX } = BOX_ART;
const drawn = (fill: string): string => BOX_ART.markup.replace('#0B7A75', fill);
const art = (id: string, fill: string): object => ({ ...BOX_ART, id, name: id, markup: drawn(fill) });

/** A comer that draws its line and changes its pose as it comes, once, behind the first of three that follow each other, hidden until they start; a lamp on the comer; one that stands. */
function first(clock: Record<string, unknown> = {}): Scene {
  const lap = [
    { time: 0, place: at('l1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
    { time: 2, place: at('l1', 1) },
  ];
  return sceneOf({
    clock: { duration: 2, fps: 30, repeat: 'loop', ...clock },
    art: [
      art('box', '#0B7A75'),
      art('red', '#A3471F'),
      {
        ...BOX,
        id: 'strip',
        kind: 'strip',
        poses: ['#3D5A99', '#E0A030', '#7A3E7E'].map((fill) => ({ kind: 'svg', markup: drawn(fill) })),
      },
    ],
    guides: [LOOPS, { ...LINE, stroke: { color: '#123456', width: 8, draws: 'comer' } }],
    riders: [
      riderOn(
        'comer',
        'line',
        [
          { time: 0, place: at('a'), ease: { kind: 'family', family: 'cubic', mode: 'out' } },
          { time: 1.5, place: at('c') },
        ],
        {
          art: 'strip',
          poses: { by: 'distance', stride: 300 },
          behind: [{ by: 'places', rider: 'f0', from: at('b'), to: at('c') }],
          pace: { only: true, delay: 0.3 },
        },
      ),
      {
        ...riderOn('lamp', 'loops', []),
        art: 'red',
        guide: null,
        at: [40, 10],
        scale: [0.4, 0.4],
        carrier: { rider: 'comer' },
      },
      ...[0, 0.5, 1.25].map((delay, i) =>
        riderOn(`f${i}`, 'loops', lap, { opacity: i === 1 ? 0.6 : 1, pace: { hidden: true, delay } }),
      ),
      riderOn('still', 'loops', lap, { art: 'red', lift: 30, pace: { leadIn: 'stands' } }),
    ],
  });
}

/** Times of the lead-in and the loop, s, at which nothing changes at once within a few ms. */
function calm(scene: Scene, rounds: number): number[] {
  const { riders, length, leadIn } = prepare(scene);
  const loop = riders.flatMap((one) => [...one.events(0, length), ...one.steps(0, length)]);
  const changes = [
    ...riders.flatMap((one) => [...one.entering, ...one.stepsBefore()]),
    ...loop,
    ...loop.map((time) => time + length),
  ];
  // In order: a lead-in that is over is no longer told by the page.
  return Array.from({ length: 14 }, (_, i) => ((i * 0.6180339887 + 0.0417) % 1) * (leadIn + rounds * length) - leadIn)
    .filter((time) => changes.every((change) => Math.abs(change - time) > 0.01))
    .sort((a, b) => a - b);
}

const SMALL = { width: 800, height: 600 };

/** The largest share of pixels in which pictures differ from the evaluator's at times of the lead-in and the loop. */
async function worstShare(
  page: Page,
  scene: Scene,
  times: readonly number[],
  pictures: readonly Buffer[],
): Promise<number> {
  const { length } = prepare(scene);
  let worst = 0;
  for (const [i, time] of times.entries()) {
    const still = stillSvg(scene, time < 0 ? time : time % length, { title: '', background: true });
    const [expected] = await drawingAt(page, still, [0]);
    worst = Math.max(worst, await differingShare(page, [pictures[i]!, expected!]));
  }
  return worst;
}

for (const [name, clock, rounds] of [
  ['for ever', {}, 2],
  ['three times', { times: 3 }, 3],
  ['once', { repeat: 'once' }, 1],
] as const)
  test(`animated SVG, ${name}: a first round with poses, lines, order and opacity as the evaluator has it`, async ({
    page,
  }) => {
    await page.setViewportSize(SMALL);
    const scene = first(clock);
    const led = leadInOf(scene);
    expect(led).toBe(2);
    const times = calm(scene, rounds);
    expect(times.filter((time) => time < 0).length).toBeGreaterThan(2);
    const { text } = await write(scene, 'animated-svg');
    const pictures = await drawingAt(
      page,
      text,
      times.map((time) => time + led),
    );
    expect(await worstShare(page, scene, times, pictures)).toBeLessThan(0.002);
    // What comes is somewhere else in the loop: a first round that was left out would be noticed.
    expect(
      await differingShare(page, [
        pictures[times.findIndex((time) => time < 0)]!,
        pictures[times.findIndex((time) => time > 0)]!,
      ]),
    ).toBeGreaterThan(0.004);
  });

test('a module plays a first round as the evaluator has it', async ({ page }) => {
  await page.setViewportSize(SMALL);
  const scene = first();
  const times = calm(scene, 1);
  const said = await hostPage(
    page,
    scene,
    `(() => { const made = mount(document.querySelector('#here')); made.pause(); return made; })()`,
  );
  const pictures: Buffer[] = [];
  for (const time of times) {
    await page.evaluate(`made.seek(${time})`);
    await page.evaluate(async () => {
      for (let i = 0; i < 2; i++) await new Promise(requestAnimationFrame);
    });
    pictures.push(await page.screenshot());
  }
  expect(said).toEqual([]);
  await page.unrouteAll();
  await page.goto('about:blank');
  expect(await worstShare(page, scene, times, pictures)).toBeLessThan(0.002);
});

test('copies that follow each other are hidden until they start, one comes only the first time: made on the cards, played, sent', async ({
  page,
}) => {
  const lap = [
    { time: 0, place: at('l1') },
    { time: 4, place: at('l1', 1) },
  ];
  await openScene(
    page,
    sceneOf({
      art: [art('box', '#0B7A75'), art('red', '#A3471F')],
      guides: [LOOPS, LINE],
      riders: [
        riderOn('boat', 'loops', lap),
        riderOn('gull', 'line', [
          { time: 0, place: at('a') },
          { time: 3, place: at('c') },
        ]),
      ],
    }),
  );
  const fill = async (field: string, value: string): Promise<void> => {
    await page.getByRole('textbox', { name: field, exact: true }).fill(value);
    await page.keyboard.press('Enter');
  };
  const choose = async (list: string, option: string): Promise<void> => {
    await page.getByRole('combobox', { name: list, exact: true }).click();
    await page.getByRole('option', { name: option, exact: true }).click();
  };
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Enter');
  await page.locator('[data-card=rider] .card-head').click();
  await addTo(page, 'rider', 'Copies along the guide');
  await fill('Number along the guide', '4');
  await page.getByRole('group', { name: 'Spacing' }).getByRole('button', { name: 'one after another' }).click();
  await fill('Delay each', '0.8');
  await page.getByRole('group', { name: 'Hidden before' }).getByRole('button', { name: 'yes' }).click();
  await choose('Art in turn with its own', 'red');
  await page.getByRole('button', { name: 'Create' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('.');
  await page.mouse.click(...(await canvasAt(page, 140, 300)));
  await page.locator('.mark').first().focus();
  await page.keyboard.press('Enter');
  await page.locator('[data-card=pace] .card-head').click();
  await addTo(page, 'pace', 'First round');
  await choose('First round', 'plays once, before the loop');
  await expect(page.getByText('The lead-in takes 4 s (1 loop).')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  const scene = await savedScene(page);
  expect(scene.riders.map(({ art: shown, pace: { only, hidden, delay } }) => [shown, only, hidden, delay])).toEqual([
    ['box', false, false, 0],
    ['red', false, true, 0.8],
    ['box', false, true, 1.6],
    ['red', false, true, expect.closeTo(2.4, 9)],
    ['box', true, false, 0],
  ]);
  // On the canvas: while the lead-in plays they come into view one after the other, and stay.
  const unseen = page.locator('.riders g[opacity="0"]');
  await expect(unseen).toHaveCount(0);
  await page.getByRole('button', { name: 'Play the lead-in' }).click();
  const counts: number[] = [];
  await expect.poll(async () => counts[counts.push(await unseen.count()) - 1], { intervals: [50] }).toBe(3);
  await expect.poll(async () => counts[counts.push(await unseen.count()) - 1], { intervals: [50] }).toBe(0);
  const after = counts.slice(counts.indexOf(3));
  expect(after).toEqual(after.toSorted((a, b) => b - a));
  await expect(page.locator('[data-readout=time]')).not.toHaveText(/^−/);
  expect(await unseen.count()).toBe(0);
  await page.keyboard.press('Space');
});
