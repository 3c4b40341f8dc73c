import { readFileSync } from 'node:fs';

/** A way in which an output stands in a page. */
export interface Place {
  readonly name: string;
  /** What is sent. */
  readonly format: string;
  /** Options of the format. */
  readonly options?: object;
  /** The page, or the file itself where that is opened; `text`: what was sent, `file`: its address. */
  readonly page: (text: string, file: string) => string | undefined;
  /** Whether what is in it can be reached, so that its places are measured; else it is only seen to play. */
  readonly measured: boolean;
}

const page = (body: string): string =>
  `<!doctype html><meta charset="utf-8"><body style="margin:0;background:#fff">${body}</body>`;

const SVG = 'animated-svg';

/** A module on an element, told its times from without. */
const mounted = (module: string): string =>
  page(
    `<div id="here"></div><script type="module">${module}\nmount(document.getElementById('here'), { driver: 'none' });</script>`,
  );

/** An element as large as the rules say, with the class that they are for. */
function ruled(css: string): string {
  const [, width, height] = /box is ([\d.]+) by ([\d.]+) px/.exec(css) ?? [];
  const [, name] = /^\.([\w-]+) \{/m.exec(css) ?? [];
  return page(
    `<style>${css}</style><div class="${name}" style="width:${width}px;height:${height}px;background:#b33"></div>`,
  );
}

const PLAYER = readFileSync('node_modules/lottie-web/build/player/lottie_light.min.js', 'utf8');

const played = (json: string): string =>
  page(
    `<div id="here" style="width:1280px;height:720px"></div><script>${PLAYER}</script>` +
      `<script>lottie.loadAnimation({ container: document.getElementById('here'), renderer: 'svg', animationData: ${json} });</script>`,
  );

export const PLACES: readonly Place[] = [
  { name: 'as a file', format: SVG, page: () => undefined, measured: true },
  { name: 'inline', format: SVG, page: (svg) => page(svg), measured: true },
  { name: 'inline, light to play', format: SVG, options: { plays: 'light' }, page: (svg) => page(svg), measured: true },
  { name: 'inline, half as large', format: SVG, page: (svg) => page(scaled(svg, 0.5)), measured: true },
  { name: 'inline, twice as large', format: SVG, page: (svg) => page(scaled(svg, 2)), measured: true },
  { name: 'two in one page', format: SVG, page: (svg) => page(svg + svg), measured: true },
  {
    name: 'inline, among rules for all drawings',
    format: SVG,
    page: (svg) => page(`<style>svg *{transform-origin:center;transform-box:fill-box}</style>${svg}`),
    measured: true,
  },
  {
    name: 'in <object>',
    format: SVG,
    page: (_, file) => page(`<object data="${file}" type="image/svg+xml"></object>`),
    measured: true,
  },
  { name: 'in <img>', format: SVG, page: (_, file) => page(`<img src="${file}" alt="">`), measured: false },
  {
    name: 'as a background',
    format: SVG,
    page: (_, file) => page(`<div style="width:1280px;height:720px;background:url(${file})"></div>`),
    measured: false,
  },
  { name: 'a web page', format: 'web-page', page: (html) => html, measured: true },
  { name: 'a module on an element', format: 'module', page: mounted, measured: true },
  {
    name: 'a module on an element, light to play',
    format: 'module',
    options: { plays: 'light' },
    page: mounted,
    measured: true,
  },
  { name: 'rules on an element of one’s own', format: 'css', page: ruled, measured: false },
  { name: 'in a player', format: 'lottie', page: played, measured: false },
];

const scaled = (svg: string, factor: number): string =>
  svg.replace(
    /width="([\d.]+)" height="([\d.]+)"/,
    (_, w: string, h: string) => `width="${Number(w) * factor}" height="${Number(h) * factor}"`,
  );
