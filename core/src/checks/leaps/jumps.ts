import { POSE, prepare } from '../../motion/index.ts';
import type { Scene } from '../../scene/index.ts';
import { SEAM_GAP } from '../../tolerances.ts';
import { isWatched, sightOf } from '../sight.ts';
import { unheld } from '../unheld.ts';
import { eachBreak, Leaps } from './breaks.ts';

/** Where one rider leaps within the loop, in sight. */
export interface JumpFinding {
  readonly rider: string;
  /** The times of its jumps, s, ascending, inside the loop. */
  readonly times: readonly number[];
  /** px between the places of its pivot before and after the widest, and when that is, s. */
  readonly gap: number;
  readonly at: number;
}

/**
 * Every rider on a guide that is sent and leaps between the loop's start and its end: at marks of one time, where its delay brings the end of its cycle, at
 * a corner that it passes with lift. What happens at the loop's own end is the seam's.
 */
export function checkJumps(held: Scene): JumpFinding[] {
  const scene = unheld(held);
  const motion = prepare(scene);
  const isUnseen = sightOf(scene, motion);
  return scene.riders.flatMap((rider, i): JumpFinding[] => {
    const moving = motion.riders[i];
    if (rider.guide === null || !isWatched(scene, rider) || !moving) return [];
    const leaps = new Leaps();
    eachBreak(moving, motion.length, (time, before, after) => {
      const way = (key: 'x' | 'y'): number => (after[POSE[key]] ?? 0) - (before[POSE[key]] ?? 0);
      const leap = Math.hypot(way('x'), way('y'));
      if (leap <= SEAM_GAP || (isUnseen(rider, before, time, -1) && isUnseen(rider, after, time))) return;
      leaps.add(time, leap);
    });
    const { times, amount, at } = leaps;
    return times.length > 0 ? [{ rider: rider.id, times, gap: amount, at }] : [];
  });
}
