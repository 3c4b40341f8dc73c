import type { Poses, Scene } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import { hitRadius, type Pointer } from '../pointer.ts';
import { GRABS } from './grabs/index.ts';
import type { Finding, Hit } from './grabs/grab.ts';

export type { Hit } from './grabs/grab.ts';

/** Everything under the pointer, in the order in which pressing takes it: handle, node, mark, rider, guide; the nearest first within each. */
export function hitsAt(scene: Scene, selection: Selection, poses: Poses, pointer: Pointer): Hit[] {
  const reach = hitRadius(pointer.kind) / pointer.zoom;
  const found: { hit: Hit; rank: number; gap: number }[] = [];
  const finding: Finding = {
    scene,
    selection,
    poses,
    pointer,
    reach,
    take: (hit, rank, gap) => void found.push({ hit, rank, gap }),
    near(hit, rank, x, y) {
      const gap = Math.hypot(x - pointer.x, y - pointer.y);
      if (gap <= reach) found.push({ hit, rank, gap });
    },
  };
  for (const grab of GRABS) grab.find(finding);
  return found.sort((a, b) => a.rank - b.rank || a.gap - b.gap).map(({ hit }) => hit);
}
