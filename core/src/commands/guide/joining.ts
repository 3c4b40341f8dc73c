import { distanceBetween, pathThrough, reversedNodes, type Vec } from '../../geometry/index.ts';
import { otherWay } from '../rider/other-way.ts';
import {
  distanceOfPlace,
  pathOfGuide,
  placeAtDistance,
  type Guide,
  type Node,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { mapPlaces, type PlaceMap } from '../places/place-map.ts';
import { checkNodes } from '../node/check-nodes.ts';
import { command, guideOf, refusal } from '../command.ts';

/** px. Ends this near are one node when two guides are joined. */
const SAME_PLACE = 0.5;

/**
 * Joins two open guides at those of their ends that lie nearest: ends at one place become one node, others are joined by a straight span. The first
 * keeps its direction, id and look; the riders of the second come with it, each where it was at every time.
 */
export const joinGuides = command<{ first: string; second: string }>(
  (scene, { first, second }) => {
    const refused = checkNodes(scene, first, []) ?? checkNodes(scene, second, []);
    if (refused) return refused;
    if (first === second) return refusal('join-needs-two');
    const [a, b] = [guideOf(scene, first), guideOf(scene, second)];
    if (a.closed || b.closed) return refusal('join-open-only');
    return a.nodes.length === 0 || b.nodes.length === 0 ? refusal('join-needs-nodes') : undefined;
  },
  (scene, { first, second }) => joined(scene, guideOf(scene, first), guideOf(scene, second)),
);

function joined(scene: Scene, a: Guide, b: Guide): Scene {
  const end = (guide: Guide, last: boolean): Vec => {
    const node = guide.nodes[last ? guide.nodes.length - 1 : 0];
    return [node?.x ?? 0, node?.y ?? 0];
  };
  const ways = [true, false].flatMap((aLast) =>
    [false, true].map((bLast) => ({ aLast, bLast, gap: distanceBetween(end(a, aLast), end(b, bLast)) })),
  );
  const best = ways.reduce((least, way) => (way.gap < least.gap - 1e-9 ? way : least));
  // b is turned round where both would otherwise meet with the same ends.
  const turned = best.aLast === best.bLast;
  const bNodes = turned ? reversedNodes(b.nodes, false) : b.nodes;
  const [front, back] = best.aLast ? [a.nodes, bNodes] : [bNodes, a.nodes];
  const seam = front[front.length - 1];
  const other = back[0];
  const isSame = best.gap <= SAME_PLACE;
  const nodes: Node[] =
    isSame && seam && other ? [...front.slice(0, -1), merged(seam, other), ...back.slice(1)] : [...front, ...back];
  const next: Guide = { ...a, nodes };
  const path = pathThrough(nodes, false);
  const aPath = pathOfGuide(a);
  const bPath = pathOfGuide(b);
  const bridge = isSame ? 0 : best.gap;
  const aShift = best.aLast ? 0 : bPath.length + bridge;
  const bShift = best.aLast ? aPath.length + bridge : 0;
  const ofA: PlaceMap = (place) => placeAtDistance(next, path, distanceOfPlace(a, aPath, place) + aShift);
  const ofB: PlaceMap = (place) => {
    const s = distanceOfPlace(b, bPath, place);
    return placeAtDistance(next, path, (turned ? bPath.length - s : s) + bShift);
  };
  return {
    ...scene,
    guides: scene.guides.flatMap((guide) => (guide.id === a.id ? [next] : guide.id === b.id ? [] : [guide])),
    riders: scene.riders.map((rider) => {
      if (rider.guide === a.id) return mapPlaces(rider, ofA);
      if (rider.guide !== b.id) return rider;
      const moved: Rider = { ...mapPlaces(rider, ofB), guide: a.id };
      return turned ? otherWay(moved) : moved;
    }),
  };
}

/** One node of two that stand at one place; it keeps the first's id, and its handles as they are. */
function merged(seam: Node, other: Node): Node {
  const { out: _out, ...rest } = seam;
  return { ...rest, ...(other.out ? { out: other.out } : {}), join: seam.in && other.out ? 'corner' : seam.join };
}
