import { expect, test, type Page } from '@playwright/test';
import { artById, prepare, type Scene } from '@pace-line/core';
import { WRITER_SCENES } from '../core/src/testing/scenes.ts';
import { SAMPLES } from '../samples/scenes.ts';
import { lineOn } from './carried-line.ts';
import { windowOn } from './carried-window.ts';
import { calmTimes, expectedCorners, tellingTimes, type Corners } from './motion.ts';
import { partedScene } from './parted.ts';
import { differingShare, drawingAt } from './pictures.ts';
import { nativePlayer, webPlayer, type Loaded } from './players.ts';
import { write } from './writing.ts';

/** What is used here of the independent player. */
interface Player {
  readonly renderer: {
    readonly elements: readonly {
      readonly data: { readonly nm: string; readonly ty: number };
      readonly transformedElement?: SVGGElement;
    }[];
  };
}
interface PlayerWindow {
  player?: Player;
}

/** Where the corners of each rider's art are shown, by its name. */
const corners = (page: Page, boxes: readonly (readonly [string, number, number])[]): Promise<Corners[]> =>
  page.evaluate((list) => {
    const { elements } = (window as unknown as PlayerWindow).player!.renderer;
    return list.map(([name, width, height]) => {
      const matrix = elements
        .find(({ data }) => data.nm === name && data.ty === 4)!
        .transformedElement!.getScreenCTM()!;
      return [
        [0, 0],
        [width, 0],
        [0, height],
        [width, height],
      ].map(([x = 0, y = 0]) => {
        const point = new DOMPoint(x, y).matrixTransform(matrix);
        return [point.x, point.y] as const;
      });
    });
  }, boxes);

/** Times at which a look is telling, but for those within a thousandth of a frame of an event: jumps' keys stand there. */
function lookTimes(scene: Scene): number[] {
  const motion = prepare(scene);
  const events = motion.riders.flatMap((rider) => rider.events(0, motion.length));
  return tellingTimes(motion).filter((time) =>
    events.every((event) => Math.abs(event - time) * scene.clock.fps >= 0.002),
  );
}

for (const [name, scene] of Object.entries(WRITER_SCENES))
  test(`lottie of ${name} plays in an independent player as on the Desk`, async ({ page }) => {
    await page.setViewportSize({ width: scene.canvas.width, height: scene.canvas.height });
    const { text } = await write(scene, 'lottie');
    const player = await webPlayer(page, text, scene.canvas);
    const sent = scene.riders.map((rider, index) => ({ rider, index })).filter(({ rider }) => rider.output);
    const boxes = sent.map(({ rider }) => {
      const art = artById(scene, rider.art)!;
      return [rider.name, art.width, art.height] as const;
    });
    const motion = prepare(scene);
    let worst = 0;
    for (const time of lookTimes(scene)) {
      await player.goTo(time * scene.clock.fps);
      const shown = await corners(page, boxes);
      sent.forEach(({ index }, i) => {
        const at = (when: number): number =>
          Math.max(
            ...expectedCorners(scene, motion, index, when).map(([x, y], k) =>
              Math.hypot(x - shown[i]![k]![0], y - shown[i]![k]![1]),
            ),
          );
        worst = Math.max(worst, at(time));
      });
    }
    expect(worst).toBeLessThan(0.5);
  });

const stayed = (scene: Scene): Scene => ({
  ...scene,
  riders: scene.riders.map((rider) => ({ ...rider, entrance: null })),
});

const BESIDE_SAMPLES = [
  { file: 'a carried line', scene: lineOn(null) },
  { file: 'a carried line that is drawn', scene: lineOn('climber') },
  // The lead-in is not in it.
  ...(['inside', 'outside'] as const).map((keep) => ({
    file: `what is ${keep} of a carried guide`,
    scene: stayed(windowOn(keep)),
  })),
];

/** The largest share of pixels in which a player shows a scene otherwise than its drawing has it. */
async function worstShare(
  page: Page,
  scene: Scene,
  load: (...given: Parameters<typeof nativePlayer>) => Promise<Loaded>,
  drawn = scene,
): Promise<number> {
  const { width, height } = scene.canvas;
  await page.setViewportSize({ width, height });
  const times = calmTimes(prepare(scene), [0.07, 0.31, 0.52, 0.83]);
  const svg = await write(drawn, 'animated-svg');
  const wanted = await drawingAt(page, svg.text, times);
  expect(await differingShare(page, [wanted[0]!, wanted[1]!])).toBeGreaterThan(0.0005);
  const player = await load(page, (await write(scene, 'lottie')).text, scene.canvas);
  const shares: number[] = [];
  for (const [i, time] of times.entries()) {
    await player.goTo(time * scene.clock.fps);
    shares.push(await differingShare(page, [wanted[i]!, await page.screenshot()]));
  }
  return Math.max(...shares);
}

for (const { file, scene } of [...SAMPLES, ...BESIDE_SAMPLES, { file: 'drawings in parts', scene: partedScene }])
  test(`lottie of ${file} looks like the animated SVG`, async ({ page }) => {
    expect(await worstShare(page, scene, webPlayer)).toBeLessThan(0.0005);
  });

const SOME_SAMPLES = SAMPLES.filter(({ file }) => /^(?:down-the-canal|tea-order|kite)/.test(file));

for (const { file, scene } of [...SOME_SAMPLES, ...BESIDE_SAMPLES]) {
  test(`so does ${file} on the canvas of that player`, async ({ page }) => {
    expect(await worstShare(page, scene, (...given) => webPlayer(...given, 'canvas'))).toBeLessThan(0.0005);
  });
  test(`so does ${file} in a player of another make`, async ({ page }) => {
    expect(await worstShare(page, scene, nativePlayer)).toBeLessThan(0.0005);
  });
}

test('outside of browsers, of a drawing with text its shapes and clips are shown, and the text alone is not', async ({
  page,
}) => {
  const silent: Scene = {
    ...partedScene,
    art: partedScene.art.map((art) =>
      art.kind === 'svg' ? { ...art, markup: art.markup.replace(/<text.*?<\/text>/, '') } : art,
    ),
  };
  expect(await worstShare(page, partedScene, nativePlayer, silent)).toBeLessThan(0.0005);
  expect(await worstShare(page, partedScene, nativePlayer)).toBeGreaterThan(0.0005);
});
