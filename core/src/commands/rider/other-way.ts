import type { Rider } from '../../scene/index.ts';
import { mapOffsets } from '../key/key-maps.ts';

/** A rider whose guide was turned round under it, and that is to stay on its side of it: lift, lead and the side that it rolls on are the other way. */
export function otherWay(rider: Rider): Rider {
  const { lift, lead, keys, roll } = rider;
  // What is lifted up goes on being above its guide, whichever way that runs.
  const side = rider.liftBy === 'up' && !roll ? 1 : -1;
  const isKeyed = keys.lift.length > 0 || keys.lead.length > 0;
  if (lift === 0 && lead === 0 && !isKeyed && !roll) return rider;
  return {
    ...rider,
    lift: side * lift + 0,
    lead: 0 - lead,
    keys: isKeyed ? { ...mapOffsets(keys, (px) => 0 - px), ...(side > 0 ? { lift: keys.lift } : {}) } : keys,
    roll: roll && { ...roll, side: roll.side === 'left' ? 'right' : 'left' },
  };
}
