import type { Scene } from '../scene/index.ts';

interface Named {
  readonly id: string;
}

/** A list with what is as it was before being the same objects as then; the same list where all of it is. */
function sharedList<T extends Named>(before: readonly T[], now: readonly T[]): readonly T[] {
  const known = new Map(before.map((one) => [one.id, one]));
  const shared = now.map((one) => {
    const last = known.get(one.id);
    return last && (last === one || JSON.stringify(last) === JSON.stringify(one)) ? last : one;
  });
  return shared.length === before.length && shared.every((one, i) => one === before[i]) ? before : shared;
}

/**
 * A scene that came from elsewhere as a copy, made of the objects of an earlier one where nothing has changed: what is known of those need not be found again. `before`
 * absent: the scene itself.
 */
export function sharing(before: Scene | undefined, now: Scene): Scene {
  if (!before || before === now) return now;
  const art = sharedList(before.art, now.art);
  const guides = sharedList(before.guides, now.guides);
  const riders = sharedList(before.riders, now.riders);
  return { ...now, art, guides, riders };
}
