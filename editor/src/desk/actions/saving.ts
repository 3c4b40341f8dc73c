import { fileStem, writeScene } from '@pace-line/core';
import { saveFile } from '../../platform/files.ts';
import { sceneOf, type Desk } from '../desk.ts';

/** Offers the scene as a file to keep. */
export function saveScene(desk: Desk): void {
  const scene = sceneOf(desk);
  saveFile(`${fileStem(scene.name)}.paceline.json`, 'application/json', writeScene(scene));
}
