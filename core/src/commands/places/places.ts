import { nearestOnPath, type Vec } from '../../geometry/index.ts';
import { distanceOfPlace, pathOfGuide, placeAtDistance, type Guide, type Place } from '../../scene/index.ts';

/** The place as a share of the guide's length: independent of its nodes. */
export function asShare(guide: Guide, place: Place): Place {
  if (place.by === 'share') return place;
  const path = pathOfGuide(guide);
  return { by: 'share', value: path.length > 0 ? distanceOfPlace(guide, path, place) / path.length : 0 };
}

/** Where a place is on the canvas, px. */
export function pointOfPlace(guide: Guide, place: Place): Vec {
  const path = pathOfGuide(guide);
  const frame = path.frameAtDistance(distanceOfPlace(guide, path, place));
  return [frame.x, frame.y];
}

/** Whole laps of a place on a closed guide. */
export function lapOfPlace(guide: Guide, place: Place): number {
  const path = pathOfGuide(guide);
  if (!path.isClosed || !(path.length > 0)) return 0;
  if (place.by === 'node') return place.lap;
  return Math.floor(distanceOfPlace(guide, path, place) / path.length);
}

/** The place of `guide` nearest to a point of the canvas, on a given lap. */
export function nearestPlace(guide: Guide, [x, y]: Vec, lap: number): Place {
  const path = pathOfGuide(guide);
  const found = nearestOnPath(path, x, y);
  return placeAtDistance(guide, path, (found?.distance ?? 0) + (path.isClosed ? lap * path.length : 0));
}
