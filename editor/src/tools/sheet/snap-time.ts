import {
  foldingOf,
  foldTime,
  loopLength,
  secondsPerPx,
  shownTimes,
  type Clock,
  type Rider,
  type Scene,
} from '@pace-line/core';
import type { SheetHost, SheetPointer } from './host.ts';

/** px of the sheet within which a time is drawn to another rider's mark, or to a beat. */
const REACH = 6;

/** Beats of a loop that are drawn to: more stand so close that none can be meant. */
const MOST_BEATS = 2000;

/** The times of the beats within a loop, s. */
export function beatsOf({ tempo }: Clock, length: number): readonly number[] {
  if (!tempo) return [];
  const step = 60 / tempo.beats;
  if (length / step > MOST_BEATS) return [];
  const first = tempo.from - Math.floor(tempo.from / step + 1e-9) * step;
  return Array.from(
    { length: Math.max(0, Math.floor((length - first) / step + 1e-6) + 1) },
    (_, k) => first + k * step,
  );
}

/** Times of the loop, s, at which other riders of a guide have their marks, or leave them. */
function marksBeside({ clock }: Scene, riders: readonly Rider[], own: string): readonly number[] {
  const length = loopLength(clock);
  return riders.flatMap((rider) =>
    rider.id === own
      ? []
      : rider.pace.marks.flatMap(({ time, dwell }) =>
          [time, ...(dwell > 0 ? [time + dwell] : [])].flatMap((at) => shownTimes(foldingOf(rider, clock), at, length)),
        ),
  );
}

/** A time of a rider's own cycle where a hand leaves it: at another rider's mark or a beat that is near, else on the nearest frame; with Ctrl as it is. */
export function snappedTime(host: SheetHost, rider: Rider, time: number, { ctrl }: Pick<SheetPointer, 'ctrl'>): number {
  if (ctrl) return time;
  const scene = host.scene();
  const { clock } = scene;
  const folding = foldingOf(rider, clock);
  const reach = REACH * secondsPerPx(host.axes());
  let [best, gap] = [Math.round(time * clock.fps) / clock.fps, reach];
  for (const at of [...beatsOf(clock, loopLength(clock)), ...marksBeside(scene, host.riders(), rider.id)]) {
    const { local } = foldTime(at, folding);
    if (Math.abs(local - time) < gap) [best, gap] = [local, Math.abs(local - time)];
  }
  return best;
}
