import type { Check, Finding } from '../check.ts';
import { checkJumps } from './jumps.ts';
import { checkSnaps, type SnapFinding } from './snaps.ts';
import { jumpWords, snapWords } from '../words.ts';

/** A rider's leaps are one finding: of its place first, then of all else. */
export const jump: Check<'jump'> = {
  id: 'jump',
  label: 'Leap',
  about:
    'Riders that are somewhere else, or turned, sized or faded otherwise, from one moment to the next, within the loop and in sight',
  find({ scene }) {
    const places = new Map(checkJumps(scene).map((one) => [one.rider, one]));
    const snaps = new Map<string, SnapFinding[]>();
    for (const one of checkSnaps(scene)) snaps.set(one.rider, [...(snaps.get(one.rider) ?? []), one]);
    return scene.riders.flatMap(({ id }): Finding[] => {
      const place = places.get(id);
      const others = snaps.get(id) ?? [];
      if (!place && others.length === 0) return [];
      const times = [...new Set([...(place?.times ?? []), ...others.flatMap((one) => one.times)])].sort(
        (a, b) => a - b,
      );
      const at = place?.at ?? others[0]?.at ?? 0;
      return [
        {
          ...{ check: 'jump', holds: false, riders: [id], at, place: null },
          spans: times.map((time) => [time, time] as const),
          words: [...(place ? [jumpWords(place)] : []), ...others.map(snapWords)].join('; '),
          figures: {
            ...{ times, gap: place?.gap ?? 0, at },
            ...Object.fromEntries(others.map(({ kind, amount }) => [kind, amount])),
          },
        },
      ];
    });
  },
};
