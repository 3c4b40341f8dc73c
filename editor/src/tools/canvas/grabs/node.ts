import { guideById, moveNodes } from '@pace-line/core';
import { selectGuide, toggled } from '../../../document/index.ts';
import { wordsOfRefusal } from '../../../words/refusals.ts';
import { drawnWay } from './drawn-way.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { guideFrame, isCarried } from '../../guide-frame.ts';

/** A node: of the selected guide before all but handles, of another before that guide's line, so that its end is never bent by accident. */
export const node: Grab<Hit & { kind: 'node' }> = {
  kind: 'node',
  find({ scene, selection, poses, near }) {
    for (const guide of scene.guides) {
      const frame = guideFrame(scene, poses, guide);
      if (guide.locked || !guide.visible || guide.link || !frame) continue;
      const rank = guide.id === selection.guides[0] ? RANKS.node : RANKS.otherNode;
      for (const one of guide.nodes)
        near({ kind: 'node', guide: guide.id, node: one.id }, rank, ...frame.toCanvas([one.x, one.y]));
    }
  },
  key: ({ node: id }) => `node ${id}`,
  cursor: () => 'move',
  holdsTime: (hit, scene) => isCarried(scene, hit.guide),
  isSelected: (selection, hit) => selection.nodes.includes(hit.node),
  select: (before, hit, shift) =>
    selectGuide(hit.guide, shift && before.guides[0] === hit.guide ? toggled(before.nodes, hit.node) : [hit.node]),
  begin(host, hit) {
    const nodes = host.selection().nodes;
    const refusal = moveNodes.can(host.scene(), { guide: hit.guide, nodes, dx: 0, dy: 0 });
    if (refusal) {
      host.tell(wordsOfRefusal(refusal));
      return undefined;
    }
    const guide = guideById(host.scene(), hit.guide);
    const one = guide?.nodes.find(({ id }) => id === hit.node);
    const frame = guide && guideFrame(host.scene(), host.poses(), guide);
    if (!one || !frame) return undefined;
    const anchor = frame.toCanvas([one.x, one.y]);
    return {
      gesture: host.begin(nodes.length > 1 ? `Move ${nodes.length} nodes` : 'Move node'),
      follow(base, a, b) {
        const [dx, dy] = frame.wayToGuide(drawnWay(host, anchor, a, b, { nodes }));
        return moveNodes(base, { guide: hit.guide, nodes, dx, dy });
      },
    };
  },
};
