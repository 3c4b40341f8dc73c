import { prepare } from '../motion/index.ts';
import type { Meant, Scene } from '../scene/index.ts';
import type { Asked, Check, Finding } from './check.ts';

/** A finding as it is told: with its check's name, and what was said of it where it is meant so. */
export interface Told extends Finding {
  readonly label: string;
  /** What its check looks for, in a sentence. */
  readonly about: string;
  readonly meant: Meant | null;
}

/**
 * What some checks find in a scene: what is wrong first, each in the order of the checks. What is meant so counts as holding. `asked`: whether it is only asked if there is a fault,
 * without all that is to be said of it.
 */
export function findingsBy(
  checks: readonly Check[],
  scene: Scene,
  asked: Pick<Asked, 'isOnlyAsked' | 'first'> = {},
): readonly Told[] {
  const motion = prepare(scene);
  const told = checks.flatMap(({ label, about, find }) =>
    find({ ...asked, scene, motion }).map((one): Told => {
      const meant = one.holds ? undefined : meantOf(scene, one);
      return meant ? { ...one, label, about, holds: true, meant } : { ...one, label, about, meant: null };
    }),
  );
  return [...told.filter((one) => !one.holds), ...told.filter((one) => one.holds)];
}

/** What was said of a finding: of the same check and riders, while it says the same. */
const meantOf = ({ checks }: Scene, { check, riders, words }: Finding): Meant | undefined =>
  checks.meant.find((one) => one.check === check && one.found === words && one.riders.join() === riders.join());
