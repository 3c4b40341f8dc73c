import { prepare } from '../../motion/index.ts';
import type { Rider, Scene } from '../../scene/index.ts';
import { timesOfLocals } from '../../time/index.ts';
import type { Check, Finding } from '../check.ts';
import { isWatched, sightOf } from '../sight.ts';

/** Share of a rider's mean speed, and px/s, below which it is said to stand. */
const STANDS = 0.02;
const STILL = 2;

/** Where one comes to rest for a moment and goes on in the same direction. */
export interface Stall {
  /** The mark, counted from 1, and its time in the cycle, s. */
  readonly mark: number;
  readonly time: number;
}

/** Marks without a rest between the first and the last at which it stands for a moment, and goes on as it came. */
export function stallsOf(scene: Scene, { id, pace }: Rider): Stall[] {
  const line = prepare(scene).rider(id)?.line;
  const { marks } = pace;
  const [first, last] = [marks[0], marks.at(-1)];
  if (!line || pace.recipe || !first || !last || last.time <= first.time) return [];
  const at = ({ time }: { readonly time: number }, side: 1 | -1): number => line.distanceAt(time, side);
  const way = marks.slice(1).reduce((sum, mark, i) => sum + Math.abs(at(mark, -1) - at(marks[i] ?? mark, 1)), 0);
  const stands = Math.max(STILL, (STANDS * way) / (last.time - first.time));
  return marks.flatMap((mark, i): Stall[] => {
    const [before, after] = [marks[i - 1], marks[i + 1]];
    if (!before || !after || mark.dwell > 0) return [];
    const [came, goes] = [at(mark, -1) - at(before, 1), at(after, -1) - at(mark, 1)];
    if (came * goes <= 0 || Math.min(Math.abs(came), Math.abs(goes)) < 1) return [];
    const speed = Math.max(Math.abs(line.speedAt(mark.time, -1)), Math.abs(line.speedAt(mark.time, 1)));
    return speed < stands ? [{ mark: i + 1, time: mark.time }] : [];
  });
}

/** Riders that stand for a moment at marks where no rest was asked for, because one leg ends at rest and the next begins so. */
export const stall: Check<'stall'> = {
  id: 'stall',
  label: 'Stops on its way',
  about: 'Riders that come to rest at a mark that asks for no rest, and go on in the same direction',
  find({ scene, motion }) {
    const isUnseen = sightOf(scene, motion);
    return scene.riders.flatMap((rider): Finding[] => {
      const moving = motion.rider(rider.id);
      if (!isWatched(scene, rider) || rider.guide === null || !moving) return [];
      const stalls = stallsOf(scene, rider);
      const [first] = stalls;
      if (!first) return [];
      const times = timesOfLocals(
        moving.folding,
        stalls.map(({ time }) => time),
        0,
        motion.length,
      ).filter((time) => !isUnseen(rider, moving.poseAt(time), time));
      const [at] = times;
      if (at === undefined) return [];
      return [
        {
          ...{ check: 'stall', holds: false, riders: [rider.id], at, place: null },
          spans: times.map((time) => [time, time] as const),
          words: `at mark ${first.mark}, ${at.toFixed(2)} s${stalls.length > 1 ? `, and ${stalls.length - 1} more` : ''}`,
          figures: { marks: stalls.map(({ mark }) => mark), times },
        },
      ];
    });
  },
};
