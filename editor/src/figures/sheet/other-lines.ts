import { motionAsSet, riderById, xOfTime, yOfDistance, type Rider } from '@pace-line/core';
import { seconds } from '../../words/labels.ts';
import type { Figure } from '../figure.ts';
import { shape, type Part } from '../shapes.ts';
import { meetingsOf } from './meetings.ts';
import type { SheetNow } from './now.ts';
import { otherLine } from './pace-line.ts';
import { tintOf } from './tints.ts';

/** The lines of all riders but the one that is worked on, each in a tint of its own, where riders meet, and the names of a few at their lines’ ends. */
export const otherLines: Figure<SheetNow> = {
  id: 'other-lines',
  of: ({ standing, riders, rider, axes, guide }) => [
    ...[standing.riders, standing.guides, standing.clock],
    ...[riders, rider?.id, axes, guide.color],
  ],
  draw: (now) => ({ parts: [...meetingRings(now), ...lines(now), ...names(now)] }),
};

function lines({ standing, riders, rider, axes, guide }: SheetNow): Part[] {
  return riders.map((one, i): Part => {
    const moving = one.id === rider?.id ? undefined : motionAsSet(standing, one.id);
    const { stroke, dash } = tintOf(guide.color, i);
    return moving && otherLine(moving, axes, stroke, dash);
  });
}

/** Rings where two riders meet: on the crossing of their lines, or on both lines where they are laps apart. */
function meetingRings({ standing, guide, riders, axes }: SheetNow): Part[] {
  const name = (id: string): string => riderById(standing, id)?.name ?? '';
  const found = meetingsOf(standing, guide.id, riders.length)?.meetings ?? [];
  return found
    .slice(0, 60)
    .flatMap(({ riders: [one, other], time, distance, feet }) =>
      [...new Set(feet.map((foot) => Math.round(yOfDistance(axes, foot))))].map((y) =>
        shape(
          'circle',
          { key: `${one} ${other} ${time} ${y}`, class: 'meeting-ring', cx: xOfTime(axes, time), cy: y, r: 8 },
          [
            shape(
              'title',
              {},
              `${name(one)} meets ${name(other)} at ${seconds(time)}, ${distance.toFixed(0)} px along`,
            ),
          ],
        ),
      ),
    );
}

/** Riders whose names stand at their lines' ends when the route has no more than these. */
const FEW = 6;

/** Letters of a name that stand at a line's end; the list of riders has all of them. */
const LONG_NAME = 24;

/** px between two names at the lines' ends. */
const NAME_GAP = 13;

function names({ standing, riders, rider, axes }: SheetNow): Part[] {
  const named: readonly Rider[] = riders.length <= FEW ? riders : riders.filter(({ id }) => id === rider?.id);
  if (named.length < 2) return [];
  const taken: number[] = [];
  return named.map(({ id, name }): Part => {
    const y = yOfDistance(axes, motionAsSet(standing, id)?.footAt(axes.to, -1) ?? 0) - 5;
    if (taken.some((other) => Math.abs(other - y) < NAME_GAP)) return null;
    taken.push(y);
    return shape(
      'text',
      { key: `name ${id}`, class: 'line-name', x: axes.right - 4, y: Math.max(axes.top + 10, y) },
      name.length > LONG_NAME ? `${name.slice(0, LONG_NAME)}…` : name,
    );
  });
}
