import { memo } from 'react';
import { curveOfEase, type Ease } from '@pace-line/core';

interface EaseCurveProps {
  readonly ease: Ease;
  readonly width?: number;
  readonly height?: number;
}

/** px kept free around the curve. */
const MARGIN = 2;

/** An ease as a small curve: time across, way up; the box is the leg, what shoots past it goes out of it. */
export const EaseCurve = memo(function EaseCurve({ ease, width = 40, height = 24 }: EaseCurveProps) {
  const points = curveOfEase(ease);
  const ways = points.map(([, way]) => way);
  const [low, high] = [Math.min(0, ...ways), Math.max(1, ...ways)];
  const x = (time: number): number => MARGIN + time * (width - 2 * MARGIN);
  const y = (way: number): number => height - MARGIN - ((way - low) / (high - low)) * (height - 2 * MARGIN);
  const line = points.map(([time, way]) => `${x(time).toFixed(1)} ${y(way).toFixed(1)}`).join('L');
  return (
    <svg className="ease-curve" width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      <path className="ease-ends" d={`M${x(0)} ${y(0)}H${x(1)}M${x(0)} ${y(1)}H${x(1)}`} />
      <path className="ease-line" d={`M${line}`} />
    </svg>
  );
});
