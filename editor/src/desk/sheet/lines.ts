import { cycleOf, formatNumber, prepare, type Motion, type Rider, type Scene } from '@pace-line/core';
import { xOf, yOf, type SheetScale } from './scale.ts';

/** Times between `from` and `to` that cut a rider's line into unbroken stretches: where a repeated cycle starts anew. */
export function cutsOf(scene: Scene, rider: Rider, from: number, to: number): number[] {
  const repeat = rider.pace.repeat ?? scene.clock.repeat;
  if (repeat !== 'loop') return [from, to];
  const cycle = cycleOf(rider, scene.clock);
  const first = Math.ceil((from - rider.pace.delay) / cycle);
  const cuts = [from];
  for (let k = first; rider.pace.delay + k * cycle < to; k++) {
    const at = rider.pace.delay + k * cycle;
    if (at > from) cuts.push(at);
  }
  return [...cuts, to];
}

/** Distances of a rider at even steps of a stretch of time and at its marks: pairs of seconds and px. */
export function sampleLine(motion: Motion, index: number, from: number, to: number, step: number): [number, number][] {
  const count = Math.max(1, Math.ceil((to - from) / step));
  return Array.from({ length: count + 1 }, (_, i): [number, number] => {
    const time = i === count ? to : from + ((to - from) * i) / count;
    return [time, motion.distanceAt(index, time, i === count ? -1 : 1).distance];
  });
}

/** A rider's pace line as path data on the sheet. */
export function lineData(scene: Scene, rider: Rider, scale: SheetScale): string {
  const motion = prepare(scene);
  const index = scene.riders.indexOf(rider);
  const step = ((scale.to - scale.from) / Math.max(60, scale.right - scale.left)) * 2;
  const cuts = cutsOf(scene, rider, scale.from, scale.to);
  const n = (value: number): string => formatNumber(value, 1);
  return cuts
    .slice(0, -1)
    .map((cut, i) =>
      sampleLine(motion, index, cut, cuts[i + 1] ?? cut, step)
        .map(([time, s], k) => `${k === 0 ? 'M' : 'L'}${n(xOf(scale, time))} ${n(yOf(scale, s))}`)
        .join(''),
    )
    .join('');
}

/** Speeds of a rider over the sheet's time, px/s (absolute), and their largest. */
export function speedsOf(
  scene: Scene,
  rider: Rider,
  scale: SheetScale,
): { readonly points: readonly [number, number][]; readonly most: number } {
  const motion = prepare(scene);
  const index = scene.riders.indexOf(rider);
  const count = Math.max(60, Math.round((scale.right - scale.left) / 2));
  const points = Array.from({ length: count + 1 }, (_, i): [number, number] => {
    const time = scale.from + ((scale.to - scale.from) * i) / count;
    return [time, Math.abs(motion.distanceAt(index, time).speed)];
  });
  return { points, most: Math.max(1e-9, ...points.map(([, speed]) => (Number.isFinite(speed) ? speed : 0))) };
}

/** The lowest and highest distance that any of the riders reaches in the loop, px. */
export function reachOf(
  scene: Scene,
  riders: readonly Rider[],
  length: number,
  closed: boolean,
): { low: number; high: number } {
  const motion = prepare(scene);
  let low = 0;
  let high = closed || riders.length === 0 ? length : 0;
  for (const rider of riders) {
    const index = scene.riders.indexOf(rider);
    for (let i = 0; i <= 120; i++) {
      const { distance } = motion.distanceAt(index, (motion.length * i) / 120, i === 120 ? -1 : 1);
      low = Math.min(low, distance);
      high = Math.max(high, distance);
    }
    for (const mark of motion.riders[index]?.pace.marks ?? []) {
      low = Math.min(low, mark.distance);
      high = Math.max(high, mark.distance);
    }
  }
  return { low, high: Math.max(high, low + 1) };
}

/** The times in [0, length] at which a local time is shown; the first is where it is edited. */
export function shownTimes(scene: Scene, rider: Rider, local: number, length: number): number[] {
  const repeat = rider.pace.repeat ?? scene.clock.repeat;
  const cycle = cycleOf(rider, scene.clock);
  const { delay } = rider.pace;
  if (repeat === 'once') return [delay + local];
  const period = repeat === 'loop' ? cycle : 2 * cycle;
  const first = Math.ceil((0 - delay - local) / period - 1e-9);
  const times: number[] = [];
  for (let k = first; delay + local + k * period <= length + 1e-9; k++) times.push(delay + local + k * period);
  const inner = times.filter(
    (time) => (local <= 0 ? time < length - 1e-9 : true) && (local >= cycle ? time > 1e-9 : true),
  );
  return inner.length > 0 ? inner : times;
}
