import type { Guide, Mark, Rider, Scene } from '../scene/index.ts';
import { amountPassed, guideById, markById, riderById } from '../scene/index.ts';
import { refusal, SceneError, type Refusal } from './refusal.ts';
import { settled } from './settle.ts';

export { refusal, SceneError, type Refusal } from './refusal.ts';

export { replaceGuide, replaceMark, replaceRider } from './edits.ts';

/** An edit: a scene and what to do, the changed scene back. The same scene comes back where nothing changes. */
export interface Command<A> {
  (scene: Scene, args: A): Scene;
  /** Why it does not apply; undefined where it does. Buttons, menus and keys ask it. */
  readonly can: (scene: Scene, args: A) => Refusal | undefined;
}

/**
 * A command of a check and an edit. What follows from every edit (links, live shapes) is brought up to date after it. What only shows when it is done (riders in a
 * circle, more than a file holds) is thrown, as a `SceneError`.
 */
export function command<A>(
  can: (scene: Scene, args: A) => Refusal | undefined,
  apply: (scene: Scene, args: A) => Scene,
): Command<A> {
  const run = (scene: Scene, args: A): Scene => {
    const refused = can(scene, args);
    if (refused) throw new SceneError(refused);
    return within(scene, settled(scene, apply(scene, args)));
  };
  return Object.assign(run, { can });
}

/** A scene after an edit. @throws SceneError where it has more of anything than its file would hold: no edit makes what could not be opened again. */
export function within(before: Scene, after: Scene): Scene {
  const passed = amountPassed(before, after);
  if (passed) throw new SceneError(refusal(`too-many-${passed.what}`, { most: passed.most }));
  return after;
}

export function guideOf(scene: Scene, id: string | null): Guide {
  const guide = guideById(scene, id);
  if (!guide) throw new SceneError(refusal('no-guide', { id: id ?? '' }));
  return guide;
}

export function riderOf(scene: Scene, id: string): Rider {
  const rider = riderById(scene, id);
  if (!rider) throw new SceneError(refusal('no-rider', { id }));
  return rider;
}

export function markOf(rider: Rider, id: string): Mark {
  const mark = markById(rider, id);
  if (!mark) throw new SceneError(refusal('no-mark', { name: rider.name, id }));
  return mark;
}

export const missingGuide = (scene: Scene, id: string | null): Refusal | undefined =>
  guideById(scene, id) ? undefined : refusal('no-guide', { id: id ?? '' });

export const missingRider = (scene: Scene, id: string): Refusal | undefined =>
  riderById(scene, id) ? undefined : refusal('no-rider', { id });
