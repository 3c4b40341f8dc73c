import { POSE, prepare } from '../motion/index.ts';
import type { Scene } from '../scene/index.ts';
import { SEAM_GAP } from '../tolerances.ts';
import { isUnseen } from './sight.ts';
import { unheld } from './unheld.ts';

/** s. How far before and after an event is looked: times of corners are found, not exact; no rider gets far in it. */
const BESIDE = 1e-7;

/** Share by which two leaps differ by rounding alone. */
const ALIKE = 1e-6;

/** Rounds of a rider that are looked at: what it does later it has done in one of them. */
const LOOKED_AT = 100;

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
  return scene.riders.flatMap((rider, i): JumpFinding[] => {
    const moving = motion.riders[i];
    if (rider.guide === null || !rider.output || !moving) return [];
    const times: number[] = [];
    let [gap, at] = [0, 0];
    const until = Math.min(motion.length, LOOKED_AT * moving.round);
    for (const time of moving.events(0, until).slice(1, -1)) {
      const [before, after] = [moving.poseAt(time - BESIDE, -1), moving.poseAt(time + BESIDE)];
      const way = (key: 'x' | 'y'): number => (after[POSE[key]] ?? 0) - (before[POSE[key]] ?? 0);
      const leap = Math.hypot(way('x'), way('y'));
      if (leap <= SEAM_GAP || (isUnseen(scene, rider, before) && isUnseen(scene, rider, after))) continue;
      times.push(time);
      // Of those that are as wide as each other, but for rounding, the first.
      if (leap > gap * (1 + ALIKE)) [gap, at] = [leap, time];
    }
    return times.length > 0 ? [{ rider: rider.id, times, gap, at }] : [];
  });
}
