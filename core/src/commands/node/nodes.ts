import {
  controlPointsBetween,
  splitCubic,
  subtract,
  distanceBetween,
  multiply,
  type Vec,
} from '../../geometry/index.ts';
import {
  asName,
  idsIn,
  pathOfGuide,
  type Guide,
  type Join,
  type Node,
  type Place,
  type Scene,
} from '../../scene/index.ts';
import { checkNodes } from './check-nodes.ts';
import { command, guideOf, refusal, replaceGuide } from '../command.ts';
import { refitted } from '../guide/refit.ts';
import { keepingSpans, nodePlaces, remakeGuide } from '../places/place-map.ts';

const withNodes = (scene: Scene, guide: Guide, change: (node: Node, index: number) => Node): Scene =>
  replaceGuide(scene, { ...guide, nodes: guide.nodes.map(change) });

/** Moves nodes of one guide by an offset, px; their handles go with them. Marks keep their nodes and their times. */
export const moveNodes = command<{ guide: string; nodes: readonly string[]; dx: number; dy: number }>(
  (scene, { guide, nodes }) => checkNodes(scene, guide, nodes),
  (scene, { guide, nodes, dx, dy }) =>
    withNodes(scene, guideOf(scene, guide), (node) =>
      nodes.includes(node.id) ? { ...node, x: node.x + dx, y: node.y + dy } : node,
    ),
);

/** Sets a node's place, px. */
export const setNode = command<{ guide: string; node: string; x: number; y: number }>(
  (scene, { guide, node }) => checkNodes(scene, guide, [node]),
  (scene, { guide, node, x, y }) =>
    withNodes(scene, guideOf(scene, guide), (one) => (one.id === node ? { ...one, x, y } : one)),
);

/** Gives a node a name, as for a landing; an empty one takes it away. */
export const nameNode = command<{ guide: string; node: string; name: string }>(
  (scene, { guide, node }) => checkNodes(scene, guide, [node]),
  (scene, { guide, node, name }) => {
    const { shape: live } = guideOf(scene, guide);
    const named = withNodes(scene, guideOf(scene, guide), (one) => {
      if (one.id !== node) return one;
      const { name: _name, ...rest } = one;
      const fit = asName(name);
      return fit === '' ? rest : { ...rest, name: fit };
    });
    // A name is no edit of the shape.
    return live
      ? { ...named, guides: named.guides.map((one) => (one.id === guide ? { ...one, shape: { ...live } } : one)) }
      : named;
  },
);

/**
 * Sets one handle of a node, as an offset from it, px; null takes it away. At a smooth node the other handle turns to stay in line, at a balanced
 * one it mirrors; `alone` breaks the join to a corner instead.
 */
export const setHandle = command<{
  guide: string;
  node: string;
  side: 'in' | 'out';
  handle: Vec | null;
  alone?: boolean;
}>(
  (scene, { guide, node }) => checkNodes(scene, guide, [node]),
  (scene, { guide, node, side, handle, alone = false }) =>
    withNodes(scene, guideOf(scene, guide), (one) =>
      one.id === node ? nodeWithHandle(one, side, handle, alone) : one,
    ),
);

/** A node with one handle set, the other following as its join asks. */
export function nodeWithHandle(node: Node, side: 'in' | 'out', handle: Vec | null, alone: boolean): Node {
  const other = side === 'in' ? 'out' : 'in';
  const join: Join = alone ? 'corner' : node.join;
  const { [side]: _old, ...rest } = node;
  if (handle === null) return { ...rest, join: 'corner' };
  const size = Math.hypot(handle[0], handle[1]);
  const opposite = node[other];
  if (join === 'balanced') return { ...rest, join, [side]: handle, [other]: [-handle[0], -handle[1]] as const };
  if (join === 'smooth' && opposite && size > 0)
    return { ...rest, join, [side]: handle, [other]: multiply(handle, -Math.hypot(opposite[0], opposite[1]) / size) };
  return { ...rest, join, [side]: handle };
}

/** Changes how the handles of nodes are tied. Smooth and balanced line them up, making handles where there are none. */
export const setJoin = command<{ guide: string; nodes: readonly string[]; join: Join }>(
  (scene, { guide, nodes }) => checkNodes(scene, guide, nodes),
  (scene, { guide: id, nodes, join }) => {
    const guide = guideOf(scene, id);
    return withNodes(scene, guide, (node, i) => (nodes.includes(node.id) ? joined(guide, node, i, join) : node));
  },
);

function joined(guide: Guide, node: Node, index: number, join: Join): Node {
  if (join === 'corner') return { ...node, join };
  const count = guide.nodes.length;
  const before = guide.nodes[guide.closed ? (index + count - 1) % count : index - 1] ?? node;
  const after = guide.nodes[guide.closed ? (index + 1) % count : index + 1] ?? node;
  const here: Vec = [node.x, node.y];
  const sizeOf = (handle: Vec | undefined, neighbour: Node): number =>
    handle ? Math.hypot(handle[0], handle[1]) : distanceBetween(here, [neighbour.x, neighbour.y]) / 3;
  let along: Vec =
    node.in && node.out
      ? subtract(node.out, node.in)
      : (node.out ?? (node.in ? multiply(node.in, -1) : [after.x - before.x, after.y - before.y]));
  if (along[0] === 0 && along[1] === 0) along = node.out ?? [1, 0];
  const unit = multiply(along, 1 / (Math.hypot(along[0], along[1]) || 1));
  let into = sizeOf(node.in, before);
  let out = sizeOf(node.out, after);
  if (join === 'balanced') into = out = (into + out) / 2;
  return { ...node, join, in: multiply(unit, -into), out: multiply(unit, out) };
}

/** Adds a node on a span at parameter `t` in (0, 1) without changing the shape; places on the span are remapped exactly. */
export const insertNode = command<{ guide: string; span: number; t: number; id: string }>(
  (scene, { guide: id, span, t, id: nodeId }) => {
    const refused = checkNodes(scene, id, []);
    if (refused) return refused;
    if (!pathOfGuide(guideOf(scene, id)).spans[span]) return refusal('no-span');
    if (!(t > 0 && t < 1)) return refusal('at-node');
    return idsIn(scene).has(nodeId) ? refusal('id-taken', { id: nodeId }) : undefined;
  },
  (scene, { guide: id, span, t, id: nodeId }) => {
    const guide = guideOf(scene, id);
    const end = (span + 1) % guide.nodes.length;
    const a = guide.nodes[span];
    const b = guide.nodes[end];
    if (!a || !b) return scene;
    const [left, right] = splitCubic(controlPointsBetween(a, b), t);
    const straight = !a.out && !b.in;
    const at = left[3];
    const made: Node = straight
      ? { id: nodeId, x: at[0], y: at[1], join: 'corner' }
      : { id: nodeId, x: at[0], y: at[1], in: subtract(left[2], at), out: subtract(right[1], at), join: 'smooth' };
    const loosened = (node: Node): Node => (node.join === 'balanced' && !straight ? { ...node, join: 'smooth' } : node);
    const nodes = guide.nodes.map((node, i) => {
      let result = node;
      if (i === span && !straight)
        result = { ...loosened(result), ...(a.out ? { out: subtract(left[1], [a.x, a.y]) } : {}) };
      if (i === end && !straight)
        result = { ...loosened(result), ...(b.in ? { in: subtract(right[2], [b.x, b.y]) } : {}) };
      return result;
    });
    const next: Guide = { ...guide, nodes: [...nodes.slice(0, span + 1), made, ...nodes.slice(span + 1)] };
    const path = pathOfGuide(next);
    const first = path.spans[span]?.length ?? 0;
    const second = path.spans[span + 1]?.length ?? 0;
    const map = nodePlaces((place): Place => {
      if (place.node !== a.id || place.along === 0) return place;
      const way = place.along * (first + second);
      return way < first
        ? { ...place, along: first > 0 ? way / first : 0 }
        : { ...place, node: nodeId, along: second > 0 ? Math.min(1, (way - first) / second) : 0 };
    });
    return remakeGuide(scene, next, map);
  },
);

/**
 * Deletes nodes. With `refit`, the span that then joins two neighbours is the one cubic nearest to the piece that was cut away; else their handles stay
 * as they are. Marks on a span that is cut away go to the nearest place of the canvas that the guide still passes; at least one node must stay.
 */
export const deleteNodes = command<{ guide: string; nodes: readonly string[]; refit?: boolean }>(
  (scene, { guide: id, nodes }) => {
    const refused = checkNodes(scene, id, nodes);
    if (refused) return refused;
    return guideOf(scene, id).nodes.some((node) => !nodes.includes(node.id)) ? undefined : refusal('last-node');
  },
  (scene, { guide: id, nodes, refit = false }) => {
    const guide = guideOf(scene, id);
    const kept = guide.nodes.filter((node) => !nodes.includes(node.id));
    const next: Guide = { ...guide, nodes: refit ? refitted(guide, kept) : kept };
    return remakeGuide(scene, next, keepingSpans(guide, next));
  },
);
