import { useMemo } from 'react';
import { checkSeam, type Scene, type SeamFinding } from '@pace-line/core';
import { useCalmState } from '../../document/index.ts';

/** How the selected rider passes the loop's end, as it was last let go; undefined where it does not move, or the scene plays once. Found anew in each frame of a drag it would cost frames. */
export function useSeam(rider: string | undefined): SeamFinding | undefined {
  const scene = useCalmState((state) => state.committed);
  return useMemo(() => (rider === undefined ? undefined : seamOf(scene, rider)), [scene, rider]);
}

/** Of this one alone, and of those that carry it: what else there is need not be looked at. */
const seamOf = (scene: Scene, id: string): SeamFinding | undefined =>
  checkSeam(scene, [id]).find(({ rider }) => rider === id);
