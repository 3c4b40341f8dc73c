import type { Finding } from '../check.ts';
import type { Told } from '../findings.ts';

export const keyOf = ({ check, riders }: Finding): string => `${check} ${[...riders].sort().join(' ')}`;

export const isSame = (a: Finding, b: Finding): boolean => keyOf(a) === keyOf(b);

/** s that a finding lasts in all. */
export const lasting = ({ spans }: Finding): number => spans.reduce((sum, [from, to]) => sum + to - from, 0);

export interface Bad {
  /** How long it lasts, s, or how often it is. */
  readonly lasts: number;
  readonly amount: number;
  readonly told: Told;
}

/** What is wrong, by whom it is about, and how badly. */
export const badly = (found: readonly Told[]): ReadonlyMap<string, Bad> =>
  new Map(
    found
      .filter(({ holds }) => !holds)
      .map((one) => [
        keyOf(one),
        { lasts: lasting(one) + one.spans.length * 1e-3, amount: one.amount ?? 0, told: one },
      ]),
  );

/** s by which what was wrong before may last longer, and by how much it may be worse, and count as no worse. */
const SLACK = { lasts: 2e-3, amount: 0.05 };

/** What is found after a change that was not found before it, or is worse. */
export const worseThan = (before: ReadonlyMap<string, Bad>, after: ReadonlyMap<string, Bad>): readonly Told[] =>
  [...after].flatMap(([key, bad]) => {
    const was = before.get(key);
    const isWorse = !was || bad.lasts > was.lasts + SLACK.lasts || bad.amount > was.amount + SLACK.amount;
    return isWorse ? [bad.told] : [];
  });

/** Whether a finding is less than it was: for a shorter time, or by less. */
export const isLess = (now: Finding, was: Finding): boolean =>
  lasting(now) < lasting(was) - SLACK.lasts || (now.amount ?? 0) < (was.amount ?? 0) - SLACK.amount;
