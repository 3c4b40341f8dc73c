import { guideById, nodeIndex, setHandle, type Guide } from '@pace-line/core';
import type { Selection } from '../../../document/index.ts';
import { heldToAngles } from '../../pointer.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { guideFrame, isCarried } from '../../guide-frame.ts';

/** Nodes that a guide may have for all its handles to be shown while none is selected. */
const FEW_NODES = 4;

/** Handles show at the selected nodes and their neighbours; on a small guide at all nodes while none is selected. */
export function showsHandles(guide: Guide, selection: Selection, nodeId: string): boolean {
  if (selection.nodes.length === 0) return guide.nodes.length <= FEW_NODES;
  if (selection.nodes.includes(nodeId)) return true;
  if (selection.nodes.length > 1) return false;
  const count = guide.nodes.length;
  const i = nodeIndex(guide, nodeId);
  const neighbours = [guide.nodes[(i + 1) % count]?.id, guide.nodes[(i + count - 1) % count]?.id];
  return neighbours.some((id) => id !== undefined && selection.nodes.includes(id));
}

/** A handle of a node: Shift holds it to multiples of 15°, Alt breaks the join. */
export const handle: Grab<Hit & { kind: 'handle' }> = {
  kind: 'handle',
  find({ scene, selection, poses, near }) {
    const guide = guideById(scene, selection.guides[0] ?? null);
    const frame = guide && guideFrame(scene, poses, guide);
    if (!frame || guide.locked || !guide.visible || guide.link) return;
    for (const node of guide.nodes)
      if (showsHandles(guide, selection, node.id))
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
