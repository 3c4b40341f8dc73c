import { POSE, POSE_SIZE, type RiderMotion } from '../motion/index.ts';
import { cornerGap, sampleAt, type PivotBox } from './sample.ts';

/** Times looked at in a loop: scattered, so that no step of a clock is favoured. */
const LOOKS = 97;
const GOLDEN = 0.6180339887498949;

/** px, and share of opacity, within which two poses are the same. */
const SAME = 1e-4;

const one = new Float64Array(POSE_SIZE);
const other = new Float64Array(POSE_SIZE);

/** Whether what changes at once is the same at two times. */
function isSameState(a: RiderMotion, time: number, b: RiderMotion, then: number): boolean {
  a.poseAt(time, 1, one);
  b.poseAt(then, 1, other);
  return one[POSE.pose] === other[POSE.pose] && one[POSE.under] === other[POSE.under];
}

/** Whether a rider has at each time the pose that another has at the time that belongs to it. */
function isSame(
  a: RiderMotion,
  b: RiderMotion,
  length: number,
  box: PivotBox,
  then: (time: number) => number,
): boolean {
  for (let i = 0; i < LOOKS; i++) {
    const time = ((i * GOLDEN + 0.137) % 1) * length;
    const [shown, meant] = [sampleAt(a, time), sampleAt(b, then(time))];
    if (cornerGap(shown, meant, box) > SAME || Math.abs(shown.opacity - meant.opacity) > SAME) return false;
    if (!isSameState(a, time, b, then(time))) return false;
  }
  return true;
}

/** s by which a rider is ahead of another that it repeats for as long as the loop is played; undefined where it does not. */
export function aheadOf(rider: RiderMotion, other: RiderMotion, length: number, box: PivotBox): number | undefined {
  const late = other.folding.delay - rider.folding.delay;
  const shift = late - Math.floor(late / length) * length;
  return isSame(rider, other, length, box, (time) => (time + shift) % length) ? shift : undefined;
}

/** Whether a rider goes the second half of the loop as it went the first, backward; it has an event where it turns, so that curves have a key there. */
export const isMirrored = (rider: RiderMotion, length: number, box: PivotBox): boolean =>
  rider.events(0, length).some((time) => Math.abs(time - length / 2) < 1e-9) &&
  isSame(rider, rider, length, box, (time) => length - time);
