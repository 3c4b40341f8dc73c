import type { Guide, Mark, Rider, Scene } from '../scene/index.ts';
import { guideById, markById, riderById } from '../scene/index.ts';
import { settled } from './settle.ts';

export { mapMarks, replaceGuide, replaceMark, replaceRider } from './edits.ts';

/** Why a command does not apply: a code for programs, a sentence for people. */
export interface Refusal {
  readonly code: string;
  readonly message: string;
}

/** Thrown by a command that is called where its can-twin gives a reason. */
export class SceneError extends Error {
  readonly code: string;
  constructor(refusal: Refusal) {
    super(refusal.message);
    this.name = 'SceneError';
    this.code = refusal.code;
  }
}

export type Command<A> = (scene: Scene, args: A) => Scene;
/** Undefined where the command applies. */
export type CanTwin<A> = (scene: Scene, args: A) => Refusal | undefined;

/** A command and its can-twin, made of the same check. What follows from every edit (links, live shapes) is brought up to date after it. */
export function command<A>(check: CanTwin<A>, apply: Command<A>): [Command<A>, CanTwin<A>] {
  const run: Command<A> = (scene, args) => {
    const refusal = check(scene, args);
    if (refusal) throw new SceneError(refusal);
    return settled(scene, apply(scene, args));
  };
  return [run, check];
}

export const refusal = (code: string, message: string): Refusal => ({ code, message });

export const always = (): undefined => undefined;

export function guideOf(scene: Scene, id: string | null): Guide {
  const guide = guideById(scene, id);
  if (!guide) throw new SceneError(refusal('no-guide', `There is no guide "${id}".`));
  return guide;
}

export function riderOf(scene: Scene, id: string): Rider {
  const rider = riderById(scene, id);
  if (!rider) throw new SceneError(refusal('no-rider', `There is no rider "${id}".`));
  return rider;
}

export function markOf(rider: Rider, id: string): Mark {
  const mark = markById(rider, id);
  if (!mark) throw new SceneError(refusal('no-mark', `The rider "${rider.name}" has no mark "${id}".`));
  return mark;
}

export const missingGuide = (scene: Scene, id: string | null): Refusal | undefined =>
  guideById(scene, id) ? undefined : refusal('no-guide', 'That guide is not in this scene.');

export const missingRider = (scene: Scene, id: string): Refusal | undefined =>
  riderById(scene, id) ? undefined : refusal('no-rider', 'That rider is not in this scene.');
