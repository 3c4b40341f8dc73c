import { useMemo } from 'react';
import { checkSeam, type Scene, type SeamFinding } from '@pace-line/core';
import { useCalmState } from '../../document/index.ts';

/** How the selected rider passes the loop's end; undefined where it does not move, or the scene plays once. */
export function useSeam(rider: string | undefined): SeamFinding | undefined {
  const scene = useCalmState((state) => state.shown);
  return useMemo(() => (rider === undefined ? undefined : seamOf(scene, rider)), [scene, rider]);
}

/** Of this one alone, and of those that carry it: what else there is need not be looked at. */
const seamOf = (scene: Scene, id: string): SeamFinding | undefined =>
  checkSeam(scene, [id]).find(({ rider }) => rider === id);
