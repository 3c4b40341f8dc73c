import { freshIds, type Mark, type Pace, type Rider, type Scene } from '../../scene/index.ts';

/** Whether two riders share their marks. */
export const isLinkedTo = (a: Rider, b: Rider): boolean =>
  a.pace.link !== null && a.pace.link === b.pace.link && a.guide === b.guide;

const isSameLine = (a: Pace, b: Pace): boolean =>
  a.marks === b.marks && a.cycle === b.cycle && a.repeat === b.repeat && a.recipe === b.recipe;

/** Riders of one guide that share a link have the marks of the one that an edit has changed, each by ids of its own; phases stay theirs. */
export function linksFollowed(before: Scene, after: Scene): Scene {
  if (after.riders === before.riders || after.riders.every(({ pace }) => pace.link === null)) return after;
  const was = new Map(before.riders.map((rider) => [rider.id, rider]));
  const isChanged = (rider: Rider): boolean => {
    const old = was.get(rider.id);
    return old !== undefined && old !== rider && !isSameLine(old.pace, rider.pace);
  };
  const sources = after.riders.filter((rider) => rider.pace.link !== null && isChanged(rider));
  if (sources.length === 0) return after;
  const fresh = freshIds(after);
  const riders = after.riders.map((rider) => {
    const source = sources.find((one) => isLinkedTo(one, rider));
    return !source || source === rider ? rider : { ...rider, pace: lineOf(source.pace, rider.pace, fresh) };
  });
  return riders.every((rider, i) => rider === after.riders[i]) ? after : { ...after, riders };
}

/** The line of one pace with the ids and the phase of another. */
function lineOf(source: Pace, own: Pace, fresh: (id: string) => string): Pace {
  const marks = source.marks.map((mark, i): Mark => ({ ...mark, id: own.marks[i]?.id ?? fresh(mark.id) }));
  const isSame = marks.length === own.marks.length && marks.every((mark, i) => isSameMark(mark, own.marks[i]));
  return {
    ...own,
    cycle: source.cycle,
    repeat: source.repeat,
    recipe: source.recipe,
    marks: isSame ? own.marks : marks,
  };
}

const isSameMark = (a: Mark, b: Mark | undefined): boolean =>
  b !== undefined && a.time === b.time && a.dwell === b.dwell && a.place === b.place && a.ease === b.ease;
