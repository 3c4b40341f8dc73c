import { nearestOnPath, pathOfGuide, pullSpan } from '@pace-line/core';
import { selectGuide, toggled } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import { wayOf } from '../../pointer.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { isInHand } from '../../in-hand.ts';

/** A guide's line: dragging it bends the span under the hand; with Alt a straight one becomes an arc. */
export const guide: Grab<Hit & { kind: 'guide' }> = {
  kind: 'guide',
  find({ scene, pointer, reach, take }) {
    for (const one of scene.guides) {
      if (!isInHand(one)) continue;
      const near = nearestOnPath(pathOfGuide(one), pointer.x, pointer.y, reach);
      if (near && near.gap <= reach)
        take(
          { kind: 'guide', guide: one.id, span: near.span, t: near.t, distance: near.distance },
          RANKS.guide,
          near.gap,
        );
    }
  },
  key: (hit) => `guide ${hit.guide}`,
  cursor: () => 'ns-resize',
  holdsTime: false,
  isSelected: (selection, hit) => selection.guides.includes(hit.guide) && selection.nodes.length === 0,
  select: (before, hit, shift) =>
    shift
      ? { ...before, nodes: [], marks: [], keys: [], guides: toggled(before.guides, hit.guide) }
      : selectGuide(hit.guide),
  begin(host, { guide: id, span, t }) {
    const refusal = pullSpan.can(host.scene(), { guide: id, span, t, to: [0, 0] });
    if (refusal) {
      host.tell(wordsOfRefusal(refusal));
      return undefined;
    }
    return {
      gesture: host.begin('Bend span'),
      follow(base, a, b) {
        const [dx, dy] = wayOf(a, b);
        return pullSpan(base, { guide: id, span, t, to: [a.x + dx, a.y + dy], arc: b.alt });
      },
    };
  },
};
