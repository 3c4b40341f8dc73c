import { foldTime, lastsOf } from '../time/index.ts';
import { posesOf } from './art/index.ts';
import { foldingOf, loopLength } from './queries.ts';
import { KEY_CHANNELS } from './schema/index.ts';
import type { Clock, Rider, Scene } from './schema/index.ts';

/** What a rider does in the lead-in: stands where the loop begins, runs as in the loop, or plays its pace there alone and stays where that ends. */
export type Leading = 'stands' | 'runs' | 'only';

/** s. Speed, as squash asks for it, is the way from this long before to this long after, over that time: it has no steps. */
export const SPEED_WINDOW = 0.04;

/** How many loops two lengths may differ by and count as one. */
const SAME_LOOPS = 1e-9;

/** Whether a rider is not seen before its own start in the first round. */
const isHiddenAtFirst = ({ pace }: Rider): boolean => pace.hidden && pace.delay > 0;

/** Whether somebody comes only the first time, or is not seen until it starts: then the lead-in is a first round. */
const hasFirstRound = ({ riders }: Pick<Scene, 'riders'>): boolean =>
  riders.some((rider) => rider.pace.only || isHiddenAtFirst(rider));

/** What of a scene settles its lead-in. */
type Known = Pick<Scene, 'riders' | 'clock' | 'art'>;

/** What each rider of a scene does in its lead-in. */
export function leadingOf(scene: Pick<Scene, 'riders'>): (rider: Rider) => Leading {
  const otherwise = hasFirstRound(scene) ? 'runs' : 'stands';
  return ({ pace }) => (pace.only ? 'only' : (pace.leadIn ?? otherwise));
}

/** s after the lead-in's beginning at which a rider that comes only the first time sets out. */
const startOf = ({ pace }: Rider): number => Math.max(0, pace.delay);

/** s of the lead-in that a rider asks for: until it has entered, has come, or is seen, and its poses from a mark of one that comes have been shown. */
function askedBy(rider: Rider, scene: Known): number {
  const { entrance, pace } = rider;
  const entered = entrance ? entrance.start + entrance.seconds : 0;
  const seen = isHiddenAtFirst(rider) ? pace.delay : 0;
  const come = pace.only ? comesBy(rider, scene) : 0;
  return Math.max(entered, seen, come, posesEnd(rider, scene));
}

/** s of the lead-in after which one that comes only the first time is there: after its last mark or key, where it goes one round and nothing goes on after those. */
function comesBy(rider: Rider, { clock }: Known): number {
  const { pace, keys, poses, squash } = rider;
  const folding = foldingOf(rider, clock);
  const lasts = lastsOf(folding);
  const goesOn = folding.repeat === 'there-and-back' || pace.recipe !== null || poses.by === 'time';
  if (goesOn || lasts > folding.cycle) return startOf(rider) + lasts;
  const moments = [
    ...pace.marks.map(({ time, dwell }) => time + dwell),
    ...KEY_CHANNELS.flatMap((channel) => keys[channel].map(({ time }) => time)),
  ];
  const after = squash?.by === 'speed' ? SPEED_WINDOW : 0;
  return startOf(rider) + Math.min(lasts, Math.max(0, ...moments) + after);
}

/** s of the lead-in after which a strip has been shown through from a mark of one that comes only the first time; 0 where it waits for none. */
function posesEnd({ poses, art }: Rider, { riders, clock, art: arts }: Known): number {
  if (poses.by !== 'mark' || !poses.mark) return 0;
  const { rider: of, mark: id } = poses.mark;
  const other = riders.find((one) => one.id === of);
  const mark = other?.pace.marks.find((one) => one.id === id);
  if (!other?.pace.only || !mark) return 0;
  const folding = foldingOf(other, clock);
  const left = folding.repeat === 'there-and-back' ? mark.time : folding.cycle - mark.time;
  return startOf(other) + lastsOf(folding) - left + posesOf(arts.find((one) => one.id === art)) / poses.rate;
}

/** Seconds that are played once before the loop, until every rider has entered, come or been seen; whole loops where somebody runs in it; 0 where nothing asks for it. */
export function leadInOf(scene: Known): number {
  const { riders, clock } = scene;
  const asked = riders.reduce((most, rider) => Math.max(most, askedBy(rider, scene)), 0);
  if (asked === 0) return 0;
  const leading = leadingOf(scene);
  if (!riders.some((rider) => leading(rider) === 'runs')) return asked;
  const loop = loopLength(clock);
  return Math.ceil(asked / loop - SAME_LOOPS) * loop;
}

/** What folds a rider's time where the lead-in lasts so many s: what comes only the first time does so in it. */
export const foldingWith = (rider: Rider, clock: Clock, leadIn: number): ReturnType<typeof foldingOf> =>
  rider.pace.only ? { ...foldingOf(rider, clock), delay: startOf(rider) - leadIn } : foldingOf(rider, clock);

/** s, at most 0, before which a rider is not seen; −Infinity where it always is. */
export function hiddenUntil(rider: Rider, leadIn: number): number {
  return leadIn > 0 && isHiddenAtFirst(rider) ? Math.min(0, rider.pace.delay - leadIn) : -Infinity;
}

/** The time of a rider's own cycle at a time of the loop, s: what comes only the first time is at its end there. */
export const localAt = (scene: Known, rider: Rider, time: number): number =>
  foldTime(time, foldingWith(rider, scene.clock, rider.pace.only ? leadInOf(scene) : 0)).local;
