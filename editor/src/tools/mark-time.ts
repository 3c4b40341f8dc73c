import { foldingOf, loopLength, markById, riderById, shownTimes, type Scene } from '@pace-line/core';

/** The first time of the loop, s, at which a rider is at a mark; undefined where that is never shown. */
export function timeOfMark(scene: Scene, riderId: string, markId: string): number | undefined {
  const rider = riderById(scene, riderId);
  const mark = rider && markById(rider, markId);
  return rider && mark && shownTimes(foldingOf(rider, scene.clock), mark.time, loopLength(scene.clock))[0];
}
