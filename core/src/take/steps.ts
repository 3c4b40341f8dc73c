import { MOST_STEPS, POSE, POSE_SIZE, type RiderMotion } from '../motion/index.ts';
import { TooMuchError } from './too-much.ts';

/** A value that changes at once: each from its time, s, to the next one's. The first stands at 0. */
export type Steps = readonly { readonly time: number; readonly value: number }[];

const scratch = new Float64Array(POSE_SIZE);

/** How a number of a rider's pose that only changes at once does so over the loop. */
export function stepsOf(
  rider: RiderMotion,
  length: number,
  key: 'pose' | 'under',
  of: (value: number) => number = (value) => value,
): Steps {
  const times = rider.steps(0, length);
  if (times.length > MOST_STEPS)
    throw new TooMuchError(
      'the poses of a rider change so often within the loop that they cannot be written: slow them down or shorten the loop',
    );
  const found: { time: number; value: number }[] = [];
  times.slice(1).forEach((to, i) => {
    const time = times[i] ?? 0;
    const value = of(rider.poseAt((time + to) / 2, 1, scratch)[POSE[key]] ?? 0);
    if (found[found.length - 1]?.value !== value) found.push({ time, value });
  });
  return found;
}
