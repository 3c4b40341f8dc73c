import {
  controlPointsBetween,
  splitCubic,
  subtract,
  distanceBetween,
  multiply,
  pathThrough,
  nearestOnPath,
  type Vec,
} from '../geometry/index.ts';
import {
  distanceOfPlace,
  idsIn,
  nodeIndex,
  pathOfGuide,
  placeAtDistance,
  type Guide,
  type Join,
  type Node,
  type Place,
  type Scene,
} from '../scene/index.ts';
import { command, guideOf, mapMarks, missingGuide, refusal, replaceGuide, type Refusal } from './command.ts';
import { lockedGuide } from './guides.ts';
import { lapOfPlace, nearestPlace, pointOfPlace } from './places.ts';

/** A guide that is there, not locked, and has the nodes named. */
function checkNodes(scene: Scene, id: string, nodes: readonly string[]): Refusal | undefined {
  const missing = missingGuide(scene, id) ?? lockedGuide(scene, [id]);
  if (missing) return missing;
  const guide = guideOf(scene, id);
  const absent = nodes.find((node) => nodeIndex(guide, node) < 0);
  return absent === undefined ? undefined : refusal('no-node', `The guide "${guide.name}" has no node "${absent}".`);
}

const withNodes = (scene: Scene, guide: Guide, change: (node: Node, index: number) => Node): Scene =>
  replaceGuide(scene, { ...guide, nodes: guide.nodes.map(change) });

/** Moves nodes of one guide by an offset, px; their handles go with them. Marks keep their nodes and their times. */
export const [moveNodes, canMoveNodes] = command<{ guide: string; nodes: readonly string[]; dx: number; dy: number }>(
  (scene, { guide, nodes }) => checkNodes(scene, guide, nodes),
  (scene, { guide, nodes, dx, dy }) =>
    withNodes(scene, guideOf(scene, guide), (node) =>
      nodes.includes(node.id) ? { ...node, x: node.x + dx, y: node.y + dy } : node,
    ),
);

/** Sets a node's place, px. */
export const [setNode, canSetNode] = command<{ guide: string; node: string; x: number; y: number }>(
  (scene, { guide, node }) => checkNodes(scene, guide, [node]),
  (scene, { guide, node, x, y }) =>
    withNodes(scene, guideOf(scene, guide), (one) => (one.id === node ? { ...one, x, y } : one)),
);

/**
 * Sets one handle of a node, as an offset from it, px; null takes it away. At a smooth node the other handle turns to stay in line, at a balanced
 * one it mirrors; `alone` breaks the join to a corner instead.
 */
export const [setHandle, canSetHandle] = command<{
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
export const [setJoin, canSetJoin] = command<{ guide: string; nodes: readonly string[]; join: Join }>(
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
export const [insertNode, canInsertNode] = command<{ guide: string; span: number; t: number; id: string }>(
  (scene, { guide: id, span, t, id: nodeId }) => {
    const refused = checkNodes(scene, id, []);
    if (refused) return refused;
    if (!pathOfGuide(guideOf(scene, id)).spans[span]) return refusal('no-span', 'That span is not on this guide.');
    if (!(t > 0 && t < 1)) return refusal('at-node', 'There is a node already.');
    return idsIn(scene).has(nodeId) ? refusal('id-taken', `The id "${nodeId}" is in use.`) : undefined;
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
    return mapMarks(replaceGuide(scene, next), id, (mark) => {
      const { place } = mark;
      if (place.by !== 'node' || place.node !== a.id || place.along === 0) return mark;
      const way = place.along * (first + second);
      const moved: Place =
        way < first
          ? { ...place, along: first > 0 ? way / first : 0 }
          : { ...place, node: nodeId, along: second > 0 ? Math.min(1, (way - first) / second) : 0 };
      return { ...mark, place: moved };
    });
  },
);

/** Deletes nodes. Marks on a span that is cut away go to the nearest place of the canvas that the guide still passes; at least one node must stay. */
export const [deleteNodes, canDeleteNodes] = command<{ guide: string; nodes: readonly string[] }>(
  (scene, { guide: id, nodes }) => {
    const refused = checkNodes(scene, id, nodes);
    if (refused) return refused;
    return guideOf(scene, id).nodes.some((node) => !nodes.includes(node.id))
      ? undefined
      : refusal('last-node', 'A guide keeps at least one node; delete the guide instead.');
  },
  (scene, { guide: id, nodes }) => {
    const guide = guideOf(scene, id);
    return withGuide(scene, guide, { ...guide, nodes: guide.nodes.filter((node) => !nodes.includes(node.id)) });
  },
);

/** Closes a guide with a span from its last node to its first, or takes that span away. */
export const [setClosed, canSetClosed] = command<{ guide: string; closed: boolean }>(
  (scene, { guide: id, closed }) => {
    const refused = checkNodes(scene, id, []);
    if (refused) return refused;
    return closed && guideOf(scene, id).nodes.length < 2
      ? refusal('too-short', 'A guide needs two nodes to close.')
      : undefined;
  },
  (scene, { guide: id, closed }) => {
    const guide = guideOf(scene, id);
    return withGuide(scene, guide, { ...guide, closed });
  },
);

/** Puts `next` in place of `guide`: marks whose span is still there keep their place, all others keep their place on the canvas as nearly as can be. */
function withGuide(scene: Scene, guide: Guide, next: Guide): Scene {
  const count = guide.nodes.length;
  const oldPath = pathOfGuide(guide);
  const following = (of: Guide, id: string): string | undefined => {
    const i = nodeIndex(of, id);
    if (i < 0) return undefined;
    return of.nodes[i + 1]?.id ?? (of.closed ? of.nodes[0]?.id : '');
  };
  const lastId = next.nodes[next.nodes.length - 1]?.id ?? '';
  return mapMarks(replaceGuide(scene, next), guide.id, (mark) => {
    const { place } = mark;
    if (place.by !== 'node') return mark;
    const opened = guide.closed && !next.closed;
    if (opened && distanceOfPlace(guide, oldPath, place) >= oldPath.length - 1e-9)
      return { ...mark, place: { by: 'node', node: lastId, along: 0, lap: 0 } };
    const stays =
      place.along === 0
        ? nodeIndex(next, place.node) >= 0
        : following(guide, place.node) === following(next, place.node);
    if (stays && count > 0) return opened && place.lap !== 0 ? { ...mark, place: { ...place, lap: 0 } } : mark;
    return {
      ...mark,
      place: nearestPlace(next, pointOfPlace(guide, place), next.closed ? lapOfPlace(guide, place) : 0),
    };
  });
}

/**
 * Splits a guide at a node. A closed guide opens there (the node stands at both ends, its copy called `nodeId`). An open one becomes two: the
 * second, `guideId`, begins with the copy. Riders stay with the piece that holds most of their marks; marks cut away go to the nearest place.
 */
export const [splitGuide, canSplitGuide] = command<{
  guide: string;
  node: string;
  nodeId: string;
  guideId: string;
  name: string;
}>(
  (scene, { guide: id, node, nodeId, guideId }) => {
    const refused = checkNodes(scene, id, [node]);
    if (refused) return refused;
    const guide = guideOf(scene, id);
    const index = nodeIndex(guide, node);
    if (guide.closed ? guide.nodes.length < 2 : index === 0 || index === guide.nodes.length - 1)
      return refusal('at-end', 'A guide can be split at a node between its ends.');
    const ids = idsIn(scene);
    return ids.has(nodeId) || ids.has(guideId) ? refusal('id-taken', 'The new ids are in use.') : undefined;
  },
  (scene, { guide: id, node, nodeId, guideId, name }) => {
    const guide = guideOf(scene, id);
    const k = nodeIndex(guide, node);
    return guide.closed ? opened(scene, guide, k, nodeId) : halved(scene, guide, k, nodeId, guideId, name);
  },
);

function endsAt(node: Node): Node {
  const { out: _out, ...rest } = node;
  return { ...rest, join: 'corner' };
}

function beginsAt(node: Node): Node {
  const { in: _in, ...rest } = node;
  return { ...rest, join: 'corner' };
}

function opened(scene: Scene, guide: Guide, k: number, nodeId: string): Scene {
  const turned = [...guide.nodes.slice(k), ...guide.nodes.slice(0, k)];
  const first = turned[0];
  if (!first) return scene;
  const next: Guide = {
    ...guide,
    closed: false,
    nodes: [beginsAt(first), ...turned.slice(1), endsAt({ ...first, id: nodeId })],
  };
  const path = pathOfGuide(guide);
  const cut = path.starts[k] ?? 0;
  const newPath = pathOfGuide(next);
  return mapMarks(replaceGuide(scene, next), guide.id, (mark, rider) => {
    if (mark.place.by !== 'node') return mark;
    const distance = distanceOfPlace(guide, path, mark.place) - cut;
    let local = path.length > 0 ? distance - Math.floor(distance / path.length) * path.length : 0;
    const isAtCut = local < 1e-7 || path.length - local < 1e-7;
    if (isAtCut) local = rider.pace.marks[0] === mark ? 0 : path.length;
    return { ...mark, place: placeAtDistance(next, newPath, local) };
  });
}

function halved(scene: Scene, guide: Guide, k: number, nodeId: string, guideId: string, name: string): Scene {
  const at = guide.nodes[k];
  if (!at) return scene;
  const left: Guide = { ...guide, nodes: [...guide.nodes.slice(0, k), endsAt(at)] };
  const right: Guide = {
    ...guide,
    id: guideId,
    name,
    nodes: [beginsAt({ ...at, id: nodeId }), ...guide.nodes.slice(k + 1)],
  };
  const path = pathOfGuide(guide);
  const cut = path.starts[k] ?? 0;
  const rightPath = pathThrough(right.nodes, false);
  const split: Scene = {
    ...scene,
    guides: scene.guides.flatMap((one) => (one.id === guide.id ? [left, right] : [one])),
  };
  return {
    ...split,
    riders: split.riders.map((rider) => {
      if (rider.guide !== guide.id) return rider;
      const distances = rider.pace.marks.map((mark) => distanceOfPlace(guide, path, mark.place));
      const isRight = distances.filter((s) => s > cut).length > distances.filter((s) => s < cut).length;
      const marks = rider.pace.marks.map((mark, i) => {
        const s = distances[i] ?? 0;
        if (mark.place.by !== 'node') return mark;
        if (isRight && s >= cut) return { ...mark, place: placeAtDistance(right, rightPath, s - cut) };
        if (!isRight && s <= cut)
          return s < cut ? mark : { ...mark, place: { by: 'node', node: at.id, along: 0, lap: 0 } as const };
        const side = isRight ? right : left;
        const [x, y] = pointOfPlace(guide, mark.place);
        const sidePath = pathOfGuide(side);
        return { ...mark, place: placeAtDistance(side, sidePath, nearestOnPath(sidePath, x, y)?.distance ?? 0) };
      });
      return { ...rider, guide: isRight ? right.id : left.id, pace: { ...rider.pace, marks } };
    }),
  };
}
