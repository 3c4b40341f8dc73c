import { guideById, moveGuides, pathOfGuide, type Guide } from '@pace-line/core';
import { selectGuide } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import type { Seen } from '../../pointer.ts';
import { drawnWay } from './drawn-way.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { guideFrame, isCarried, guidesMoved } from '../../guide-frame.ts';

/** Screen px from a guide's bounds to the handle that moves it. */
const OUTSIDE = 18;

/** Screen px that it keeps from the edge of the view. */
const INSIDE = 14;

/** Where the handle that moves a whole guide stands: above and left of its bounds, canvas px; of a guide on the canvas within what is seen of that, wherever the guide lies. */
export function gripOf(guide: Guide, zoom: number, seen?: Seen): [number, number] {
  const box = pathOfGuide(guide).bounds;
  const [x, y] = [box.left - OUTSIDE / zoom, box.top - OUTSIDE / zoom];
  if (!seen || guide.carrier !== null) return [x, y];
  const edge = INSIDE / zoom;
  const within = (value: number, from: number, to: number): number => Math.max(from + edge, Math.min(to - edge, value));
  return [within(x, seen.left, seen.right), within(y, seen.top, seen.bottom)];
}

export const grip: Grab<Hit & { kind: 'grip' }> = {
  kind: 'grip',
  find({ scene, selection, poses, pointer, near }) {
    const guide = guideById(scene, selection.guides[0] ?? null);
    const frame = guide && guideFrame(scene, poses, guide);
    if (frame && !guide.locked && guide.visible)
      near(
        { kind: 'grip', guide: guide.id },
        RANKS.grip,
        ...frame.toCanvas(gripOf(guide, pointer.zoom * frame.scale, pointer.seen)),
      );
  },
  key: ({ guide }) => `grip ${guide}`,
  cursor: () => 'grab',
  holdsTime: (hit, scene) => isCarried(scene, hit.guide),
  isSelected: () => true,
  select: (_before, { guide }, _shift, kept) =>
    kept.guides.includes(guide) ? { ...kept, nodes: [] } : selectGuide(guide),
  begin(host, { guide }, pressed) {
    const ids = host.selection().guides.includes(guide) ? host.selection().guides : [guide];
    const refusal = moveGuides.can(host.scene(), { ids, dx: 0, dy: 0 });
    if (refusal) {
      host.tell(wordsOfRefusal(refusal));
      return undefined;
    }
    const one = guideById(host.scene(), guide);
    const first = one?.nodes[0];
    const frame = one && guideFrame(host.scene(), host.poses(), one);
    const anchor = first && frame ? frame.toCanvas([first.x, first.y]) : ([pressed.x, pressed.y] as const);
    return {
      gesture: host.begin(ids.length > 1 ? `Move ${ids.length} guides` : 'Move guide'),
      follow(base, a, b) {
        const [dx, dy] = drawnWay(host, anchor, a, b, { guides: ids });
        return guidesMoved(base, host.poses(), { ids, dx, dy });
      },
    };
  },
};
