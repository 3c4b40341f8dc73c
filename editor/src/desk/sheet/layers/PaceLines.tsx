import { memo, useMemo } from 'react';
import {
  paceLinePoints,
  pathOfPoints,
  motionAsSet,
  yOfDistance,
  type Axes,
  type Rider,
  type RiderMotion,
  type Scene,
} from '@pace-line/core';
import { inRouteColor, tintOf } from '../tints.ts';

/** px between two looks at a line: the one that is worked on is drawn more finely. */
const EVERY = { selected: 2, other: 5 } as const;

interface PaceLineProps {
  readonly rider: RiderMotion;
  readonly axes: Axes;
  readonly color: string;
  readonly dash?: string | undefined;
  readonly isSelected: boolean;
}

/** One rider's line. A rider's motion is the same object while nothing of it changes: then the line is not built again. */
export const PaceLine = memo(function PaceLine({ rider, axes, color, dash, isSelected }: PaceLineProps) {
  const d = useMemo(
    () => pathOfPoints(paceLinePoints(rider, axes, isSelected ? EVERY.selected : EVERY.other)),
    [rider, axes, isSelected],
  );
  return (
    <path
      className={isSelected ? 'pace-line selected' : 'pace-line'}
      d={d}
      style={isSelected ? inRouteColor(color) : { stroke: color, strokeDasharray: dash }}
      data-rider={rider.id}
    />
  );
});

interface OtherLinesProps {
  readonly scene: Scene;
  readonly riders: readonly Rider[];
  readonly selected: Rider | undefined;
  readonly color: string;
  readonly axes: Axes;
  readonly named: string | null;
}

/** Riders whose names stand at their lines' ends when the route has no more than these. */
const FEW = 6;

/** The lines of all riders but the selected one, each in a tint of its own; few of them are named at their ends. */
export const OtherLines = memo(function OtherLines({ scene, riders, selected, color, axes, named }: OtherLinesProps) {
  const others = riders.filter((rider) => rider.id !== selected?.id);
  return (
    <>
      {others.map((rider) => {
        const moving = motionAsSet(scene, rider.id);
        const { stroke, dash } = tintOf(color, riders.indexOf(rider));
        return (
          moving && <PaceLine key={rider.id} rider={moving} axes={axes} color={stroke} dash={dash} isSelected={false} />
        );
      })}
      <LineNames
        scene={scene}
        axes={axes}
        riders={riders.length <= FEW ? riders : riders.filter(({ id }) => id === selected?.id || id === named)}
      />
    </>
  );
});

/** Letters of a name that stand at a line's end; the list of riders has all of them. */
const LONG_NAME = 24;

/** px between two names at the lines' ends. */
const NAME_GAP = 13;

function LineNames({ scene, axes, riders }: { scene: Scene; axes: Axes; riders: readonly Rider[] }) {
  const taken: number[] = [];
  return riders.length < 2
    ? null
    : riders.map((rider) => {
        const y = yOfDistance(axes, motionAsSet(scene, rider.id)?.footAt(axes.to, -1) ?? 0) - 5;
        if (taken.some((other) => Math.abs(other - y) < NAME_GAP)) return null;
        taken.push(y);
        return (
          <text key={rider.id} className="line-name" x={axes.right - 4} y={Math.max(axes.top + 10, y)}>
            {rider.name.length > LONG_NAME ? `${rider.name.slice(0, LONG_NAME)}…` : rider.name}
          </text>
        );
      });
}
