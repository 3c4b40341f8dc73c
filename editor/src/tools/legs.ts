import { distanceOfPlace, pathOfGuide, type Guide, type Mark, type Rider } from '@pace-line/core';

/** Where a mark stands on the sheet: its distance with the rider's lead, px along the guide. */
export const footOfMark = (guide: Guide, rider: Rider, mark: Mark): number =>
  distanceOfPlace(guide, pathOfGuide(guide), mark.place) + rider.lead;

/** A leg on the sheet: where and when it begins and ends, in the rider's own time, with its lead. */
export interface Leg {
  readonly mark: Mark;
  /** s and px. */
  readonly leaves: number;
  readonly lasts: number;
  readonly from: number;
  readonly way: number;
  /** Which of the rider's marks it follows. */
  readonly index: number;
}

/** The leg after a mark; undefined after the last, and where it goes nowhere or takes no time. */
export function legAfter(guide: Guide, rider: Rider, mark: Mark): Leg | undefined {
  const index = rider.pace.marks.indexOf(mark);
  const next = rider.pace.marks[index + 1];
  if (!next || rider.pace.recipe) return undefined;
  const leaves = mark.time + mark.dwell;
  const from = footOfMark(guide, rider, mark);
  const leg = { mark, index, leaves, lasts: next.time - leaves, from, way: footOfMark(guide, rider, next) - from };
  return leg.lasts > 1e-6 && Math.abs(leg.way) > 1e-6 ? leg : undefined;
}

/** The leg of a rider that runs at a local time. */
export function legAt(guide: Guide, rider: Rider, local: number): Leg | undefined {
  const mark = rider.pace.marks.findLast(({ time }) => time <= local);
  const leg = mark && legAfter(guide, rider, mark);
  return leg && local > leg.leaves && local < leg.leaves + leg.lasts ? leg : undefined;
}
