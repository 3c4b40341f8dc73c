import { fileStem, writeScene, type Scene } from '@pace-line/core';
import { keepVersionOf } from '../../document/index.ts';
import { saveFile } from '../../platform/files.ts';
import { sceneOf, type Desk } from '../desk.ts';

/** Offers the scene as a file to keep. */
export function saveScene(desk: Desk): void {
  const scene = sceneOf(desk);
  saveFile(`${fileStem(scene.name)}.paceline.json`, 'application/json', textOfScene(scene));
}

/** A scene's file; as it is where it is beyond what a file may hold: then it is not kept here either, and this is all there is of it. */
export function textOfScene(scene: Scene): string {
  try {
    return writeScene(scene);
  } catch {
    return JSON.stringify(scene, null, 2);
  }
}

/** Keeps the scene as it is before something is brought in. A browser that is full has said so already. */
export function keepBefore(desk: Desk): void {
  if (!desk.doc.state.readOnly) void keepVersionOf(desk.id, sceneOf(desk), 'import').catch(() => undefined);
}
