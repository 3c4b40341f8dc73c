import { memo } from 'react';
import {
  formatNumber,
  landmarkHeights,
  nodeRules,
  timeTicks,
  xOfTime,
  type Axes,
  type Guide,
  type Rider,
} from '@pace-line/core';

/** Least px between two times that are named. */
const TIME_GAP = 44;

const isInLoop = (time: number, length: number): boolean => time >= -1e-9 && time <= length + 1e-9;

/** The times that the chart names, s. */
const namedTimes = (axes: Axes, length: number): number[] =>
  timeTicks(axes, TIME_GAP).filter((time) => isInLoop(time, length));

interface GroundProps {
  readonly axes: Axes;
  readonly length: number;
  readonly bottom: number;
  readonly guide: Guide;
  readonly riders: readonly Rider[];
  readonly landmarks: boolean;
  /** Times of beats, s. */
  readonly beats: readonly number[];
}

/** What stands still under the lines: rules of time and place, and the margins in which the seam is repeated. */
export const Ground = memo(function Ground({ axes, length, bottom, guide, riders, landmarks, beats }: GroundProps) {
  return (
    <>
      <TimeRules axes={axes} length={length} bottom={bottom} beats={beats} />
      {landmarks &&
        landmarkHeights(guide, axes).map((y, i) => (
          <line key={i} className="landmark-rule" x1={axes.left} x2={axes.right} y1={y} y2={y} />
        ))}
      {nodeRules(guide, riders, axes).map((rule) => (
        <g key={`${rule.label}-${rule.distance}`} className={rule.isFaint ? 'inner-node' : undefined}>
          <line className="place-rule" x1={axes.left} x2={axes.right} y1={rule.y} y2={rule.y} />
          <text className="place-name" x={axes.left - 8} y={rule.y + 4}>
            {rule.label}
          </text>
        </g>
      ))}
      <Margins axes={axes} length={length} />
    </>
  );
});

/** Least px between two beats that are drawn. */
const BEAT_GAP = 5;

function TimeRules({ axes, length, bottom, beats }: Pick<GroundProps, 'axes' | 'length' | 'bottom' | 'beats'>) {
  const areApart = beats.length < 2 || xOfTime(axes, beats[1] ?? 0) - xOfTime(axes, beats[0] ?? 0) >= BEAT_GAP;
  const named = namedTimes(axes, length);
  const fine = timeTicks(axes, 9).filter((time) => isInLoop(time, length) && !named.includes(time));
  const rule = (time: number, className: string, y: number) => (
    <line key={time} className={className} x1={xOfTime(axes, time)} x2={xOfTime(axes, time)} y1={axes.top} y2={y} />
  );
  return (
    <g aria-hidden>
      {fine.map((time) => rule(time, 'time-rule fine', axes.bottom))}
      {areApart && beats.map((time) => rule(time, 'time-rule beat', axes.bottom))}
      {named.map((time) => rule(time, 'time-rule', bottom - 8))}
    </g>
  );
}

function Margins({ axes, length }: Pick<GroundProps, 'axes' | 'length'>) {
  const [zero, end] = [xOfTime(axes, 0), xOfTime(axes, length)];
  const shade = (x: number, until: number) => (
    <rect className="sheet-margin" x={x} y={axes.top} width={Math.max(0, until - x)} height={axes.bottom - axes.top} />
  );
  return (
    <>
      {shade(axes.left, zero)}
      {shade(end, axes.right)}
      {[zero, end].map((x) => (
        <line key={x} className="loop-edge" x1={x} x2={x} y1={axes.top - 6} y2={axes.bottom} />
      ))}
    </>
  );
}

/** The strip at the top: time in round seconds, to be scrubbed. */
export const TimeStrip = memo(function TimeStrip({
  axes,
  length,
  height,
}: {
  axes: Axes;
  length: number;
  height: number;
}) {
  return (
    <g className="strip">
      <rect className="strip-ground" x={axes.left} y={0} width={Math.max(0, axes.right - axes.left)} height={height} />
      {namedTimes(axes, length).map((time) => (
        <text key={time} className="time-name figures" x={xOfTime(axes, time)} y={17}>
          {formatNumber(time, 2)}
        </text>
      ))}
    </g>
  );
});
