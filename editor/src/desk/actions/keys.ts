import {
  deleteKeys,
  countedIds,
  riderById,
  setKey,
  type Key,
  type KeyChannel,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { selectRider } from '../../document/index.ts';
import { CHANNELS } from '../../words/channels.ts';
import { sceneOf, type Desk } from '../desk.ts';
import { change, perform } from './change.ts';
import { localTimeOf } from './marks.ts';

/** The playhead in a rider's own time, on the nearest frame, s. */
function frameTimeOf(desk: Desk, rider: string): number {
  const { fps } = sceneOf(desk).clock;
  return Math.round(localTimeOf(desk, rider) * fps) / fps;
}

/** The key of a channel that stands at a local time, within half a frame. */
export const keyNear = (rider: Rider, channel: KeyChannel, local: number, fps: number): Key | undefined =>
  (rider.keys[channel] as readonly Key[]).find((key) => Math.abs(key.time - local) < 0.5 / fps);

/** Sets a key at the playhead and selects it; the one that stands there gets the value. Squash by keys begins with the first. */
export function setKeyHere(
  desk: Desk,
  id: string,
  channel: KeyChannel,
  value: Key['value'],
  prepared: (scene: Scene) => Scene = (scene) => scene,
): void {
  const scene = sceneOf(desk);
  const rider = riderById(scene, id);
  if (!rider) return;
  const there = keyNear(rider, channel, localTimeOf(desk, id), scene.clock.fps);
  const next = countedIds(scene, `${id}-${CHANNELS[channel].name}-`);
  const ids = [next(), next(), next()] as const;
  const args = { rider: id, channel, time: there?.time ?? frameTimeOf(desk, id), value, ids };
  const selection = { ...selectRider(id), keys: [there?.id ?? ids[0]] };
  change(desk, `Set ${CHANNELS[channel].name} keyframe`, (before) => setKey(prepared(before), args), selection);
}

/** A rider whose opacity is all in its keyframes: those can make it no more opaque than its constant lets them. */
export const withOpacityInKeys =
  (id: string) =>
  (scene: Scene): Scene => ({
    ...scene,
    riders: scene.riders.map((rider) =>
      rider.id === id
        ? {
            ...rider,
            opacity: 1,
            keys: {
              ...rider.keys,
              opacity: rider.keys.opacity.map((key) => ({ ...key, value: key.value * rider.opacity })),
            },
          }
        : rider,
    ),
  });

/** Takes away the key of a channel that stands at the playhead. */
export function dropKeyHere(desk: Desk, id: string, channel: KeyChannel): void {
  const scene = sceneOf(desk);
  const rider = riderById(scene, id);
  const there = rider && keyNear(rider, channel, localTimeOf(desk, id), scene.clock.fps);
  if (there) perform(desk, 'Delete keyframe', deleteKeys, { rider: id, keys: [there.id] });
}
