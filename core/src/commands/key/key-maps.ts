import { KEY_CHANNELS, type Key, type Keys } from '../../scene/index.ts';

export const inOrder = (keys: readonly Key[]): readonly Key[] => [...keys].sort((a, b) => a.time - b.time);

/** Keys with their times multiplied. */
export function stretchedKeys(keys: Keys, factor: number): Keys {
  if (factor === 1) return keys;
  return mapKeysOf(keys, (key) => ({ ...key, time: key.time * factor }));
}

/** Every key put through a function; each channel in order of time again. */
export function mapKeysOf(keys: Keys, change: (key: Key) => Key): Keys {
  return Object.fromEntries(
    KEY_CHANNELS.map((channel) => [channel, inOrder((keys[channel] as readonly Key[]).map(change))]),
  ) as unknown as Keys;
}

/** Keys with ids of their own, tied to the marks that those which they were tied to have become; null: to none. */
export const renamedKeys = (keys: Keys, fresh: (id: string) => string, markOf: (id: string) => string | null): Keys =>
  mapKeysOf(keys, (key) => ({ ...key, id: fresh(key.id), mark: key.mark === null ? null : markOf(key.mark) }));

/** Lifts, or leads, of keys put through a function. */
export const mapOffsets = (keys: Keys, change: (px: number) => number): Keys => ({
  ...keys,
  lift: keys.lift.map((key) => ({ ...key, value: change(key.value) })),
  lead: keys.lead.map((key) => ({ ...key, value: change(key.value) })),
});
