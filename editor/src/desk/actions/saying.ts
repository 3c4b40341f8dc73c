import { offerUndo, tell } from '../../look/notices.tsx';
import { sceneOf, type Desk } from '../desk.ts';

/** Says what was replaced or lost by the change that was just made, with a way back while nothing else was done. */
export function sayLost(desk: Desk, title: string): void {
  const after = sceneOf(desk);
  offerUndo(title, () => {
    if (sceneOf(desk) === after) desk.doc.undo();
    else tell('Something else was changed since. Undo goes back one step at a time.');
    return Promise.resolve();
  });
}
