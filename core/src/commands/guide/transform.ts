import { transformedNode, type Matrix } from '../../geometry/index.ts';
import type { Guide, Scene } from '../../scene/index.ts';
import { checkNodes, linkedGuide, lockedGuide } from '../node/check-nodes.ts';
import { command, guideOf, missingGuide, replaceGuide } from '../command.ts';

/** Moves, scales, turns or flips nodes of one guide. Corridor, stroke and marks are left alone. */
export const transformNodes = command<{ guide: string; nodes: readonly string[]; matrix: Matrix }>(
  (scene, { guide, nodes }) => checkNodes(scene, guide, nodes),
  (scene, { guide: id, nodes, matrix }) => {
    const guide = guideOf(scene, id);
    const chosen = new Set(nodes);
    return replaceGuide(scene, {
      ...guide,
      nodes: guide.nodes.map((node) => (chosen.has(node.id) ? transformedNode(node, matrix) : node)),
    });
  },
);

/** Moves, scales, turns or flips whole guides; those that follow another one of them go with it. */
export const transformGuides = command<{ ids: readonly string[]; matrix: Matrix }>(
  (scene, { ids }) =>
    ids.map((id) => missingGuide(scene, id)).find(Boolean) ??
    lockedGuide(scene, ids) ??
    linkedGuide(scene, withoutFollowers(scene, ids)),
  (scene, { ids, matrix }) => ({
    ...scene,
    guides: scene.guides.map((guide): Guide =>
      ids.includes(guide.id) && !guide.link
        ? { ...guide, nodes: guide.nodes.map((node) => transformedNode(node, matrix)) }
        : guide,
    ),
  }),
);

function withoutFollowers(scene: Scene, ids: readonly string[]): string[] {
  return ids.filter((id) => {
    const link = scene.guides.find((guide) => guide.id === id)?.link;
    return !(link && ids.includes(link.of));
  });
}
