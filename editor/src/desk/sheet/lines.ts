import { cycleOf, prepare, type Ease, type Motion, type Rider, type Scene } from '@pace-line/core';
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

/** A rider's pace line as path data on the sheet, looked at every `every` screen px. */
export function lineData(scene: Scene, rider: Rider, scale: SheetScale, every: number): string {
  const motion = prepare(scene);
  const index = scene.riders.indexOf(rider);
  const step = ((scale.to - scale.from) / Math.max(60, scale.right - scale.left)) * every;
  const cuts = cutsOf(scene, rider, scale.from, scale.to);
  let data = '';
  for (let i = 0; i + 1 < cuts.length; i++) {
    let sign = 'M';
    for (const [time, s] of sampleLine(motion, index, cuts[i] ?? 0, cuts[i + 1] ?? 0, step)) {
      data += `${sign}${tenths(xOf(scale, time))} ${tenths(yOf(scale, s))}`;
      sign = 'L';
    }
  }
  return data;
}

const tenths = (value: number): number => Math.round(value * 10) / 10;

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

/** Whether a leg's ease may leave the way between its marks. */
function mayOvershoot(ease: Ease): boolean {
  if (ease.kind === 'family') return ease.family === 'back' || ease.family === 'elastic';
  if (ease.kind === 'bezier')
    return Math.min(ease.values[1], ease.values[3]) < 0 || Math.max(ease.values[1], ease.values[3]) > 1;
  return ease.kind === 'points';
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
  const include = (distance: number): void => {
    low = Math.min(low, distance);
    high = Math.max(high, distance);
  };
  for (const rider of riders) {
    const index = scene.riders.indexOf(rider);
    const line = motion.riders[index]?.pace;
    for (const mark of line?.marks ?? []) include(mark.distance);
    if (!rider.pace.marks.some(({ ease }) => mayOvershoot(ease))) continue;
    for (let i = 0; i <= 120; i++)
      include(motion.distanceAt(index, (motion.length * i) / 120, i === 120 ? -1 : 1).distance);
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
