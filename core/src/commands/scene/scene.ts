import type { Clock } from '../../scene/index.ts';
import { command, refusal } from '../command.ts';
import { stretched } from '../mark/marks.ts';

export const renameScene = command<{ name: string }>(
  (_, { name }) => (name.trim() ? undefined : refusal('empty-name')),
  (scene, { name }) => ({ ...scene, name: name.trim() }),
);

/** Sets the clock. A new duration stretches the marks of every rider that runs by it, so that the motion is the same, slower or faster. */
export const setClock = command<Partial<Clock>>(
  (_, { duration }) => (duration === undefined || (duration > 0 && duration <= 3600) ? undefined : refusal('duration')),
  (scene, patch) => {
    const clock = { ...scene.clock, ...patch };
    const factor = clock.duration / scene.clock.duration;
    return {
      ...scene,
      clock,
      riders:
        factor === 1
          ? scene.riders
          : scene.riders.map((rider) =>
              rider.pace.cycle === null
                ? { ...rider, pace: { ...rider.pace, marks: stretched(rider.pace.marks, factor) } }
                : rider,
            ),
    };
  },
);
