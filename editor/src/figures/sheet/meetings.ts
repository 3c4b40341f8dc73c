import { guideById, meetingsOn, type Meetings, type Scene } from '@pace-line/core';
import { kept } from '../shapes.ts';

/** Riders of a route, and nodes of its guide, beyond which meetings are not sought while the scene is edited. */
const [MOST_RIDERS, MOST_NODES] = [12, 400];

const found = kept((_scene: Scene): Map<string, Meetings> => new Map());

/** Where the riders of a route meet, found once for a scene whoever asks; undefined where there are too few of them, or too many. */
export function meetingsOf(scene: Scene, route: string, riders: number): Meetings | undefined {
  const guide = guideById(scene, route);
  const isSought = guide && riders > 1 && riders <= MOST_RIDERS && guide.nodes.length <= MOST_NODES;
  if (!isSought) return undefined;
  const known = found(scene);
  const meetings = known.get(route) ?? meetingsOn(scene, route);
  known.set(route, meetings);
  return meetings;
}
