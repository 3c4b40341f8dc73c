import { POSE, POSE_SIZE, type RiderMotion } from '../motion/index.ts';

/** What a rider does at one time: s, px along its guide, px/s, px/s², rad/s. */
export interface Measure {
  readonly time: number;
  readonly distance: number;
  readonly speed: number;
  readonly acceleration: number;
  readonly turn: number;
}

/** s. Half the step over which changes are taken, never across an event. */
const HALF = 1e-4;

/** A rider's speed, acceleration and turn rate over a length of time, looked at `count` times and at both sides of each event. */
export function measuresOf(rider: RiderMotion, length: number, count: number): readonly Measure[] {
  const pose = new Float64Array(POSE_SIZE);
  const angleAt = (time: number, side: 1 | -1): number => rider.poseAt(time, side, pose)[POSE.angle] ?? 0;
  const events = rider.events(0, length);
  const found: Measure[] = [];
  const look = (time: number, from: number, to: number): void => {
    // The limits of the piece that the time is in.
    const [a, b] = [Math.max(from, time - HALF), Math.min(to, time + HALF)];
    const wide = b - a;
    if (!(wide > 0)) return;
    const side = b === to ? -1 : 1;
    const [before, after] = [rider.speedAt(a), rider.speedAt(b, side)];
    const turned = angleAt(b, side) - angleAt(a, 1);
    found.push({
      time,
      distance: rider.distanceAt(time, time === to ? -1 : 1),
      speed: rider.speedAt(time, time === to ? -1 : 1),
      acceleration: (after - before) / wide,
      turn: (turned - 2 * Math.PI * Math.round(turned / (2 * Math.PI))) / wide,
    });
  };
  for (let i = 0; i + 1 < events.length; i++) {
    const [from, to] = [events[i] ?? 0, events[i + 1] ?? 0];
    const looks = Math.max(2, Math.round((count * (to - from)) / length));
    for (let k = 0; k <= looks; k++) look(k === looks ? to : from + ((to - from) * k) / looks, from, to);
  }
  return found;
}

/** A time at which something stands out. */
export interface Standout {
  readonly kind: 'peak' | 'stall';
  readonly time: number;
  readonly value: number;
}

/** Share of the greatest speed below which a rider that moves before and after has stalled. */
const STALLED = 0.03;

/** Share of the greatest value that a peak rises above the dips beside it. */
const PROMINENT = 0.15;

/** Where a speed peaks, and where it comes to a stand between two moves, in order of time. */
export function standoutsOf(measures: readonly Measure[]): readonly Standout[] {
  const speeds = measures.map(({ speed }) => Math.abs(speed));
  const most = Math.max(0, ...speeds);
  if (!(most > 0)) return [];
  const found: Standout[] = [];
  let dip = 0;
  let top = -1;
  // What stands at the start has not come to a stand.
  let stall = (speeds[0] ?? 0) < STALLED * most ? 0 : -1;
  speeds.forEach((speed, i) => {
    const { time = 0, speed: signed = 0 } = measures[i] ?? {};
    if (top < 0 && speed - (speeds[dip] ?? 0) > PROMINENT * most) top = i;
    if (top < 0 && speed < (speeds[dip] ?? 0)) dip = i;
    if (top >= 0 && speed > (speeds[top] ?? 0)) top = i;
    if (top >= 0 && (speeds[top] ?? 0) - speed > PROMINENT * most) {
      found.push({ kind: 'peak', time: measures[top]?.time ?? 0, value: measures[top]?.speed ?? 0 });
      [dip, top] = [i, -1];
    }
    if (speed < STALLED * most) {
      if (stall < 0) {
        stall = i;
        found.push({ kind: 'stall', time, value: signed });
      }
    } else stall = -1;
  });
  const last = speeds[speeds.length - 1] ?? 0;
  if (top >= 0) found.push({ kind: 'peak', time: measures[top]?.time ?? 0, value: measures[top]?.speed ?? 0 });
  // What stands at the end has arrived.
  const rests =
    last < STALLED * most ? found.filter((one, i) => !(one.kind === 'stall' && i === found.length - 1)) : found;
  return [...rests].sort((a, b) => a.time - b.time);
}
