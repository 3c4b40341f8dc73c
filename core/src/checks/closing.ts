import { prepare } from '../motion/index.ts';
import { artById, cycleOf, loopLength, posesOf, type Scene } from '../scene/index.ts';
import { isWatched } from './sight.ts';

/** Share of a round by which it may miss a whole number of times and still count as closing. */
const WHOLE = 1e-6;

/** Loops after which it is not looked for any more: nobody waits for it. */
const MOST_LOOPS = 1000;

/** A cycle that does not go into the loop a whole number of times, and the nearest one that does. */
export interface OpenCycle {
  readonly rider: string;
  /** s. */
  readonly cycle: number;
  readonly fits: number;
  /** Rounds in the loop with the cycle that fits. */
  readonly rounds: number;
}

/** When all that a scene sends has come round together. */
export interface Closing {
  /** Loops after which everything closes: 1 where each loop does; undefined where that takes more than anybody waits for. */
  readonly loops: number | undefined;
  /** The same in seconds. */
  readonly length: number | undefined;
  /** What keeps it from closing with the loop, the least to change first. */
  readonly open: readonly OpenCycle[];
}

/** The shortest time, in whole loops, in which every rider that is sent and changes comes round a whole number of times. A scene that plays once never closes. */
export function checkClosing(scene: Scene): Closing | undefined {
  const { clock } = scene;
  if (clock.repeat === 'once') return undefined;
  const motion = prepare(scene);
  const length = loopLength(clock);
  const changing = scene.riders.filter((rider, i) => {
    const moving = motion.riders[i];
    if (!isWatched(scene, rider) || !moving) return false;
    return moving.varies.length > 0 || (rider.poses.by === 'time' && posesOf(artById(scene, rider.art)) > 1);
  });
  const roundOf = (id: string): number => motion.rider(id)?.round ?? Infinity;
  const rounds = changing.map(({ id }) => roundOf(id)).filter((round) => Number.isFinite(round));
  const fits = (loops: number): boolean => rounds.every((round) => isWhole((loops * length) / round));
  let loops: number | undefined = 1;
  while (loops <= MOST_LOOPS && !fits(loops)) loops++;
  if (loops > MOST_LOOPS) loops = undefined;
  const open = changing.flatMap((rider): OpenCycle[] => {
    const round = roundOf(rider.id);
    if (!Number.isFinite(round) || isWhole(length / round)) return [];
    const cycle = cycleOf(rider, clock);
    const times = Math.max(1, Math.round(length / round));
    return [{ rider: rider.id, cycle, fits: (cycle * length) / (times * round), rounds: times }];
  });
  const change = ({ cycle, fits: to }: OpenCycle): number => Math.abs(Math.log(to / cycle));
  return {
    loops,
    length: loops === undefined ? undefined : loops * length,
    open: open.sort((a, b) => change(a) - change(b)),
  };
}

const isWhole = (times: number): boolean => Math.round(times) >= 1 && Math.abs(times - Math.round(times)) <= WHOLE;
