import { expect, test, type Page } from '@playwright/test';
import { POSE, prepare, type Scene } from '@pace-line/core';
import { findingsOf } from '@pace-line/core/findings';
import { canvasAt, dropFile, newScene, savedScene } from './desk.ts';

/** A track between two ellipses, and two who race on it. */
const ASPHALT = 'M80 360a560 300 0 1 1 1120 0a560 300 0 1 1 -1120 0ZM320 360a320 130 0 1 0 640 0a320 130 0 1 0 -640 0Z';
const TRACK = `<svg xmlns="http://www.w3.org/2000/svg" width="1280" height="720"><rect width="1280" height="720" fill="#dfe8d8"/><path id="asphalt" fill-rule="evenodd" fill="#777" d="${ASPHALT}"/></svg>`;
const SLED = 'M0 5H40L58 17L40 29H0Z';
const sled = (fill: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="58" height="34"><path fill="${fill}" d="${SLED}"/></svg>`;

const card = (page: Page) => page.locator('.card[data-card="checks"]');

/** A place on the track: so many degrees from its lowest place, on an ellipse of that width and height. */
function placeAt(degrees: number, rx: number, ry: number): [number, number] {
  const angle = ((90 + degrees) * Math.PI) / 180;
  return [640 + rx * Math.cos(angle), 360 + ry * Math.sin(angle)];
}

/** Sets a racer down at 0, 0.5, 1.5, 2.5, 3.5 and 4.5 s, and at the end where it began. */
async function setDown(page: Page, places: readonly (readonly [number, number])[]): Promise<void> {
  await page.keyboard.press('Home');
  await page.keyboard.press('5');
  let from: readonly [number, number] = [640, 360];
  const put = async (to: readonly [number, number] | undefined): Promise<void> => {
    if (!to) return;
    await page.mouse.move(...(await canvasAt(page, ...from)));
    await page.mouse.down();
    await page.mouse.move(...(await canvasAt(page, ...to)), { steps: 4 });
    await page.mouse.up();
    from = to;
  };
  await put(places[0]);
  for (let i = 1; i < places.length; i++) {
    for (let k = 0; k < (i === 1 ? 15 : 30); k++) await page.keyboard.press('.');
    await put(places[i]);
  }
  await page.keyboard.press('End');
  await put(places[0]);
}

/** The racer that is selected follows its guide with its nose, and stays within the asphalt. */
async function holdToTrack(page: Page): Promise<void> {
  await page.getByRole('combobox', { name: 'Orientation' }).click();
  await page.getByRole('option', { name: 'along', exact: true }).click();
  await page.keyboard.press('Control+k');
  await page.getByRole('textbox', { name: 'Find anything' }).fill('stays within an area');
  await page.keyboard.press('Enter');
  await page.getByRole('combobox', { name: 'Area to stay within' }).click();
  await page.getByRole('option', { name: 'painted by Track' }).click();
  await page.getByRole('combobox', { name: 'Part of the drawing' }).click();
  await page.getByRole('option', { name: 'asphalt' }).click();
}

type Span = readonly [from: number, to: number];

interface Truth {
  /** Looks, and for each how many half px both cover, and each covers beside the asphalt. */
  readonly times: readonly number[];
  readonly both: readonly number[];
  readonly beside: Readonly<Record<string, readonly number[]>>;
}

const LOOKS = 1000;

/** What the browser paints of both, look by look, at two px a px: how much of one covers the other, or lies beside the track. */
async function painted(page: Page, scene: Scene): Promise<Truth> {
  const motion = prepare(scene);
  const times = Array.from({ length: LOOKS }, (_, k) => (motion.length * k) / LOOKS);
  const matricesOf = (name: string): number[][] => {
    const { id } = scene.riders.find((rider) => rider.name === name)!;
    return times.map((time) =>
      Array.from(
        motion
          .rider(id)!
          .poseAt(time)
          .slice(POSE.a, POSE.a + 6),
      ),
    );
  };
  const found = await page.evaluate(
    ({ red, blue, shape, asphalt }) => {
      const size = 200;
      const canvas = document.createElement('canvas');
      canvas.width = canvas.height = size;
      const context = canvas.getContext('2d', { willReadFrequently: true })!;
      const [body, ground] = [new Path2D(shape), new Path2D(asphalt)];
      const count = (of: number[], how: GlobalCompositeOperation, other: number[] | null): number => {
        const left = of[4]! - size / 4;
        const top = of[5]! - size / 4;
        const paint = (m: number[] | null): void => {
          context.setTransform(2, 0, 0, 2, -2 * left, -2 * top);
          if (m) context.transform(m[0]!, m[1]!, m[2]!, m[3]!, m[4]!, m[5]!);
          context.fill(m ? body : ground, m ? 'nonzero' : 'evenodd');
        };
        context.setTransform(1, 0, 0, 1, 0, 0);
        context.globalCompositeOperation = 'source-over';
        context.clearRect(0, 0, size, size);
        paint(of);
        context.globalCompositeOperation = how;
        paint(other);
        let sum = 0;
        const { data } = context.getImageData(0, 0, size, size);
        for (let i = 3; i < data.length; i += 4) if (data[i]! > 127) sum++;
        return sum;
      };
      return {
        both: red.map((one, k) => count(one, 'destination-in', blue[k]!)),
        red: red.map((one) => count(one, 'destination-out', null)),
        blue: blue.map((one) => count(one, 'destination-out', null)),
      };
    },
    { red: matricesOf('Red'), blue: matricesOf('Blue'), shape: SLED, asphalt: ASPHALT },
  );
  return { times, both: found.both, beside: { Red: found.red, Blue: found.blue } };
}

/** Quarter px² from which on something is seen to lie on another, or beside: an edge that only touches leaves a few. */
const SEEN = 24;

/** s: how far from the beginning or end of a finding what is painted may be too little to be told. */
const NEAR = 0.04;

const isIn = (spans: readonly Span[], time: number, within: number): boolean =>
  spans.some(([from, to]) => time > from - within && time < to + within);

/** Every look at which something is painted lies in what was found, and in the midst of what was found something is painted. */
function compare(what: string, { times }: Truth, amounts: readonly number[], spans: readonly Span[]): void {
  const missed = times.filter((time, k) => amounts[k]! > SEEN && !isIn(spans, time, 0.005));
  expect(missed, `${what}: painted and not found`).toEqual([]);
  const invented = times.filter((time, k) => amounts[k] === 0 && isIn(spans, time, -NEAR));
  expect(invented, `${what}: found and not painted`).toEqual([]);
}

const idOf = (scene: Scene, name: string): string => scene.riders.find((rider) => rider.name === name)!.id;

function compareAll(scene: Scene, truth: Truth): void {
  const wrong = findingsOf(scene).filter(({ holds }) => !holds);
  const spansOf = (check: string, id?: string): readonly Span[] =>
    wrong.filter((one) => one.check === check && (!id || one.riders.includes(id))).flatMap(({ spans }) => spans);
  compare('overlap', truth, truth.both, spansOf('clearance'));
  for (const name of ['Red', 'Blue'])
    compare(`${name} beside the track`, truth, truth.beside[name]!, spansOf('corridor', idOf(scene, name)));
}

/** Presses that put something right, at most: what was wrong at eight places is right by then. */
const MOST_PRESSES = 30;

/** Puts right what the card offers: a change that is enough, else what is enough but for something else, else what comes nearest. */
async function putRight(page: Page): Promise<string[]> {
  const taken: string[] = [];
  for (let k = 0; k < MOST_PRESSES; k++) {
    await expect(card(page)).toHaveAttribute('aria-busy', 'false', { timeout: 30_000 });
    const mend = card(page).locator('.mends').getByRole('button', { name: 'match its speeds' });
    const ask = card(page).getByRole('button', { name: 'put it right…' });
    if ((await mend.count()) > 0) {
      taken.push('match its speeds');
      await mend.first().click();
      continue;
    }
    if ((await ask.count()) === 0) break;
    await ask.first().click();
    const offers = card(page).locator('.offer');
    await expect(offers.first()).toBeVisible({ timeout: 90_000 });
    taken.push((await offers.last().textContent()) ?? '');
    await offers.last().click();
    await expect(offers).toHaveCount(0);
  }
  return taken;
}

test('a race that is set down by hand: what the browser paints wrong is found, nothing else, and put right by offers alone', async ({
  page,
}) => {
  test.setTimeout(600_000);
  await newScene(page);
  await page.getByRole('textbox', { name: 'Duration' }).fill('5');
  await page.keyboard.press('Enter');
  await dropFile(page, 'track.svg', 'image/svg+xml', TRACK);
  await page.getByRole('button', { name: 'Park Track on the canvas' }).click();
  for (const [name, fill, degrees, rx, ry] of [
    ['Red', '#c33', [0, 36, 108, 180, 252, 324], 465, 235],
    ['Blue', '#36c', [-15, 25, 110, 195, 270, 325], 415, 210],
  ] as const) {
    await dropFile(page, `${name.toLowerCase()}.svg`, 'image/svg+xml', sled(fill));
    await page.getByRole('button', { name: `Park ${name} on the canvas` }).click();
    await setDown(
      page,
      degrees.map((one) => placeAt(one, rx, ry)),
    );
    await holdToTrack(page);
  }
  const before = await savedScene(page);
  const truth = await painted(page, before);
  expect(Math.max(...truth.both), 'they overlap').toBeGreaterThan(SEEN);
  expect(Math.max(...truth.beside['Blue']!), 'one leaves the track').toBeGreaterThan(SEEN);
  compareAll(before, truth);
  const taken = await putRight(page);
  expect(taken.length, taken.join('; ')).toBeLessThan(12);
  await expect(card(page)).toContainText('no findings');
  const after = await savedScene(page);
  const left = await painted(page, after);
  expect(Math.max(...left.both)).toBeLessThanOrEqual(SEEN);
  for (const name of ['Red', 'Blue']) expect(Math.max(...left.beside[name]!)).toBeLessThanOrEqual(SEEN);
});
