import type { Path } from '../geometry/index.ts';
import type { Motion } from '../motion/index.ts';
import type { Art } from '../scene/index.ts';
import type { Drawn, DrawnArt } from './drawn-art.ts';
import { aheadOf } from './same.ts';
import { pivotBoxOf } from './sample.ts';

/** Riders of one way that others are compared with: beyond, a crowd would take longer to compare than to write. */
const MOST_LEADERS = 24;

/** Notes which riders repeat earlier ones on the same way, with art that is no larger. */
export function withEchoes(motion: Motion, drawing: readonly Drawn[]): Drawn[] {
  const ways = new Map<Path | null, DrawnArt[]>();
  return drawing.map((drawn) => {
    const rider = drawn.kind === 'art' && motion.rider(drawn.id);
    if (drawn.kind !== 'art' || !rider || rider.varies.length === 0 || drawn.shown.length > 1) return drawn;
    const leaders = ways.get(rider.path) ?? [];
    ways.set(rider.path, leaders);
    for (const leader of leaders) {
      const other = motion.rider(leader.id);
      if (!other || !canFollow(drawn, leader)) continue;
      const ahead = aheadOf(rider, other, motion.length, pivotBoxOf(drawn.art));
      if (ahead !== undefined) return { ...drawn, echo: { of: leader.id, ahead } };
    }
    if (leaders.length < MOST_LEADERS) leaders.push(drawn);
    return drawn;
  });
}

/** Whether another's keys are fine enough for an art, and its poses, where they change, are the same pictures. */
const canFollow = (drawn: DrawnArt, leader: DrawnArt): boolean =>
  isWithin(drawn.art, leader.art) && (drawn.pose.length === 1 || drawn.art === leader.art);

/** Whether an art's box about its pivot lies in another's. */
function isWithin(art: Art, other: Art): boolean {
  const [[left, top, right, bottom], [l, t, r, b]] = [pivotBoxOf(art), pivotBoxOf(other)];
  return left >= l && top >= t && right <= r && bottom <= b;
}
