import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import type { Scene } from '@pace-line/core';

const WEB = {
  svg: fileURLToPath(new URL('../node_modules/lottie-web/build/player/lottie_svg.js', import.meta.url)),
  canvas: fileURLToPath(new URL('../node_modules/lottie-web/build/player/lottie_canvas.js', import.meta.url)),
};
const NATIVE = {
  js: fileURLToPath(new URL('../node_modules/canvaskit-wasm/bin/full/canvaskit.js', import.meta.url)),
  wasm: fileURLToPath(new URL('../node_modules/canvaskit-wasm/bin/full/canvaskit.wasm', import.meta.url)),
};

/** A player of animations in JSON, on a page of its own. */
export interface Loaded {
  /** Shows a frame, which may be between two. */
  goTo(frame: number): Promise<void>;
}

interface WebPlayer {
  goToAndStop(frame: number, isFrame: boolean): void;
}
interface WebWindow {
  readonly lottie: { loadAnimation(options: object): WebPlayer };
  player?: WebPlayer;
}

/** The page's own player of the format, written in JavaScript, by either of its renderers. */
export async function webPlayer(
  page: Page,
  text: string,
  { width, height }: Scene['canvas'],
  renderer: keyof typeof WEB = 'svg',
): Promise<Loaded> {
  await page.setContent(
    `<!doctype html><body style="margin:0;background:#fff"><div id="here" style="width:${width}px;height:${height}px"></div></body>`,
  );
  await page.addScriptTag({ path: WEB[renderer] });
  await page.evaluate(
    ({ json, by }) => {
      const here = window as unknown as WebWindow;
      here.player = here.lottie.loadAnimation({
        container: document.getElementById('here'),
        renderer: by,
        loop: false,
        autoplay: false,
        animationData: JSON.parse(json) as object,
      });
    },
    { json: text, by: renderer },
  );
  return {
    goTo: (frame) => page.evaluate((at) => (window as unknown as WebWindow).player!.goToAndStop(at, true), frame),
  };
}

interface NativeAnimation {
  seekFrame(frame: number): void;
  render(on: unknown, into: unknown): void;
}
interface NativeKit {
  MakeManagedAnimation(json: string): NativeAnimation | null;
  MakeSWCanvasSurface(canvas: HTMLElement): { getCanvas(): { clear(color: unknown): void }; flush(): void };
  LTRBRect(left: number, top: number, right: number, bottom: number): unknown;
  readonly WHITE: unknown;
}
interface NativeWindow {
  CanvasKitInit(options: { locateFile: (file: string) => string }): Promise<NativeKit>;
  shown?: (frame: number) => void;
}

const AT = 'http://player.test';

/** A player of another make, in C++, as apps have it: its own reader and its own painter. */
export async function nativePlayer(page: Page, text: string, { width, height }: Scene['canvas']): Promise<Loaded> {
  await page.route(`${AT}/**`, (route) => {
    const asked = route.request().url();
    if (asked.endsWith('.js')) return route.fulfill({ path: NATIVE.js, contentType: 'text/javascript' });
    if (asked.endsWith('.wasm')) return route.fulfill({ path: NATIVE.wasm, contentType: 'application/wasm' });
    const canvas = `<canvas id="here" width="${width}" height="${height}" style="display:block"></canvas>`;
    return route.fulfill({
      contentType: 'text/html',
      body: `<!doctype html><body style="margin:0;background:#fff">${canvas}<script src="canvaskit.js"></script></body>`,
    });
  });
  await page.goto(`${AT}/`);
  await page.evaluate(
    async ({ json, w, h }) => {
      const here = window as unknown as NativeWindow;
      const kit = await here.CanvasKitInit({ locateFile: (file) => `/${file}` });
      const animation = kit.MakeManagedAnimation(json);
      if (!animation) throw new Error('the player does not take the file');
      const surface = kit.MakeSWCanvasSurface(document.getElementById('here')!);
      here.shown = (frame) => {
        animation.seekFrame(frame);
        surface.getCanvas().clear(kit.WHITE);
        animation.render(surface.getCanvas(), kit.LTRBRect(0, 0, w, h));
        surface.flush();
      };
    },
    { json: text, w: width, h: height },
  );
  return { goTo: (frame) => page.evaluate((at) => (window as unknown as NativeWindow).shown!(at), frame) };
}
