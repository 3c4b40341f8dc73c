import { useEffect, useMemo, useState } from 'react';
import { checkJumps, checkSeam, type Scene } from '@pace-line/core';
import { findings, type Found } from '../jobs/index.ts';

/** Riders times nodes of a scene that is checked at once: about a tenth of a second. */
const CHECKED_AT_ONCE = 20_000;

const NOTHING: Found = { seams: [], jumps: [] };

/** How the checks stand: of a large scene they are told when they have been found, elsewhere. */
export interface Checked extends Found {
  readonly state: 'found' | 'looking' | 'given up';
}

/** What the checks find in a scene. A large one is checked off the main thread; until then what was found before stands. */
export function useChecks(scene: Scene): Checked {
  const isLarge = useMemo(() => sizeOf(scene) > CHECKED_AT_ONCE, [scene]);
  const here = useMemo(
    () => (isLarge ? undefined : { seams: checkSeam(scene), jumps: checkJumps(scene) }),
    [scene, isLarge],
  );
  const [there, setThere] = useState<Checked>({ ...NOTHING, state: 'looking' });
  useEffect(() => {
    if (!isLarge) return;
    const job = findings(scene);
    void job.end.then((end) => {
      if (end.state === 'done') setThere({ ...end.result, state: 'found' });
      else if (end.state === 'failed') setThere({ ...NOTHING, state: 'given up' });
    });
    return () => {
      job.cancel();
      setThere((before) => ({ ...before, state: 'looking' }));
    };
  }, [scene, isLarge]);
  return here ? { ...here, state: 'found' } : stillThere(there, scene);
}

/** What was found before, of the riders that the scene still has. */
function stillThere(found: Checked, { riders }: Scene): Checked {
  const ids = new Set(riders.map(({ id }) => id));
  const has = ({ rider }: { readonly rider: string }): boolean => ids.has(rider);
  return { ...found, seams: found.seams.filter(has), jumps: found.jumps.filter(has) };
}

/** Riders times nodes of their guides. */
function sizeOf({ riders, guides }: Scene): number {
  const nodes = new Map(guides.map((guide) => [guide.id, guide.nodes.length]));
  return riders.reduce((sum, { guide }) => sum + 4 + (guide === null ? 0 : (nodes.get(guide) ?? 0)), 0);
}
