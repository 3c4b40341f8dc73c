import { POSE_SIZE, prepare } from '../motion/index.ts';
import { artById, posesOf, type Driver, type Rider, type Scene } from '../scene/index.ts';

import { SEAM_ANGLE, SEAM_FADE, SEAM_GAP, SEAM_SPEED, SEAM_STILL } from '../tolerances.ts';
import { withoutFollowers } from './followers.ts';
import { isWatched, sightOf } from './sight.ts';

/** How one rider passes the loop's end: what jumps there, and whether it can be seen. */
export interface SeamFinding {
  readonly rider: string;
  /** px between the pivot at the loop's end and at its start. */
  readonly gap: number;
  /** rad between the angles there, whole turns left out, in [0, π]. */
  readonly turn: number;
  /** Step of its opacity, and of its size (px that the art's farther side grows or shrinks by, as a share of it). */
  readonly fade: number;
  readonly growth: number;
  /** Poses that are passed over: of what walks or flaps, one after the other is none. */
  readonly skipped: number;
  /** px/s along the guide just before the end and just after the start. */
  readonly speedBefore: number;
  readonly speedAfter: number;
  /** px/s with which something that goes there and back turns: it is thrown back there unless it slows to rest. 0 where it does not turn. */
  readonly turnSpeed: number;
  /** Nothing of it can be seen on either side of the seam: it is off the canvas, or transparent. */
  readonly hidden: boolean;
  readonly closes: boolean;
  readonly smooth: boolean;
}

/** What may differ at a seam without being seen: px, rad, and share of opacity or size. */
export const SEAM = { gap: SEAM_GAP, angle: SEAM_ANGLE, fade: SEAM_FADE } as const;

/** Whether something that drives a scene lets it come from its end to its start: what is scrolled past, or goes back from its end, does not. */
const passesSeam = (driver: Driver): boolean => {
  if (driver.kind === 'over') return driver.leaving !== 'back';
  if (driver.kind === 'click') return driver.again !== 'back';
  return driver.kind !== 'scroll';
};

/** Whether a scene comes from its end to its start: it repeats, and what drives it lets it. */
export const hasSeam = ({ clock, driver }: Pick<Scene, 'clock' | 'driver'>): boolean =>
  clock.repeat !== 'once' && driver.some(passesSeam);

/**
 * The seam of every rider, or of those asked about, that is sent and moves, or is on a guide. A scene that plays once, or that only goes back from its end, has no seam.
 *
 * @example
 * ```ts
 * import { readFileSync } from 'node:fs';
 * import { readScene, checkSeam } from '@pace-line/core';
 *
 * const read = readScene(readFileSync('samples/scenes/two-ferries.paceline.json', 'utf8'));
 * if (!read.ok) throw new Error(read.problems[0]?.message);
 * console.log(checkSeam(read.scene).every(({ gap }) => gap < 0.1)); // true
 * ```
 */
export function checkSeam(scene: Scene, only?: readonly string[]): SeamFinding[] {
  if (!hasSeam(scene)) return [];
  const motion = prepare(scene);
  const end = motion.poseAt(motion.length, undefined, -1);
  const start = motion.poseAt(0);
  const isUnseen = sightOf(scene, motion);
  const found = scene.riders.flatMap((rider, i): SeamFinding[] => {
    const moves = rider.guide !== null || (motion.riders[i]?.varies.length ?? 0) > 0 || rider.poses.by === 'time';
    if (!moves || !isWatched(scene, rider) || (only && !only.includes(rider.id))) return [];
    const gap = Math.hypot(end.of(i, 'x') - start.of(i, 'x'), end.of(i, 'y') - start.of(i, 'y'));
    const angle = end.of(i, 'angle') - start.of(i, 'angle');
    const turn = Math.abs(angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI)));
    const step = (key: 'opacity' | 'scaleX' | 'scaleY'): number => Math.abs(end.of(i, key) - start.of(i, key));
    // What a camera is drawn as is not seen.
    const isCamera = rider.id === scene.camera;
    const fade = isCamera ? 0 : step('opacity');
    const wide = Math.max(Math.abs(start.of(i, 'scaleX')), Math.abs(start.of(i, 'scaleY')), 1e-9);
    const growth = Math.max(step('scaleX'), step('scaleY')) / wide;
    const speedBefore = motion.riders[i]?.speedAt(motion.length, -1) ?? 0;
    const speedAfter = motion.riders[i]?.speedAt(0) ?? 0;
    const at = i * POSE_SIZE;
    const hidden = isUnseen(rider, end.data, motion.length, -1, at) && isUnseen(rider, start.data, 0, 1, at);
    const skipped = isCamera ? 0 : skippedPoses(scene, rider, end.of(i, 'pose'), start.of(i, 'pose'));
    const closes =
      hidden || (skipped === 0 && gap <= SEAM_GAP && turn <= SEAM_ANGLE && fade <= SEAM_FADE && growth <= SEAM_FADE);
    const turnsBack = (rider.pace.repeat ?? scene.clock.repeat) === 'there-and-back';
    const line = motion.riders[i]?.line;
    const cycle = motion.riders[i]?.folding.cycle ?? 0;
    const turnSpeed = turnsBack && line ? Math.max(Math.abs(line.speedAt(0, 1)), Math.abs(line.speedAt(cycle, -1))) : 0;
    const jolt = turnsBack ? Math.abs(speedAfter) - Math.abs(speedBefore) : speedAfter - speedBefore;
    const smooth =
      hidden || Math.abs(jolt) <= SEAM_SPEED * Math.max(Math.abs(speedBefore), Math.abs(speedAfter)) + SEAM_STILL;
    const steps = { gap, turn, fade, growth, skipped, speedBefore, speedAfter, turnSpeed };
    return [{ rider: rider.id, ...steps, hidden, closes, smooth }];
  });
  return withoutFollowers(scene, found, ({ closes, smooth }) => (closes ? (smooth ? 0 : 1) : 2));
}

/** Poses between two that follow each other at the seam, by the shorter way round; none where they are played from a mark on: there they begin anew. */
function skippedPoses(scene: Scene, { art: id, poses }: Rider, end: number, start: number): number {
  const count = posesOf(artById(scene, id));
  if (count < 2 || (poses.by !== 'distance' && poses.by !== 'time')) return 0;
  const step = (((start - end) % count) + count) % count;
  return Math.max(0, Math.min(step, count - step) - 1);
}
