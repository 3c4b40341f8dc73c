import type { Path } from '../geometry/index.ts';
import type { Motion, RiderMotion } from '../motion/index.ts';
import type { Art } from '../scene/index.ts';
import type { DrawnArt, Repeats } from './drawn-art.ts';
import { aheadOf } from './same.ts';
import { pivotBoxOf } from './sample.ts';

/** Riders of one way that others are compared with: beyond, a crowd would take longer to compare than to write. */
const MOST_LEADERS = 24;

/** What is asked of a rider that may repeat another: its art, and how its poses and its place in the order change. */
type Repeating = Pick<DrawnArt, 'art' | 'pose' | 'shown'>;

/** Finds which riders repeat earlier ones on the same way, with art that is no larger: asked before they are baked, as they need no curves of their own. */
export class Echoes implements Repeats {
  readonly #motion: Motion;
  readonly #leaders = new Map<Path | null, DrawnArt[]>();

  constructor(motion: Motion) {
    this.#motion = motion;
  }

  /** The rider that one repeats, and by how much it is ahead of it, s; undefined where it has a motion of its own. */
  of(rider: RiderMotion, repeating: Repeating): { readonly leader: DrawnArt; readonly ahead: number } | undefined {
    if (repeating.shown.length > 1) return undefined;
    for (const leader of this.#leaders.get(rider.path) ?? []) {
      const other = this.#motion.rider(leader.id);
      if (!other || !canFollow(repeating, leader)) continue;
      const ahead = aheadOf(rider, other, this.#motion.length, pivotBoxOf(repeating.art));
      if (ahead !== undefined) return { leader, ahead };
    }
    return undefined;
  }

  /** Notes a rider that later ones may repeat. */
  note(rider: RiderMotion, drawn: DrawnArt): void {
    const leaders = this.#leaders.get(rider.path) ?? [];
    this.#leaders.set(rider.path, leaders);
    if (drawn.shown.length === 1 && leaders.length < MOST_LEADERS) leaders.push(drawn);
  }
}

/** Whether another's keys are fine enough for an art, and its poses, where they change, are the same pictures. */
const canFollow = (drawn: Repeating, leader: DrawnArt): boolean =>
  isWithin(drawn.art, leader.art) && (drawn.pose.length === 1 || drawn.art === leader.art);

/** Whether an art's box about its pivot lies in another's. */
function isWithin(art: Art, other: Art): boolean {
  const [[left, top, right, bottom], [l, t, r, b]] = [pivotBoxOf(art), pivotBoxOf(other)];
  return left >= l && top >= t && right <= r && bottom <= b;
}
