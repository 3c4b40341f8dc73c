import { guideById, moveGuides, pathOfGuide, type Guide } from '@pace-line/core';
import { selectGuide } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import { drawnWay } from './drawn-way.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { isInHand } from '../../in-hand.ts';

/** Screen px from a guide's bounds to the handle that moves it. */
const OUTSIDE = 18;

/** Where the handle that moves a whole guide stands: above and left of its bounds, canvas px. */
export function gripOf(guide: Guide, zoom: number): [number, number] {
  const box = pathOfGuide(guide).bounds;
  return [box.left - OUTSIDE / zoom, box.top - OUTSIDE / zoom];
}

export const grip: Grab<Hit & { kind: 'grip' }> = {
  kind: 'grip',
  find({ scene, selection, pointer, near }) {
    const guide = guideById(scene, selection.guides[0] ?? null);
    if (guide && !guide.locked && isInHand(guide))
      near({ kind: 'grip', guide: guide.id }, RANKS.grip, ...gripOf(guide, pointer.zoom));
  },
  key: ({ guide }) => `grip ${guide}`,
  cursor: () => 'grab',
  holdsTime: false,
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
    const first = guideById(host.scene(), guide)?.nodes[0];
    const anchor = [first?.x ?? pressed.x, first?.y ?? pressed.y] as const;
    return {
      gesture: host.begin(ids.length > 1 ? `Move ${ids.length} guides` : 'Move guide'),
      follow(base, a, b) {
        const [dx, dy] = drawnWay(host, anchor, a, b, { guides: ids });
        return moveGuides(base, { ids, dx, dy });
      },
    };
  },
};
