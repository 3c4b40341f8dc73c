import {
  addRider,
  attachRider,
  prepare,
  riderById,
  setSeating,
  type Rider,
  type Scene,
  type Seating,
  type Vec,
} from '@pace-line/core';
import { selectRider } from '../../document/index.ts';
import { offer } from '../../look/notices.tsx';
import { isOnGuide } from '../cards/rider/on-guide.ts';
import { sceneOf, type Desk } from '../desk.ts';
import { useDeskView, type SeatingQuestion } from '../view.ts';
import { change } from './change.ts';
import { newRiderOf } from './riding.ts';

/** Puts a rider on a guide where nothing jumps, and asks whether it should sit on it instead. */
export function askToRide(desk: Desk, riderId: string, guide: string): void {
  const before = sceneOf(desk);
  const rider = riderById(before, riderId);
  if (!rider || rider.guide === guide) return;
  put(desk, { rider: riderId, guide, before, time: desk.playback.time, begins: 'start' }, 'keep');
}

/** Puts several riders on a guide, each where it does not jump. */
export function rideAll(desk: Desk, ids: readonly string[], guide: string): void {
  const { time } = desk.playback;
  change(desk, `Put ${ids.length} riders on a guide`, (scene) =>
    ids.reduce(
      (made, rider) =>
        riderById(made, rider)?.guide === guide
          ? made
          : attachRider(made, { rider, guide, seating: 'keep', time, begins: 'start' }),
      scene,
    ),
  );
}

/** Seats a rider on the guide that it rides: no lift, no lead. */
export function seat(desk: Desk, riderId: string): void {
  const scene = sceneOf(desk);
  const { time } = desk.playback;
  const index = scene.riders.findIndex(({ id }) => id === riderId);
  const poses = prepare(scene).poseAt(time);
  const point = [poses.of(index, 'x'), poses.of(index, 'y')] as const;
  change(desk, 'Put on the guide', (base) => setSeating(base, { rider: riderId, seating: 'seat', point, time }));
}

/** ms for which it is offered. */
const OFFERED = 10_000;

/** After the pivot of a riding thing was moved and its drawing stayed: offers to put that point on the guide. */
export function offerSeat(desk: Desk, riderId: string): void {
  const rider = riderById(sceneOf(desk), riderId);
  if (!rider || rider.guide === null || isOnGuide(rider)) return;
  offer(
    `The drawing of “${rider.name}” stayed where it was: its pivot is off the guide`,
    'Put this point on the guide',
    () => Promise.resolve(seat(desk, riderId)),
    OFFERED,
  );
}

/** Puts a new rider of an art on a guide where it was dropped, and asks whether it should stay just there. */
export function dropOnGuide(desk: Desk, artId: string, guide: string, at: Vec): void {
  askForNew(desk, newRiderOf(desk, artId, at), guide, at);
}

/** Puts a new rider of an art on a guide at its start. */
export function rideAtStart(desk: Desk, artId: string, guide: string): void {
  const start = sceneOf(desk).guides.find(({ id }) => id === guide)?.nodes[0];
  askForNew(desk, newRiderOf(desk, artId, [start?.x ?? 0, start?.y ?? 0]), guide, 'start');
}

function askForNew(desk: Desk, rider: Rider | undefined, guide: string, begins: SeatingQuestion['begins']): void {
  if (!rider) return;
  const before = addRider(sceneOf(desk), { rider });
  put(desk, { rider: rider.id, guide, before, time: desk.playback.time, begins }, 'seat');
}

/** Answers the question that is asked, if nothing was changed since. */
export function answerSeating(desk: Desk, seating: Seating): void {
  const { question } = useDeskView.getState();
  if (question && isOpen(desk, question)) put(desk, question, seating);
}

/** A question is open while nothing else was done since. */
export const isOpen = (desk: Desk, { after }: SeatingQuestion): boolean => sceneOf(desk) === after;

type Asked = Omit<SeatingQuestion, 'seating' | 'after'>;

function put(desk: Desk, { rider, guide, before, time, begins }: Asked, seating: Seating): void {
  const name = riderById(before, rider)?.name ?? 'rider';
  const edit = (): Scene => attachRider(before, { rider, guide, seating, time, begins });
  change(desk, seating === 'seat' ? `Put ${name} on its guide` : `Put ${name} on a guide`, edit, selectRider(rider));
  const question = { rider, guide, before, time, begins, seating, after: sceneOf(desk) };
  useDeskView.getState().set({ question });
}
