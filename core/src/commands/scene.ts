import type { Clock, Scene } from '../scene/index.ts';
import { always, command, refusal } from './command.ts';
import { stretched } from './marks.ts';

export const [renameScene, canRenameScene] = command<{ name: string }>(
  (_, { name }) => (name.trim() ? undefined : refusal('empty', 'A scene needs a name.')),
  (scene, { name }) => ({ ...scene, name: name.trim() }),
);

/** Sets the canvas: width and height in px, background a colour or null for transparent. */
export const [setCanvas, canSetCanvas] = command<Partial<Scene['canvas']>>(always, (scene, patch) => ({
  ...scene,
  canvas: { ...scene.canvas, ...patch },
}));

/** Sets the clock. A new duration stretches the marks of every rider that runs by it, so that the motion is the same, slower or faster. */
export const [setClock, canSetClock] = command<Partial<Clock>>(
  (_, { duration }) =>
    duration === undefined || (duration > 0 && duration <= 3600)
      ? undefined
      : refusal('duration', 'A loop lasts from a moment to an hour.'),
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
