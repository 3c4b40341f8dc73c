import { sceneOf, type Desk } from '../desk.ts';
import { useDeskView } from '../view.ts';
import { change } from './change.ts';

/** The key of a ghost that is held by hand; others are versions. */
const HELD = '·held';

const { getState } = useDeskView;

/** Holds the scene as it is now as a ghost, that moves with what is made of it; where one is held it is let go. */
export function holdGhost(desk: Desk): void {
  getState().set({ ghost: getState().ghost ? null : { key: HELD, scene: sceneOf(desk) } });
}

/** The ghost becomes the scene, and the scene the ghost: one step of undo. */
export function swapGhost(desk: Desk): void {
  const { ghost, set } = getState();
  if (!ghost || desk.doc.refuses()) return;
  const now = sceneOf(desk);
  change(desk, 'Swap with the ghost', () => ghost.scene);
  set({ ghost: { key: HELD, scene: now } });
}
