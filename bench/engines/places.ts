/** A way in which an output stands in a page. */
export interface Place {
  readonly name: string;
  /** What is sent. */
  readonly format: string;
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

export const PLACES: readonly Place[] = [
  { name: 'as a file', format: SVG, page: () => undefined, measured: true },
  { name: 'inline', format: SVG, page: (svg) => page(svg), measured: true },
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
];

const scaled = (svg: string, factor: number): string =>
  svg.replace(
    /width="([\d.]+)" height="([\d.]+)"/,
    (_, w: string, h: string) => `width="${Number(w) * factor}" height="${Number(h) * factor}"`,
  );
