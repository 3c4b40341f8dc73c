import { z } from '../../zod.ts';
import { writeScene } from '../../scene/index.ts';
import { FEATURES } from '../features.ts';
import type { Format } from '../format.ts';
import { writeFile } from '../sink.ts';
import { fileStem } from '../text.ts';

const options = z.object({});

/** The scene itself, to be edited again. */
export const sceneFile: Format<'scene', typeof options> = {
  id: 'scene',
  name: 'Scene',
  group: 'data',
  about: 'The scene itself: to be kept, handed on and edited again.',
  extension: 'paceline.json',
  type: 'application/json',
  options,
  needs: 'scene',
  holds: FEATURES,
  write: (scene, _, sink) =>
    writeFile(sink, `${fileStem(scene.name)}.paceline.json`, 'application/json', writeScene(scene)),
};
