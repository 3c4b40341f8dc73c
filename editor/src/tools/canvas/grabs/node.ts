import { guideById, moveNodes } from '@pace-line/core';
import { selectGuide, toggled } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import { drawnWay } from './drawn-way.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { isInHand } from '../../in-hand.ts';

/** A node: of the selected guide before all but handles, of another before that guide's line, so that its end is never bent by accident. */
export const node: Grab<Hit & { kind: 'node' }> = {
  kind: 'node',
  find({ scene, selection, near }) {
    for (const guide of scene.guides) {
      if (guide.locked || !isInHand(guide) || guide.link) continue;
      const rank = guide.id === selection.guides[0] ? RANKS.node : RANKS.otherNode;
      for (const one of guide.nodes) near({ kind: 'node', guide: guide.id, node: one.id }, rank, one.x, one.y);
    }
  },
  key: ({ node: id }) => `node ${id}`,
  cursor: () => 'move',
  holdsTime: false,
  isSelected: (selection, hit) => selection.nodes.includes(hit.node),
  select: (before, hit, shift) =>
    selectGuide(hit.guide, shift && before.guides[0] === hit.guide ? toggled(before.nodes, hit.node) : [hit.node]),
  begin(host, hit, pressed) {
    const nodes = host.selection().nodes;
    const refusal = moveNodes.can(host.scene(), { guide: hit.guide, nodes, dx: 0, dy: 0 });
    if (refusal) {
      host.tell(wordsOfRefusal(refusal));
      return undefined;
    }
    const one = guideById(host.scene(), hit.guide)?.nodes.find(({ id }) => id === hit.node);
    const anchor = [one?.x ?? pressed.x, one?.y ?? pressed.y] as const;
    return {
      gesture: host.begin(nodes.length > 1 ? `Move ${nodes.length} nodes` : 'Move node'),
      follow(base, a, b) {
        const [dx, dy] = drawnWay(host, anchor, a, b, { nodes });
        return moveNodes(base, { guide: hit.guide, nodes, dx, dy });
      },
    };
  },
};
