import type { Command, Refusal, Scene } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import { tell } from '../../look/notices.tsx';
import { wordsOfRefusal, wordsOfSceneError } from '../../words/refusals.ts';
import { sceneOf, type Desk } from '../desk.ts';

/** Makes a change as one step of undo; what commands refuse is told to the person, and nothing is changed. */
export function change(desk: Desk, label: string, edit: (scene: Scene) => Scene, selection?: Selection): void {
  try {
    desk.doc.do(label, edit, selection);
  } catch (error) {
    tell(wordsOfSceneError(error));
  }
}

/** Runs a command as one step of undo where it applies; else tells why not. */
export function perform<A>(desk: Desk, label: string, command: Command<A>, args: A, selection?: Selection): boolean {
  if (desk.doc.refuses()) return false;
  const refusal = command.can(sceneOf(desk), args);
  if (refusal) {
    tell(wordsOfRefusal(refusal));
    return false;
  }
  change(desk, label, (scene) => command(scene, args), selection);
  return true;
}

/** How a button, a menu item or a key stands towards a command: whether it applies, and if not, why. */
export interface Offer {
  readonly disabled: boolean;
  readonly title: string | undefined;
}

export const offerOf = (refusal: Refusal | undefined): Offer => ({
  disabled: refusal !== undefined,
  title: refusal && wordsOfRefusal(refusal),
});

/** Asks a command whether it applies to a scene. */
export const offered = <A>(scene: Scene, command: Command<A>, args: A): Offer => offerOf(command.can(scene, args));

export const plural = (label: string, list: readonly unknown[]): string => (list.length === 1 ? label : `${label}s`);
