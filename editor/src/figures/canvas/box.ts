import type { Box } from '@pace-line/core';
import { boundsOf, boxTargetOf, handlesAround, type BoxTarget } from '../../tools/index.ts';
import { group, shape, type Part } from '../shapes.ts';
import { lyingOn } from './lying.ts';
import type { CanvasNow } from './now.ts';

/** The sides that a box scales, in the order of its handles: corners and middles of edges. */
export const BRACKETS: readonly (readonly [sx: number, sy: number])[] = [
  [-1, -1],
  [-1, 0],
  [-1, 1],
  [0, -1],
  [0, 1],
  [1, -1],
  [1, 0],
  [1, 1],
];

/** A corner as a bracket, an edge's middle as a tick; screen px about the handle. Dark with a light casing: seen over any scenery. */
export function bracket(sx: number, sy: number): readonly Part[] {
  const d = sx !== 0 && sy !== 0 ? `M${-sx * 9} 0H0V${-sy * 9}` : sx !== 0 ? 'M0 -7V7' : 'M-7 0H7';
  return [shape('path', { class: 'bracket-casing', d }), shape('path', { class: 'bracket', d })];
}

/** The stem and the arrow of the ring that turns. */
const [STEM, ARROW] = ['M0 7V24', 'M-2.5 -1.5A3 3 0 1 1 -1 2.5'];

export const TURN_RING: readonly Part[] = [
  shape('path', { class: 'bracket-casing', d: STEM }),
  shape('path', { d: STEM }),
  group({ class: 'upright' }, [shape('circle', { r: 6 }), shape('path', { d: ARROW })]),
];

/** The box about several nodes or whole guides, in the frame that they lie in: brackets and ticks scale it, the ring on a stem turns it. */
export function selectionBox(now: CanvasNow): Part {
  const boxed = boxTargetOf(now.scene, now.selection);
  const bounds = boxed && boundsOf(now.scene, boxed);
  const first = boxed && firstOf(boxed);
  if (!boxed || !bounds || first === undefined) return null;
  return lyingOn(now, { id: first, carrier: boxed.carrier }, 'selection box', (scale) => [
    boxAround(bounds, now.view.zoom * scale),
  ]);
}

const firstOf = (boxed: BoxTarget): string | undefined => (boxed.kind === 'nodes' ? boxed.guide : boxed.guides[0]);

function boxAround(bounds: Box, zoom: number): Part {
  const { box, handles } = handlesAround(bounds, zoom);
  const outline = { x: box.left, y: box.top, width: box.right - box.left, height: box.bottom - box.top };
  return group({ class: 'selection-box', 'aria-hidden': 'true' }, [
    shape('rect', { class: 'box-casing', ...outline }),
    shape('rect', { class: 'box-outline', ...outline }),
    ...handles.map(({ handle, x, y }) =>
      group(
        { transform: `translate(${x} ${y}) scale(${1 / zoom})` },
        handle.kind === 'turn' ? TURN_RING : bracket(handle.sx, handle.sy),
      ),
    ),
  ]);
}
