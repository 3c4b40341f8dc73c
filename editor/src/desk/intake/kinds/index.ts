import { collection, points } from './guides.ts';
import type { FileKind } from './kind.ts';
import { drawing, rasterArt, tracing } from './pictures.ts';
import { openedScene, setInScene } from './scenes.ts';

/** Every kind of file that the Desk takes in, in the order in which they are asked: the first that accepts it has it. */
export const FILE_KINDS: readonly FileKind[] = [
  setInScene,
  openedScene,
  points,
  rasterArt,
  tracing,
  drawing,
  collection,
];
