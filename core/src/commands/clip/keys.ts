import {
  cycleOf,
  freshIds,
  KEY_CHANNELS,
  markIdsOf,
  type Key,
  type KeyChannel,
  type Keys,
  type Scene,
} from '../../scene/index.ts';
import { command, missingRider, refusal, replaceRider, riderOf } from '../command.ts';

/** Copied keys of one rider, each with its channel. */
export interface KeysClip {
  readonly kind: 'keys';
  readonly keys: readonly { readonly channel: KeyChannel; readonly key: Key }[];
}

/** Keys of a rider to be pasted, by the time from the first of them. */
export function copyKeys(scene: Scene, riderId: string, ids: readonly string[]): KeysClip {
  const { keys } = riderOf(scene, riderId);
  return {
    kind: 'keys',
    keys: KEY_CHANNELS.flatMap((channel) =>
      keys[channel].filter(({ id }) => ids.includes(id)).map((key) => ({ channel, key })),
    ),
  };
}

/** Pastes keys, of this rider or another, so that the first is at a local time, s; where a channel has a key at the same time the pasted one takes its place. */
export const pasteKeys = command<{ rider: string; clip: KeysClip; time: number }>(
  (scene, { rider: id, clip, time }) => {
    const missing = missingRider(scene, id);
    if (missing) return missing;
    if (clip.keys.length === 0) return refusal('nothing-copied');
    const times = clip.keys.map(({ key }) => key.time);
    const reach = Math.max(...times) - Math.min(...times);
    return time + reach > cycleOf(riderOf(scene, id), scene.clock) + 1e-9 ? refusal('marks-do-not-fit') : undefined;
  },
  (scene, { rider: id, clip, time }) => {
    const rider = riderOf(scene, id);
    const fresh = freshIds(scene);
    const shift = time - Math.min(...clip.keys.map(({ key }) => key.time));
    const marks = markIdsOf(scene.riders);
    const keys = Object.fromEntries(
      KEY_CHANNELS.map((channel) => {
        const pasted = clip.keys
          .filter((one) => one.channel === channel)
          .map(({ key }) => ({
            ...key,
            id: fresh(key.id),
            time: key.time + shift,
            mark: key.mark !== null && marks.has(key.mark) ? key.mark : null,
          }));
        const isReplaced = (at: number): boolean => pasted.some((one) => Math.abs(one.time - at) < 1e-6);
        const kept = (rider.keys[channel] as readonly Key[]).filter((key) => !isReplaced(key.time));
        return [channel, [...kept, ...pasted].sort((a, b) => a.time - b.time)];
      }),
    ) as unknown as Keys;
    return replaceRider(scene, { ...rider, keys });
  },
);
