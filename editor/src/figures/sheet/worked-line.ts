import { distanceOnSheet, motionAsSet, yOfDistance } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { group, shape, type Part } from '../shapes.ts';
import type { SheetNow } from './now.ts';
import { otherLine, paceLine } from './pace-line.ts';

/** The line of the rider that is worked on, as it is and as the ghost has it, the place that is pointed at, and what the hand is making. */
export const workedLine: Figure<SheetNow> = {
  id: 'worked-line',
  of: (now) => [movingOf(now), now.axes, now.guide, now.hover, now.preview, now.ghost, now.rider?.id],
  draw(now) {
    const moving = movingOf(now);
    return {
      parts: [
        hoverLine(now),
        ghostLine(now),
        moving && paceLine(moving, now.axes, now.guide.color),
        dot(now),
        selecting(now),
      ],
    };
  },
};

const movingOf = ({ scene, rider }: SheetNow) => rider && motionAsSet(scene, rider.id);

/** The height of the place that is pointed at on the canvas. */
function hoverLine({ hover, guide, axes }: SheetNow): Part {
  if (hover?.guide !== guide.id) return null;
  const y = yOfDistance(axes, distanceOnSheet(guide, hover.distance, axes));
  return shape('line', { class: 'hover-line', x1: axes.left, x2: axes.right, y1: y, y2: y });
}

/** The line of the rider as the ghost has it, where that is another. */
function ghostLine(now: SheetNow): Part {
  const was = now.rider && now.ghost && motionAsSet(now.ghost, now.rider.id);
  if (!was || was === movingOf(now)) return null;
  return group({ class: 'ghost-pace' }, [otherLine(was, now.axes, now.guide.color, '5 4')]);
}

const dot = ({ preview }: SheetNow): Part =>
  preview?.kind === 'dot' && shape('circle', { class: 'add-dot', cx: preview.x, cy: preview.y, r: 5 });

const selecting = ({ preview }: SheetNow): Part =>
  preview?.kind === 'box' &&
  shape('rect', {
    class: 'selecting',
    x: Math.min(preview.x0, preview.x1),
    y: Math.min(preview.y0, preview.y1),
    width: Math.abs(preview.x1 - preview.x0),
    height: Math.abs(preview.y1 - preview.y0),
  });
