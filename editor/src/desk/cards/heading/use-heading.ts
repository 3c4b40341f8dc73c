import { setHeading, type Heading, type Rider } from '@pace-line/core';
import { useDesk } from '../../context.ts';
import { changeEach, useChosen } from '../several.ts';

/** Changes some of the heading of a rider, or of all that are selected, as one step of undo. */
export function useHeading(rider: Rider): (label: string, patch: Partial<Heading>) => void {
  const desk = useDesk();
  const chosen = useChosen(rider);
  return (label, patch) =>
    changeEach(desk, label, chosen, (scene, { id, heading }) =>
      setHeading(scene, { rider: id, heading: { ...heading, ...patch }, keepAngle: null }),
    );
}
