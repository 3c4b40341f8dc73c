import { useMemo } from 'react';
import { meetingsOn, type Guide, type Meetings, type Scene } from '@pace-line/core';

/** Riders of a route, and nodes of its guide, beyond which meetings are not sought while the scene is edited. */
const [MOST_RIDERS, MOST_NODES] = [12, 400];

const known = new WeakMap<Scene, Map<string, Meetings>>();

/** Where the riders of a route meet, found once for a scene whoever asks; undefined where there are too few of them, or too many. */
export function useMeetings(scene: Scene, guide: Guide | undefined, riders: number): Meetings | undefined {
  return useMemo(() => {
    const isSought = guide && riders > 1 && riders <= MOST_RIDERS && guide.nodes.length <= MOST_NODES;
    if (!isSought) return undefined;
    let found = known.get(scene);
    if (!found) known.set(scene, (found = new Map<string, Meetings>()));
    let meetings = found.get(guide.id);
    if (!meetings) found.set(guide.id, (meetings = meetingsOn(scene, guide.id)));
    return meetings;
  }, [scene, guide, riders]);
}
