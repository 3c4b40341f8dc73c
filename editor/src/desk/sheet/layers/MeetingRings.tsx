import { memo } from 'react';
import { riderById, xOfTime, yOfDistance, type Axes, type Guide, type Scene } from '@pace-line/core';
import { seconds } from '../../labels.ts';
import { useMeetings } from '../use-meetings.ts';

interface MeetingRingsProps {
  readonly scene: Scene;
  readonly guide: Guide;
  readonly count: number;
  readonly axes: Axes;
}

/** Rings where two riders meet: on the crossing of their lines, or on both lines where they are laps apart. */
export const MeetingRings = memo(function MeetingRings({ scene, guide, count, axes }: MeetingRingsProps) {
  const found = useMeetings(scene, guide, count);
  const name = (id: string): string => riderById(scene, id)?.name ?? '';
  return (
    <>
      {found?.meetings.slice(0, 60).flatMap(({ riders: [one, other], time, distance, feet }) =>
        [...new Set(feet.map((foot) => Math.round(yOfDistance(axes, foot))))].map((y) => (
          <circle key={`${one} ${other} ${time} ${y}`} className="meeting-ring" cx={xOfTime(axes, time)} cy={y} r={8}>
            <title>{`${name(one)} meets ${name(other)} at ${seconds(time)}, ${distance.toFixed(0)} px along`}</title>
          </circle>
        )),
      )}
    </>
  );
});
