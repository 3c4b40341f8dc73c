import { MOST_STEPS, POSE, POSE_SIZE, type RiderMotion } from '../motion/index.ts';
import { TooMuchError } from './too-much.ts';

/** A value that changes at once: each from its time, s, to the next one's. The first stands at 0. */
export type Steps = readonly { readonly time: number; readonly value: number }[];

const scratch = new Float64Array(POSE_SIZE);

/** What of a rider's pose only changes at once, and what of that is told. */
interface Stepped {
  readonly key: 'pose' | 'under';
  readonly of?: (value: number) => number;
}

/** How a number of a rider's pose that only changes at once does so over the loop. */
export const stepsOf = (rider: RiderMotion, length: number, of: Stepped): Steps =>
  stepsBetween(rider, rider.steps(0, length), of);

/** The same through a lead-in of so many s, from its beginning, 0, on; null where it is there all the time as the loop begins. */
export function stepsBefore(rider: RiderMotion, leadIn: number, first: number | undefined, of: Stepped): Steps | null {
  if (!(leadIn > 0) || rider.runsBefore) return null;
  const steps = stepsBetween(rider, rider.stepsBefore(), of).map(({ time, value }) => ({ time: time + leadIn, value }));
  return steps.length === 1 && steps[0]?.value === first ? null : steps;
}

function stepsBetween(rider: RiderMotion, times: readonly number[], { key, of = (value) => value }: Stepped): Steps {
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
