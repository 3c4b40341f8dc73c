import { setHeading, type Heading, type Rider } from '@pace-line/core';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';

/** Changes some of a rider's heading as one step of undo. */
export function useHeading({ id, heading }: Rider): (label: string, patch: Partial<Heading>) => void {
  const desk = useDesk();
  return (label, patch) =>
    change(desk, label, (scene) =>
      setHeading(scene, { rider: id, heading: { ...heading, ...patch }, keepAngle: null }),
    );
}
