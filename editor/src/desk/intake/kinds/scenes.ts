import { looksLikeCollection } from '../../../document/index.ts';
import { isSceneFile } from '../../../platform/files.ts';
import { isCarrier, openSceneFile } from '../../../scene/new-scene.ts';
import type { FileKind } from './kind.ts';

const isScene = async (file: File): Promise<boolean> =>
  isSceneFile(file) && !looksLikeCollection(await file.slice(0, 400).text());

/** A scene becomes part of the open one while its art is looked at. */
export const setInScene: FileKind = {
  name: 'Pace Line files',
  accepts: async (file, { isArtOpen }) => isArtOpen && isScene(file),
  take: async (file, desk) => (await import('../scene.tsx')).setInFile(desk, file),
};

/** Else it is opened, as is a sent file that carries one. */
export const openedScene: FileKind = {
  name: 'Pace Line files',
  accepts: async (file) => (await isScene(file)) || isCarrier(file),
  take: openSceneFile,
};
