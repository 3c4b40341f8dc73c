import type { Motion } from './motion.ts';
import { bracketedRoot } from '../geometry/roots.ts';
import { foldTime, roundOf } from '../pace/index.ts';

/** Steps per smooth piece in which crossings of corners are looked for. */
const CROSSING_STEPS = 64;

/**
 * Times in [from, to], ascending, at which a rider's motion may not be smooth: its marks, the ends of its dwells, breaks of its eases, the turn of
 * there-and-back, the ends of its cycles, and each passing of a corner or cusp of its guide.
 */
export function eventTimes(motion: Motion, index: number, from: number, to: number): number[] {
  const rider = motion.riders[index];
  const times = new Set([from, to]);
  if (!rider?.path) return [from, to];
  const round = roundOf(rider.cycle, rider.repeat);
  const local = [0, rider.cycle, ...rider.pace.events()];
  const add = (time: number): void => {
    if (time > from && time < to) times.add(time);
  };
  const rounds =
    rider.repeat === 'once'
      ? [0]
      : range(Math.floor((from - rider.delay) / round), Math.ceil((to - rider.delay) / round));
  for (const k of rounds)
    for (const t of local) {
      add(rider.delay + k * round + t);
      if (rider.repeat === 'there-and-back') add(rider.delay + k * round + 2 * rider.cycle - t);
    }
  const corners = rider.path.corners();
  if (corners.length > 0) {
    const stops = [...times].sort((a, b) => a - b);
    for (let i = 0; i + 1 < stops.length; i++)
      for (const time of crossings(motion, index, corners, stops[i] ?? 0, stops[i + 1] ?? 0)) add(time);
  }
  return mergeNear([...times].sort((a, b) => a - b));
}

/** Drops times that follow another within a nanosecond; the ends stay. */
function mergeNear(times: number[]): number[] {
  const last = times[times.length - 1];
  return times.filter((time, i) => i === 0 || time === last || time - (times[i - 1] ?? 0) > 1e-9);
}

const range = (a: number, b: number): number[] => Array.from({ length: Math.max(0, b - a + 1) }, (_, i) => a + i);

/** Times inside (a, b) at which distance + lead passes a corner, laps included. */
function crossings(motion: Motion, index: number, corners: readonly number[], a: number, b: number): number[] {
  const rider = motion.riders[index];
  if (!rider?.path) return [];
  const { path, lead } = rider;
  const folded = { local: 0, direction: 1 as const };
  const at = (time: number): number =>
    rider.pace.distanceAt(foldTime(time, rider.delay, rider.cycle, rider.repeat, 1, folded).local) + lead;
  const found: number[] = [];
  const inset = (b - a) * 1e-9;
  let t0 = a + inset;
  let s0 = at(t0);
  for (let i = 1; i <= CROSSING_STEPS; i++) {
    const t1 = i === CROSSING_STEPS ? b - inset : a + ((b - a) * i) / CROSSING_STEPS;
    const s1 = at(t1);
    const [low, high] = s0 < s1 ? [s0, s1] : [s1, s0];
    for (const corner of corners) {
      const laps = path.isClosed
        ? range(Math.ceil((low - corner) / path.length), Math.floor((high - corner) / path.length))
        : [0];
      for (const lap of laps) {
        const goal = corner + lap * path.length;
        if (goal > low && goal < high) found.push(bracketedRoot((t) => at(t) - goal, t0, t1));
      }
    }
    t0 = t1;
    s0 = s1;
  }
  return found;
}
