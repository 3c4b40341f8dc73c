import { holdersAround, type Poses, type Scene } from '@pace-line/core';
import type { Selection } from '../../document/index.ts';
import { hitRadius, type Pointer } from '../pointer.ts';
import { GRABS } from './grabs/index.ts';
import type { Finding, Hit } from './grabs/grab.ts';

export type { Hit } from './grabs/grab.ts';

/** Whose part a hit is: a rider's or a guide's id. */
export const ownerOf = (hit: Hit): string | undefined =>
  'rider' in hit ? hit.rider : 'guide' in hit ? hit.guide : undefined;

/** The set-in scene as which something is pressed: the outermost around it of which nothing is selected. */
function pressedAs(scene: Scene, selection: Selection, hit: Hit): string | undefined {
  const around = holdersAround(scene);
  const holders = around.get(ownerOf(hit) ?? '');
  if (!holders) return undefined;
  const entered = new Set([...selection.guides, ...selection.riders].flatMap((id) => around.get(id) ?? []));
  return holders.find((holder) => !entered.has(holder));
}

/** Everything under the pointer, in the order in which pressing takes it: handle, node, mark, rider, guide; the nearest first within each. A scene that was set in is one thing until something within it is selected. */
export function hitsAt(scene: Scene, selection: Selection, poses: Poses, pointer: Pointer): Hit[] {
  const found = partsAt(scene, selection, poses, pointer);
  if (holdersAround(scene).size === 0) return found;
  const whole = found.map((hit): Hit => {
    const holder = pressedAs(scene, selection, hit);
    return holder === undefined ? hit : { kind: 'rider', rider: holder };
  });
  return whole.filter(
    (hit, i) =>
      whole.findIndex((one) => one.kind === hit.kind && ownerOf(one) === ownerOf(hit)) === i || hit.kind !== 'rider',
  );
}

/** The same with the parts of scenes that were set in. */
export function partsAt(scene: Scene, selection: Selection, poses: Poses, pointer: Pointer): Hit[] {
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
