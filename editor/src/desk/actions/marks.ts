import { foldingOf, foldTime, freeId, idsIn, insertMark, riderById } from '@pace-line/core';
import { selectRider } from '../../document/index.ts';
import { tell } from '../../look/notices.tsx';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { perform } from './change.ts';

/** The playhead in a rider's own cycle, s. */
export function localTimeOf(desk: Desk, riderId: string): number {
  const scene = sceneOf(desk);
  const rider = riderById(scene, riderId);
  return rider ? foldTime(desk.playback.time, foldingOf(rider, scene.clock)).local : 0;
}

/** Sets a mark on a rider's pace line at the playhead, on the nearest frame. */
export function addMark(desk: Desk, riderId: string | undefined = selectionOf(desk).riders[0]): void {
  if (riderId === undefined) return tell('Select a rider first: the mark is set on its pace line.');
  const { fps } = sceneOf(desk).clock;
  const time = Math.round(localTimeOf(desk, riderId) * fps) / fps;
  const id = freeId(idsIn(sceneOf(desk)), `${riderId}-m`);
  perform(desk, 'Add mark', insertMark, { rider: riderId, time, id }, selectRider(riderId, [id]));
}
