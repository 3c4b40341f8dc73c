import { box } from './box.ts';
import type { Grab, Hit } from './grab.ts';
import { grip } from './grip.ts';
import { guide } from './guide.ts';
import { handle } from './handle.ts';
import { mark } from './mark.ts';
import { node } from './node.ts';
import { picture } from './picture.ts';
import { riderBox } from './rider-box.ts';
import { rider } from './rider.ts';
import { tick } from './tick.ts';

/** Everything that can be grabbed on the canvas. */
export const GRABS: readonly Grab[] = [grip, box, riderBox, handle, node, mark, tick, rider, guide, picture];

const byKind = new Map(GRABS.map((grab) => [grab.kind, grab]));

export function grabOf(hit: Hit): Grab {
  const grab = byKind.get(hit.kind);
  if (!grab) throw new Error(`nothing grabs a ${hit.kind}`);
  return grab;
}
