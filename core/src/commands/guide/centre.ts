import { pathOfGuide, artOfRider, riderById, type Guide } from '../../scene/index.ts';
import type { Vec } from '../../geometry/index.ts';
import { command, guideOf, missingGuide, missingRider } from '../command.ts';
import { moveGuides } from './guides.ts';

/** The middle of a guide, in the frame that it lies in: of a live shape its centre, else that of the box of its line. */
export function centreOf(guide: Guide): Vec {
  if (guide.shape) return [guide.shape.x, guide.shape.y];
  const { left, top, right, bottom } = pathOfGuide(guide).bounds;
  return [(left + right) / 2, (top + bottom) / 2];
}

/** Moves a carried guide so that its middle lies in the middle of its carrier's art, or at its carrier's pivot. */
export const centreGuide = command<{ guide: string; on: 'art' | 'pivot' }>(
  (scene, { guide }) => missingGuide(scene, guide) ?? missingRider(scene, guideOf(scene, guide).carrier ?? ''),
  (scene, { guide: id, on }) => {
    const guide = guideOf(scene, id);
    const carrier = riderById(scene, guide.carrier ?? '');
    const art = carrier && artOfRider(scene, carrier);
    if (!art) return scene;
    const [x, y] = on === 'pivot' ? art.pivot : [art.width / 2, art.height / 2];
    const [fromX, fromY] = centreOf(guide);
    return moveGuides(scene, { ids: [id], dx: x - fromX, dy: y - fromY });
  },
);
