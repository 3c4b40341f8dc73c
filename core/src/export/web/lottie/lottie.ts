import { z } from '../../../zod.ts';
import { runsByTime } from '../../../drive/index.ts';
import { artById, pictureOf, posesOf, type Scene } from '../../../scene/index.ts';
import { CARRY } from '../../carry.ts';
import type { Take } from '../../../take/index.ts';
import { FINENESS } from '../../delivered.ts';
import { DRAWN } from '../../features.ts';
import type { Format } from '../../format.ts';
import { writeFile } from '../../sink.ts';
import { fileStem, pageJson } from '../../text.ts';
import { drawnLayers, paperLayer, type Layers } from './layers.ts';
import { partsOf } from './parts.ts';
import { rounded, type Json } from './values.ts';

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
    const layers: Layers = { take, fps, end, list: [], assets: new Map(), views: new Map() };
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
      markers: markersOf(take),
      assets: [...layers.assets.values()].map(({ asset }) => asset),
      // The foremost first.
      layers: [...layers.list].reverse(),
    };
    return writeFile(sink, `${fileStem(take.name)}.lottie.json`, 'application/json', `${pageJson(file)}\n`);
  },
};

/** The marks of riders as markers: named as in code, a rider's and the number of its mark. */
const markersOf = ({ marks, fps }: Take): Json =>
  marks.flatMap(({ code, times }) =>
    times.flatMap((all, i) => all.map((time): Json => ({ tm: rounded(time * fps, 3), cm: `${code} ${i + 1}`, dr: 0 }))),
  );

/** What is an image in it, and why. */
function imagesOf(scene: Scene): string[] {
  const used = new Set(scene.riders.filter(({ output }) => output).map(({ art }) => art));
  const said = [...used].flatMap((id) => {
    const art = artById(scene, id);
    if (!art) return [];
    const whys = Array.from({ length: posesOf(art) }, (_, i) => {
      const picture = pictureOf(art, i + 1);
      const parts = picture ? partsOf(picture).parts : [];
      const image = parts.find((part) => part.kind === 'image');
      return image && { why: image.why, isPart: parts.length > 1 };
    });
    const found = whys.find((one) => one !== undefined);
    return found ? [`${found.isPart ? 'a part of ' : ''}“${art.name}”, as ${found.why}`] : [];
  });
  if (said.length === 0) return [];
  return [`Images in it, not shapes: ${said.join('; ')}. Drawings among them are shown by players in browsers.`];
}

function repeatsOf({ clock, driver }: Scene): string[] {
  const isBounded = clock.repeat === 'once' || clock.times !== null || !runsByTime(driver);
  return isBounded ? ['How often it plays, and what drives it, is told to the player: the file does not hold it.'] : [];
}
