import { guideById, nearestOnPath, pathOfGuide, pullSpan } from '@pace-line/core';
import { selectGuide, toggled } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import { wayOf } from '../../pointer.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { guideFrame, isCarried, pointerIn } from '../../guide-frame.ts';

/** A guide's line: dragging it bends the span under the hand; with Alt a straight one becomes an arc. */
export const guide: Grab<Hit & { kind: 'guide' }> = {
  kind: 'guide',
  find({ scene, poses, pointer, reach, take }) {
    for (const one of scene.guides) {
      const frame = one.visible ? guideFrame(scene, poses, one) : undefined;
      if (!frame) continue;
      const { x, y } = pointerIn(frame, pointer);
      const within = reach / frame.scale;
      const near = nearestOnPath(pathOfGuide(one), x, y, within);
      if (near && near.gap <= within)
        take(
          { kind: 'guide', guide: one.id, span: near.span, t: near.t, distance: near.distance },
          RANKS.guide,
          near.gap * frame.scale,
        );
    }
  },
  key: (hit) => `guide ${hit.guide}`,
  cursor: () => 'ns-resize',
  holdsTime: (hit, scene) => isCarried(scene, hit.guide),
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
    const one = guideById(host.scene(), id);
    const frame = one && guideFrame(host.scene(), host.poses(), one);
    if (!frame) return undefined;
    return {
      gesture: host.begin('Bend span'),
      follow(base, a, b) {
        const [dx, dy] = wayOf(a, b);
        return pullSpan(base, { guide: id, span, t, to: frame.toGuide([a.x + dx, a.y + dy]), arc: b.alt });
      },
    };
  },
};
