import {
  freeId,
  freeName,
  freshIds,
  freshNames,
  idsIn,
  namedNode,
  newGuide,
  ROUTE_COLORS,
  type Guide,
  type Node,
  type Outline,
  type Scene,
} from '@pace-line/core';
import type { DraftNode } from '../preview.ts';

/** The route colour that fewest guides have, the first of several. */
export const nextColor = (scene: Scene): string => {
  const uses = (color: string): number => scene.guides.filter((guide) => guide.color === color).length;
  return ROUTE_COLORS.reduce<string>((best, color) => (uses(color) < uses(best) ? color : best), ROUTE_COLORS[0]);
};

/** A guide made of nodes, with ids and a name that are free in the scene, in the next route colour. */
export function guideFrom(scene: Scene, nodes: readonly DraftNode[], closed: boolean, base = 'Guide'): Guide {
  const taken = idsIn(scene);
  const claim = (wanted: string): string => {
    const id = freeId(taken, wanted);
    taken.add(id);
    return id;
  };
  const id = claim('guide');
  return {
    id,
    name: freeName(
      scene.guides.map((guide) => guide.name),
      base,
    ),
    closed,
    nodes: nodes.map((node, i): Node => ({ ...node, id: claim(`${id}-n${i + 1}`) })),
    color: nextColor(scene),
    visible: true,
    locked: false,
    corridor: null,
    carrier: null,
    depth: null,
  };
}

/** Makes guides along outlines that were read, one after another, with ids and names that are free in a scene; nodes whose handles lie in line are smooth, the others corners. */
export function guidesAlong(scene: Scene): (outline: Outline, base: string) => Guide {
  const claim = freshIds(scene);
  const named = freshNames(scene.guides.map(({ name }) => name));
  const uses = ROUTE_COLORS.map((color) => scene.guides.filter((guide) => guide.color === color).length);
  return ({ nodes, closed }, base) => {
    const color = uses.indexOf(Math.min(...uses));
    uses[color] = (uses[color] ?? 0) + 1;
    const id = claim('guide');
    return newGuide({
      id,
      name: named(base),
      closed,
      color: ROUTE_COLORS[color] ?? ROUTE_COLORS[0],
      nodes: nodes.map((node, i): Node => ({
        ...node,
        in: node.in,
        out: node.out,
        join: namedNode(node, '').join,
        id: claim(`${id}-n${i + 1}`),
      })),
    });
  };
}
