import type { Motion } from '../motion/index.ts';
import type { Art } from '../scene/index.ts';
import type { Drawn, DrawnArt } from './drawn-art.ts';
import { aheadOf } from './same.ts';
import { pivotBoxOf } from './sample.ts';

/** Notes which riders repeat earlier ones, with art that is no larger. */
export function withEchoes(motion: Motion, drawing: readonly Drawn[]): Drawn[] {
  const leaders: DrawnArt[] = [];
  return drawing.map((drawn) => {
    const rider = drawn.kind === 'art' && motion.rider(drawn.id);
    if (drawn.kind !== 'art' || !rider || rider.varies.length === 0 || drawn.shown.length > 1) return drawn;
    for (const leader of leaders) {
      const other = motion.rider(leader.id);
      if (other?.path !== rider.path || !isWithin(drawn.art, leader.art)) continue;
      const ahead = aheadOf(rider, other, motion.length, pivotBoxOf(drawn.art));
      if (ahead !== undefined) return { ...drawn, echo: { of: leader.id, ahead } };
    }
    leaders.push(drawn);
    return drawn;
  });
}

/** Whether an art's box about its pivot lies in another's. */
function isWithin(art: Art, other: Art): boolean {
  const [[left, top, right, bottom], [l, t, r, b]] = [pivotBoxOf(art), pivotBoxOf(other)];
  return left >= l && top >= t && right <= r && bottom <= b;
}
