import { scrollOf } from '../drive/index.ts';
import type { Scene } from '../scene/index.ts';
import { scaleOf } from './delivered.ts';
import { escapeMarkup, formatNumber } from './text.ts';

/** What puts a format's files into a page. */
type Embed = (scene: Scene, files: readonly string[], options: object) => string;

const size = ({ canvas }: Scene, options: object): readonly [string, string] => {
  const scale = scaleOf(options);
  return [formatNumber(canvas.width * scale, 3), formatNumber(canvas.height * scale, 3)];
};

/** A picture that plays by itself. */
export const imageElement: Embed = (scene, [file = ''], options) => {
  const [w, h] = size(scene, options);
  return `<img src="${escapeMarkup(file)}" width="${w}" height="${h}" alt="${escapeMarkup(scene.name)}">`;
};

/** A film without sound that loops. */
export const videoElement: Embed = (scene, [file = ''], options) => {
  const [w, h] = size(scene, options);
  return `<video src="${escapeMarkup(file)}" width="${w}" height="${h}" autoplay loop muted playsinline aria-label="${escapeMarkup(scene.name)}"></video>`;
};

/** What tells a page in a frame how far it has passed through the window: all of the script element before it in the snippet. */
export const PASSAGE_SCRIPT = `
(() => {
  const frame = document.currentScript.previousElementSibling;
  const tell = () => {
    const { top, height } = frame.getBoundingClientRect();
    frame.contentWindow.postMessage({ share: (innerHeight - top) / (innerHeight + height) }, '*');
  };
  frame.addEventListener('load', tell);
  addEventListener('scroll', tell, { capture: true, passive: true });
  addEventListener('resize', tell);
  tell();
})();
`;

/** By which a strict policy allows that script; a test takes it anew. */
export const PASSAGE_HASH = 'sha256-mp7Wf6OYe0BXeI9MzNAGAxCgXx6UsNN0uIGSBupZRHE=';

/** A page in a frame, which may run its script and nothing else. One that is scrolled past is told by the page around it how far it has passed. */
export const frameElement: Embed = (scene, [file = ''], options) => {
  const [w, h] = size(scene, options);
  const told = scrollOf(scene.driver)
    ? `\n<!-- A strict policy allows the script by '${PASSAGE_HASH}'. -->\n<script>${PASSAGE_SCRIPT}</script>`
    : '';
  return `<iframe src="${escapeMarkup(file)}" title="${escapeMarkup(scene.name)}" sandbox="allow-scripts" style="width:100%;aspect-ratio:${w}/${h};border:0;color-scheme:light"></iframe>${told}`;
};

/** A module that is mounted on an element. */
export const mountedModule: Embed = (_, [file = '']) =>
  `<div id="loop"></div>\n<script type="module">\n  import { mount } from './${file}';\n  mount(document.querySelector('#loop'));\n</script>`;
