import { guideById, pathOfGuide } from '@pace-line/core';
import { boxTargetOf } from '../../tools/index.ts';
import type { Figure } from '../figure.ts';
import { shape, type Part } from '../shapes.ts';
import { selectionBox } from './box.ts';
import { flags, ofFlags } from './flags.ts';
import { lyingOn, placeOf } from './lying.ts';
import { nodes, nodesGuide } from './nodes.ts';
import type { CanvasNow } from './now.ts';
import { previewOf } from './preview.ts';
import { riderBox } from './rider-box.ts';

/** What is taken by hand, over the canvas: marks, the box about what is selected, nodes; and what a tool is making. */
export const handles: Figure<CanvasNow> = {
  id: 'handles',
  of(now) {
    const { scene, selection, view, hover, preview, isAdjusting, frame, pane } = now;
    const [rider, ridden] = ofFlags(now);
    const guide = nodesGuide(now);
    const boxed = isAdjusting ? boxTargetOf(scene, selection) : undefined;
    const goesWithFrames = isAdjusting && selection.riders.length === 1;
    const isCarried = [guide, ridden as typeof guide, near(now)].some((one) => placeOf(now, one)) || boxed?.carrier;
    const guides = boxed ? scene.guides : null;
    return [
      ...[rider, ridden, guide, guides, selection, hover, hover && near(now), preview, isAdjusting, view, pane],
      goesWithFrames || isCarried ? frame : null,
    ];
  },
  draw: (now) => ({
    parts: [
      flags(now),
      hoverDot(now),
      now.isAdjusting && selectionBox(now),
      now.isAdjusting && riderBox(now),
      nodes(now),
      now.preview && previewOf(now.preview, now.view.zoom),
    ],
  }),
};

const near = ({ scene, hover }: CanvasNow) => (hover ? guideById(scene, hover.guide) : undefined);

/** The place that is pointed at, here or on the sheet. */
function hoverDot(now: CanvasNow): Part {
  const guide = near(now);
  if (!guide || !now.hover) return null;
  const { x, y } = pathOfGuide(guide).frameAtDistance(now.hover.distance);
  return lyingOn(now, guide, `dot on ${guide.id}`, (scale) => [
    shape('circle', { class: 'hover-dot', cx: x, cy: y, r: 5 / now.view.zoom / scale }),
  ]);
}
