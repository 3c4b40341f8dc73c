import { paceLinePoints, pathOfPoints, type Axes, type RiderMotion } from '@pace-line/core';
import { kept, shape, type Shape } from '../shapes.ts';
import { inRouteColor } from './tints.ts';

/** px between two looks at a line: the one that is worked on is drawn more finely. */
const EVERY = { selected: 2, other: 5 } as const;

const dataOf = kept((rider: RiderMotion, axes: Axes, every: number): string =>
  pathOfPoints(paceLinePoints(rider, axes, every)),
);

/** The line of the rider that is worked on. A rider's motion is the same object while nothing of it changes: then the line is not built again. */
export const paceLine = (rider: RiderMotion, axes: Axes, color: string): Shape =>
  shape('path', {
    key: rider.id,
    class: 'pace-line selected',
    style: inRouteColor(color),
    'data-rider': rider.id,
    d: dataOf(rider, axes, EVERY.selected),
  });

/** The line of another rider. */
export const otherLine = kept((rider: RiderMotion, axes: Axes, stroke: string, dash: string | undefined): Shape =>
  shape('path', {
    key: rider.id,
    class: 'pace-line',
    style: `stroke: ${stroke}; stroke-dasharray: ${dash ?? 'none'}`,
    'data-rider': rider.id,
    d: dataOf(rider, axes, EVERY.other),
  }),
);
