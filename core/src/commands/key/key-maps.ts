import { KEY_CHANNELS, type Key, type Keys, type Rider } from '../../scene/index.ts';

export const inOrder = (keys: readonly Key[]): readonly Key[] => [...keys].sort((a, b) => a.time - b.time);

/** Keys with their times multiplied. */
export function stretchedKeys(keys: Keys, factor: number): Keys {
  if (factor === 1) return keys;
  return mapAll(keys, (key) => ({ ...key, time: key.time * factor }));
}

/** Every key put through a function; each channel in order of time again. */
function mapAll(keys: Keys, change: (key: Key) => Key): Keys {
  return Object.fromEntries(
    KEY_CHANNELS.map((channel) => [channel, inOrder((keys[channel] as readonly Key[]).map(change))]),
  ) as unknown as Keys;
}

/** Keys with ids of their own, tied to the marks that those which they were tied to have become; null: to none. */
export const renamedKeys = (keys: Keys, fresh: (id: string) => string, markOf: (id: string) => string | null): Keys =>
  mapAll(keys, (key) => ({ ...key, id: fresh(key.id), mark: key.mark === null ? null : markOf(key.mark) }));

/** Whether some of a rider's keys go with marks. */
export const hasTiedKeys = ({ keys }: Rider): boolean =>
  KEY_CHANNELS.some((channel) => keys[channel].some(({ mark }) => mark !== null));

/** Keys that are tied to marks moved as far in time as those were, held within the cycle; of marks that are gone they are free. The same rider where none is. */
export function followedMarks(before: Rider, after: Rider, cycle: number): Rider {
  if (before.pace.marks === after.pace.marks) return after;
  if (!hasTiedKeys(after)) return after;
  const was = new Map(before.pace.marks.map((mark) => [mark.id, mark.time]));
  const now = new Map(after.pace.marks.map((mark) => [mark.id, mark.time]));
  const keys = mapAll(after.keys, (key) => {
    if (key.mark === null) return key;
    const to = now.get(key.mark);
    const from = was.get(key.mark);
    if (to === undefined) return { ...key, mark: null };
    if (from === undefined || from === to || before.keys !== after.keys) return key;
    return { ...key, time: Math.min(cycle, Math.max(0, key.time + to - from)) };
  });
  return { ...after, keys };
}

/** Lifts, or leads, of keys put through a function. */
export const mapOffsets = (keys: Keys, change: (px: number) => number): Keys => ({
  ...keys,
  lift: keys.lift.map((key) => ({ ...key, value: change(key.value) })),
  lead: keys.lead.map((key) => ({ ...key, value: change(key.value) })),
});
