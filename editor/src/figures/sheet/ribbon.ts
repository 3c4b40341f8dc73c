import { motionAsSet, speedRibbon, thinned, type Axes, type RiderMotion } from '@pace-line/core';
import { ribbonBox, ribbonScale } from '../../tools/sheet/index.ts';
import type { Figure } from '../figure.ts';
import { kept, shape, type Part } from '../shapes.ts';
import type { SheetNow } from './now.ts';
import { inRouteColor } from './tints.ts';

/** Speed along the guide over time as an area; where the rider backs up it lies below the zero. */
export const ribbon: Figure<SheetNow> = {
  id: 'ribbon',
  of: ({ scene, rider, axes, guide }) => [rider && motionAsSet(scene, rider.id), axes, guide.color],
  draw({ scene, rider, axes, guide }) {
    const moving = rider && motionAsSet(scene, rider.id);
    return moving && axes.ribbon !== 0 ? { style: inRouteColor(guide.color), parts: partsOf(moving, axes) } : null;
  },
};

const n = (value: number): number => Math.round(value * 10) / 10;

const partsOf = kept((rider: RiderMotion, axes: Axes): readonly Part[] => {
  const { points, most, least } = speedRibbon(rider, axes);
  const { top, bottom } = ribbonBox(axes);
  const scale = ribbonScale(least, most);
  const y = (speed: number): number => bottom - (speed - least) * scale;
  const outline = thinned(points.map(([x, speed]) => [x, y(speed)]))
    .map(([x, height]) => `${n(x)} ${n(height)}`)
    .join('L');
  const zero = y(0);
  const name = (className: string, at: number, text: string): Part =>
    shape('text', { class: `place-name ${className}`, x: axes.left - 8, y: at }, text);
  return [
    name('ribbon-name', top + 14, 'speed'),
    name('muted', top + 28, `≤ ${Math.round(Math.max(most, -least))} px/s`),
    least < 0 && name('muted', bottom - 2, 'backs up'),
    shape('path', {
      class: 'ribbon-area',
      d: `M${n(axes.left)} ${n(zero)}L${outline}L${n(axes.right)} ${n(zero)}Z`,
    }),
    shape('path', { class: 'ribbon-line', d: `M${outline}` }),
    shape('line', { class: 'loop-edge', x1: axes.left, x2: axes.right, y1: zero, y2: zero }),
  ];
});
