import { shownCopies, type Folding, type Shown } from '../time/index.ts';
import { xOfTime, type Axes } from './axes.ts';

/** px within which copies of one time on a sheet cannot be told apart, nor grabbed. */
const APART = 4;

/** A copy of a time on a sheet, its px from the left, and whether it is the one that is edited. */
export interface CopyInView {
  readonly shown: Shown;
  readonly x: number;
  readonly isFirst: boolean;
}

/** The copies of a local time, s, that are seen on a sheet of so long a loop, s: the first wherever it is, and those in view that stand apart. A cycle of a hundredth of a second in a loop of an hour has thousands. */
export function copiesInView(axes: Axes, by: Folding, local: number, length: number): CopyInView[] {
  const last = new Map<Shown['direction'], number>();
  return shownCopies(by, local, length).flatMap((shown, i) => {
    const x = xOfTime(axes, shown.time);
    const isInView = x >= axes.left - APART && x <= axes.right + APART;
    if (i > 0 && (!isInView || x - (last.get(shown.direction) ?? -Infinity) < APART)) return [];
    last.set(shown.direction, x);
    return { shown, x, isFirst: i === 0 };
  });
}
