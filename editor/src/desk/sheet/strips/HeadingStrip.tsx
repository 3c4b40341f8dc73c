import { memo, useMemo } from 'react';
import { POSE, POSE_SIZE, thinned, timeAtX, type Axes, type RiderMotion } from '@pace-line/core';

interface HeadingStripProps {
  readonly rider: RiderMotion;
  readonly axes: Axes;
  readonly top: number;
  readonly height: number;
}

/** px between two looks. */
const STEP = 1.5;

/** Degrees between two looks above which the turn is a snap. */
const SNAP = 20;

/** Which way the rider faces over time: an upright piece of the line is a snap, and is marked. */
export const HeadingStrip = memo(function HeadingStrip({ rider, axes, top, height }: HeadingStripProps) {
  const { points, least, most, snaps } = useMemo(() => {
    const pose = new Float64Array(POSE_SIZE);
    const list: [number, number][] = [];
    const found: number[] = [];
    for (let x = axes.left; x <= axes.right; x += STEP) {
      const angle = ((rider.poseAt(timeAtX(axes, x), 1, pose)[POSE.angle] ?? 0) * 180) / Math.PI;
      const last = list[list.length - 1];
      // Whole turns at once are none that can be seen.
      const turn = last ? Math.abs(angle - last[1] - 360 * Math.round((angle - last[1]) / 360)) : 0;
      if (last && turn > SNAP) found.push(x);
      list.push([x, angle]);
    }
    const angles = list.map(([, angle]) => angle);
    return { points: list, least: Math.min(...angles), most: Math.max(...angles), snaps: found };
  }, [rider, axes]);
  const y = (angle: number): number =>
    top + height - 8 - ((angle - least) / Math.max(1e-9, most - least)) * (height - 16);
  const n = (value: number): number => Math.round(value * 10) / 10;
  const path = thinned(points.map(([x, angle]) => [x, most - least < 0.05 ? top + height / 2 : y(angle)]))
    .map(([x, at]) => `${n(x)} ${n(at)}`)
    .join('L');
  return (
    <g className="heading-strip">
      <text className="place-name ribbon-name" x={axes.left - 8} y={top + 14}>
        heading
      </text>
      <text className="place-name muted" x={axes.left - 8} y={top + 28}>
        {Math.round(least)}°…{Math.round(most)}°
      </text>
      {snaps.map((x) => (
        <path key={x} className="snap-mark" d={`M${n(x)} ${top + 4}V${top + height - 4}`} />
      ))}
      <path className="key-line" d={`M${path}`} />
    </g>
  );
});
