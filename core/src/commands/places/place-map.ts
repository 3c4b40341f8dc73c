import type { Vec } from '../../geometry/index.ts';
import {
  distanceOfPlace,
  nodeIndex,
  pathOfGuide,
  placeAtDistance,
  type Guide,
  type Place,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { replaceGuide } from '../edits.ts';
import { lapOfPlace, nearestPlace, pointOfPlace } from './places.ts';

/** Where a place goes when its guide is remade. `isFirst`: it is that of its rider's first mark. */
export type PlaceMap = (place: Place, isFirst: boolean) => Place;

/** A rider with everything of it that holds a place put through a map: its marks, and where it is behind others. The same rider where nothing moves. */
export function mapPlaces(rider: Rider, map: PlaceMap): Rider {
  const marks = rider.pace.marks.map((mark, i) => {
    const place = map(mark.place, i === 0);
    return place === mark.place ? mark : { ...mark, place };
  });
  const behind = rider.behind.map((one) => (one.by === 'places' ? mapStretch(one, map) : one));
  const isSame = behind.every((one, i) => one === rider.behind[i]);
  if (marks.every((mark, i) => mark === rider.pace.marks[i])) return isSame ? rider : { ...rider, behind };
  return { ...rider, behind: isSame ? rider.behind : behind, pace: { ...rider.pace, marks } };
}

function mapStretch<S extends { readonly from: Place; readonly to: Place }>(stretch: S, map: PlaceMap): S {
  const [from, to] = [map(stretch.from, false), map(stretch.to, false)];
  return from === stretch.from && to === stretch.to ? stretch : { ...stretch, from, to };
}

/** The scene with `next` in place of the guide of the same id, and every place on it put through a map. */
export function remakeGuide(scene: Scene, next: Guide, map: PlaceMap): Scene {
  const remade = replaceGuide(scene, next);
  return {
    ...remade,
    riders: remade.riders.map((rider) => (rider.guide === next.id ? mapPlaces(rider, map) : rider)),
  };
}

/** Places whose span is still there keep it, all others stay on the canvas as nearly as can be. */
export function keepingSpans(guide: Guide, next: Guide): PlaceMap {
  const oldPath = pathOfGuide(guide);
  const isOpened = guide.closed && !next.closed;
  const following = (of: Guide, id: string): string | undefined => {
    const i = nodeIndex(of, id);
    if (i < 0) return undefined;
    return of.nodes[i + 1]?.id ?? (of.closed ? of.nodes[0]?.id : '');
  };
  const lastId = next.nodes[next.nodes.length - 1]?.id ?? '';
  return (place) => {
    if (place.by !== 'node') return place;
    if (isOpened && distanceOfPlace(guide, oldPath, place) >= oldPath.length - 1e-9)
      return { by: 'node', node: lastId, along: 0, lap: 0 };
    const stays =
      place.along === 0
        ? nodeIndex(next, place.node) >= 0
        : following(guide, place.node) === following(next, place.node);
    if (stays && guide.nodes.length > 0) return isOpened && place.lap !== 0 ? { ...place, lap: 0 } : place;
    return nearestPlace(next, pointOfPlace(guide, place), next.closed ? lapOfPlace(guide, place) : 0);
  };
}

/**
 * Every place goes by its distance: `along` gives the distance on `next` of one on `guide`, px, laps included. Exact where `along` is. Shares and distances stay
 * what they are (a share stays a share).
 */
export function byDistance(guide: Guide, next: Guide, along: (distance: number, isFirst: boolean) => number): PlaceMap {
  const before = pathOfGuide(guide);
  const after = pathOfGuide(next);
  return (place, isFirst) => {
    const distance = along(distanceOfPlace(guide, before, place), isFirst);
    switch (place.by) {
      case 'node':
        return placeAtDistance(next, after, distance);
      case 'share':
        return { by: 'share', value: after.length > 0 ? distance / after.length : place.value };
      case 'distance':
        return { by: 'distance', value: distance };
    }
  };
}

/** Every node place goes where `point` says it is on the canvas then, to the nearest place of `next`. */
export const byPoint =
  (guide: Guide, next: Guide, point: (place: Place) => Vec): PlaceMap =>
  (place) =>
    place.by === 'node' ? nearestPlace(next, point(place), next.closed ? lapOfPlace(guide, place) : 0) : place;

/** Node places alone are mapped; shares and distances stay as they are. */
export const nodePlaces =
  (map: (place: Extract<Place, { by: 'node' }>, isFirst: boolean) => Place): PlaceMap =>
  (place, isFirst) =>
    place.by === 'node' ? map(place, isFirst) : place;
