import {
  cycleOf,
  foldingOf,
  foldTime,
  freeId,
  idsIn,
  insertMark,
  riderById,
  setCycleRoom,
  setLegSpeed,
  setRoom,
  stretchMarks,
  type Place,
  type Scene,
} from '@pace-line/core';
import { selectRider } from '../../document/index.ts';
import { offer, tell } from '../../look/notices.tsx';
import { seconds } from '../../words/labels.ts';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { change, perform } from './change.ts';

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

/** Scales the times of marks about a local time, s, as far as there is room; says how far that is. */
export function scaleTimes(
  desk: Desk,
  { rider, marks }: { readonly rider: string; readonly marks: readonly string[] },
  factor: number,
  about: number | undefined,
): void {
  const span = (): number => {
    const times = riderById(sceneOf(desk), rider)?.pace.marks.filter(({ id }) => marks.includes(id)) ?? [];
    return (times.at(-1)?.time ?? 0) - (times[0]?.time ?? 0);
  };
  const before = span();
  const args = { rider, marks, factor, ...(about === undefined ? {} : { about }) };
  if (!perform(desk, 'Scale times', stretchMarks, args)) return;
  const got = before > 0 ? span() / before : factor;
  if (Math.abs(got - factor) < 1e-6) return;
  const percent = `${Number((got * 100).toFixed(1))} %`;
  tell(
    got === 1
      ? 'There is no room: the next mark, or the end of the cycle, is in the way. Nothing was changed.'
      : `There was room for ${percent}: the next mark, or the end of the cycle, is in the way.`,
  );
}

/** What was typed as a place: a distance, px, or a place in words. */
export const placed = (place: number | Place): { readonly distance: number } | { readonly place: Place } =>
  typeof place === 'number' ? { distance: place } : { place };

/** ms for which room is offered. */
const OFFERED = 20_000;

/** Gives the leg after a mark a mean speed, px/s. Where the marks after it no longer fit, it says by how much, and offers the room. */
export function changeLegSpeed(desk: Desk, of: { readonly rider: string; readonly mark: string }, speed: number): void {
  const label = 'Change speed of a leg';
  const scene = sceneOf(desk);
  const refusal = setLegSpeed.can(scene, { ...of, speed });
  const rider = riderById(scene, of.rider);
  const missing = Number(refusal?.data['missing']);
  if (refusal?.code !== 'cycle-too-short' || !rider || !(missing > 0)) {
    perform(desk, label, setLegSpeed, { ...of, speed });
    return;
  }
  const { fps } = scene.clock;
  const needed = Math.ceil((cycleOf(rider, scene.clock) + missing) * fps - 1e-6) / fps;
  const isOwn = rider.pace.cycle !== null;
  const roomier = (base: Scene): Scene =>
    isOwn ? setCycleRoom(base, { rider: of.rider, cycle: needed }) : setRoom(base, { duration: needed });
  offer(
    `At ${Number(speed.toFixed(1))} px/s the last mark comes ${seconds(missing)} after the ${isOwn ? 'cycle' : 'loop'} ends. Nothing was changed.`,
    `${isOwn ? 'Lengthen its cycle' : 'Lengthen the loop'} to ${seconds(needed)}`,
    () => {
      change(desk, label, (base) => setLegSpeed(roomier(base), { ...of, speed }));
      return Promise.resolve();
    },
    OFFERED,
  );
}
