import { compileLeg, EasedLine, splitEase, STEADY, type Ease } from '../../pace/index.ts';
import {
  cycleOf,
  idsIn,
  KEY_CHANNELS,
  markIdsOf,
  type Key,
  type KeyChannel,
  type Keys,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { inOrder } from './key-maps.ts';
import { command, missingRider, refusal, replaceRider, riderOf, type Refusal } from '../command.ts';

/** s. Keys of a channel nearer than this stand at one time. */
const SAME_TIME = 1e-6;

type AnyKey = Key;

const withKeys = (scene: Scene, rider: Rider, channel: KeyChannel, keys: readonly AnyKey[]): Scene =>
  replaceRider(scene, { ...rider, keys: { ...rider.keys, [channel]: keys } });

/** The value of a key that changes nothing. */
export function neutralKeyOf<C extends KeyChannel>(channel: C): Key<C>['value'] {
  const values: { readonly [K in KeyChannel]: Key<K>['value'] } = {
    turn: 0,
    scale: [1, 1],
    opacity: 1,
    lift: 0,
    lead: 0,
    squash: 1,
    axis: 0,
  };
  return values[channel];
}

/** The value that a channel's keys give at a local time, s; neutral without keys. */
export function keyValueAt<C extends KeyChannel>(keys: Keys, channel: C, local: number): Key<C>['value'] {
  const list = keys[channel] as readonly AnyKey[];
  if (list.length === 0) return neutralKeyOf(channel);
  const lineOf = (part: (value: AnyKey['value']) => number): number =>
    new EasedLine(list.map(({ time, ease, value }) => ({ time, ease, dwell: 0, value: part(value) }))).valueAt(local);
  const value = list[0]?.value;
  return typeof value === 'number'
    ? lineOf((one) => one as number)
    : [lineOf((one) => (one as readonly number[])[0] ?? 0), lineOf((one) => (one as readonly number[])[1] ?? 0)];
}

const missingKey = (scene: Scene, rider: string, ids: readonly string[]): Refusal | undefined => {
  const missing = missingRider(scene, rider);
  if (missing) return missing;
  const known = new Set(KEY_CHANNELS.flatMap((channel) => riderOf(scene, rider).keys[channel].map(({ id }) => id)));
  return ids.every((id) => known.has(id)) ? undefined : refusal('no-key');
};

/** s from a key that stretches art to the neutral ones that are set beside it. */
const BESIDE = 0.25;

/**
 * Sets a key of a channel at a local time, s: the one that is there gets the value, else one is made. The first of a channel at another time than the cycle's start begins
 * from nothing changed: for squash the neutral keys before and after are made with it.
 */
export const setKey = command<{
  rider: string;
  channel: KeyChannel;
  time: number;
  value: AnyKey['value'];
  /** Ids for what is made: of the key, and of neutral ones beside it. */
  ids: readonly [string, string, string];
}>(
  (scene, { rider: id, time, ids }) => {
    const missing = missingRider(scene, id);
    if (missing) return missing;
    if (!(time >= 0 && time <= cycleOf(riderOf(scene, id), scene.clock) + SAME_TIME)) return refusal('outside-cycle');
    const taken = idsIn(scene);
    const clash = ids.find((one) => taken.has(one));
    return clash === undefined ? undefined : refusal('id-taken', { id: clash });
  },
  (scene, { rider: id, channel, time, value, ids }) => {
    const rider = riderOf(scene, id);
    const list = rider.keys[channel] as readonly AnyKey[];
    const there = list.find((key) => Math.abs(key.time - time) < SAME_TIME);
    if (there)
      return withKeys(
        scene,
        rider,
        channel,
        list.map((key) => (key === there ? ({ ...key, value } as AnyKey) : key)),
      );
    const cycle = cycleOf(rider, scene.clock);
    const made = (at: number, of: AnyKey['value'], name: string): AnyKey =>
      ({ id: name, time: at, value: of, ease: STEADY, mark: null }) as AnyKey;
    const all = withKeyIn(list, made(Math.min(time, cycle), value, ids[0]));
    if (channel === 'squash' && list.length === 0) {
      if (time > 0) all.push(made(Math.max(0, time - BESIDE), 1, ids[1]));
      if (time < cycle) all.push(made(Math.min(cycle, time + BESIDE), 1, ids[2]));
    }
    return withKeys(scene, rider, channel, inOrder(all));
  },
);

/** Keys with one more; the ease that it is set into is cut in two, so that what it does not change stays. */
function withKeyIn(list: readonly AnyKey[], key: AnyKey): AnyKey[] {
  const at = list.findLastIndex((one) => one.time < key.time);
  const before = list[at];
  const after = list[at + 1];
  if (!before || !after || before.ease.kind === 'hold')
    return [...list, { ...key, ease: before && after ? before.ease : key.ease }];
  const u = (key.time - before.time) / (after.time - before.time);
  const p = compileLeg(before.ease).progress(u);
  // Where the ease is at one of its ends just here, neither part of it could be stretched to the key.
  if (Math.abs(p) < FLAT_PART || Math.abs(1 - p) < FLAT_PART) return [...list, key];
  const [first, second] = splitEase(before.ease, u);
  return [...list.slice(0, at), { ...before, ease: first }, { ...key, ease: second }, ...list.slice(at + 1)];
}

/** Share of a leg's way below which a part of its ease is flat. */
const FLAT_PART = 1e-6;

/** The rider with some of its keys put through a function, each channel in order of time again. */
function mapKeys(rider: Rider, ids: readonly string[], change: (key: AnyKey) => AnyKey | undefined): Rider {
  const keys = Object.fromEntries(
    KEY_CHANNELS.map((channel) => {
      const list = rider.keys[channel] as readonly AnyKey[];
      if (!list.some(({ id }) => ids.includes(id))) return [channel, list];
      return [channel, inOrder(list.flatMap((key) => (ids.includes(key.id) ? (change(key) ?? []) : [key])))];
    }),
  ) as unknown as Keys;
  return { ...rider, keys };
}

/** Deletes keys of a rider. */
export const deleteKeys = command<{ rider: string; keys: readonly string[] }>(
  (scene, { rider, keys }) => missingKey(scene, rider, keys),
  (scene, { rider, keys }) =>
    replaceRider(
      scene,
      mapKeys(riderOf(scene, rider), keys, () => undefined),
    ),
);

/** Moves keys together in time, s; all of them stop where one comes to the start or the end of the cycle. */
export const shiftKeys = command<{ rider: string; keys: readonly string[]; seconds: number }>(
  (scene, { rider, keys }) => missingKey(scene, rider, keys),
  (scene, { rider: id, keys: ids, seconds }) => {
    const rider = riderOf(scene, id);
    const moved = KEY_CHANNELS.flatMap((channel) =>
      (rider.keys[channel] as readonly AnyKey[]).filter((key) => ids.includes(key.id)),
    );
    const first = Math.min(...moved.map(({ time }) => time));
    const last = Math.max(...moved.map(({ time }) => time));
    const by = Math.min(Math.max(seconds, -first), cycleOf(rider, scene.clock) - last);
    return by === 0
      ? scene
      : replaceRider(
          scene,
          mapKeys(rider, ids, (key) => ({ ...key, time: key.time + by })),
        );
  },
);

/** Sets the value of a key. */
export const setKeyValue = command<{ rider: string; key: string; value: AnyKey['value'] }>(
  (scene, { rider, key }) => missingKey(scene, rider, [key]),
  (scene, { rider, key: id, value }) =>
    replaceRider(
      scene,
      mapKeys(riderOf(scene, rider), [id], (key) => ({ ...key, value }) as AnyKey),
    ),
);

/** Sets the ease with which keys are left. */
export const setKeyEase = command<{ rider: string; keys: readonly string[]; ease: Ease }>(
  (scene, { rider, keys }) => missingKey(scene, rider, keys),
  (scene, { rider, keys, ease }) =>
    replaceRider(
      scene,
      mapKeys(riderOf(scene, rider), keys, (key) => ({ ...key, ease })),
    ),
);

/** Ties keys to a mark of their rider or of another, or to the end of its rest, with which they are moved in time from then on; null: unties them. */
export const tieKeys = command<{ rider: string; keys: readonly string[]; mark: string | null; edge?: Key['edge'] }>(
  (scene, { rider: id, keys, mark }) =>
    missingKey(scene, id, keys) ??
    (mark !== null && !markIdsOf(scene.riders).has(mark)
      ? refusal('no-mark', { name: riderOf(scene, id).name, id: mark })
      : undefined),
  (scene, { rider, keys, mark, edge }) =>
    replaceRider(
      scene,
      mapKeys(riderOf(scene, rider), keys, ({ edge: _edge, ...key }) => ({
        ...key,
        mark,
        ...(mark !== null && edge === 'end' ? { edge } : {}),
      })),
    ),
);
