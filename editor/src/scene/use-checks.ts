import { useEffect, useMemo, useState } from 'react';
import { findingsBy, QUICK_CHECKS, type Scene, type Told } from '@pace-line/core';
import { findings } from '../jobs/index.ts';
import { whenReleased } from '../platform/pressed.ts';

/** Riders times nodes of a scene of which the quick checks are made at once: about a tenth of a second. */
export const CHECKED_AT_ONCE = 20_000;

/** How the checks stand: what takes its time is told when it has been found, elsewhere. */
export interface Checked {
  /** What is wrong first. */
  readonly found: readonly Told[];
  readonly state: 'found' | 'looking' | 'given up';
  /** Whether it is of the scene as it is, all of it. */
  readonly isCurrent: boolean;
}

/** ms without an edit after which all is checked. */
const PAUSE = 150;

interface There {
  readonly scene: Scene | undefined;
  readonly found: readonly Told[];
  readonly failed: boolean;
}

/** What the checks find in a scene: the quick ones at once, all of them from a worker; until that has them, what it found before stands. */
export function useChecks(scene: Scene): Checked {
  const here = useMemo(() => (sizeOf(scene) > CHECKED_AT_ONCE ? undefined : findingsBy(QUICK_CHECKS, scene)), [scene]);
  const [there, setThere] = useState<There>({ scene: undefined, found: [], failed: false });
  useEffect(() => {
    let job: ReturnType<typeof findings> | undefined;
    let callOff: (() => void) | undefined;
    const begin = setTimeout(() => {
      job = findings(scene);
      void job.end.then((end) => {
        // Nothing is rendered while a hand is at work.
        if (end.state === 'done') callOff = whenReleased(() => setThere({ scene, found: end.result, failed: false }));
        else if (end.state === 'failed') callOff = whenReleased(() => setThere({ scene, found: [], failed: true }));
      });
    }, PAUSE);
    return () => {
      clearTimeout(begin);
      callOff?.();
      job?.cancel();
    };
  }, [scene]);
  return useMemo(() => {
    if (there.scene === scene)
      return { found: there.found, state: there.failed ? 'given up' : 'found', isCurrent: true };
    // What was found before, of the riders that the scene still has, but for what is known anew.
    const ids = new Set(scene.riders.map(({ id }) => id));
    const before = there.found.filter(
      ({ check, riders }) => riders.every((id) => ids.has(id)) && !(here && isQuick(check)),
    );
    const all = [...(here ?? []), ...before];
    return {
      found: [...all.filter(({ holds }) => !holds), ...all.filter(({ holds }) => holds)],
      state: here ? 'found' : 'looking',
      isCurrent: false,
    };
  }, [there, here, scene]);
}

const isQuick = (check: string): boolean => QUICK_CHECKS.some(({ id }) => id === check);

/** Riders times nodes of their guides. */
export function sizeOf({ riders, guides }: Scene): number {
  const nodes = new Map(guides.map((guide) => [guide.id, guide.nodes.length]));
  return riders.reduce((sum, { guide }) => sum + 4 + (guide === null ? 0 : (nodes.get(guide) ?? 0)), 0);
}
