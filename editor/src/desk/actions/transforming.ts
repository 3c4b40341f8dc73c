import { flipRiders, matrixAbout, transformGuides, transformNodes, type FlipWay } from '@pace-line/core';
import { tell } from '../../look/notices.tsx';
import { boundsOf, boxTargetOf } from '../../tools/index.ts';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { change, perform } from './change.ts';

/** Flips the selection, left to right (across) or upside down (over): riders about their pivots, guides about their middle. */
export function flipSelection(desk: Desk, way: FlipWay): void {
  const { riders } = selectionOf(desk);
  if (riders.length > 0) perform(desk, 'Flip', flipRiders, { ids: riders, way });
  else transform(desk, 'Flip', way === 'across' ? -1 : 1, way === 'across' ? 1 : -1, 0);
}

/** Scales the selection about its middle by a factor. */
export function scaleSelection(desk: Desk, factor: number): void {
  if (factor > 0) transform(desk, 'Scale', factor, factor, 0);
}

/** Turns the selection about its middle, degrees clockwise. */
export function turnSelection(desk: Desk, degrees: number): void {
  transform(desk, 'Turn', 1, 1, (degrees * Math.PI) / 180);
}

function transform(desk: Desk, label: string, scaleX: number, scaleY: number, angle: number): void {
  const target = boxTargetOf(sceneOf(desk), selectionOf(desk));
  const box = target && boundsOf(sceneOf(desk), target);
  if (!target || !box) return tell(`Select a rider, a guide, or several nodes of one, to ${label.toLowerCase()}.`);
  const matrix = matrixAbout([(box.left + box.right) / 2, (box.top + box.bottom) / 2], scaleX, scaleY, angle);
  change(desk, label, (scene) =>
    target.kind === 'nodes'
      ? transformNodes(scene, { guide: target.guide, nodes: target.nodes, matrix })
      : transformGuides(scene, { ids: target.guides, matrix }),
  );
}
