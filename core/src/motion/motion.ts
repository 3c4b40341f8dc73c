import type { Side } from '../geometry/index.ts';
import {
  dependenciesOf,
  leadingOf,
  leadInOf,
  ownArt,
  loopLength,
  orderOfDependence,
  type Art,
  type Guide,
  type Leading,
  type Rider,
  type Scene,
} from '../scene/index.ts';
import type { Repeat } from '../time/index.ts';
import type { Posed, RiderGraph } from './posed.ts';
import { Poses } from './pose.ts';
import { preparedRider } from './prepared-rider.ts';
import { RiderMotion } from './rider-motion.ts';
import { askAt, askedCursor } from './cursor.ts';
import { POSE_SIZE } from './slots.ts';

/** The evaluator: where every rider is at any time. Immutable; the only one that drawing, checks and exports use. */
export class Motion {
  /** In the scene's order. */
  readonly riders: readonly RiderMotion[];
  /** Seconds that are played and sent. */
  readonly length: number;
  /** Seconds that are played once before it: times below 0 are in it. */
  readonly leadIn: number;
  readonly #asked = askedCursor();
  readonly #indexes: ReadonlyMap<string, number>;

  constructor(riders: readonly RiderMotion[], length: number, leadIn = 0) {
    this.riders = riders;
    this.length = length;
    this.leadIn = leadIn;
    this.#indexes = new Map(riders.map((rider, i) => [rider.id, i]));
  }

  /** A rider by its id. */
  rider(id: string): RiderMotion | undefined {
    return this.riders[this.indexOf(id)];
  }

  /** Where a rider's pose stands in `Poses`; −1 where there is none of that id. */
  indexOf(id: string): number {
    return this.#indexes.get(id) ?? -1;
  }

  /** Poses of all riders at a time in s, any real number; where there is a lead-in, times below 0 are in it. `side` −1: the limit from earlier times, where a pose jumps. Allocates nothing when given `out`. */
  poseAt(time: number, out: Poses = new Poses(this.riders.length), side: Side = 1): Poses {
    const { riders } = this;
    const asked = this.#asked;
    askAt(asked, time, side, this.leadIn);
    for (let i = 0; i < riders.length; i++) riders[i]?.poseWith(asked, out.data, i * POSE_SIZE);
    return out;
  }
}

interface Known {
  readonly art: Art | undefined;
  readonly guide: Guide | undefined;
  readonly duration: number;
  /** Frames a second, where its poses are held on them; else 0. */
  readonly fps: number;
  readonly repeat: Repeat;
  readonly leadIn: number;
  readonly leading: Leading;
  readonly needed: readonly (Posed | undefined)[];
  readonly motion: RiderMotion;
}

const prepared = new WeakMap<Scene, Motion>();
const known = new WeakMap<Rider, Known>();

/**
 * Makes a scene ready to be played; made once for each scene, and of it only what has changed since the last.
 *
 * @example
 * ```ts
 * import { readFileSync } from 'node:fs';
 * import { readScene, prepare } from '@pace-line/core';
 *
 * const read = readScene(readFileSync('samples/scenes/two-ferries.paceline.json', 'utf8'));
 * if (!read.ok) throw new Error(read.problems[0]?.message);
 * const motion = prepare(read.scene);
 * console.log(motion.length); // 12
 * const poses = motion.poseAt(3);
 * const index = motion.indexOf(read.scene.riders.find(({ name }) => name === 'Ferry A')!.id);
 * console.log(poses.of(index, 'opacity')); // 1
 * ```
 */
export function prepare(scene: Scene): Motion {
  let motion = prepared.get(scene);
  if (!motion) prepared.set(scene, (motion = prepareAnew(scene)));
  return motion;
}

function prepareAnew(scene: Scene): Motion {
  const guides = new Map(scene.guides.map((guide) => [guide.id, guide]));
  const arts = new Map(scene.art.map((art) => [art.id, art]));
  const done = new Map<string, RiderMotion>();
  const leadIn = leadInOf(scene);
  const leading = leadingOf(scene);
  const graph: RiderGraph = { motionOf: (id) => done.get(id) };
  for (const index of orderOfDependence(scene.riders, ({ id }) => id, dependenciesOf)) {
    const rider = scene.riders[index];
    if (!rider) continue;
    const guide = rider.guide === null ? undefined : guides.get(rider.guide);
    const art = arts.get(rider.art);
    done.set(
      rider.id,
      motionOf(rider, guide, art && ownArt(art, rider), scene.clock, { leadIn, leading: leading(rider) }, graph),
    );
  }
  const riders = scene.riders.flatMap(({ id }) => done.get(id) ?? []);
  return new Motion(riders, loopLength(scene.clock), leadIn);
}

/** A rider's motion, the one that is known where nothing that it is made from has changed. */
function motionOf(
  rider: Rider,
  guide: Guide | undefined,
  art: Art | undefined,
  clock: Scene['clock'],
  lead: Pick<Known, 'leadIn' | 'leading'>,
  graph: RiderGraph,
): RiderMotion {
  const { duration, repeat } = clock;
  const fps = rider.pace.on > 1 ? clock.fps : 0;
  const needed = dependenciesOf(rider).map((id) => graph.motionOf(id));
  const last = known.get(rider);
  if (
    last &&
    last.art === art &&
    last.guide === guide &&
    last.duration === duration &&
    last.repeat === repeat &&
    last.fps === fps &&
    last.leadIn === lead.leadIn &&
    last.leading === lead.leading &&
    last.needed.every((one, i) => one === needed[i])
  )
    return last.motion;
  const motion = new RiderMotion(preparedRider(rider, guide, art, clock, lead, graph), graph);
  known.set(rider, { art, guide, duration, fps, repeat, ...lead, needed, motion });
  return motion;
}
