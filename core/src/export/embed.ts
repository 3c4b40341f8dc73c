import type { Scene } from '../scene/index.ts';
import { escapeMarkup, formatNumber } from './text.ts';

/** What puts a format's files into a page. */
type Embed = (scene: Scene, files: readonly string[]) => string;

const size = ({ canvas }: Scene): readonly [string, string] => [
  formatNumber(canvas.width, 3),
  formatNumber(canvas.height, 3),
];

/** A picture that plays by itself. */
export const imageElement: Embed = (scene, [file = '']) => {
  const [w, h] = size(scene);
  return `<img src="${escapeMarkup(file)}" width="${w}" height="${h}" alt="${escapeMarkup(scene.name)}">`;
};

/** A film without sound that loops. */
export const videoElement: Embed = (scene, [file = '']) => {
  const [w, h] = size(scene);
  return `<video src="${escapeMarkup(file)}" width="${w}" height="${h}" autoplay loop muted playsinline aria-label="${escapeMarkup(scene.name)}"></video>`;
};

/** A page in a frame, which may run its script and nothing else. */
export const frameElement: Embed = (scene, [file = '']) => {
  const [w, h] = size(scene);
  return `<iframe src="${escapeMarkup(file)}" title="${escapeMarkup(scene.name)}" sandbox="allow-scripts" style="width:100%;aspect-ratio:${w}/${h};border:0"></iframe>`;
};

/** A module that is mounted on an element. */
export const mountedModule: Embed = (_, [file = '']) =>
  `<div id="loop"></div>\n<script type="module">\n  import { mount } from './${file}';\n  mount(document.querySelector('#loop'));\n</script>`;
