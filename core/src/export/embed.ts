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

/** A page in a frame, which may run its script and nothing else. */
export const frameElement: Embed = (scene, [file = ''], options) => {
  const [w, h] = size(scene, options);
  return `<iframe src="${escapeMarkup(file)}" title="${escapeMarkup(scene.name)}" sandbox="allow-scripts" style="width:100%;aspect-ratio:${w}/${h};border:0"></iframe>`;
};

/** A module that is mounted on an element. */
export const mountedModule: Embed = (_, [file = '']) =>
  `<div id="loop"></div>\n<script type="module">\n  import { mount } from './${file}';\n  mount(document.querySelector('#loop'));\n</script>`;
