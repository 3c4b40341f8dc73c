import { beadsOf } from '../../tools/sheet/index.ts';
import type { Figure } from '../figure.ts';
import { group, shape } from '../shapes.ts';
import type { SheetNow } from './now.ts';
import { inRouteColor } from './tints.ts';

/** Half the side of a bead, px. */
const HALF = 3.5;

/** The same of one that stands on a corner. */
const SHARP = HALF + 1.5;

/** The shaping points of the legs of the rider that is worked on; those of a chosen mark's leg with the handles of their slopes. */
export const beads: Figure<SheetNow> = {
  id: 'beads',
  of: ({ rider, guide, scene, axes, selection }) => [rider, guide, scene.clock, axes, selection.marks],
  draw({ scene, guide, rider, axes, selection }) {
    if (!rider) return null;
    return {
      style: inRouteColor(guide.color),
      parts: beadsOf(scene, guide, rider, axes, selection.marks).map(
        ({ mark, index, side, shown, x, y, ofX, ofY, isSharp }) =>
          x >= axes.left &&
          x <= axes.right &&
          group({ key: `${mark} ${index} ${side} ${shown.direction} ${Math.round(shown.time)}` }, [
            side === null
              ? shape('path', {
                  class: 'bead',
                  d: isSharp
                    ? `M${x} ${y - SHARP}L${x + SHARP} ${y}L${x} ${y + SHARP}L${x - SHARP} ${y}Z`
                    : `M${x - HALF} ${y - HALF}h${2 * HALF}v${2 * HALF}h${-2 * HALF}Z`,
                })
              : shape('line', { class: 'bead-arm', x1: ofX, y1: ofY, x2: x, y2: y }),
            side !== null && shape('path', { class: 'bead-hand', d: `M${x - 2.5} ${y - 2.5}h5v5h-5Z` }),
          ]),
      ),
    };
  },
};
