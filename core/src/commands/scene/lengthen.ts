import { command, refusal } from '../command.ts';

/** Plays so many of today's loops as one: every rider goes on as it did, round after round. */
export const lengthenLoop = command<{ loops: number }>(
  ({ clock }, { loops }) => (clock.duration * loops <= 3600 ? undefined : refusal('duration')),
  (scene, { loops }) => ({
    ...scene,
    clock: { ...scene.clock, duration: scene.clock.duration * loops },
    riders: scene.riders.map((rider) =>
      rider.pace.cycle === null ? { ...rider, pace: { ...rider.pace, cycle: scene.clock.duration } } : rider,
    ),
  }),
);
