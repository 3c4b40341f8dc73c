import { keyLinesOf, POSE, prepare, type RiderMotion } from '../../motion/index.ts';
import type { Rider, Scene } from '../../scene/index.ts';
import { foldTime } from '../../time/index.ts';
import { SNAP_ANGLE, SNAP_SHARE } from '../../tolerances.ts';
import { withoutFollowers } from '../followers.ts';
import { isWatched, sightOf } from '../sight.ts';
import { unheld } from '../unheld.ts';
import { BESIDE, eachBreak, Leaps } from './breaks.ts';

/** What can leap beside a place. */
export const SNAP_KINDS = ['rotation', 'size', 'opacity'] as const;
export type SnapKind = (typeof SNAP_KINDS)[number];

/** Where one value of a rider leaps within the loop, in sight. */
export interface SnapFinding {
  readonly rider: string;
  readonly kind: SnapKind;
  /** s, ascending, inside the loop. */
  readonly times: readonly number[];
  /** The widest: rad without whole turns, share of the larger size, difference of opacity; and when that is, s. */
  readonly amount: number;
  readonly at: number;
}

const LIMITS: Readonly<Record<SnapKind, number>> = { rotation: SNAP_ANGLE, size: SNAP_SHARE, opacity: SNAP_SHARE };

/**
 * Every rider that is sent and is turned, sized or faded otherwise from one moment to the next, between the loop's start and its end: at a corner that its nose follows, where it turns
 * round, where a limit begins. Not a leap is what is asked for as one: keyframes that hold and then jump, a mirrored drawing, poses, positions held for frames.
 */
export function checkSnaps(held: Scene): SnapFinding[] {
  const scene = unheld(held);
  const motion = prepare(scene);
  const isUnseen = sightOf(scene, motion);
  const found = scene.riders.flatMap((rider, i): SnapFinding[] => {
    const moving = motion.riders[i];
    if (!isWatched(scene, rider) || !moving || moving.varies.length === 0) return [];
    const kinds = { rotation: new Leaps(), size: new Leaps(), opacity: new Leaps() };
    eachBreak(moving, motion.length, (time, before, after) => {
      // What comes into sight or goes out of it at once does so because it is asked to.
      if (isUnseen(rider, before, time, -1) || isUnseen(rider, after, time)) return;
      for (const kind of SNAP_KINDS) {
        const amount = AMOUNTS[kind](before, after, keyed(rider, moving, time));
        if (amount > LIMITS[kind]) kinds[kind].add(time, amount);
      }
    });
    return SNAP_KINDS.flatMap((kind) => {
      const { times, amount, at } = kinds[kind];
      return times.length > 0 ? [{ rider: rider.id, kind, times, amount, at }] : [];
    });
  });
  return SNAP_KINDS.flatMap((kind) =>
    withoutFollowers(
      scene,
      found.filter((one) => one.kind === kind),
      ({ amount }) => Math.ceil(amount / LIMITS[kind]),
    ),
  );
}

type Channel = 'turn' | 'scaleX' | 'scaleY' | 'opacity';

/** What a rider's keyframes say just before and just after a time, by channel: those that hold and then jump differ. */
function keyed(
  { keys }: Rider,
  { folding }: RiderMotion,
  time: number,
): (channel: Channel) => readonly [number, number] {
  const lines = keyLinesOf(keys);
  return (channel) => {
    const line = lines[channel];
    if (!line) return [0, 0];
    const beside = (side: 1 | -1): number => {
      const { local, direction } = foldTime(time + side * BESIDE, folding, side);
      return line.valueAt(local, direction === side ? 1 : -1);
    };
    return [beside(-1), beside(1)];
  };
}

type Amount = (before: Float64Array, after: Float64Array, keys: ReturnType<typeof keyed>) => number;

const of = (pose: Float64Array, key: keyof typeof POSE): number => pose[POSE[key]] ?? 0;

const isMirrored = (pose: Float64Array): boolean => of(pose, 'a') * of(pose, 'd') < of(pose, 'b') * of(pose, 'c');

const AMOUNTS: Readonly<Record<SnapKind, Amount>> = {
  rotation(before, after, keys) {
    if (isMirrored(before) !== isMirrored(after)) return 0;
    const [from, to] = keys('turn');
    const angle = of(after, 'angle') - of(before, 'angle') - (to - from);
    return Math.abs(angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI)));
  },
  size: (before, after, keys) =>
    Math.max(
      ...(['scaleX', 'scaleY'] as const).map((key) => {
        const [from, to] = keys(key);
        const sizes = [Math.abs(of(before, key)), Math.abs(of(after, key))];
        return from === to ? Math.abs((sizes[1] ?? 0) - (sizes[0] ?? 0)) / Math.max(...sizes, 1e-9) : 0;
      }),
    ),
  opacity(before, after, keys) {
    const [from, to] = keys('opacity');
    return from === to ? Math.abs(of(after, 'opacity') - of(before, 'opacity')) : 0;
  },
};
