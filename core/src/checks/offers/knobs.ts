import { setHeading, setPace, setRider } from '../../commands/index.ts';
import { prepare } from '../../motion/index.ts';
import { artOfRider, cycleOf, riderById, type Rider, type Scene } from '../../scene/index.ts';

/** What can be changed of a rider to put a finding right. */
export type KnobKind = 'delay' | 'lift' | 'scale' | 'smooth';

/** One value of a rider that is turned until a finding is gone. */
export interface Knob {
  readonly kind: KnobKind;
  /** The value as it is: s, px, a factor, px. */
  readonly now: (rider: Rider) => number;
  /** The values that are tried, on either side of the one that is, the nearest first; none where the rider has no such value. */
  readonly tried: (scene: Scene, rider: Rider, at: number) => readonly (readonly number[])[];
  readonly set: (scene: Scene, rider: string, value: number) => Scene;
  /** Decimals with which a value is offered. */
  readonly digits: number;
  /** Whether only the values that are tried are offered, and none between them. */
  readonly isGiven?: boolean;
  /** How much a change is, so that changes of several kinds can be put in order: a share of what it is changed in. */
  readonly size: (scene: Scene, rider: Rider, value: number) => number;
}

/** Values tried on each side, as shares of the farthest: closely at first, then by a third more each. */
const SHARES = [1, 2, 3, 4, 6, 8, 11, 15, 20, 27, 36, 48, 60].map((k) => k / 60);

const steps = (from: number, most: number): number[] => SHARES.map((share) => from + most * share);

/** px: the farther side of a rider's art, as it is scaled. */
function sizeOf(scene: Scene, rider: Rider): number {
  const art = artOfRider(scene, rider);
  return art ? Math.max(art.width * Math.abs(rider.scale[0]), art.height * Math.abs(rider.scale[1]), 1) : 1;
}

/** When it starts: up to half its cycle later or earlier. */
const delay: Knob = {
  kind: 'delay',
  digits: 2,
  now: ({ pace }) => pace.delay,
  tried(scene, rider) {
    if (rider.guide === null && (prepare(scene).rider(rider.id)?.varies.length ?? 0) === 0) return [];
    const most = cycleOf(rider, scene.clock) / 2;
    return [steps(rider.pace.delay, most), steps(rider.pace.delay, -most)];
  },
  set: (scene, rider, value) => setPace(scene, { rider, patch: { delay: value } }),
  size: (scene, rider, value) => Math.abs(value - rider.pace.delay) / cycleOf(rider, scene.clock),
};

/** How far beside its guide it rides: up to twice its size. */
const lift: Knob = {
  kind: 'lift',
  digits: 1,
  now: (rider) => rider.lift,
  tried(scene, rider) {
    if (rider.guide === null || rider.roll !== null) return [];
    const most = 2 * sizeOf(scene, rider);
    return [steps(rider.lift, most), steps(rider.lift, -most)];
  },
  set: (scene, id, value) => setRider(scene, { id, patch: { lift: value } }),
  size: (scene, rider, value) => Math.abs(value - rider.lift) / sizeOf(scene, rider),
};

/** How large it is: down to half. */
const scale: Knob = {
  kind: 'scale',
  digits: 2,
  now: () => 1,
  tried: (_, rider) => (rider.keys.scale.length > 0 ? [] : [steps(1, -0.5)]),
  set(scene, id, value) {
    const rider = riderById(scene, id);
    const [x, y] = rider?.scale ?? [1, 1];
    return setRider(scene, { id, patch: { scale: [x * value, y * value] } });
  },
  size: (_scene, _rider, value) => Math.abs(1 - value),
};

/** Frames that a nose takes to come round a corner. */
const FRAMES = 4;

/** The length over which its direction is averaged: what it covers in a few frames where it leaps. */
const smooth: Knob = {
  kind: 'smooth',
  digits: 0,
  isGiven: true,
  now: ({ heading }) => heading.smooth,
  tried(scene, rider, at) {
    const moving = prepare(scene).rider(rider.id);
    if (!moving?.path || rider.heading.mode !== 'along') return [];
    const speed = Math.max(Math.abs(moving.speedAt(at, -1)), Math.abs(moving.speedAt(at, 1)));
    const least = Math.ceil(Math.max(4, (speed * FRAMES) / scene.clock.fps));
    return least > rider.heading.smooth ? [[least, 2 * least]] : [];
  },
  set(scene, id, value) {
    const rider = riderById(scene, id);
    if (!rider) return scene;
    return setHeading(scene, { rider: id, heading: { ...rider.heading, smooth: value }, keepAngle: null });
  },
  size: (scene, rider, value) => Math.abs(value - rider.heading.smooth) / sizeOf(scene, rider),
};

/** What is turned for each check, by its id. */
export const KNOBS: Readonly<Record<string, readonly Knob[]>> = {
  clearance: [delay, lift],
  corridor: [lift, scale],
  'off-canvas': [lift, scale],
  jump: [smooth],
};

export const knobOf = (kind: KnobKind): Knob => ({ delay, lift, scale, smooth })[kind];
