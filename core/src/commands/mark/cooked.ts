import { cookedLine, type Cooked, type Recipe } from '../../pace/index.ts';
import {
  distanceOfPlace,
  foldingOf,
  guideById,
  pathOfGuide,
  type Guide,
  type Mark,
  type Rider,
  type Scene,
} from '../../scene/index.ts';

/** s. Times that differ by less are the same. */
export const SAME_TIME = 1e-9;

/** What a recipe makes of a rider's marks on its guide. */
export function cookedOf(scene: Scene, rider: Rider, guide: Guide, recipe: Recipe): Cooked {
  const path = pathOfGuide(guide);
  const placed = rider.pace.marks.map(({ time, dwell, place }) => ({
    ...{ time, dwell },
    distance: distanceOfPlace(guide, path, place),
  }));
  return cookedLine(recipe, path, placed, foldingOf(rider, scene.clock));
}

/** Riders with a recipe whose guide, recipe or marks an edit has changed have their marks at the times at which these are reached now. */
export function recipesFollowed(before: Scene, after: Scene): Scene {
  if (after.riders.every(({ pace }) => pace.recipe === null)) return after;
  const was = new Map(before.riders.map((rider) => [rider.id, rider]));
  const guides = new Map(before.guides.map((guide) => [guide.id, guide]));
  const riders = after.riders.map((rider) => {
    const { recipe, marks } = rider.pace;
    const guide = rider.guide === null ? undefined : guideById(after, rider.guide);
    if (!recipe || !guide || marks.length < 2) return rider;
    const old = was.get(rider.id);
    const isSame = old?.pace === rider.pace && old.guide === rider.guide && guides.get(guide.id) === guide;
    if (isSame && before.clock === after.clock) return rider;
    const timed = withTimes(marks, cookedOf(after, rider, guide, recipe).times, foldingOf(rider, after.clock).cycle);
    return timed === marks ? rider : { ...rider, pace: { ...rider.pace, marks: timed } };
  });
  return riders.every((rider, i) => rider === after.riders[i]) ? after : { ...after, riders };
}

/** Marks at given times, each before the next and all within the cycle. */
function withTimes(marks: readonly Mark[], times: readonly number[], cycle: number): readonly Mark[] {
  let latest = cycle;
  const fit = [...marks.keys()].reverse().map((i) => {
    latest = Math.max(0, Math.min(times[i] ?? 0, latest - (marks[i]?.dwell ?? 0)));
    return latest;
  });
  fit.reverse();
  if (marks.every((mark, i) => Math.abs(mark.time - (fit[i] ?? 0)) < SAME_TIME)) return marks;
  return marks.map((mark, i) => ({ ...mark, time: fit[i] ?? mark.time }));
}
