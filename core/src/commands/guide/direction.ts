import { reversedNodes } from '../../geometry/index.ts';
import { nodeIndex, pathOfGuide, ridersOf, type Guide, type Scene } from '../../scene/index.ts';
import { checkNodes } from '../node/check-nodes.ts';
import { command, guideOf, refusal, replaceRider } from '../command.ts';
import { otherWay } from '../rider/other-way.ts';
import { byDistance, remakeGuide } from '../places/place-map.ts';

/**
 * What riders do when their guide is reversed: `place`: each is where it was at every time, and turns round where it faces along the guide; `way`:
 * each goes on running along the guide, from its new start.
 */
export type Reversal = 'place' | 'way';

/** Turns a guide's direction round; a closed one keeps its start node. Places are remapped exactly. */
export const reverseGuide = command<{ guide: string; riders: Reversal }>(
  (scene, { guide }) => checkNodes(scene, guide, []),
  (scene, { guide: id, riders }) => {
    const guide = guideOf(scene, id);
    const { length } = pathOfGuide(guide);
    const next: Guide = {
      ...guide,
      nodes: reversedNodes(guide.nodes, guide.closed),
      ...(guide.shape ? { shape: { ...guide.shape, reversed: !guide.shape.reversed } } : {}),
      depth: movedDepth(guide.depth, (at) => 1 - at),
    };
    if (riders === 'way')
      return remakeGuide(
        scene,
        next,
        byDistance(guide, next, (distance) => distance),
      );
    const mirrored = byDistance(guide, next, (distance) => (guide.closed ? -distance : length - distance));
    const turned = remakeGuide(scene, next, mirrored);
    return ridersOf(scene, id).reduce((sum, rider) => {
      const now = sum.riders.find((one) => one.id === rider.id) ?? rider;
      return replaceRider(sum, otherWay(now));
    }, turned);
  },
);

/** Lets a closed guide start at another of its nodes. Every rider stays where it is at every time. */
export const restartGuide = command<{ guide: string; node: string }>(
  (scene, { guide, node }) => {
    const refused = checkNodes(scene, guide, [node]);
    if (refused) return refused;
    return guideOf(scene, guide).closed ? undefined : refusal('open-guide-starts-at-end');
  },
  (scene, { guide: id, node }) => restarted(scene, guideOf(scene, id), node),
);

function restarted(scene: Scene, guide: Guide, node: string): Scene {
  const k = nodeIndex(guide, node);
  if (k <= 0) return scene;
  const path = pathOfGuide(guide);
  const cut = path.starts[k] ?? 0;
  const next: Guide = {
    ...guide,
    nodes: [...guide.nodes.slice(k), ...guide.nodes.slice(0, k)],
    ...(guide.shape ? { shape: { ...guide.shape, start: guide.shape.start + (guide.shape.reversed ? -k : k) } } : {}),
    depth: movedDepth(guide.depth, (at) => (at * path.length < cut ? at + 1 : at) - cut / path.length),
  };
  return remakeGuide(
    scene,
    next,
    byDistance(guide, next, (distance) => distance - cut),
  );
}

/** A guide's depth with its stops elsewhere. */
function movedDepth(depth: Guide['depth'], to: (at: number) => number): Guide['depth'] {
  if (!depth) return depth;
  const stops = depth.stops.map(({ at, scale }) => ({ at: Math.min(1, Math.max(0, to(at))), scale }));
  stops.sort((a, b) => a.at - b.at);
  return { ...depth, stops: stops.filter(({ at }, i) => i === 0 || at > (stops[i - 1]?.at ?? 0)) };
}
