import { cycleOf, riderById } from '../../scene/index.ts';
import { command, missingRider, refusal, replaceRider } from '../command.ts';
import { setPace } from '../mark/marks.ts';
import { lastOfRider } from '../scene/scene.ts';

/** s. Shortest and longest cycle. */
const [SHORTEST, LONGEST] = [0.001, 36_000];

/** Whether a rider may take so many s for its cycle. */
export const isCycle = (seconds: number): boolean => seconds >= SHORTEST && seconds <= LONGEST;

/** Makes one rider take so many times as long for its cycle, its marks and keys with it; the loop and all others stay as they are. */
export const slowRider = command<{ rider: string; factor: number }>(
  (scene, { rider: id, factor }) => {
    const rider = riderById(scene, id);
    if (!rider) return missingRider(scene, id);
    const cycle = cycleOf(rider, scene.clock) * factor;
    return isCycle(cycle) ? undefined : refusal('duration');
  },
  (scene, { rider: id, factor }) => {
    const rider = riderById(scene, id);
    if (!rider) return scene;
    const cycle = cycleOf(rider, scene.clock) * factor;
    const isClocks = Math.abs(cycle - scene.clock.duration) < 1e-9;
    return setPace(scene, { rider: id, patch: { cycle: isClocks ? null : cycle } });
  },
);

/** Gives a rider another cycle, s, and leaves its marks and keys at their times: room is added at the end, or taken away there down to the last of them. */
export const setCycleRoom = command<{ rider: string; cycle: number }>(
  (scene, { rider: id, cycle }) => {
    const rider = riderById(scene, id);
    if (!rider) return missingRider(scene, id);
    if (!isCycle(cycle)) return refusal('duration');
    return cycle < lastOfRider(rider) - 1e-9 ? refusal('marks-past-end') : undefined;
  },
  (scene, { rider: id, cycle }) => {
    const rider = riderById(scene, id);
    if (!rider) return scene;
    const isClocks = Math.abs(cycle - scene.clock.duration) < 1e-9;
    return replaceRider(scene, { ...rider, pace: { ...rider.pace, cycle: isClocks ? null : cycle } });
  },
);
