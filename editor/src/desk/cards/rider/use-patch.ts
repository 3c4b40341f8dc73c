import { setRider, type Rider } from '@pace-line/core';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';

/** Changes a rider's constants as one step of undo. */
export type Patch = (label: string, next: Parameters<typeof setRider>[1]['patch']) => void;

export function usePatch({ id }: Rider): Patch {
  const desk = useDesk();
  return (label, patch) => change(desk, label, (scene) => setRider(scene, { id, patch }));
}
