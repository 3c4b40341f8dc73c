import type { Vec } from '../../geometry/index.ts';
import type { Guide, Node, Scene } from '../../scene/index.ts';
import { checkNodes, linkedGuide, lockedGuide } from '../node/check-nodes.ts';
import { command, guideOf, missingGuide, replaceGuide } from '../command.ts';

/** An affine matrix on the canvas, as in SVG: x′ = a·x + c·y + e, y′ = b·x + d·y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

const apply = ([a, b, c, d, e, f]: Matrix, [x, y]: Vec): Vec => [a * x + c * y + e, b * x + d * y + f];

/** Factors and an angle (rad, clockwise) about a point. */
export function matrixAbout([x, y]: Vec, scaleX: number, scaleY: number, angle: number): Matrix {
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const [a, b, c, d] = [cos * scaleX, sin * scaleX, -sin * scaleY, cos * scaleY];
  return [a, b, c, d, x - a * x - c * y, y - b * x - d * y];
}

/** A node moved, scaled and turned with its handles. */
export function transformedNode(node: Node, matrix: Matrix): Node {
  const [x, y] = apply(matrix, [node.x, node.y]);
  const linear: Matrix = [matrix[0], matrix[1], matrix[2], matrix[3], 0, 0];
  return {
    ...node,
    x,
    y,
    ...(node.in ? { in: apply(linear, node.in) } : {}),
    ...(node.out ? { out: apply(linear, node.out) } : {}),
  };
}

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
