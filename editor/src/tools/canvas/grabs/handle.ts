import { guideById, nodeIndex, setHandle, type Guide, type Node } from '@pace-line/core';
import type { Selection } from '../../../document/index.ts';
import { heldToAngles } from '../../pointer.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { guideFrame, isCarried } from '../../guide-frame.ts';

/** Nodes that a guide may have for all its handles to be shown while none is selected. */
const FEW_NODES = 4;

/** The nodes whose handles show: the selected ones, the neighbours of a single one; on a small guide all while none is selected. */
export function handledNodes({ nodes }: Guide, { nodes: chosen }: Selection): readonly Node[] {
  if (chosen.length === 0) return nodes.length <= FEW_NODES ? nodes : [];
  const ids = new Set(chosen);
  if (chosen.length > 1) return nodes.filter(({ id }) => ids.has(id));
  const count = nodes.length;
  const i = nodes.findIndex(({ id }) => ids.has(id));
  return i < 0
    ? []
    : [...new Set([nodes[(i + count - 1) % count], nodes[i], nodes[(i + 1) % count]])].flatMap((one) => one ?? []);
}

/** A handle of a node: Shift holds it to multiples of 15°, Alt breaks the join. */
export const handle: Grab<Hit & { kind: 'handle' }> = {
  kind: 'handle',
  find({ scene, selection, poses, near }) {
    const guide = guideById(scene, selection.guides[0] ?? null);
    const frame = guide && guideFrame(scene, poses, guide);
    if (!frame || guide.locked || !guide.visible || guide.link) return;
    for (const node of handledNodes(guide, selection))
      for (const side of ['in', 'out'] as const) {
        const offset = node[side];
        if (offset)
          near(
            { kind: 'handle', guide: guide.id, node: node.id, side },
            RANKS.handle,
            ...frame.toCanvas([node.x + offset[0], node.y + offset[1]]),
          );
      }
  },
  key: ({ node, side }) => `handle ${node} ${side}`,
  cursor: () => 'move',
  holdsTime: (hit, scene) => isCarried(scene, hit.guide),
  isSelected: () => true,
  select: (_before, _hit, _shift, kept) => kept,
  begin(host, { guide: guideId, node: nodeId, side }) {
    const guide = guideById(host.scene(), guideId);
    const frame = guide && guideFrame(host.scene(), host.poses(), guide);
    if (!frame) return undefined;
    const start = frame.wayToCanvas(guide.nodes[nodeIndex(guide, nodeId)]?.[side] ?? [0, 0]);
    return {
      gesture: host.begin('Move handle'),
      follow(base, a, b) {
        const free: readonly [number, number] = [start[0] + b.x - a.x, start[1] + b.y - a.y];
        const offset = frame.wayToGuide(b.shift ? heldToAngles(free) : free);
        return setHandle(base, { guide: guideId, node: nodeId, side, handle: offset, alone: b.alt });
      },
    };
  },
};
