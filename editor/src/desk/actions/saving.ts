import { fileStem, missingPictures, rescued, writeScene, type Scene } from '@pace-line/core';
import { keepVersionOf } from '../../document/index.ts';
import { tell, warn } from '../../look/notices.tsx';
import { saveFile } from '../../platform/files.ts';
import { sceneOf, type Desk } from '../desk.ts';

/** Offers the scene as a file to keep. */
export function saveScene(desk: Desk): void {
  const scene = sceneOf(desk);
  const { text, cut } = fileOfScene(scene);
  saveFile(`${fileStem(scene.name)}.paceline.json`, 'application/json', text);
  if (cut.length > 0)
    warn(
      'The file leaves out part of the scene',
      `A file cannot hold all of it. ${cut.slice(0, 4).join('; ')}${cut.length > 4 ? ' …' : ''}.`,
    );
  const missing = missingPictures(scene).length;
  if (missing > 0)
    tell(`${missing} of its pictures ${missing === 1 ? 'is' : 'are'} missing, and not in the file either.`);
}

/** A scene's file, which can always be opened: where the scene is beyond what a file holds, cut to that; and what was cut. */
export function fileOfScene(scene: Scene): { readonly text: string; readonly cut: readonly string[] } {
  const { scene: kept, cut } = rescued(scene);
  return { text: writeScene(kept), cut };
}

/** Keeps the scene as it is before something is brought in. A browser that is full has said so already. */
export function keepBefore(desk: Desk): void {
  if (!desk.doc.state.readOnly) void keepVersionOf(desk.id, sceneOf(desk), 'import').catch(() => undefined);
}
