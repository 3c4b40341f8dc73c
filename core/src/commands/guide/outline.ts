import {
  distanceOfPlace,
  idsIn,
  nodeIndex,
  pathOfGuide,
  placeAtDistance,
  type Guide,
  type Node,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { AT_NODE } from '../../tolerances.ts';
import { checkNodes } from '../node/check-nodes.ts';
import { command, guideOf, refusal } from '../command.ts';
import { nearestPlace, pointOfPlace } from '../places/places.ts';
import { keepingSpans, mapPlaces, nodePlaces, remakeGuide, type PlaceMap } from '../places/place-map.ts';

/** Closes a guide with a span from its last node to its first, or takes that span away. */
export const setClosed = command<{ guide: string; closed: boolean }>(
  (scene, { guide: id, closed }) => {
    const refused = checkNodes(scene, id, []);
    if (refused) return refused;
    return closed && guideOf(scene, id).nodes.length < 2 ? refusal('two-nodes-to-close') : undefined;
  },
  (scene, { guide: id, closed }) => {
    const guide = guideOf(scene, id);
    const next: Guide = { ...guide, closed };
    return remakeGuide(scene, next, keepingSpans(guide, next));
  },
);

/**
 * Splits a guide at a node. A closed guide opens there (the node stands at both ends, its copy called `nodeId`). An open one becomes two: the
 * second, `guideId`, begins with the copy. Riders stay with the piece that holds most of their marks; marks cut away go to the nearest place.
 */
export const splitGuide = command<{
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
      return refusal('split-at-end');
    const ids = idsIn(scene);
    return ids.has(nodeId) || ids.has(guideId) ? refusal('id-taken', { id: nodeId }) : undefined;
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
  const map = nodePlaces((place, isFirst) => {
    const distance = distanceOfPlace(guide, path, place) - cut;
    const local = path.length > 0 ? distance - Math.floor(distance / path.length) * path.length : 0;
    const isAtCut = local < AT_NODE || path.length - local < AT_NODE;
    return placeAtDistance(next, newPath, isAtCut ? (isFirst ? 0 : path.length) : local);
  });
  return remakeGuide(scene, next, map);
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
  const cut = pathOfGuide(guide).starts[k] ?? 0;
  return {
    ...scene,
    guides: scene.guides.flatMap((one) => (one.id === guide.id ? [left, right] : [one])),
    riders: scene.riders.map((rider) => {
      if (rider.guide !== guide.id) return rider;
      const isRight = isMostlyBeyond(guide, rider, cut);
      const map = isRight ? ontoRight(guide, right, cut) : ontoLeft(guide, left, cut);
      return { ...mapPlaces(rider, map), guide: isRight ? right.id : left.id };
    }),
  };
}

/** Whether more of a rider's marks lie beyond a distance than before it. */
function isMostlyBeyond(guide: Guide, rider: Rider, cut: number): boolean {
  const path = pathOfGuide(guide);
  const distances = rider.pace.marks.map((mark) => distanceOfPlace(guide, path, mark.place));
  return distances.filter((s) => s > cut).length > distances.filter((s) => s < cut).length;
}

const ontoRight = (guide: Guide, right: Guide, cut: number): PlaceMap =>
  nodePlaces((place) => {
    const s = distanceOfPlace(guide, pathOfGuide(guide), place);
    return s >= cut
      ? placeAtDistance(right, pathOfGuide(right), s - cut)
      : nearestPlace(right, pointOfPlace(guide, place), 0);
  });

const ontoLeft = (guide: Guide, left: Guide, cut: number): PlaceMap =>
  nodePlaces((place) => {
    const s = distanceOfPlace(guide, pathOfGuide(guide), place);
    if (s < cut) return place;
    const end = left.nodes[left.nodes.length - 1];
    return s === cut && end
      ? { by: 'node', node: end.id, along: 0, lap: 0 }
      : nearestPlace(left, pointOfPlace(guide, place), 0);
  });
