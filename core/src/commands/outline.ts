import { nearestOnPath, pathThrough } from '../geometry/index.ts';
import {
  distanceOfPlace,
  idsIn,
  nodeIndex,
  pathOfGuide,
  placeAtDistance,
  type Guide,
  type Node,
  type Scene,
} from '../scene/index.ts';
import { checkNodes } from './check-nodes.ts';
import { command, guideOf, mapMarks, refusal, replaceGuide } from './command.ts';
import { pointOfPlace } from './places.ts';
import { withOutline } from './remap.ts';

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
    return withOutline(scene, guide, { ...guide, closed });
  },
);

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
  const { shape: _shape, ...rest } = guide;
  const left: Guide = { ...guide, nodes: [...guide.nodes.slice(0, k), endsAt(at)] };
  const right: Guide = {
    ...rest,
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
