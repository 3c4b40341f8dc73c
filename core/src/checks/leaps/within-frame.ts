import { POSE, prepare, type RiderMotion } from '../../motion/index.ts';
import type { Rider, Scene } from '../../scene/index.ts';
import { SNAP_ANGLE } from '../../tolerances.ts';
import type { Check, Finding } from '../check.ts';
import { withoutFollowers } from '../followers.ts';
import { isWatched, sightOf, type IsUnseen } from '../sight.ts';
import { unheld } from '../unheld.ts';

/** Looks in a frame. */
const FINE = 4;

/** How many times as much it turns or goes in that frame as in one before it and one after: so many frames away. */
const MUCH_MORE = 4;
const AWAY = 2;

/** rad that it turns and px that it goes in a frame, at the least. */
const LEAST = { rotation: 2 * SNAP_ANGLE, place: 8 } as const;

/** How many times as far as its foot on the guide. */
const FARTHER = 3;

type Kind = keyof typeof LEAST;

/** Where a rider turns or goes so fast for a frame that it is seen to leap. */
interface FrameLeap {
  readonly rider: string;
  readonly kind: Kind;
  /** s: the beginnings of the frames. */
  readonly times: readonly number[];
  /** rad or px in the worst of them, and when that begins, s. */
  readonly amount: number;
  readonly at: number;
}

/** How far it has turned, gone, and gone on along its guide by each look, without what is a leap from one moment to the next. */
interface Course {
  readonly rotation: Float64Array;
  readonly place: Float64Array;
  readonly foot: Float64Array;
}

function courseOf(moving: RiderMotion, length: number, looks: number): Course {
  const course = {
    rotation: new Float64Array(looks + 1),
    place: new Float64Array(looks + 1),
    foot: new Float64Array(looks + 1),
  };
  const events = moving.events(0, length);
  let event = 0;
  for (let k = 0; k < looks; k++) {
    const [from, to] = [(length * k) / looks, (length * (k + 1)) / looks];
    let sums = [0, 0, 0] as [number, number, number];
    for (let time = from; time < to;) {
      while ((events[event] ?? Infinity) <= time + 1e-9) event++;
      const next = Math.min(to, events[event] ?? to);
      const [a, b] = [moving.poseAt(time, 1), moving.poseAt(next, -1)];
      const of = (key: keyof typeof POSE): number => (b[POSE[key]] ?? 0) - (a[POSE[key]] ?? 0);
      const foot = moving.footAt(next, -1) - moving.footAt(time, 1);
      sums = [sums[0] + Math.abs(of('angle')), sums[1] + Math.hypot(of('x'), of('y')), sums[2] + Math.abs(foot)];
      time = next;
    }
    course.rotation[k + 1] = (course.rotation[k] ?? 0) + sums[0];
    course.place[k + 1] = (course.place[k] ?? 0) + sums[1];
    course.foot[k + 1] = (course.foot[k] ?? 0) + sums[2];
  }
  return course;
}

function leapsOf(scene: Scene, rider: Rider, moving: RiderMotion, length: number, isUnseen: IsUnseen): FrameLeap[] {
  const looks = Math.ceil(length * scene.clock.fps) * FINE;
  const course = courseOf(moving, length, looks);
  const inFrame = (of: Float64Array, from: number): number => (of[from + FINE] ?? 0) - (of[from] ?? 0);
  return (['rotation', 'place'] as const).flatMap((kind): FrameLeap[] => {
    const amounts = course[kind];
    const times: number[] = [];
    let [amount, at, last] = [0, 0, -Infinity];
    for (let k = AWAY * FINE; k + (AWAY + 1) * FINE <= looks; k++) {
      const turned = inFrame(amounts, k);
      if (turned < LEAST[kind]) continue;
      if (turned < MUCH_MORE * Math.max(inFrame(amounts, k - AWAY * FINE), inFrame(amounts, k + AWAY * FINE))) continue;
      if (kind === 'place' && turned < FARTHER * inFrame(course.foot, k)) continue;
      const time = (length * k) / looks;
      const middle = time + (length * FINE) / looks / 2;
      if (isUnseen(rider, moving.poseAt(middle), middle)) continue;
      // Frames that begin a little later are the same one.
      if (k - last > FINE) times.push(time);
      last = k;
      if (turned > amount + 1e-9) [amount, at] = [turned, time];
    }
    return times.length > 0 ? [{ rider: rider.id, kind, times, amount, at }] : [];
  });
}

/** Every rider that is sent and turns or goes so far within a frame that it is seen to leap, though it moves smoothly: at the ends of what is averaged, where it is lifted inside a tight bend. */
function checkFrames(held: Scene): FrameLeap[] {
  const scene = unheld(held);
  const motion = prepare(scene);
  const isUnseen = sightOf(scene, motion);
  const found = scene.riders.flatMap((rider, i): FrameLeap[] => {
    const moving = motion.riders[i];
    if (rider.guide === null || !isWatched(scene, rider) || !moving || moving.varies.length === 0) return [];
    return leapsOf(scene, rider, moving, motion.length, isUnseen);
  });
  return (['rotation', 'place'] as const).flatMap((kind) =>
    withoutFollowers(
      scene,
      found.filter((one) => one.kind === kind),
      ({ amount }) => Math.ceil(amount / LEAST[kind]),
    ),
  );
}

const figureOf = ({ kind, amount }: FrameLeap): string =>
  kind === 'rotation' ? `turns by ${((amount * 180) / Math.PI).toFixed(0)}°` : `goes ${amount.toFixed(0)} px`;

const words = (one: FrameLeap): string =>
  `${figureOf(one)} in a frame at ${one.at.toFixed(2)} s${one.times.length > 1 ? `, ${one.times.length} times` : ''}`;

export const withinFrame: Check<'frame-leap'> = {
  id: 'frame-leap',
  label: 'Leap in a frame',
  about: 'Riders that turn or go so far within one frame, and not before or after it, that they are seen to leap',
  find({ scene }) {
    const frame = 1 / scene.clock.fps;
    const found = checkFrames(scene);
    return scene.riders.flatMap(({ id }): Finding[] => {
      const own = found.filter(({ rider }) => rider === id);
      const [first] = own;
      if (!first) return [];
      return [
        {
          ...{ check: 'frame-leap', holds: false, riders: [id], at: first.at + frame / 2, place: null },
          spans: own.flatMap(({ times }) => times.map((time) => [time, time + frame] as const)),
          words: own.map(words).join('; '),
          amount: first.amount,
          figures: Object.fromEntries(own.map(({ kind, amount }) => [kind, amount])),
        },
      ];
    });
  },
};
