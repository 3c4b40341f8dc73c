import { cycleOf, KEY_CHANNELS, markIdsOf, type Key, type Mark, type Rider, type Scene } from '../../scene/index.ts';
import { mapKeysOf } from './key-maps.ts';

const tied = new WeakMap<Rider['keys'], boolean>();

/** Whether some of a rider's keys go with marks. */
function hasTiedKeys({ keys }: Rider): boolean {
  let known = tied.get(keys);
  if (known === undefined)
    tied.set(keys, (known = KEY_CHANNELS.some((channel) => keys[channel].some(({ mark }) => mark !== null))));
  return known;
}

/** A mark before and after an edit; absent where it was not, or is no more. */
interface Moved {
  from?: Mark;
  to?: Mark;
}

/** The marks of all riders whose marks an edit has changed. */
function movedMarks(before: Scene, after: Scene): ReadonlyMap<string, Moved> {
  const moved = new Map<string, Moved>();
  const put = (mark: Mark, as: keyof Moved): void => {
    moved.set(mark.id, { ...moved.get(mark.id), [as]: mark });
  };
  const now = new Map(after.riders.map((rider) => [rider.id, rider]));
  const was = new Map(before.riders.map((rider) => [rider.id, rider]));
  for (const rider of before.riders)
    if (now.get(rider.id)?.pace.marks !== rider.pace.marks) for (const mark of rider.pace.marks) put(mark, 'from');
  for (const rider of after.riders)
    if (was.get(rider.id)?.pace.marks !== rider.pace.marks) for (const mark of rider.pace.marks) put(mark, 'to');
  return moved;
}

const timeAt = (mark: Mark, edge: Key['edge']): number => mark.time + (edge === 'end' ? mark.dwell : 0);

/**
 * Keys that are tied to marks, of their own rider or of another, are moved as far in time as those were, or as the ends of their rests; held within the cycle. Keys of marks that
 * are gone are free. Where an edit has changed a rider's keys itself, they stay as it left them.
 */
export function keysFollowed(before: Scene, after: Scene): Scene {
  // Most edits change no riders, and few of those have keys that are tied.
  if (after.riders === before.riders || !after.riders.some(hasTiedKeys)) return after;
  const was = new Map(before.riders.map((rider) => [rider.id, rider]));
  const moved = movedMarks(before, after);
  let all: Set<string> | undefined;
  const isThere = (mark: string): boolean => (all ??= markIdsOf(after.riders)).has(mark);
  const followed = (rider: Rider): Rider => {
    if (!hasTiedKeys(rider)) return rider;
    const isOwn = was.get(rider.id)?.keys !== rider.keys;
    if (!isOwn && moved.size === 0) return rider;
    const cycle = cycleOf(rider, after.clock);
    let changes = false;
    const keys = mapKeysOf(rider.keys, (key) => {
      if (key.mark === null) return key;
      const { from, to } = moved.get(key.mark) ?? {};
      const isGone = to ? false : from !== undefined || (isOwn && !isThere(key.mark));
      const by = from && to && !isOwn ? timeAt(to, key.edge) - timeAt(from, key.edge) : 0;
      if (!isGone && by === 0) return key;
      changes = true;
      return isGone ? { ...key, mark: null } : { ...key, time: Math.min(cycle, Math.max(0, key.time + by)) };
    });
    return changes ? { ...rider, keys } : rider;
  };
  const riders = after.riders.map(followed);
  return riders.every((rider, i) => rider === after.riders[i]) ? after : { ...after, riders };
}
