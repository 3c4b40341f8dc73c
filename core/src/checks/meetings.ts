import { prepare, type RiderMotion } from '../motion/index.ts';
import { guideById, pathOfGuide, riderById, ridersOf, type Scene } from '../scene/index.ts';
import { sightOf, type IsUnseen } from './sight.ts';

/** Two riders at one place of their guide at one time: s, px along it within a lap, and where each of them is counted to be, its laps included. */
export interface Meeting {
  readonly riders: readonly [string, string];
  readonly time: number;
  readonly distance: number;
  readonly feet: readonly [number, number];
}

/** How near two riders of a guide come to each other along it: px, and when. */
export interface ClosestGap {
  readonly riders: readonly [string, string];
  readonly time: number;
  readonly gap: number;
}

export interface Meetings {
  readonly meetings: readonly Meeting[];
  /** Null where fewer than two ride. */
  readonly closest: ClosestGap | null;
}

/** Riders of a guide that are looked at: more lines than these cannot be told apart. */
const MOST_RIDERS = 24;

/** Looks over the loop, and steps with which a crossing is closed in on. */
const LOOKS = 480;
const HALVINGS = 40;

/** Where the riders of a guide meet over the loop, and how near they come to each other along it. */
export function meetingsOn(scene: Scene, guideId: string): Meetings {
  const guide = guideById(scene, guideId);
  const motion = prepare(scene);
  const isUnseen = sightOf(scene, motion);
  const riders = ridersOf(scene, guideId).slice(0, MOST_RIDERS);
  if (!guide || riders.length < 2) return { meetings: [], closest: null };
  const { length, isClosed } = pathOfGuide(guide);
  const lap = isClosed && length > 0 ? length : Infinity;
  const meetings: Meeting[] = [];
  let closest: ClosestGap | null = null;
  for (let i = 0; i < riders.length; i++)
    for (let j = i + 1; j < riders.length; j++) {
      const [a, b] = [motion.rider(riders[i]?.id ?? ''), motion.rider(riders[j]?.id ?? '')];
      if (!a || !b) continue;
      const pair = [a.id, b.id] as const;
      const found = meetingsOf(a, b, motion.length, lap);
      // Nobody meets who is not seen.
      const seen = found.times.filter(
        (time) => isSeenAt(scene, isUnseen, a, time) && isSeenAt(scene, isUnseen, b, time),
      );
      meetings.push(
        ...seen.map((time) => ({
          riders: pair,
          time,
          distance: within(a.footAt(time), lap),
          feet: [a.footAt(time), b.footAt(time)] as const,
        })),
      );
      if (!closest || found.gap < closest.gap) closest = { riders: pair, time: found.at, gap: found.gap };
    }
  return { meetings: meetings.sort((a, b) => a.time - b.time), closest };
}

function isSeenAt(scene: Scene, isUnseen: IsUnseen, moving: RiderMotion, time: number): boolean {
  const rider = riderById(scene, moving.id);
  return rider !== undefined && rider.output && !isUnseen(rider, moving.poseAt(time), time);
}

const within = (distance: number, lap: number): number =>
  Number.isFinite(lap) ? distance - Math.floor(distance / lap) * lap : distance;

function meetingsOf(
  a: RiderMotion,
  b: RiderMotion,
  length: number,
  lap: number,
): { readonly times: readonly number[]; readonly gap: number; readonly at: number } {
  const apart = (time: number, side: 1 | -1 = 1): number => a.footAt(time, side) - b.footAt(time, side);
  const gapOf = (value: number): number =>
    Number.isFinite(lap) ? Math.abs(value - lap * Math.round(value / lap)) : Math.abs(value);
  const events = [...new Set([...a.events(0, length), ...b.events(0, length)])].sort((x, y) => x - y);
  const times: number[] = [];
  let [gap, at] = [Infinity, 0];
  const consider = (time: number, value: number): void => {
    if (gapOf(value) < gap) [gap, at] = [gapOf(value), time];
  };
  for (let e = 0; e + 1 < events.length; e++) {
    const [from, to] = [events[e] ?? 0, events[e + 1] ?? 0];
    const looks = Math.max(2, Math.ceil((LOOKS * (to - from)) / length));
    let [t0, d0] = [from, apart(from)];
    consider(t0, d0);
    for (let k = 1; k <= looks; k++) {
      const t1 = k === looks ? to : from + ((to - from) * k) / looks;
      const d1 = apart(t1, k === looks ? -1 : 1);
      consider(t1, d1);
      for (const level of levelsBetween(d0, d1, lap)) {
        const time = crossing(apart, t0, t1, d0, level);
        if (!times.some((other) => Math.abs(other - time) < 1e-6)) times.push(time);
        [gap, at] = [0, time];
      }
      [t0, d0] = [t1, d1];
    }
  }
  return { times, gap, at };
}

/** Whole laps that lie between two differences, the first end left out. */
function levelsBetween(d0: number, d1: number, lap: number): number[] {
  if (d0 === d1) return [];
  if (!Number.isFinite(lap)) return (d0 < 0 && d1 >= 0) || (d0 > 0 && d1 <= 0) ? [0] : [];
  const [low, high] = [Math.min(d0, d1), Math.max(d0, d1)];
  const found: number[] = [];
  for (let n = Math.ceil(low / lap); n * lap <= high; n++) if (n * lap !== d0) found.push(n * lap);
  return found;
}

function crossing(apart: (time: number) => number, t0: number, t1: number, d0: number, level: number): number {
  let [low, high] = [t0, t1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (Math.sign(apart(middle) - level) === Math.sign(d0 - level)) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
