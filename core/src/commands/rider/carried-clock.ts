import { cycleOf, isStill, riderById, type Rider, type Scene } from '../../scene/index.ts';
import { command, refusal, replaceRider } from '../command.ts';
import { setPace } from '../mark/marks.ts';
import { isCycle } from './slower.ts';

/** s. Longest delay, to either side. */
const LONGEST_DELAY = 36_000;

/** All that a rider carries, and what these carry, that moves by itself. */
function movedInside(scene: Scene, id: string): readonly Rider[] {
  const carried = new Set([id]);
  // Each pass finds what is carried one deeper.
  for (let size = 0; size !== carried.size;) {
    size = carried.size;
    for (const rider of scene.riders) if (carried.has(rider.carrier?.rider ?? '')) carried.add(rider.id);
  }
  return scene.riders.filter((rider) => rider.id !== id && carried.has(rider.id) && !isStill(rider));
}

/** The longest cycle, s, of what moves by itself in a rider's frame; undefined where nothing does. */
export function clockInside(scene: Scene, id: string): number | undefined {
  const cycles = movedInside(scene, id).map((rider) => cycleOf(rider, scene.clock));
  return cycles.length === 0 ? undefined : Math.max(...cycles);
}

/** Makes all that moves in a rider's frame slower or faster together, so that its longest cycle takes so many s: marks, keys, delays and poses with it. */
export const setClockInside = command<{ rider: string; seconds: number }>(
  (scene, { rider, seconds }) => {
    const factor = seconds / (clockInside(scene, rider) ?? NaN);
    const fits = (one: Rider): boolean =>
      isCycle(cycleOf(one, scene.clock) * factor) && Math.abs(one.pace.delay * factor) <= LONGEST_DELAY;
    return movedInside(scene, rider).every(fits) ? undefined : refusal('duration');
  },
  (scene, { rider: id, seconds }) => {
    const factor = seconds / (clockInside(scene, id) ?? seconds);
    if (factor === 1) return scene;
    return movedInside(scene, id).reduce((sum, rider) => {
      const patch = { cycle: cycleOf(rider, scene.clock) * factor, delay: rider.pace.delay * factor };
      const paced = setPace(sum, { rider: rider.id, patch });
      const one = riderById(paced, rider.id) ?? rider;
      return replaceRider(paced, { ...one, poses: posesAtRate(one.poses, factor) });
    }, scene);
  },
);

/** Poses that go by time gone through as much slower. */
export const posesAtRate = (poses: Rider['poses'], factor: number): Rider['poses'] => ({
  ...poses,
  rate: Math.min(240, Math.max(0.01, poses.rate / factor)),
});
