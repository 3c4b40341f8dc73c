import {
  cycleOf,
  distanceOfPlace,
  pathOfGuide,
  placeAtDistance,
  type Mark,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { command, guideOf, refusal, replaceRider, riderOf } from '../command.ts';
import { onGuide } from './marks.ts';

/** Where a group of a rider's marks may go: offsets in time, s, and along the guide, px, that keep all of them between their neighbours and on an open guide. */
interface ShiftRange {
  readonly earliest: number;
  readonly latest: number;
  readonly lowest: number;
  readonly highest: number;
}

function shiftRangeOf(scene: Scene, rider: Rider, ids: readonly string[]): ShiftRange {
  const { marks } = rider.pace;
  const guide = guideOf(scene, rider.guide);
  const path = pathOfGuide(guide);
  const cycle = cycleOf(rider, scene.clock);
  let earliest = -Infinity;
  let latest = Infinity;
  let lowest = -Infinity;
  let highest = Infinity;
  marks.forEach((mark, i) => {
    if (!ids.includes(mark.id)) return;
    const before = marks[i - 1];
    const after = marks[i + 1];
    if (!before) earliest = Math.max(earliest, -mark.time);
    else if (!ids.includes(before.id)) earliest = Math.max(earliest, before.time + before.dwell - mark.time);
    if (!after) latest = Math.min(latest, cycle - mark.time - mark.dwell);
    else if (!ids.includes(after.id)) latest = Math.min(latest, after.time - mark.time - mark.dwell);
    if (path.isClosed) return;
    const distance = distanceOfPlace(guide, path, mark.place);
    lowest = Math.max(lowest, -distance);
    highest = Math.min(highest, path.length - distance);
  });
  return {
    earliest: Math.min(0, earliest),
    latest: Math.max(0, latest),
    lowest: Math.min(0, lowest),
    highest: Math.max(0, highest),
  };
}

/** From the first to the last of some marks: their indexes; undefined where they are fewer than two. */
export function reachOf(
  marks: readonly Mark[],
  ids: readonly string[],
): readonly [from: number, to: number] | undefined {
  const from = marks.findIndex(({ id }) => ids.includes(id));
  const to = marks.findLastIndex(({ id }) => ids.includes(id));
  return from >= 0 && to > from ? [from, to] : undefined;
}

/**
 * Stretches marks in time about a local time, s (the first of them where none is given), all between the first and the last with their rests; places stay. Their
 * neighbours are not pushed: they reach as far as the marks before and after them, or to the ends of the cycle, at most.
 */
export const stretchMarks = command<{ rider: string; marks: readonly string[]; factor: number; about?: number }>(
  (scene, { rider: id, marks, factor }) =>
    onGuide(scene, id) ??
    (reachOf(riderOf(scene, id).pace.marks, marks) === undefined || !(factor > 0)
      ? refusal('stretch-needs-two')
      : undefined),
  (scene, { rider: id, marks: ids, factor, about }) => {
    const rider = riderOf(scene, id);
    const { marks } = rider.pace;
    const [from, to] = reachOf(marks, ids) ?? [0, 0];
    const [before, first, last, next] = [marks[from - 1], marks[from], marks[to], marks[to + 1]];
    if (!first || !last) return scene;
    const pin = about ?? first.time;
    const ends = last.time + last.dwell;
    const earliest = before ? before.time + before.dwell : 0;
    const latest = next?.time ?? cycleOf(rider, scene.clock);
    // Each end may go away from the pin as far as its neighbour.
    const most = (end: number): number =>
      end > pin ? (latest - pin) / (end - pin) : end < pin ? (pin - earliest) / (pin - end) : Infinity;
    // And toward it no further than the neighbour on its other side.
    const least = (end: number): number =>
      end > pin ? (earliest - pin) / (end - pin) : end < pin ? (pin - latest) / (pin - end) : 0;
    const by = Math.max(Math.min(factor, most(first.time), most(ends)), least(first.time), least(ends));
    if (by === 1) return scene;
    const moved = (mark: Mark): Mark => ({
      ...mark,
      time: pin + (mark.time - pin) * by,
      dwell: mark.dwell * by,
    });
    return replaceRider(scene, {
      ...rider,
      pace: { ...rider.pace, marks: marks.map((mark, i) => (i >= from && i <= to ? moved(mark) : mark)) },
    });
  },
);

const held = (value: number, from: number, to: number): number => Math.min(Math.max(value, from), to);

/**
 * Moves marks together by `seconds` in time and `px` along the guide. Pushed against a neighbour, the start or the end, all of them stop: their distances from each
 * other stay. With 0 px their places are not touched.
 */
export const shiftMarks = command<{ rider: string; marks: readonly string[]; seconds: number; px: number }>(
  (scene, { rider }) => onGuide(scene, rider),
  (scene, { rider: id, marks: ids, seconds, px }) => {
    const rider = riderOf(scene, id);
    const guide = guideOf(scene, rider.guide);
    const path = pathOfGuide(guide);
    const range = shiftRangeOf(scene, rider, ids);
    const later = held(seconds, range.earliest, range.latest);
    const along = held(px, range.lowest, range.highest);
    if (later === 0 && along === 0) return scene;
    const moved = (mark: Mark): Mark => ({
      ...mark,
      time: mark.time + later,
      place: along === 0 ? mark.place : placeAtDistance(guide, path, distanceOfPlace(guide, path, mark.place) + along),
    });
    const marks = rider.pace.marks.map((mark) => (ids.includes(mark.id) ? moved(mark) : mark));
    return replaceRider(scene, { ...rider, pace: { ...rider.pace, marks } });
  },
);
