import { setGuide, type Guide } from '@pace-line/core';
import { PX } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { NumberRow } from '../rows.tsx';

/** px. A lane as it begins. */
export const FIRST_LANE = 80;

/** How wide the lane about a guide is. */
export function LaneRow({ guide }: { guide: Guide }) {
  const desk = useDesk();
  return (
    <NumberRow
      of="guide.lane"
      name="Lane width"
      value={guide.corridor ?? FIRST_LANE}
      unit="px"
      units={PX}
      digits={1}
      min={0.1}
      max={1e6}
      onCommit={(corridor) =>
        change(desk, 'Change lane width', (scene) => setGuide(scene, { id: guide.id, patch: { corridor } }))
      }
    />
  );
}
