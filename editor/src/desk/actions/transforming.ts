import { flipRiders, matrixAbout, type FlipWay } from '@pace-line/core';
import { tell } from '../../look/notices.tsx';
import { boundsOf, boxTargetOf, boxTransformed, frameOn } from '../../tools/index.ts';
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
  const frame = target && frameOn(sceneOf(desk), desk.playback.poses, target.carrier);
  if (!target || !box || !frame)
    return tell(`Select a rider, a guide, or several nodes of one, to ${label.toLowerCase()}.`);
  const middle = frame.toCanvas([(box.left + box.right) / 2, (box.top + box.bottom) / 2]);
  // What is carried is turned and scaled as it is seen on the canvas now.
  const matrix = frame.matrixToGuide(matrixAbout(middle, scaleX, scaleY, angle));
  change(desk, label, (scene) => boxTransformed(scene, target, matrix));
}
