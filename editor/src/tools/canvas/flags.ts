import { distanceOfPlace, guideById, pathOfGuide, riderById, type Guide, type Scene } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';

/** A mark as a flag on the canvas: where its foot stands on the guide, px of the guide, and the guide's normal there. */
export interface Flag {
  readonly rider: string;
  readonly guide: Guide;
  readonly mark: string;
  readonly time: number;
  readonly x: number;
  readonly y: number;
  readonly normalX: number;
  readonly normalY: number;
}

/** The flags of the selected rider's marks, its lead included. */
export function flagsOf(scene: Scene, selection: Selection): Flag[] {
  const rider = riderById(scene, selection.riders[0] ?? '');
  const guide = rider && guideById(scene, rider.guide);
  if (!rider || !guide) return [];
  const path = pathOfGuide(guide);
  return rider.pace.marks.map((mark): Flag => {
    const { x, y, normalX, normalY } = path.frameAtDistance(distanceOfPlace(guide, path, mark.place) + rider.lead);
    return { rider: rider.id, guide, mark: mark.id, time: mark.time, x, y, normalX, normalY };
  });
}
