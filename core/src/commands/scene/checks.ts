import type { Bound, Meant, Scene } from '../../scene/index.ts';
import { command } from '../command.ts';

/** px that bodies can be asked to keep apart at most. */
const FURTHEST = 10_000;

/** Says how far apart the bodies of riders have to be, px. */
export const setClearance = command<{ clearance: number }>(
  () => undefined,
  (scene, { clearance }) => ({
    ...scene,
    checks: { ...scene.checks, clearance: Math.min(FURTHEST, Math.max(0, clearance)) },
  }),
);

/** Whether two say the same check of the same riders. */
const isAbout = (a: Pick<Meant, 'check' | 'riders'>, b: Pick<Meant, 'check' | 'riders'>): boolean =>
  a.check === b.check && a.riders.join() === b.riders.join();

const without = ({ checks, riders }: Scene, finding: Pick<Meant, 'check' | 'riders'>): Meant[] => {
  const there = new Set(riders.map(({ id }) => id));
  // What was said of riders that are gone goes with them.
  return checks.meant.filter((one) => !isAbout(one, finding) && one.riders.every((id) => there.has(id)));
};

/** Says that what was found is meant so, with a reason or an empty one. */
export const acceptFinding = command<{ finding: Meant }>(
  () => undefined,
  (scene, { finding }) => ({
    ...scene,
    checks: { ...scene.checks, meant: [...without(scene, finding), finding] },
  }),
);

/** Takes that back: it is a finding again. */
export const reopenFinding = command<{ finding: Pick<Meant, 'check' | 'riders'> }>(
  () => undefined,
  (scene, { finding }) => ({ ...scene, checks: { ...scene.checks, meant: without(scene, finding) } }),
);

/** What a rider has to stay within or out of, instead of what was said of it before; nothing where there is none. */
export const setBounds = command<{ rider: string; bounds: readonly Omit<Bound, 'rider'>[] }>(
  () => undefined,
  (scene, { rider, bounds }) => {
    const there = new Set(scene.riders.map(({ id }) => id));
    // What was said of riders that are gone goes with them.
    const others = scene.checks.bounds.filter((one) => one.rider !== rider && there.has(one.rider));
    return {
      ...scene,
      checks: { ...scene.checks, bounds: [...others, ...bounds.map((one) => ({ ...one, rider }))] },
    };
  },
);
