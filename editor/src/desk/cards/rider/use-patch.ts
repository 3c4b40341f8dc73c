import { setRider, type Rider } from '@pace-line/core';
import { useDesk } from '../../context.ts';
import { changeEach, useChosen, withinBehaviour, type Behaviour } from '../several.ts';

/** Changes constants of a rider, or of all that are selected, as one step of undo. */
export type Patch = (label: string, next: Parameters<typeof setRider>[1]['patch']) => void;

export function usePatch(rider: Rider): Patch {
  const desk = useDesk();
  const chosen = useChosen(rider);
  return (label, patch) => changeEach(desk, label, chosen, (scene, { id }) => setRider(scene, { id, patch }));
}

/** Changes values of one behaviour of a rider, or of all that are selected and have it: each keeps the others of its own. */
export function usePatchOf<K extends Behaviour>(
  rider: Rider,
  of: K,
): (label: string, next: Partial<NonNullable<Rider[K]>>) => void {
  const desk = useDesk();
  const chosen = useChosen(rider);
  return (label, next) => changeEach(desk, label, chosen, (scene, one) => withinBehaviour(scene, one, of, next));
}
