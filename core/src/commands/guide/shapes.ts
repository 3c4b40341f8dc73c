import { nodesOfShape, type GuideShape } from '../../geometry/index.ts';
import { countedIds, type Guide, type Node, type Scene } from '../../scene/index.ts';
import { checkNodes } from '../node/check-nodes.ts';
import { command, guideOf, refusal } from '../command.ts';
import { byDistance, remakeGuide } from '../places/place-map.ts';
import { pathOfGuide } from '../../scene/index.ts';
import { namedNode } from '../settle.ts';

/** The nodes of a shape as a guide's: those at the same index keep their ids, so that marks stay with them. */
export function shapeNodes(
  scene: Scene,
  guideId: string,
  before: readonly Node[],
  shape: GuideShape,
): { nodes: Node[]; closed: boolean } {
  const { nodes, closed } = nodesOfShape(shape);
  const fresh = countedIds(scene, `${guideId}-n`);
  return {
    closed,
    nodes: nodes.map((node, i) => {
      const old = before[i];
      return { ...namedNode(node, old?.id ?? fresh()), ...(old?.name === undefined ? {} : { name: old.name }) };
    }),
  };
}

/** Changes the parameters of a shape that is still live. Marks keep their share of the length. */
export const setShape = command<{ guide: string; shape: GuideShape }>(
  (scene, { guide }) => checkNodes(scene, guide, []) ?? (guideOf(scene, guide).shape ? undefined : refusal('no-shape')),
  (scene, { guide: id, shape }) => {
    const guide = guideOf(scene, id);
    const next: Guide = { ...guide, ...shapeNodes(scene, id, guide.nodes, shape), shape };
    const before = pathOfGuide(guide).length;
    const share = before > 0 ? pathOfGuide(next).length / before : 0;
    return remakeGuide(
      scene,
      next,
      byDistance(guide, next, (distance) => distance * share),
    );
  },
);
