import { fileURLToPath } from 'node:url';
import { expect, test, type Page } from '@playwright/test';
import { artById, prepare, type Scene } from '@pace-line/core';
import { WRITER_SCENES } from '../core/src/testing/scenes.ts';
import { SAMPLES } from '../samples/scenes.ts';
import { lineOn } from './carried-line.ts';
import { windowOn } from './carried-window.ts';
import { calmTimes, expectedCorners, tellingTimes, type Corners } from './motion.ts';
import { differingShare, drawingAt } from './pictures.ts';
import { write } from './writing.ts';

/** What is used here of the independent player. */
interface Player {
  goToAndStop(frame: number, isFrame: boolean): void;
  readonly totalFrames: number;
  readonly renderer: {
    readonly elements: readonly {
      readonly data: { readonly nm: string; readonly ty: number };
      readonly transformedElement?: SVGGElement;
    }[];
  };
}
interface PlayerWindow {
  readonly lottie: { loadAnimation(options: object): Player };
  player?: Player;
}

const PLAYER = fileURLToPath(new URL('../node_modules/lottie-web/build/player/lottie_svg.js', import.meta.url));

/** Loads a file into the player, stopped. */
async function load(page: Page, text: string, { width, height }: Scene['canvas']): Promise<void> {
  await page.setContent(
    `<!doctype html><body style="margin:0;background:#fff"><div id="here" style="width:${width}px;height:${height}px"></div></body>`,
  );
  await page.addScriptTag({ path: PLAYER });
  await page.evaluate((json) => {
    const here = window as unknown as PlayerWindow;
    here.player = here.lottie.loadAnimation({
      container: document.getElementById('here'),
      renderer: 'svg',
      loop: false,
      autoplay: false,
      animationData: JSON.parse(json) as object,
    });
  }, text);
}

const goTo = (page: Page, frame: number): Promise<void> =>
  page.evaluate((at) => (window as unknown as PlayerWindow).player!.goToAndStop(at, true), frame);

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
    await load(page, text, scene.canvas);
    const sent = scene.riders.map((rider, index) => ({ rider, index })).filter(({ rider }) => rider.output);
    const boxes = sent.map(({ rider }) => {
      const art = artById(scene, rider.art)!;
      return [rider.name, art.width, art.height] as const;
    });
    const motion = prepare(scene);
    let worst = 0;
    for (const time of lookTimes(scene)) {
      await goTo(page, time * scene.clock.fps);
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

const DRAWN = [
  ...SAMPLES,
  { file: 'a carried line', scene: lineOn(null) },
  { file: 'a carried line that is drawn', scene: lineOn('climber') },
  // The lead-in is not in it.
  ...(['inside', 'outside'] as const).map((keep) => ({
    file: `what is ${keep} of a carried guide`,
    scene: stayed(windowOn(keep)),
  })),
];

for (const { file, scene } of DRAWN)
  test(`lottie of ${file} looks like the animated SVG`, async ({ page }) => {
    const { width, height } = scene.canvas;
    await page.setViewportSize({ width, height });
    const times = calmTimes(prepare(scene), [0.07, 0.31, 0.52, 0.83]);
    const svg = await write(scene, 'animated-svg');
    const wanted = await drawingAt(page, svg.text, times);
    await load(page, (await write(scene, 'lottie')).text, scene.canvas);
    const shares: number[] = [];
    for (const [i, time] of times.entries()) {
      await goTo(page, time * scene.clock.fps);
      shares.push(await differingShare(page, [wanted[i]!, await page.screenshot()]));
    }
    expect(Math.max(...shares)).toBeLessThan(0.0005);
    expect(await differingShare(page, [wanted[0]!, wanted[1]!])).toBeGreaterThan(0.0005);
  });
