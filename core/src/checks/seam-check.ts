import type { Motion } from '../motion/index.ts';
import type { Scene } from '../scene/index.ts';
import type { Check, Finding } from './check.ts';
import { TURNS_AT_REST } from './mends.ts';
import { checkSeam, hasSeam } from './seam.ts';
import { isWatched } from './sight.ts';
import { seamHolds, seamWords } from './words.ts';

/** Who of a scene that goes back from its end, by what drives it, stops there from how fast: it is thrown back. Told, and not wrong. */
function endsOf(scene: Scene, motion: Motion): Finding[] {
  const { clock, driver } = scene;
  if (clock.repeat === 'once' || hasSeam(scene) || driver.some(({ kind }) => kind === 'scroll')) return [];
  return scene.riders.flatMap((rider): Finding[] => {
    const speed = Math.abs(motion.rider(rider.id)?.speedAt(clock.duration, -1) ?? 0);
    if (!isWatched(scene, rider) || speed <= TURNS_AT_REST) return [];
    return [
      {
        ...{ check: 'seam', holds: true, isNote: true, riders: [rider.id], at: clock.duration, spans: [], place: null },
        words: `stops at its end from ${Math.round(speed)} px/s`,
        figures: { speedBefore: speed },
      },
    ];
  });
}

export const seam: Check<'seam'> = {
  id: 'seam',
  label: 'Seam',
  about:
    'Whether each rider goes on at the loop’s start as it came to its end: place, rotation, size, opacity, pose, speed',
  find: ({ scene, motion }) => [
    ...checkSeam(scene).map((found): Finding => {
      const { rider, ...figures } = found;
      return {
        ...{ check: 'seam', holds: seamHolds(found), riders: [rider], at: 0, spans: [], place: null },
        words: seamWords(found),
        figures,
      };
    }),
    ...endsOf(scene, motion),
  ],
};
