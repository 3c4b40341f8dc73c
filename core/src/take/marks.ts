import { foldingOf, riderCodes, type Scene } from '../scene/index.ts';
import { shownCopies } from '../time/index.ts';

/** When a rider reaches its marks in the loop, s: of each, in the order of the marks, all its times; none of those of a pace that comes in the lead-in alone. */
export interface RiderMarks {
  /** What code calls the rider. */
  readonly code: string;
  readonly times: readonly (readonly number[])[];
}

/** The marks of all riders that have any. */
export function marksOf(scene: Scene, length: number): RiderMarks[] {
  const codes = riderCodes(scene.riders);
  return scene.riders.flatMap((rider) => {
    const { marks, only } = rider.pace;
    if (marks.length === 0 || !rider.output) return [];
    const by = foldingOf(rider, scene.clock);
    const isShown = (time: number): boolean => time >= 0 && time <= length;
    const times = marks.map(({ time }) =>
      only
        ? []
        : shownCopies(by, time, length)
            .map((one) => one.time)
            .filter(isShown),
    );
    return [{ code: codes.get(rider.id) ?? rider.id, times }];
  });
}
