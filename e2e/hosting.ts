import type { Page } from '@playwright/test';
import { formatById, memorySink, QUIET_RUN, send, textOf, type Scene } from '@pace-line/core';

/** The files of a scene in a format, as texts by their names. */
export async function filesOf(scene: Scene, id: string, options: object = {}): Promise<ReadonlyMap<string, string>> {
  const format = formatById(id)!;
  const { sink, files } = memorySink();
  await send(scene, format, format.options.parse(options), sink, QUIET_RUN);
  return new Map(files.map((file) => [file.name, textOf(file)]));
}

/** What a page that hosts a module has. */
export interface Global {
  made: {
    play: () => void;
    pause: () => void;
    seek: (seconds: number) => void;
    setProgress: (share: number) => void;
    destroy: () => void;
    readonly time: number;
    element: SVGSVGElement;
  };
}

/** What a page says of drawings that are not its own, and by which policy it stands. */
export interface Host {
  readonly style?: string;
  readonly policy?: string;
  /** Options of the module. */
  readonly options?: object;
}

/** A page of somebody's own into which a scene's module is put: under a policy of its own origin, styled against it. */
export async function hostPage(
  page: Page,
  scene: Scene,
  mount: string,
  body = '<div id="here"></div>',
  {
    style = 'svg *{transform-origin:center;transform-box:fill-box}svg{max-width:100%}',
    policy = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src data:",
    options = {},
  }: Host = {},
): Promise<string[]> {
  const said: string[] = [];
  page.on('console', (message) => said.push(message.text()));
  page.on('pageerror', (error) => said.push(error.message));
  const files = await filesOf(scene, 'module', options);
  const [text = ''] = files.values();
  const html = `<!doctype html><link rel="stylesheet" href="/host.css"><body>${body}
<script type="module" src="/host.js"></script>`;
  await page.route('http://host.test/**', (route) => {
    const path = new URL(route.request().url()).pathname;
    if (path === '/loop.js') return route.fulfill({ body: text, contentType: 'text/javascript' });
    if (path === '/host.css') return route.fulfill({ body: `body{margin:0}${style}`, contentType: 'text/css' });
    if (path === '/host.js')
      return route.fulfill({
        body: `import { mount } from '/loop.js';\nglobalThis.made = ${mount};`,
        contentType: 'text/javascript',
      });
    return route.fulfill({ body: html, contentType: 'text/html', headers: { 'content-security-policy': policy } });
  });
  await page.goto('http://host.test/');
  await page.waitForFunction(() => 'made' in globalThis);
  return said;
}
