import { FLAT_PART } from '../../tolerances.ts';
import { stretchedKeys } from '../key/key-maps.ts';
import { prepare } from '../../motion/index.ts';
import { compileLeg, joinedEase, splitEase, STEADY, takesTimes, type Ease } from '../../pace/index.ts';
import {
  cycleOf,
  idsIn,
  newMark,
  pathOfGuide,
  placeAtDistance,
  type Mark,
  type Pace,
  type Rider,
  type Scene,
  type Place,
} from '../../scene/index.ts';
import {
  command,
  guideOf,
  markOf,
  missingRider,
  refusal,
  replaceMark,
  replaceRider,
  riderOf,
  type Refusal,
} from '../command.ts';
import { arcsFitted, landingLocked } from './arcs.ts';

/** Where a time falls on a rider's marks: before the first, in the dwell of one, on a leg with its share, or after the last. */
type Spot =
  | { readonly kind: 'before' }
  | { readonly kind: 'dwell'; readonly index: number }
  | { readonly kind: 'leg'; readonly index: number; readonly u: number }
  | { readonly kind: 'after' };

function spotAt(marks: readonly Mark[], time: number): Spot {
  const next = marks.findIndex((mark) => mark.time > time);
  const index = (next < 0 ? marks.length : next) - 1;
  const mark = marks[index];
  if (!mark) return { kind: 'before' };
  const leaves = mark.time + mark.dwell;
  if (time < leaves) return { kind: 'dwell', index };
  const following = marks[index + 1];
  if (!following) return { kind: 'after' };
  return { kind: 'leg', index, u: (time - leaves) / (following.time - leaves) };
}

/** Refused where a rider is parked. */
export function onGuide(scene: Scene, id: string): Refusal | undefined {
  return missingRider(scene, id) ?? (riderOf(scene, id).guide === null ? refusal('parked') : undefined);
}

/** Sets a mark on the pace line at a local time, s, without changing the motion: the leg's ease is cut in two parts, a dwell in two dwells. */
export const insertMark = command<{ rider: string; time: number; id: string }>(
  (scene, { rider: id, time, id: markId }) => {
    const refused = onGuide(scene, id);
    if (refused) return refused;
    const rider = riderOf(scene, id);
    if (!(time >= 0 && time <= cycleOf(rider, scene.clock))) return refusal('outside-cycle');
    if (idsIn(scene).has(markId)) return refusal('id-taken', { id: markId });
    const { marks } = rider.pace;
    if (marks.some((mark) => Math.abs(mark.time - time) < 1e-9)) return refusal('at-mark');
    const spot = spotAt(marks, time);
    const ease = spot.kind === 'leg' ? marks[spot.index]?.ease : undefined;
    if (spot.kind === 'leg' && ease && ease.kind !== 'hold') {
      const p = compileLeg(ease).progress(spot.u);
      if (Math.abs(p) < FLAT_PART || Math.abs(1 - p) < FLAT_PART) return refusal('line-returns');
    }
    return undefined;
  },
  (scene, { rider: id, time, id: markId }) => {
    const rider = riderOf(scene, id);
    const guide = guideOf(scene, rider.guide);
    const line = prepare(scene).rider(id)?.line;
    if (!line) return scene;
    const { marks } = rider.pace;
    const spot = spotAt(marks, time);
    const place = placeAtDistance(guide, pathOfGuide(guide), line.distanceAt(time));
    const made = newMark(markId, time, place);
    return withMarks(scene, rider, cutAt(marks, spot, made));
  },
);

function cutAt(marks: readonly Mark[], spot: Spot, made: Mark): readonly Mark[] {
  switch (spot.kind) {
    case 'before':
      return [made, ...marks];
    case 'after':
      return [...marks, made];
    case 'dwell':
      return marks.flatMap((mark, i) => {
        if (i !== spot.index) return [mark];
        const spent = made.time - mark.time;
        return [
          { ...mark, dwell: spent, ease: STEADY },
          { ...made, place: mark.place, dwell: mark.dwell - spent, ease: mark.ease },
        ];
      });
    case 'leg':
      return marks.flatMap((mark, i) => {
        if (i !== spot.index) return [mark];
        const [first, second] = splitEase(mark.ease, spot.u);
        return [
          { ...mark, ease: first },
          { ...made, place: mark.ease.kind === 'hold' ? mark.place : made.place, ease: second },
        ];
      });
  }
}

function withMarks(scene: Scene, rider: Rider, marks: readonly Mark[]): Scene {
  return replaceRider(scene, { ...rider, pace: { ...rider.pace, marks } });
}

/** Deletes marks. Where two parts of one ease meet again they are joined to the whole. */
export const deleteMarks = command<{ rider: string; marks: readonly string[] }>(
  (scene, { rider: id, marks }) => {
    const refused = onGuide(scene, id);
    if (refused) return refused;
    return riderOf(scene, id).pace.marks.some((mark) => !marks.includes(mark.id)) ? undefined : refusal('last-mark');
  },
  (scene, { rider: id, marks: ids }) => {
    const rider = riderOf(scene, id);
    const kept: Mark[] = [];
    for (const mark of rider.pace.marks) {
      const last = kept[kept.length - 1];
      if (!ids.includes(mark.id)) kept.push(mark);
      else if (last) kept[kept.length - 1] = { ...last, ease: joinedEase(last.ease, mark.ease) };
    }
    return withMarks(scene, rider, kept);
  },
);

/** The range of local times, s, in which a mark may lie between its neighbours with the dwell it has. */
function timeRangeOf(scene: Scene, rider: Rider, markId: string): { from: number; to: number } {
  const { marks } = rider.pace;
  const index = marks.findIndex((mark) => mark.id === markId);
  const mark = markOf(rider, markId);
  const before = marks[index - 1];
  const after = marks[index + 1];
  const from = before ? before.time + before.dwell : 0;
  const to = (after ? after.time : cycleOf(rider, scene.clock)) - mark.dwell;
  return { from, to: Math.max(from, to) };
}

/** Moves a mark in time (held between its neighbours) and, where `distance` (px, laps included) or a `place` is given, along the guide. */
export const retimeMark = command<{ rider: string; mark: string; time: number; distance?: number; place?: Place }>(
  (scene, { rider }) => onGuide(scene, rider),
  (scene, { rider: id, mark: markId, time, distance, place }) => {
    const rider = riderOf(scene, id);
    const mark = markOf(rider, markId);
    const { from, to } = timeRangeOf(scene, rider, markId);
    const guide = guideOf(scene, rider.guide);
    const path = pathOfGuide(guide);
    const reach = distance === undefined || path.isClosed ? distance : Math.min(Math.max(distance, 0), path.length);
    const next = {
      ...mark,
      time: Math.min(Math.max(time, from), to),
      place: place ?? (reach === undefined ? mark.place : placeAtDistance(guide, path, reach)),
    };
    return withLandings(replaceMark(scene, rider, next), id, markId, next.time !== mark.time);
  },
);

/** After a mark has another time: what hops lands there then, by the gravity of its arcs where nothing was said, or by their height. */
function withLandings(scene: Scene, id: string, mark: string, isOther: boolean): Scene {
  const rider = riderOf(scene, id);
  const { recipe, marks } = rider.pace;
  if (!isOther || recipe?.kind !== 'hop') return scene;
  const at = marks.findIndex((one) => one.id === mark);
  if (recipe.landings === 'height') return arcsFitted(scene, rider, [at - 1, at]);
  const isInner = at > 0 && (at < marks.length - 1 || !recipe.fit);
  if (recipe.landings === 'gravity' || !isInner) return scene;
  return replaceRider(scene, { ...rider, pace: { ...rider.pace, recipe: { ...recipe, landings: 'gravity' } } });
}

/** Why the time of a mark cannot be set: a recipe makes it, or no arc of what hops can follow; undefined where it can. */
export function timeLocked(scene: Scene, rider: Rider, mark: string): Refusal | undefined {
  const { recipe, marks } = rider.pace;
  if (!recipe) return undefined;
  if (recipe.kind === 'hop' && recipe.landings === 'height') return landingLocked(scene, rider, mark);
  const at = marks.findIndex(({ id }) => id === mark);
  const isMade = at > 0 && (at < marks.length - 1 || ('fit' in recipe && !recipe.fit));
  return isMade && !takesTimes(recipe) ? refusal('time-by-recipe') : undefined;
}

/** Sets how long a rider rests at a mark, s; held before the next mark. */
export const setDwell = command<{ rider: string; mark: string; dwell: number }>(
  (scene, { rider }) => onGuide(scene, rider),
  (scene, { rider: id, mark: markId, dwell }) => {
    const rider = riderOf(scene, id);
    const mark = markOf(rider, markId);
    const index = rider.pace.marks.indexOf(mark);
    const end = rider.pace.marks[index + 1]?.time ?? cycleOf(rider, scene.clock);
    const rests = { ...mark, dwell: Math.min(Math.max(dwell, 0), Math.max(0, end - mark.time)) };
    const changed = replaceMark(scene, rider, rests);
    return arcsFitted(changed, riderOf(changed, id), [index]);
  },
);

/** Sets the ease of the legs after marks. */
export const setEase = command<{ rider: string; marks: readonly string[]; ease: Ease }>(
  (scene, { rider }) => onGuide(scene, rider),
  (scene, { rider: id, marks, ease }) => {
    const rider = riderOf(scene, id);
    return withMarks(
      scene,
      rider,
      rider.pace.marks.map((mark) => (marks.includes(mark.id) ? { ...mark, ease } : mark)),
    );
  },
);

/** Sets a rider's own cycle, delay, repeat and what it does the first time; a new cycle stretches marks and keys with it. */
export const setPace = command<{
  rider: string;
  patch: Partial<Omit<Pace, 'marks' | 'recipe'>>;
}>(
  (scene, { rider }) => missingRider(scene, rider),
  (scene, { rider: id, patch }) => {
    const rider = riderOf(scene, id);
    const next: Rider = { ...rider, pace: { ...rider.pace, ...patch } };
    const factor = cycleOf(next, scene.clock) / cycleOf(rider, scene.clock);
    return replaceRider(scene, {
      ...next,
      pace: { ...next.pace, marks: stretched(next.pace.marks, factor) },
      keys: stretchedKeys(next.keys, factor),
    });
  },
);

/** Marks with their times and dwells multiplied. */
export function stretched(marks: readonly Mark[], factor: number): readonly Mark[] {
  if (factor === 1) return marks;
  return marks.map((mark) => ({ ...mark, time: mark.time * factor, dwell: mark.dwell * factor }));
}
