import { asName, type Scene } from '../scene/index.ts';

interface Named {
  readonly name: string;
}

/** Things whose names a scene can hold; those that were there before are known to be. The same list where all are. */
function fitted<T extends Named>(before: readonly T[], after: readonly T[]): readonly T[] {
  if (after === before) return after;
  const isFit = (one: T, i: number): boolean => one === before[i] || asName(one.name) === one.name;
  return after.every(isFit) ? after : after.map((one) => ({ ...one, name: asName(one.name) }));
}

/** The scene with names that it can be kept with, wherever they came from: file names, titles, ids, tracks, a keyboard. */
export function withFitNames(before: Scene, after: Scene): Scene {
  const next = {
    art: fitted(before.art, after.art),
    guides: fitted(before.guides, after.guides),
    riders: fitted(before.riders, after.riders),
    tracing: fitted(before.tracing, after.tracing),
    sets: fitted(before.sets, after.sets),
    name: before.name === after.name ? after.name : asName(after.name),
  };
  const isSame = (Object.keys(next) as (keyof typeof next)[]).every((key) => next[key] === after[key]);
  return isSame ? after : { ...after, ...next };
}
