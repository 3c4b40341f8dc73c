import { isObject, type Json } from './json.ts';

/** Version 9 to 10: squash has one axis a rider; before, each of its keys had one, and keys that stretch nothing turned it on the way to others. */

/** A key of squash as version 9 has it. */
interface Before {
  readonly id: string;
  readonly time: number;
  readonly value: readonly [number, number];
  readonly ease?: unknown;
}

const isBefore = (key: unknown): key is Json & Before =>
  isObject(key) && Array.isArray(key['value']) && key['value'].every((one) => typeof one === 'number');

/** Half turns make the same axis: the angle next to another one. */
const beside = (angle: number, other: number): number => angle + 180 * Math.round((other - angle) / 180);

/** All ids of a scene, and names for more. */
function namerOf(scene: Json): (wanted: string) => string {
  const taken = new Set<unknown>();
  const walk = (value: unknown): void => {
    if (Array.isArray(value)) value.forEach(walk);
    else if (isObject(value)) {
      taken.add(value['id']);
      Object.values(value).forEach(walk);
    }
  };
  walk(scene['riders']);
  walk(scene['guides']);
  walk(scene['art']);
  return (wanted) => {
    let name = wanted;
    for (let i = 2; taken.has(name); i++) name = `${wanted}-${i}`;
    taken.add(name);
    return name;
  };
}

/** Keys of the axis itself: those that stretch keep theirs, and at those that do not it changes from the one before to the one after, unseen. */
function axisKeysOf(
  keys: readonly Before[],
  counts: (key: Before) => boolean,
  nameFor: (id: string) => string,
): Json[] {
  const axes: number[] = [];
  for (const { value } of keys) axes.push(beside(value[1], axes[axes.length - 1] ?? value[1]));
  const shown = keys.flatMap((key, i) => (counts(key) ? [i] : []));
  const first = axes[shown[0] ?? 0] ?? 0;
  const made = (key: Before, of: number, ease?: unknown): Json => ({
    id: nameFor('axis'),
    time: key.time,
    value: (axes[of] ?? 0) - first,
    ...(ease === undefined ? {} : { ease }),
  });
  return keys.flatMap((key, i) => {
    if (counts(key)) return [made(key, i, key.ease)];
    const [last, next] = [shown.findLast((one) => one < i), shown.find((one) => one > i)];
    return last === undefined || next === undefined ? [] : [made(key, last), made(key, next)];
  });
}

function riderWithOneAxis(rider: Json, nameFor: (id: string) => string): Json {
  const keys = isObject(rider['keys']) ? rider['keys'] : {};
  const list = Array.isArray(keys['squash']) ? keys['squash'] : [];
  const old = list.filter(isBefore);
  const squash = isObject(rider['squash']) ? rider['squash'] : undefined;
  const numbers = list.map((key: unknown) => (isBefore(key) ? { ...key, value: key.value[0] } : key));
  const withNumbers = list.length > 0 ? { keys: { ...keys, squash: numbers } } : {};
  if (squash?.['axis'] !== 'own') return { ...rider, ...withNumbers };
  const counts = ({ value }: Before): boolean => squash['by'] === 'speed' || value[0] !== 1;
  const shown = old.filter(counts);
  const angle = (shown[0] ?? old[0])?.value[1] ?? 0;
  const isOne = shown.every(({ value }) => Math.abs(beside(value[1], angle) - angle) < 1e-9);
  const axis = isOne ? {} : { axis: axisKeysOf(old, counts, nameFor) };
  return {
    ...rider,
    squash: { ...squash, axis: 'fixed', angle },
    ...(list.length > 0 ? { keys: { ...keys, squash: numbers, ...axis } } : {}),
  };
}

/** Each rider's squash with one axis. What a key stretches is stretched along the axis that it had; where several had different ones, keys of the axis keep them. */
export function withOneAxis(scene: Json): Json {
  if (!Array.isArray(scene['riders'])) return scene;
  const nameFor = namerOf(scene);
  const riders = scene['riders'].map((rider: unknown) => (isObject(rider) ? riderWithOneAxis(rider, nameFor) : rider));
  return { ...scene, riders };
}
