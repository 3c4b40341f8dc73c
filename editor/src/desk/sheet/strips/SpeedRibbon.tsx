import { memo, useMemo } from 'react';
import { inRouteColor } from '../tints.ts';
import { speedRibbon, thinned, type Axes, type RiderMotion } from '@pace-line/core';

interface SpeedRibbonProps {
  readonly rider: RiderMotion;
  readonly color: string;
  readonly axes: Axes;
  readonly top: number;
  readonly height: number;
}

/** Speed along the guide over time as an area; where the rider backs up it lies below the zero. */
export const SpeedRibbon = memo(function SpeedRibbon({ rider, color, axes, top, height }: SpeedRibbonProps) {
  const { points, most, least } = useMemo(() => speedRibbon(rider, axes), [rider, axes]);
  const bottom = top + height;
  const y = (speed: number): number => bottom - ((speed - least) / (most - least)) * (height - 16);
  const n = (value: number): number => Math.round(value * 10) / 10;
  const outline = thinned(points.map(([x, speed]) => [x, y(speed)]))
    .map(([x, height]) => `${n(x)} ${n(height)}`)
    .join('L');
  const zero = y(0);
  return (
    <g className="ribbon" style={inRouteColor(color)}>
      <text className="place-name ribbon-name" x={axes.left - 8} y={top + 14}>
        speed
      </text>
      <text className="place-name muted" x={axes.left - 8} y={top + 28}>
        ≤ {Math.round(Math.max(most, -least))} px/s
      </text>
      {least < 0 && (
        <text className="place-name muted" x={axes.left - 8} y={bottom - 2}>
          backs up
        </text>
      )}
      <path className="ribbon-area" d={`M${n(axes.left)} ${n(zero)}L${outline}L${n(axes.right)} ${n(zero)}Z`} />
      <path className="ribbon-line" d={`M${outline}`} />
      <line className="loop-edge" x1={axes.left} x2={axes.right} y1={zero} y2={zero} />
    </g>
  );
});
