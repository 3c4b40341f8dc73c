import type { Path } from '../geometry/index.ts';
import { angleOfFrame, emptyFrame, type Frame, type Side } from '../geometry/index.ts';
import { fold, foldTime, PaceLine, type Folded, type PlacedMark, type Repeat } from '../pace/index.ts';
import {
  artById,
  cycleOf,
  distanceOfPlace,
  guideById,
  loopLength,
  pathOfGuide,
  type Art,
  type Guide,
  type Rider,
  type Scene,
} from '../scene/index.ts';
import { POSE_SIZE, Poses } from './pose.ts';

const RADIANS = Math.PI / 180;

/** A rider made ready to be posed. Art lends it the pivot and the facing, nothing else. */
export interface RiderMotion {
  readonly id: string;
  /** Null when parked. */
  readonly path: Path | null;
  readonly pace: PaceLine;
  readonly cycle: number;
  readonly delay: number;
  readonly repeat: Repeat;
  readonly along: boolean;
  /** rad: offset, less facing where the rider follows its guide. */
  readonly turn: number;
  readonly lift: number;
  readonly lead: number;
  readonly x: number;
  readonly y: number;
  readonly scaleX: number;
  readonly scaleY: number;
  readonly opacity: number;
  readonly pivotX: number;
  readonly pivotY: number;
}

/** The evaluator: where every rider is at any time. Immutable; the only one that drawing, checks and exports use. */
export class Motion {
  readonly riders: readonly RiderMotion[];
  /** Seconds that are played and sent. */
  readonly length: number;
  readonly #frame: Frame = emptyFrame();
  readonly #folded: Folded = { local: 0.5, direction: 1 };
  readonly #work = new Float64Array(1);

  constructor(riders: readonly RiderMotion[], length: number) {
    this.riders = riders;
    this.length = length;
  }

  /** Poses of all riders at a time in s, any real number. `side` −1: the limit from earlier times, where a pose jumps. Allocates nothing when given `out`. */
  poseAt(time: number, out: Poses = new Poses(this.riders.length), side: Side = 1): Poses {
    for (let i = 0; i < this.riders.length; i++) this.poseRiderAt(i, time, out.data, i * POSE_SIZE, side);
    return out;
  }

  /** The pose of one rider, written into `data` from `offset` on (see POSE). */
  poseRiderAt(index: number, time: number, data: Float64Array, offset: number, side: Side = 1): void {
    const rider = this.riders[index];
    if (!rider) throw new RangeError(`Motion: no rider ${index} of ${this.riders.length}`);
    let x = rider.x;
    let y = rider.y;
    let angle = rider.turn;
    let distance = 0;
    const path = rider.path;
    if (path !== null) {
      const folded = this.#folded;
      folded.local = time;
      fold(rider, side, folded);
      const localSide: Side = side === folded.direction ? 1 : -1;
      const work = this.#work;
      work[0] = folded.local;
      rider.pace.advance(work, localSide);
      distance = work[0];
      const frame = this.#frame;
      frame.distance = distance + rider.lead;
      path.locate(frame, 1);
      if (frame.atBreak && rider.pace.tangentSideAt(folded.local, localSide, folded.direction) < 0)
        path.locate(frame, -1);
      x = frame.x + rider.lift * frame.normalX;
      y = frame.y + rider.lift * frame.normalY;
      if (rider.along) angle += angleOfFrame(frame);
    }
    const cos = Math.cos(angle);
    const sin = Math.sin(angle);
    const a = cos * rider.scaleX;
    const b = sin * rider.scaleX;
    const c = -sin * rider.scaleY;
    const d = cos * rider.scaleY;
    data[offset] = a;
    data[offset + 1] = b;
    data[offset + 2] = c;
    data[offset + 3] = d;
    data[offset + 4] = x - a * rider.pivotX - c * rider.pivotY;
    data[offset + 5] = y - b * rider.pivotX - d * rider.pivotY;
    data[offset + 6] = rider.opacity;
    data[offset + 7] = distance;
    data[offset + 8] = x;
    data[offset + 9] = y;
    data[offset + 10] = angle;
    data[offset + 11] = rider.scaleX;
    data[offset + 12] = rider.scaleY;
    data[offset + 13] = 0;
  }

  /** Distance along the guide of one rider, px, and its speed there, px/s, in the direction of the time that is played. */
  distanceAt(index: number, time: number, side: Side = 1): { distance: number; speed: number } {
    const rider = this.riders[index];
    if (!rider?.path) return { distance: 0, speed: 0 };
    const folded = foldTime(time, rider.delay, rider.cycle, rider.repeat, side, this.#folded);
    const localSide: Side = side === folded.direction ? 1 : -1;
    const isHeld = rider.repeat === 'once' && (time - rider.delay < 0 || time - rider.delay > rider.cycle);
    const speed = isHeld ? 0 : rider.pace.speedAt(folded.local, localSide) * folded.direction;
    return { distance: rider.pace.distanceAt(folded.local, localSide), speed };
  }
}

const prepared = new WeakMap<Scene, Motion>();
const lines = new WeakMap<Rider['pace'], { guide: Guide; line: PaceLine; cycle: number; wraps: boolean }>();
const compiled = new WeakMap<
  Rider,
  { art: Art | undefined; guide: Guide | undefined; duration: number; repeat: Repeat; motion: RiderMotion }
>();

/** Makes a scene ready to be played; made once for each scene, and of it only what has changed since the last. */
export function prepare(scene: Scene): Motion {
  let motion = prepared.get(scene);
  if (!motion) {
    const guides = new Map(scene.guides.map((guide) => [guide.id, guide]));
    const arts = new Map(scene.art.map((art) => [art.id, art]));
    const riders = scene.riders.map((rider) =>
      prepareRider(rider, rider.guide === null ? undefined : guides.get(rider.guide), arts.get(rider.art), scene),
    );
    motion = new Motion(riders, loopLength(scene.clock));
    prepared.set(scene, motion);
  }
  return motion;
}

/** The pace line of a rider on its guide; undefined when it is parked. */
export function paceLineOf(scene: Scene, rider: Rider): PaceLine | undefined {
  const guide = guideById(scene, rider.guide);
  if (!guide) return undefined;
  const motion = prepareRider(rider, guide, artById(scene, rider.art), scene);
  return motion.pace;
}

function prepareRider(rider: Rider, guide: Guide | undefined, art: Art | undefined, { clock }: Scene): RiderMotion {
  const known = compiled.get(rider);
  if (
    known &&
    known.art === art &&
    known.guide === guide &&
    known.duration === clock.duration &&
    known.repeat === clock.repeat
  )
    return known.motion;
  const cycle = cycleOf(rider, clock);
  const repeat = rider.pace.repeat ?? clock.repeat;
  const along = guide !== undefined && rider.heading.mode === 'along';
  const motion: RiderMotion = {
    id: rider.id,
    path: guide ? pathOfGuide(guide) : null,
    pace: guide ? linePlacedOn(rider.pace, guide, cycle, repeat === 'loop') : PARKED,
    cycle,
    delay: rider.pace.delay,
    repeat,
    along,
    turn: (rider.heading.offset - (along ? (art?.facing ?? 0) : 0)) * RADIANS,
    lift: rider.lift,
    lead: rider.lead,
    x: rider.at[0],
    y: rider.at[1],
    scaleX: rider.scale[0],
    scaleY: rider.scale[1],
    opacity: rider.opacity,
    pivotX: art?.pivot[0] ?? 0,
    pivotY: art?.pivot[1] ?? 0,
  };
  compiled.set(rider, { art, guide, duration: clock.duration, repeat: clock.repeat, motion });
  return motion;
}

const PARKED = new PaceLine([], false);

function linePlacedOn(pace: Rider['pace'], guide: Guide, cycle: number, wraps: boolean): PaceLine {
  const known = lines.get(pace);
  if (known && known.guide === guide && known.cycle === cycle && known.wraps === wraps) return known.line;
  const path = pathOfGuide(guide);
  const marks = pace.marks.map((mark): PlacedMark => ({
    time: mark.time,
    dwell: mark.dwell,
    distance: distanceOfPlace(guide, path, mark.place),
    ease: mark.ease,
  }));
  const line = new PaceLine(marks, wraps);
  lines.set(pace, { guide, line, cycle, wraps });
  return line;
}
