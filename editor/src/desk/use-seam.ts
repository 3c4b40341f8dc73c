import type { SeamFinding } from '@pace-line/core';
import { useDocumentState } from '../document/index.ts';
import { seamOf } from '../figures/seam.ts';

/** How a rider passes the loop's end, as the scene was last let go. */
export function useSeam(rider: string | undefined): SeamFinding | undefined {
  const scene = useDocumentState((state) => state.committed);
  return rider === undefined ? undefined : seamOf(scene, rider);
}
