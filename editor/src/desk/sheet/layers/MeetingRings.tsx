import { memo, useMemo } from 'react';
import { meetingsOn, riderById, xOfTime, yOfDistance, type Axes, type Guide, type Scene } from '@pace-line/core';
import { seconds } from '../../labels.ts';

/** Riders of a route, and nodes of its guide, beyond which meetings are not sought. */
const [MOST_RIDERS, MOST_NODES] = [12, 400];

interface MeetingRingsProps {
  readonly scene: Scene;
  readonly guide: Guide;
  readonly count: number;
  readonly axes: Axes;
}

/** Rings where the lines of two riders cross: there they meet. */
export const MeetingRings = memo(function MeetingRings({ scene, guide, count, axes }: MeetingRingsProps) {
  const isSmall = count > 1 && count <= MOST_RIDERS && guide.nodes.length <= MOST_NODES;
  const meetings = useMemo(() => (isSmall ? meetingsOn(scene, guide.id).meetings : []), [scene, guide.id, isSmall]);
  const name = (id: string): string => riderById(scene, id)?.name ?? '';
  return (
    <>
      {meetings.slice(0, 60).map(({ riders: [one, other], time, distance }) => (
        <circle
          key={`${one} ${other} ${time}`}
          className="meeting-ring"
          cx={xOfTime(axes, time)}
          cy={yOfDistance(axes, distance)}
          r={8}
        >
          <title>{`${name(one)} meets ${name(other)} at ${seconds(time)}, ${distance.toFixed(0)} px along`}</title>
        </circle>
      ))}
    </>
  );
});
