import type { Vec } from '../geometry/index.ts';
import {
  distanceOfPlace,
  nodeIndex,
  pathOfGuide,
  placeAtDistance,
  type Guide,
  type Mark,
  type Rider,
  type Scene,
} from '../scene/index.ts';
import { mapMarks, replaceGuide } from './edits.ts';
import { lapOfPlace, nearestPlace, pointOfPlace } from './places.ts';

/** Puts `next` in place of `guide`: marks whose span is still there keep their place, all others keep their place on the canvas as nearly as can be. */
export function withOutline(scene: Scene, guide: Guide, next: Guide): Scene {
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
 * Puts `next` in place of `guide`, every place remapped by its distance: `map` gives the distance on `next` of one on `guide`, px, laps included. Exact
 * where `map` is. Shares and distances stay what they are (a share stays a share).
 */
export function withDistances(
  scene: Scene,
  guide: Guide,
  next: Guide,
  map: (distance: number, mark: Mark, rider: Rider) => number,
): Scene {
  const before = pathOfGuide(guide);
  const after = pathOfGuide(next);
  return mapMarks(replaceGuide(scene, next), guide.id, (mark, rider) => {
    const distance = map(distanceOfPlace(guide, before, mark.place), mark, rider);
    switch (mark.place.by) {
      case 'node':
        return { ...mark, place: placeAtDistance(next, after, distance) };
      case 'share':
        return {
          ...mark,
          place: { by: 'share', value: after.length > 0 ? distance / after.length : mark.place.value },
        };
      case 'distance':
        return { ...mark, place: { by: 'distance', value: distance } };
    }
  });
}

/** Puts `next` in place of `guide`; every place goes where `point` says it is on the canvas then, to the nearest place of `next`. */
export function withPoints(scene: Scene, guide: Guide, next: Guide, point: (mark: Mark) => Vec): Scene {
  return mapMarks(replaceGuide(scene, next), guide.id, (mark) =>
    mark.place.by === 'node'
      ? { ...mark, place: nearestPlace(next, point(mark), next.closed ? lapOfPlace(guide, mark.place) : 0) }
      : mark,
  );
}
