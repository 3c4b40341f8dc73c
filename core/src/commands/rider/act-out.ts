import { fitStroke, pathThrough, type Path, type Vec } from '../../geometry/index.ts';
import { fitPaceLine, type Moment } from '../../pace/index.ts';
import {
  countedIds,
  placeAtDistance,
  type Guide,
  type Mark,
  type Node,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { checkNodes } from '../node/check-nodes.ts';
import { command, guideOf, refusal, replaceRider, riderOf } from '../command.ts';
import { setOutline } from '../guide/refit.ts';
import { namedNode } from '../settle.ts';

/** Where the hand was at a time: canvas px, s from its start. */
export interface HandMoment {
  readonly x: number;
  readonly y: number;
  readonly time: number;
}

/** A motion of the hand turned into a way and a pace: nodes and marks without ids. */
export interface Acted {
  readonly nodes: readonly Node[];
  readonly marks: readonly { readonly time: number; readonly distance: number; readonly ease: Mark['ease'] }[];
  readonly length: number;
}

/** px. Largest distance of the fitted guide from the smoothed hand, and of the pace line along it. */
const SHAPE_SHARE = 0.7;
const PACE_SHARE = 0.8;

/** s. Less than half a frame of a thirtieth: no hand is surer of its time, and pointers report in bursts. */
const HAND_SLACK = 1 / 75;

/**
 * The way and the pace of a hand's motion. `smoothing` (s) is the width of the bell with which its tremor is evened out; 0 leaves it as it was. The
 * result stays within about 2 px of the smoothed hand in place and time.
 */
export function actedMotion(
  hand: readonly HandMoment[],
  { smoothing = 0, ids = 'n' }: { smoothing?: number; ids?: string } = {},
): Acted | undefined {
  const even = smoothed(withoutRepeats(hand), smoothing);
  const first = even[0];
  const last = even[even.length - 1];
  if (!first || !last || even.length < 2) return undefined;
  const { nodes, stands } = fitStroke(
    even.map(({ x, y }): Vec => [x, y]),
    { tolerance: SHAPE_SHARE },
  );
  if (nodes.length < 2) return undefined;
  const path = pathThrough(nodes, false);
  const moments = evened(along(path, stands, even, first.time));
  return {
    nodes: nodes.map((node, i) => namedNode(node, `${ids}${i + 1}`)),
    marks: fitPaceLine(moments, PACE_SHARE, HAND_SLACK),
    length: last.time - first.time,
  };
}

const withoutRepeats = (hand: readonly HandMoment[]): HandMoment[] =>
  hand.filter((one, i) => i === 0 || one.time > (hand[i - 1]?.time ?? -Infinity));

/** Each moment averaged with those around it, weighted by a bell over time; the ends stay. */
function smoothed(hand: readonly HandMoment[], width: number): readonly HandMoment[] {
  if (!(width > 0) || hand.length < 3) return hand;
  const last = hand.length - 1;
  return hand.map((one, i) => {
    if (i === 0 || i === last) return one;
    const reach = Math.min(2.5 * width, one.time - (hand[0]?.time ?? 0), (hand[last]?.time ?? 0) - one.time);
    let x = 0;
    let y = 0;
    let weight = 0;
    const take = (other: HandMoment): void => {
      const w = Math.exp(-0.5 * ((other.time - one.time) / width) ** 2);
      x += w * other.x;
      y += w * other.y;
      weight += w;
    };
    for (let k = i; k >= 0 && one.time - (hand[k]?.time ?? 0) <= reach; k--) take(hand[k] ?? one);
    for (let k = i + 1; k <= last && (hand[k]?.time ?? 0) - one.time <= reach; k++) take(hand[k] ?? one);
    return { x: x / weight, y: y / weight, time: one.time };
  });
}

/**
 * Distance along the fitted path at each moment: the nearest place on the piece that was fitted to it, never behind the last. Pieces keep a hand that
 * turns back on its own way from being put on the branch beside it.
 */
function along(path: Path, stands: readonly number[], hand: readonly HandMoment[], begin: number): Moment[] {
  let piece = 0;
  let distance = 0;
  return hand.map(({ x, y, time }, i) => {
    while (piece + 2 < stands.length && (stands[piece + 1] ?? 0) <= i) piece++;
    const from = Math.max(distance, path.starts[piece] ?? 0);
    const to = path.starts[piece + 1] ?? path.length;
    distance = i === hand.length - 1 ? path.length : i === 0 ? 0 : nearestWithin(path, x, y, from, to);
    return { time: time - begin, distance };
  });
}

/** Distances averaged over about a frame: pointers report in bursts, which are no change of pace. The ends stay. */
function evened(moments: readonly Moment[]): Moment[] {
  const last = moments.length - 1;
  return moments.map((moment, i) => {
    if (i === 0 || i === last) return moment;
    let sum = 0;
    let weight = 0;
    const take = (other: Moment): boolean => {
      const off = (other.time - moment.time) / HAND_SLACK;
      if (Math.abs(off) > 2.5) return false;
      const w = Math.exp(-0.5 * off * off);
      sum += w * other.distance;
      weight += w;
      return true;
    };
    for (let k = i; k >= 0 && take(moments[k] ?? moment); k--);
    for (let k = i + 1; k <= last && take(moments[k] ?? moment); k++);
    return { time: moment.time, distance: sum / weight };
  });
}

/** The nearest place between two distances, by looking and then narrowing. */
function nearestWithin(path: Path, x: number, y: number, from: number, to: number): number {
  const gap = (s: number): number => {
    const frame = path.frameAtDistance(s);
    return Math.hypot(frame.x - x, frame.y - y);
  };
  const looks = 48;
  let best = from;
  let least = Infinity;
  for (let i = 0; i <= looks; i++) {
    const s = from + ((to - from) * i) / looks;
    const g = gap(s);
    if (g < least) {
      least = g;
      best = s;
    }
  }
  let step = (to - from) / looks;
  for (let turn = 0; turn < 14; turn++) {
    step /= 2;
    for (const s of [best - step, best + step])
      if (s >= from && s <= to && gap(s) < least) {
        least = gap(s);
        best = s;
      }
  }
  return best;
}

/** Puts a rider on a guide that was acted out for it, with the hand's pace from `start` (s of its cycle) on; its cycle holds the whole motion. */
export const rideActed = command<{
  rider: string;
  guide: Guide;
  marks: Acted['marks'];
  start: number;
  /** Prefix of the marks' ids. */
  ids: string;
}>(
  (scene, { rider, guide, marks }) => {
    if (!scene.riders.some((one) => one.id === rider)) return refusal('no-rider', { id: rider });
    if (marks.length < 2) return refusal('motion-too-short');
    return scene.guides.some((one) => one.id === guide.id) ? refusal('id-taken', { id: guide.id }) : undefined;
  },
  (scene, { rider: id, guide, marks, start, ids }) => {
    const rider = riderOf(scene, id);
    const cycle = rider.pace.cycle ?? scene.clock.duration;
    const last = marks[marks.length - 1]?.time ?? 0;
    // A motion that is longer than what is left of the cycle runs through it faster; else it rests at both ends.
    const begin = Math.min(start, cycle);
    const factor = last > cycle - begin ? (cycle - begin) / last : 1;
    return replaceRider(
      { ...scene, guides: [...scene.guides, guide] },
      actedRider(scene, rider, guide, marks, begin, factor, ids),
    );
  },
);

function actedRider(
  scene: Scene,
  rider: Rider,
  guide: Guide,
  marks: Acted['marks'],
  begin: number,
  factor: number,
  ids: string,
): Rider {
  return {
    ...rider,
    guide: guide.id,
    lift: 0,
    lead: 0,
    pace: { ...rider.pace, marks: actedMarks(scene, guide, marks, begin, factor, ids) },
  };
}

/** Marks of an acted motion on its guide, their times moved and stretched. */
function actedMarks(
  scene: Scene,
  guide: Guide,
  marks: Acted['marks'],
  begin: number,
  factor: number,
  ids: string,
): Mark[] {
  const path = pathThrough(guide.nodes, guide.closed);
  const fresh = countedIds(scene, ids);
  return withRests(marks).map(({ time, distance, ease, rest }) => {
    return {
      id: fresh(),
      time: begin + time * factor,
      place: placeAtDistance(guide, path, Math.min(distance, path.length)),
      dwell: rest * factor,
      ease,
    };
  });
}

/** px. A leg that gets no further than this is a rest. */
const REST = 0.5;

/** Legs on which the hand stood still become rests of the mark before them. */
function withRests(marks: Acted['marks']): (Acted['marks'][number] & { readonly rest: number })[] {
  const kept: (Acted['marks'][number] & { rest: number })[] = [];
  for (const mark of marks) {
    const last = kept[kept.length - 1];
    if (last && mark !== marks[marks.length - 1] && Math.abs(mark.distance - last.distance) <= REST) {
      last.rest = mark.time - last.time;
      kept[kept.length - 1] = { ...last, ease: mark.ease };
    } else kept.push({ ...mark, rest: 0 });
  }
  return kept;
}

/** Fits an acted motion again, as with another smoothing: the guide's outline and, while its rider is on it, the marks, over the time they took before. */
export const refitActed = command<{ rider: string; guide: string; acted: Acted; ids: string }>(
  (scene, { guide }) => checkNodes(scene, guide, []),
  (scene, { rider: id, guide: guideId, acted, ids }) => {
    const guide = guideOf(scene, guideId);
    const nodes = acted.nodes.map((node, i) => ({ ...node, id: `${guideId}-n${i + 1}` }));
    const shaped = setOutline(scene, { guide: guideId, nodes, closed: false });
    const rider = shaped.riders.find((one) => one.id === id);
    const first = rider?.pace.marks[0];
    const last = rider?.pace.marks[rider.pace.marks.length - 1];
    if (rider?.guide !== guideId || !first || !last || !(acted.length > 0)) return shaped;
    const factor = (last.time - first.time) / acted.length;
    const marks = actedMarks(
      withoutMarks(shaped, rider),
      { ...guide, nodes, closed: false },
      acted.marks,
      first.time,
      factor,
      ids,
    );
    return replaceRider(shaped, { ...rider, pace: { ...rider.pace, marks } });
  },
);

const withoutMarks = (scene: Scene, rider: Rider): Scene =>
  replaceRider(scene, { ...rider, pace: { ...rider.pace, marks: [] } });
