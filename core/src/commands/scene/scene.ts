import { cycleOf, KEY_CHANNELS, loopLength, type Clock, type Pace, type Rider, type Scene } from '../../scene/index.ts';
import { roundOf } from '../../time/index.ts';
import { command, refusal } from '../command.ts';
import { stretchedKeys } from '../key/key-maps.ts';
import { stretched } from '../mark/marks.ts';

/** Gives a scene another name. */
export const renameScene = command<{ name: string }>(
  (_, { name }) => (name.trim() ? undefined : refusal('empty-name')),
  (scene, { name }) => ({ ...scene, name: name.trim() }),
);

/** How far from whole a number of rounds in a loop may be and count as whole. */
const WHOLE = 1e-6;

/** Whether a rider's own cycle goes into the loop a whole number of times. */
function fitsLoop(rider: Rider, clock: Clock): boolean {
  const rounds = loopLength(clock) / roundOf(cycleOf(rider, clock), rider.pace.repeat ?? clock.repeat);
  return Math.round(rounds) >= 1 && Math.abs(rounds - Math.round(rounds)) < WHOLE;
}

/** Whether a rider's own cycle went into the loop, and no longer does. */
const fellOut = (rider: Rider, before: Clock, after: Clock): boolean =>
  rider.pace.cycle !== null && fitsLoop(rider, before) && !fitsLoop(rider, after);

/**
 * Sets the clock. A new duration stretches the marks of every rider that runs by it, so that the motion is the same, slower or faster; with `along` every
 * rider's delay and own cycle too; with `fit` the own cycles that went into the loop and otherwise would no longer, so that they go on fitting.
 *
 * @example
 * ```ts
 * import { readFileSync } from 'node:fs';
 * import { readScene, setClock } from '@pace-line/core';
 *
 * const read = readScene(readFileSync('samples/scenes/two-ferries.paceline.json', 'utf8'));
 * if (!read.ok) throw new Error(read.problems[0]?.message);
 * const slower = setClock(read.scene, { duration: 24 });
 * console.log(slower.clock.duration, read.scene.clock.duration); // 24 12
 * ```
 */
export const setClock = command<Partial<Clock> & { along?: boolean; fit?: boolean }>(
  (scene, { duration = scene.clock.duration, along }) => {
    const factor = duration / scene.clock.duration;
    const fits = ({ pace: { cycle, delay } }: Rider): boolean =>
      (cycle === null || (cycle * factor >= 0.001 && cycle * factor <= 36_000)) && Math.abs(delay * factor) <= 36_000;
    const isPossible = duration >= 0.01 && duration <= 3600 && (!along || scene.riders.every(fits));
    return isPossible ? undefined : refusal('duration');
  },
  (scene, { along = false, fit = false, ...patch }) => {
    const clock = { ...scene.clock, ...patch };
    const factor = clock.duration / scene.clock.duration;
    return {
      ...scene,
      clock,
      riders:
        factor === 1
          ? scene.riders
          : scene.riders.map((rider) => {
              const isFitted = fit && fellOut(rider, scene.clock, clock);
              const pace = paceStretched(rider.pace, factor, along || isFitted);
              return pace === rider.pace ? rider : { ...rider, pace, keys: stretchedKeys(rider.keys, factor) };
            }),
    };
  },
);

function paceStretched(pace: Pace, factor: number, along: boolean): Pace {
  const { cycle, delay, marks } = pace;
  if (cycle !== null && !along) return pace;
  return {
    ...pace,
    marks: stretched(marks, factor),
    ...(along ? { delay: delay * factor, cycle: cycle === null ? null : cycle * factor } : {}),
  };
}

/** s. Shortest loop. */
const SHORTEST = 0.01;

/** The last local time, s, at which a mark or a key of a rider stands; 0 where there is none. */
export const lastOfRider = ({ pace, keys }: Rider): number =>
  [
    ...pace.marks.map(({ time, dwell }) => time + dwell),
    ...KEY_CHANNELS.flatMap((channel) => keys[channel].map(({ time }) => time)),
  ].reduce((last, time) => Math.max(last, time), 0);

/** The same of all riders that run by the scene's clock. */
export const lastMoment = ({ riders }: Scene): number =>
  riders.reduce((last, rider) => (rider.pace.cycle === null ? Math.max(last, lastOfRider(rider)) : last), 0);

/** Sets what drives the scene where it is shown on a page. */
export const setDriver = command<{ driver: Scene['driver'] }>(
  () => undefined,
  (scene, { driver }) => ({ ...scene, driver }),
);

/** Gives the loop another length, s, and leaves every mark and key at its time: room is added at the end, or taken away there down to the last of them. */
export const setRoom = command<{ duration: number }>(
  (scene, { duration }) => {
    if (!(duration >= SHORTEST && duration <= 3600)) return refusal('duration');
    return duration < lastMoment(scene) - 1e-9 ? refusal('marks-past-end') : undefined;
  },
  (scene, { duration }) => ({ ...scene, clock: { ...scene.clock, duration } }),
);
