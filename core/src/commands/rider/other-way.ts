import type { Rider } from '../../scene/index.ts';
import { mapOffsets } from '../key/key-maps.ts';

/** A rider whose guide was turned round under it, and that is to stay on its side of it: lift, lead and the side that it rolls on are the other way. */
export function otherWay(rider: Rider): Rider {
  const { lift, lead, keys, roll } = rider;
  const isKeyed = keys.lift.length > 0 || keys.lead.length > 0;
  if (lift === 0 && lead === 0 && !isKeyed && !roll) return rider;
  return {
    ...rider,
    lift: 0 - lift,
    lead: 0 - lead,
    keys: isKeyed ? mapOffsets(keys, (px) => 0 - px) : keys,
    roll: roll && { ...roll, side: roll.side === 'left' ? 'right' : 'left' },
  };
}
