import { EMPTY_BOX, type Body, type Box, type Side } from '../../geometry/index.ts';
import { POSE, POSE_SIZE, type RiderMotion } from '../../motion/index.ts';
import { artOfRider, type Rider, type Scene } from '../../scene/index.ts';
import { trackOf, type Track } from '../bodies/tracks.ts';

/** s between two looks where the motion is smooth. */
const STEP = 1 / 120;
/** Halvings of the time in which something begins or ends: to a few millionths of a second. */
const HALVINGS = 11;

/** How a rider is seen at a time: how opaque, and between which edges of the canvas what it paints lies, px; empty (left > right) where it paints nothing. */
export interface Look extends Box {
  readonly time: number;
  readonly side: Side;
  readonly opacity: number;
  /** px² that it covers, wherever that lies. */
  readonly area: number;
}

/** px beyond the canvas's edge that nobody misses. */
export const MISSED = 0.5;

export type Span = readonly [from: number, to: number];

/** A rider watched over the loop. */
export class Watched {
  readonly rider: Rider;
  readonly motion: RiderMotion;
  /** In the order of time, both sides of what is not smooth: often enough that between two of them nothing turns round unseen. */
  readonly looks: readonly Look[];
  readonly #track: Track;
  readonly #length: number;
  readonly #pose = new Float64Array(POSE_SIZE);

  constructor(rider: Rider, motion: RiderMotion, track: Track, length: number) {
    this.rider = rider;
    this.motion = motion;
    this.#track = track;
    this.#length = length;
    this.looks = this.#look();
  }

  /** When something holds of it, s, joined where one time follows the other. */
  spans(holds: (look: Look) => boolean): Span[] {
    const found: [number, number][] = [];
    const add = (from: number, to: number): void => {
      const last = found.at(-1);
      if (last && from - last[1] < 1e-9) last[1] = to;
      else found.push([from, to]);
    };
    for (let i = 0; i + 1 < this.looks.length; i++) {
      const [a, b] = [this.looks[i], this.looks[i + 1]];
      if (!a || !b || b.time <= a.time) continue;
      const [from, to] = [holds(a), holds(b)];
      if (from && to) add(a.time, b.time);
      else if (from || to) {
        const middle = this.#change(a.time, b.time, from, holds);
        if (from) add(a.time, middle);
        else add(middle, b.time);
      }
    }
    return found;
  }

  /** The longest time for which something holds of it, s, over the loop's end where it goes on there; all of it where it always does. */
  longest(holds: (look: Look) => boolean): number {
    const spans = this.spans(holds);
    const [first, last] = [spans[0], spans.at(-1)];
    const wraps = first && last && first !== last && first[0] === 0 && last[1] === this.#length;
    const over = wraps ? first[1] + last[1] - last[0] : 0;
    return Math.max(0, over, ...spans.map(([from, to]) => to - from));
  }

  #change(t0: number, t1: number, before: boolean, holds: (look: Look) => boolean): number {
    let [low, high] = [t0, t1];
    for (let i = 0; i < HALVINGS; i++) {
      const middle = (low + high) / 2;
      if (holds(this.#at(middle, 1)) === before) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  }

  #look(): Look[] {
    const { events } = this.#track;
    const ends = [...new Set([0, ...events, this.#length])]
      .filter((time) => time <= this.#length)
      .sort((a, b) => a - b);
    const looks: Look[] = [];
    for (let e = 0; e + 1 < ends.length; e++) {
      const [from, to] = [ends[e] ?? 0, ends[e + 1] ?? 0];
      const steps = Math.max(1, Math.ceil((to - from) / STEP));
      for (let k = 0; k <= steps; k++)
        looks.push(this.#at(k === steps ? to : from + ((to - from) * k) / steps, k === steps ? -1 : 1));
    }
    return looks;
  }

  #at(time: number, side: Side): Look {
    const m = this.motion.poseAt(time, side, this.#pose);
    const body = this.#track.bodyIn(m);
    const opacity = body ? (m[POSE.opacity] ?? 1) : 0;
    if (!body || body.isEmpty) return { ...EMPTY_BOX, time, side, opacity, area: 0 };
    return { ...extentOf(body, m), time, side, opacity, area: areaOf(body) * Math.abs(determinant(m)) };
  }
}

/** The riders of a scene that are sent and move by themselves or by what carries them, watched. What stands is where it was put. */
export function watchedIn({
  scene,
  length,
  motion,
}: {
  scene: Scene;
  length: number;
  motion: readonly RiderMotion[];
}): Watched[] {
  return scene.riders.flatMap((rider, i) => {
    const moving = motion[i];
    const art = artOfRider(scene, rider);
    if (!rider.output || !moving || !art || moving.varies.length === 0) return [];
    return [watch(rider, moving, trackOf(moving, art, scene, length), length)];
  });
}

const kept = new WeakMap<Track, Watched>();

/** A rider watched; as it was where neither it nor its motion has changed. */
function watch(rider: Rider, moving: RiderMotion, track: Track, length: number): Watched {
  let made = kept.get(track);
  if (made?.rider !== rider) kept.set(track, (made = new Watched(rider, moving, track, length)));
  return made;
}

/** Between which edges a body lies where a pose puts it. */
function extentOf({ hull }: Body, m: ArrayLike<number>): Box {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < hull.length; i += 2) {
    const x = (m[0] ?? 1) * (hull[i] ?? 0) + (m[2] ?? 0) * (hull[i + 1] ?? 0) + (m[4] ?? 0);
    const y = (m[1] ?? 0) * (hull[i] ?? 0) + (m[3] ?? 1) * (hull[i + 1] ?? 0) + (m[5] ?? 0);
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < top) top = y;
    if (y > bottom) bottom = y;
  }
  return { left, top, right, bottom };
}

/** px² of its own that a body covers. */
const areaOf = ({ edges }: Body): number => {
  let twice = 0;
  for (let i = 0; i < edges.length; i += 4)
    twice += (edges[i] ?? 0) * (edges[i + 3] ?? 0) - (edges[i + 2] ?? 0) * (edges[i + 1] ?? 0);
  return Math.abs(twice) / 2;
};

const determinant = (m: ArrayLike<number>): number => (m[0] ?? 1) * (m[3] ?? 1) - (m[1] ?? 0) * (m[2] ?? 0);
