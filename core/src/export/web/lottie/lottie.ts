import { z } from '../../../zod.ts';
import { runsByTime } from '../../../drive/index.ts';
import { artById, pictureOf, posesOf, type Scene } from '../../../scene/index.ts';
import { CARRY } from '../../carry.ts';
import { FINENESS } from '../../delivered.ts';
import { DRAWN } from '../../features.ts';
import type { Format } from '../../format.ts';
import { writeFile } from '../../sink.ts';
import { fileStem, pageJson } from '../../text.ts';
import { drawnLayers, paperLayer, type Layers } from './layers.ts';
import { shapesOf } from './shapes.ts';
import { rounded } from './values.ts';

const options = z.object({
  background: z.boolean().default(true).describe('Paint the canvas’s background'),
  ...FINENESS,
  ...CARRY,
});

/** The version of the format that is written: what is used of it is in every player since. */
const VERSION = '5.5.2';

/** Vector animation as JSON after the open specification: keys with cubic timing, art as shapes, what shapes cannot hold as images. */
export const lottie: Format<'take', typeof options> = {
  id: 'lottie',
  name: 'Lottie',
  group: 'web',
  about: 'Shapes and keys as JSON of the open specification, for the players of apps and pages.',
  extension: 'json',
  type: 'application/json',
  options,
  needs: 'take',
  holds: [...DRAWN, 'dashes-while-drawn'],
  notes: (scene) => [...imagesOf(scene), ...repeatsOf(scene)],
  embed: (_, [file = '']) =>
    `import lottie from 'lottie-web';\n\nlottie.loadAnimation({ container: document.querySelector('#loop'), path: './${file}' });`,
  write(take, { background }, sink) {
    const { width, height, background: paper } = take.canvas;
    const { fps } = take;
    const end = rounded(take.length * fps, 3);
    const layers: Layers = { take, fps, end, list: [], images: new Map(), views: new Map() };
    if (background && paper !== null) paperLayer(layers, paper);
    drawnLayers(layers);
    const file = {
      v: VERSION,
      fr: fps,
      ip: 0,
      op: end,
      w: rounded(width, 3),
      h: rounded(height, 3),
      nm: take.name,
      ddd: 0,
      assets: [...layers.images.values()].map(({ asset }) => asset),
      // The foremost first.
      layers: [...layers.list].reverse(),
    };
    return writeFile(sink, `${fileStem(take.name)}.lottie.json`, 'application/json', `${pageJson(file)}\n`);
  },
};

/** What is an image in it, and why. */
function imagesOf(scene: Scene): string[] {
  const used = new Set(scene.riders.filter(({ output }) => output).map(({ art }) => art));
  const found = [...used].flatMap((id) => {
    const art = artById(scene, id);
    if (!art) return [];
    const whys = Array.from({ length: posesOf(art) }, (_, i) => {
      const picture = pictureOf(art, i + 1);
      const made = picture && shapesOf(picture);
      return made && !made.ok ? made.why : undefined;
    });
    const why = whys.find((one) => one !== undefined);
    return why === undefined ? [] : [`“${art.name}”, as ${why}`];
  });
  if (found.length === 0) return [];
  return [`Images in it, not shapes: ${found.join('; ')}. Drawings among them are shown by players in browsers.`];
}

function repeatsOf({ clock, driver }: Scene): string[] {
  const isBounded = clock.repeat === 'once' || clock.times !== null || !runsByTime(driver);
  return isBounded ? ['How often it plays, and what drives it, is told to the player: the file does not hold it.'] : [];
}
