import type { Guide, Rider, Scene } from '../scene/index.ts';
import { lineAt, progress } from './reference-ease.ts';
import { chance, recipeDistance } from './reference-recipe.ts';
import { depthFactor, distanceOf, follow, overDepth, spansOf, totalOf, underDepth } from './reference-path.ts';

type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/** A pose by the slow way: px, rad, px. */
export interface ReferencePose {
  readonly x: number;
  readonly y: number;
  /** Of what it does itself, before any carrier; not unwrapped. */
  readonly angle: number;
  readonly distance: number;
  readonly matrix: Matrix;
  readonly opacity: number;
  /** Counted from 1; 0: nothing is shown. */
  readonly pose: number;
  /** Which of its stretches behind others it is in, counted from 1. */
  readonly under: number;
}

/** Midpoints of the average over the directions of two contacts, which are slow to find. */
let contactMidpoints = 100;

/** Does something with ten times as many: for what is too near to a limit to be told with few. */
export function finely<T>(work: () => T): T {
  const before = contactMidpoints;
  contactMidpoints = 10 * before;
  try {
    return work();
  } finally {
    contactMidpoints = before;
  }
}

/**
 * The evaluator as the scene file's text describes it, written to be read and not to be fast: everything is worked out again at each call. It shares no line with the real
 * one: lengths are sums of chords, eases are written out, the tangent is the derivative's, averages are sums, poses are products of matrices. Every pose stage is added here
 * first. Nothing but tests uses it.
 */
export function referencePose(scene: Scene, rider: Rider, played: number): ReferencePose {
  if (before < 0) return poseOf(scene, rider, leadTimeOf(scene, rider));
  return poseOf(scene, rider, rider.pace.only ? Math.max(0, played) : played);
}

/** s before the loop, below 0, while a pose of the lead-in is worked out; else 0. */
let before = 0;

/** The same in the lead-in, at a time below 0: each rider stands there, runs or comes, and has what is left of its entrance. */
export function referenceBefore(scene: Scene, rider: Rider, time: number): ReferencePose {
  return within(Math.max(time, -leadOf(scene)), () => referencePose(scene, rider, time));
}

/** Does something at a time of the lead-in, or, at 0, of the loop. */
function within<T>(time: number, work: () => T): T {
  const last = before;
  before = time;
  try {
    return work();
  } finally {
    before = last;
  }
}

const loopOf = ({ clock }: Scene): number => clock.duration * (clock.repeat === 'there-and-back' ? 2 : 1);

const waits = ({ pace }: Rider): boolean => pace.hidden && pace.delay > 0;

/** What a rider does in the lead-in. */
const leadingOf = ({ riders }: Scene, { pace }: Rider): 'only' | 'stands' | 'runs' => {
  if (pace.only) return 'only';
  return pace.leadIn ?? (riders.some((one) => one.pace.only || waits(one)) ? 'runs' : 'stands');
};

/** s of the lead-in. */
function leadOf(scene: Scene): number {
  const { riders, clock } = scene;
  let long = 0;
  for (const rider of riders) {
    const { entrance, pace } = rider;
    if (entrance) long = Math.max(long, entrance.start + entrance.seconds);
    if (waits(rider)) long = Math.max(long, pace.delay);
    const waitsFor = rider.poses.by === 'mark' ? riders.find(({ id }) => id === rider.poses.mark?.rider) : undefined;
    const from = waitsFor?.pace.marks.find(({ id }) => id === rider.poses.mark?.mark);
    if (waitsFor?.pace.only && from) {
      const art = scene.art.find(({ id }) => id === rider.art);
      const cycle = waitsFor.pace.cycle ?? clock.duration;
      const isBack = (waitsFor.pace.repeat ?? clock.repeat) === 'there-and-back';
      const passed = roundsEnd(scene, waitsFor) - (isBack ? from.time : cycle - from.time);
      long = Math.max(long, passed + (art?.kind === 'strip' ? art.poses.length : 1) / rider.poses.rate);
    }
    if (!pace.only) continue;
    const isOne = (pace.times ?? 1) === 1 || (pace.repeat ?? clock.repeat) === 'once';
    const isBack = (pace.repeat ?? clock.repeat) === 'there-and-back';
    let end = roundsEnd(scene, rider);
    if (isOne && !isBack && !pace.recipe && rider.poses.by !== 'time') {
      const keys = Object.values(rider.keys).flatMap((list) => list.map(({ time }) => time));
      const last = Math.max(0, ...keys, ...pace.marks.map(({ time, dwell }) => time + dwell));
      end = Math.min(end, Math.max(0, pace.delay) + last + (rider.squash?.by === 'speed' ? 0.04 : 0));
    }
    long = Math.max(long, end);
  }
  if (long === 0 || !riders.some((rider) => leadingOf(scene, rider) === 'runs')) return long;
  const loop = loopOf(scene);
  let whole = loop;
  while (whole < long - 1e-9 * loop) whole += loop;
  return whole;
}

/** s of the lead-in after which all rounds of one that comes only the first time are over. */
function roundsEnd({ clock }: Scene, { pace }: Rider): number {
  const repeat = pace.repeat ?? clock.repeat;
  const round = (pace.cycle ?? clock.duration) * (repeat === 'there-and-back' ? 2 : 1);
  return Math.max(0, pace.delay) + round * (repeat === 'once' ? 1 : (pace.times ?? 1));
}

/** The time that a rider's own motion is asked about in the lead-in. */
function leadTimeOf(scene: Scene, rider: Rider): number {
  const leading = leadingOf(scene, rider);
  if (leading === 'only') return before;
  if (leading === 'stands') return 0;
  let time = before;
  while (time < 0) time += loopOf(scene);
  return time;
}

/** What is left of a rider's entrance: 1 as it enters, 0 once it is there. */
function leftToEnter(scene: Scene, { entrance }: Rider): number {
  if (before >= 0 || !entrance) return 0;
  const gone = (before + leadOf(scene) - entrance.start) / entrance.seconds;
  return gone <= 0 ? 1 : gone >= 1 ? 0 : 1 - progress(entrance.ease, gone);
}

function poseOf(scene: Scene, rider: Rider, played: number): ReferencePose {
  // Held on several frames it stands where it was at the first of them; what carries it goes on.
  const step = rider.pace.on / scene.clock.fps;
  const time = rider.pace.on === 1 ? played : Math.floor(played / step + 1e-6) * step;
  const own = new Ride(scene, rider);
  const { x, y, distance } = own.placed(time);
  const { angle, isMirrored } = own.faced(time);
  const art = scene.art.find((one) => one.id === rider.art);
  const pivot = rider.pivot ?? art?.pivot ?? [0, 0];
  const [pivotX, pivotY] = pivot;
  const [kx, ky] = own.keyed('scale', time) ?? [1, 1];
  const deep = own.depthAt(time);
  const scaleX = rider.scale[0] * (kx ?? 1) * deep;
  const scaleY = rider.scale[1] * (ky ?? 1) * deep * (isMirrored ? -1 : 1);
  let matrix = product(moved(x, y), turned(angle), [scaleX, 0, 0, scaleY, 0, 0], moved(-pivotX, -pivotY));
  const hung = hangingOf(scene, rider, time);
  if (hung) {
    const facing = ((art?.facing ?? 0) * Math.PI) / 180;
    const fine = ((rider.heading.offset + (own.keyed('turn', time)?.[0] ?? 0)) * Math.PI) / 180;
    const upright = isMirrored ? -scaleY : scaleY;
    const nose = reachOfNose(pivot, [art?.width ?? 1, art?.height ?? 1], facing);
    const reach = Math.hypot(nose[0] * scaleX, nose[1] * upright);
    const long = rider.strung?.stretch === true && reach > 1e-9 ? hung.length / reach : 1;
    matrix = product(
      moved(...hung.from),
      turned(hung.angle),
      [long, 0, 0, 1, 0, 0],
      turned(fine - facing),
      [scaleX, 0, 0, upright, 0, 0],
      moved(-pivotX, -pivotY),
    );
  }
  const squash = own.squashed(time);
  if (squash) {
    const [aboutX, aboutY] = applied(matrix, rider.squash?.about ?? [pivotX, pivotY]);
    const tip = applied(matrix, [Math.cos(squash.axis), Math.sin(squash.axis)]);
    const root = applied(matrix, [0, 0]);
    const laid = Math.atan2(tip[1] - root[1], tip[0] - root[0]);
    const axes = { heading: hung ? hung.angle : squash.axis, fixed: squash.axis, own: laid };
    const axis = axes[rider.squash?.axis ?? 'heading'];
    const along = turned(axis);
    const back = turned(-axis);
    matrix = product(
      moved(aboutX, aboutY),
      along,
      [squash.stretch, 0, 0, 1 / squash.stretch, 0, 0],
      back,
      moved(-aboutX, -aboutY),
      matrix,
    );
  }
  let opacity = Math.min(1, Math.max(0, rider.opacity * (own.keyed('opacity', time)?.[0] ?? 1)));
  const left = leftToEnter(scene, rider);
  if (rider.entrance && left !== 0) {
    const [ex, ey] = applied(matrix, [pivotX, pivotY]);
    const size = 1 + left * (rider.entrance.scale - 1);
    const [fromX, fromY] = rider.entrance.from;
    const enters = moved(ex + left * fromX, ey + left * fromY);
    const grown: Matrix = [size, 0, 0, size, 0, 0];
    matrix = product(enters, turned((left * rider.entrance.turn * Math.PI) / 180), grown, moved(-ex, -ey), matrix);
    opacity = Math.min(1, Math.max(0, opacity * (1 + left * (rider.entrance.opacity - 1))));
  }
  const isUnseen = before < 0 && waits(rider) && before < rider.pace.delay - leadOf(scene);
  if (isUnseen) opacity = 0;
  const carried = own.carriedAt(played);
  if (carried) {
    const [px, py] = applied(carried.matrix, applied(matrix, [pivotX, pivotY]));
    const linear = product(carried.inherited, [matrix[0], matrix[1], matrix[2], matrix[3], 0, 0]);
    matrix = product(moved(px, py), linear, moved(-pivotX, -pivotY));
    opacity *= carried.opacity;
  }
  const [canvasX, canvasY] = applied(matrix, [pivotX, pivotY]);
  const [pose, under] = [shownPose(scene, rider, time), stretchBehind(scene, rider, time)];
  return { x: canvasX, y: canvasY, angle, distance: isUnseen ? 0 : distance, matrix, opacity, pose, under };
}

/** From the pivot the way that the nose points, as far as the box reaches: by small steps outward. */
function reachOfNose(
  [x, y]: readonly [number, number],
  [width, height]: readonly [number, number],
  facing: number,
): [number, number] {
  const [cos, sin] = [Math.cos(facing), Math.sin(facing)];
  const isIn = (r: number): boolean =>
    x + r * cos <= width + 1e-9 && x + r * cos >= -1e-9 && y + r * sin <= height + 1e-9 && y + r * sin >= -1e-9;
  if (!isIn(0)) return [0, 0];
  let [low, high] = [0, 2 * (width + height + Math.abs(x) + Math.abs(y))];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    if (isIn(middle)) low = middle;
    else high = middle;
  }
  return [low * cos, low * sin];
}

/** What is strung: where it begins, which way it goes and how far, px. */
function hangingOf(
  scene: Scene,
  { strung }: Rider,
  time: number,
): { from: [number, number]; angle: number; length: number } | undefined {
  if (!strung) return undefined;
  const end = (id: string, at: readonly [number, number] | null): [number, number] => {
    const rider = scene.riders.find((one) => one.id === id);
    if (!rider) throw new Error('reference: strung to nobody');
    const art = scene.art.find((one) => one.id === rider.art);
    return applied(referencePose(scene, rider, time).matrix, at ?? rider.pivot ?? art?.pivot ?? [0, 0]);
  };
  const from = end(strung.from, strung.fromAt);
  const to = end(strung.to, strung.toAt);
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  return { from, angle: Math.atan2(dy, dx), length: Math.hypot(dx, dy) };
}

/** The pose of a strip, counted from 1. */
function shownPose(scene: Scene, rider: Rider, time: number): number {
  const art = scene.art.find((one) => one.id === rider.art);
  if (art?.kind !== 'strip') return 1;
  const count = art.poses.length;
  const { by, first, rate, stride, mark, around } = rider.poses;
  const own = new Ride(scene, rider);
  const nth = (gone: number): number => {
    let at = (first - 1 + gone) % count;
    if (at < 0) at += count;
    return at + 1;
  };
  if (by === 'time') return nth(Math.floor(own.local(time) * rate + 1e-9));
  if (by === 'distance' && rider.guide !== null) return nth(Math.floor((own.foot(time) * count) / stride + 1e-9));
  if (by !== 'mark' || !mark) return nth(0);
  const other = scene.riders.find((one) => one.id === mark.rider);
  const from = other?.pace.marks.find((one) => one.id === mark.mark);
  if (!other || !from) return nth(0);
  // Every passing of the mark, from long before on: the last one counts.
  const cycle = other.pace.cycle ?? scene.clock.duration;
  const repeat = other.pace.repeat ?? scene.clock.repeat;
  let gone = -1;
  const { times, delay } = roundsOf(scene, other);
  const now = other.pace.only && before < 0 ? before : time;
  for (let k = times === null ? -50 : 0; k < (times ?? 50); k++) {
    const start = delay + (repeat === 'once' ? 0 : repeat === 'loop' ? k * cycle : 2 * k * cycle);
    const passed = repeat === 'there-and-back' ? [from.time, 2 * cycle - from.time] : [from.time];
    for (const local of passed) {
      const since = now - start - local;
      if (since >= -1e-12 && (gone < 0 || since < gone)) gone = since;
    }
  }
  const steps = gone < 0 ? -1 : Math.floor(gone * rate + 1e-9);
  if (around === 'hidden' && (steps < 0 || steps >= count)) return 0;
  return nth(Math.min(count - 1, Math.max(0, steps)));
}

/** Which of its stretches behind others a rider is in, counted from 1; 0 in none. */
function stretchBehind(scene: Scene, rider: Rider, time: number): number {
  const own = new Ride(scene, rider);
  const guide = scene.guides.find((one) => one.id === rider.guide);
  const within = (at: number, from: number, to: number): boolean =>
    from <= to ? at >= from && at < to : at >= from || at < to;
  const isIn = (stretch: Rider['behind'][number]): boolean => {
    if (stretch.by === 'marks') {
      const timeOf = (id: string): number => rider.pace.marks.find((one) => one.id === id)?.time ?? 0;
      return within(own.local(time), timeOf(stretch.from), timeOf(stretch.to));
    }
    if (!guide) return false;
    const spans = spansOf(guide);
    const total = totalOf(spans);
    const placed = [stretch.from, stretch.to].map((place) => distanceOf(guide, spans, { place }));
    const wrapped = (s: number): number => (guide.closed ? ((s % total) + total) % total : s);
    const [from, to] = guide.closed ? placed.map(wrapped) : placed.sort((a, b) => a - b);
    return within(wrapped(own.foot(time)), from ?? 0, to ?? 0);
  };
  return rider.behind.findIndex(isIn) + 1;
}

const RADIANS = Math.PI / 180;
const moved = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y];
const turned = (angle: number): Matrix => [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), 0, 0];

function product(...factors: readonly Matrix[]): Matrix {
  return factors.reduce(([a, b, c, d, e, f], [g, h, i, j, k, l]): Matrix => [
    a * g + c * h,
    b * g + d * h,
    a * i + c * j,
    b * i + d * j,
    a * k + c * l + e,
    b * k + d * l + f,
  ]);
}

const applied = (
  [a, b, c, d, e, f]: Matrix,
  [x, y]: readonly [number, number] | readonly number[],
): [number, number] => [a * (x ?? 0) + c * (y ?? 0) + e, b * (x ?? 0) + d * (y ?? 0) + f];

/** s between two steps of a heading that follows. */
const STEP = 1 / 24_000;

/** What was followed so far, by scene and rider. */
const FOLLOWED = new WeakMap<Scene, Map<string, number[]>>();

/** When its rounds begin, and how many there are: of what comes only the first time, in the lead-in. */
function roundsOf(scene: Scene, { pace }: Rider): { delay: number; times: number | null } {
  if (!pace.only) return pace;
  return { delay: Math.max(0, pace.delay) - leadOf(scene), times: pace.times ?? 1 };
}

/** What a rider does, asked piece by piece. */
class Ride {
  readonly #scene: Scene;
  readonly #rider: Rider;
  readonly #guide: Guide | undefined;

  constructor(scene: Scene, rider: Rider) {
    this.#scene = scene;
    this.#rider = rider;
    this.#guide = scene.guides.find((one) => one.id === rider.guide);
  }

  get #cycle(): number {
    return this.#rider.pace.cycle ?? this.#scene.clock.duration;
  }

  /** Time folded into its cycle, s. */
  local(time: number): number {
    const { pace } = this.#rider;
    const { delay, times } = roundsOf(this.#scene, this.#rider);
    return fold(time - delay, this.#cycle, pace.repeat ?? this.#scene.clock.repeat, times);
  }

  /** The value of a channel's keys; undefined where it has none. */
  keyed(channel: keyof Rider['keys'], time: number): readonly number[] | undefined {
    const keys = this.#rider.keys[channel].map((key) => ({
      ...key,
      values: typeof key.value === 'number' ? [key.value] : [...key.value],
    }));
    const local = this.local(time);
    return keys[0]?.values.map((_, k) =>
      lineAt(
        keys.map((key) => ({ time: key.time, dwell: 0, value: key.values[k] ?? 0, ease: key.ease })),
        local,
      ),
    );
  }

  #distanceAt(local: number): number {
    const guide = this.#guide;
    if (!guide) return 0;
    const spans = spansOf(guide);
    const { marks, recipe } = this.#rider.pace;
    const stops = marks.map((mark) => ({ ...mark, value: distanceOf(guide, spans, mark) }));
    const isLoop = (this.#rider.pace.repeat ?? this.#scene.clock.repeat) === 'loop';
    const round = isLoop ? this.#cycle : null;
    if (recipe) return recipeDistance(recipe, guide, stops, local, round);
    if (guide.depth?.speed !== true) return lineAt(stops, local, round);
    // Marks and eases count in px over the factor.
    const sums = stops.map((stop) => ({ ...stop, value: overDepth(guide, stop.value) }));
    return underDepth(guide, lineAt(sums, local, round));
  }

  /** How large it is by its guide's depth. */
  depthAt(time: number): number {
    const guide = this.#guide;
    return guide?.depth && !this.#rolls ? depthFactor(guide, this.foot(time)) : 1;
  }

  get #radius(): number {
    const { roll, scale, art: id } = this.#rider;
    const art = this.#scene.art.find((one) => one.id === id);
    const [width, height] = [Math.abs(scale[0]) * (art?.width ?? 0), Math.abs(scale[1]) * (art?.height ?? 0)];
    return roll?.radius ?? Math.min(width, height) / 2;
  }

  get #rolls(): boolean {
    return this.#guide !== undefined && this.#rider.roll !== null;
  }

  /** Which way round it rolls. */
  get #spin(): number {
    return this.#rider.roll?.side === 'right' ? -1 : 1;
  }

  /** What it is raised by, as a share of the art's height. */
  get #standing(): number {
    const { raise, scale, art: id } = this.#rider;
    const height = this.#scene.art.find((one) => one.id === id)?.height ?? 0;
    return (raise / 100) * height * Math.abs(scale[1]);
  }

  get #raised(): number {
    const { lift, roll } = this.#rider;
    return lift + this.#standing + (this.#rolls && roll?.guide === 'ground' ? this.#spin * this.#radius : 0);
  }

  /** Where it is on its guide, px. */
  foot(time: number): number {
    return this.#distanceAt(this.local(time)) + this.#rider.lead + (this.keyed('lead', time)?.[0] ?? 0);
  }

  /** The pivot in its frame. */
  placed(time: number): { x: number; y: number; distance: number } {
    const guide = this.#guide;
    if (!guide) return { x: this.#rider.at[0], y: this.#rider.at[1], distance: 0 };
    const grown = Math.abs(this.keyed('scale', time)?.[1] ?? 1);
    const { recipe } = this.#rider.pace;
    const swayed = recipe?.kind === 'waver' ? recipe.sway * chance(recipe, 1, this.local(time) / this.#cycle) : 0;
    const bare = this.#raised + this.#standing * (grown - 1) + (this.keyed('lift', time)?.[0] ?? 0) + swayed;
    const lift = bare * this.depthAt(time);
    const distance = this.#distanceAt(this.local(time));
    const [shiftX, shiftY] = this.#rider.shift;
    if (this.#mode() === 'contacts') {
      const { front, rear } = this.#contacts(this.foot(time));
      const angle = Math.atan2(front.y - rear.y, front.x - rear.x);
      const [x, y] = [(front.x + rear.x) / 2, (front.y + rear.y) / 2];
      const left = this.#rider.liftBy === 'up' && !this.#rolls ? 0 : angle;
      return { x: x + lift * Math.sin(left) + shiftX, y: y - lift * Math.cos(left) + shiftY, distance };
    }
    const at = follow(guide, spansOf(guide), this.foot(time));
    const ways = {
      normal: [at.ty, -at.tx],
      up: [0, -1],
      rounded: this.#roundedWay(this.foot(time)) ?? [at.ty, -at.tx],
    } as const;
    const [wayX = 0, wayY = 0] = ways[this.#rolls ? 'normal' : this.#rider.liftBy];
    return { x: at.x + lift * wayX + shiftX, y: at.y + lift * wayY + shiftY, distance };
  }

  /** Left of the direction averaged over the rounding; undefined where that is nothing. */
  #roundedWay(foot: number): readonly [number, number] | undefined {
    const { rounding } = this.#rider;
    if (!(rounding > 0)) return undefined;
    const angle = this.#averagedAt(foot, rounding);
    return [Math.sin(angle), -Math.cos(angle)];
  }

  #mode(): string {
    const { mode } = this.#rider.heading;
    if (this.#rolls || (!this.#guide && mode !== 'toward')) return 'level';
    return mode;
  }

  /** By small steps back from the front one, then by halving. */
  #contacts(foot: number): { front: ReturnType<typeof follow>; rear: ReturnType<typeof follow> } {
    const guide = this.#guide;
    if (!guide) throw new Error('reference: contacts without a guide');
    const spans = spansOf(guide);
    const { base } = this.#rider.heading;
    const front = follow(guide, spans, foot + base / 2);
    const short = (back: number): boolean => {
      const { x, y } = follow(guide, spans, foot + base / 2 - back);
      return Math.hypot(front.x - x, front.y - y) < base;
    };
    const most = guide.closed ? Math.min(4 * base, totalOf(spans)) : 4 * base;
    const step = base / 40;
    let back = base * (1 - 1e-9);
    while (back < most && short(back)) back += step;
    if (back >= most) return { front, rear: follow(guide, spans, foot - base / 2) };
    let [low, high] = [Math.max(0, back - step), back];
    for (let k = 0; k < 40; k++) {
      const middle = (low + high) / 2;
      if (short(middle)) low = middle;
      else high = middle;
    }
    return { front, rear: follow(guide, spans, foot + base / 2 - high) };
  }

  /** The direction along the guide at a distance, by the mode; not averaged. */
  #directionAt(foot: number): number {
    const guide = this.#guide;
    if (!guide) return 0;
    if (this.#mode() === 'contacts') {
      const { front, rear } = this.#contacts(foot);
      return Math.atan2(front.y - rear.y, front.x - rear.x);
    }
    const { tx, ty } = follow(guide, spansOf(guide), foot);
    return Math.atan2(ty, tx);
  }

  /** The same, averaged over the smoothing distance: midpoints of pieces between nodes, where it may turn at once, unwrapped as they are gone through. */
  #smoothedAt(foot: number): number {
    const { smooth } = this.#rider.heading;
    return smooth > 0 ? this.#averagedAt(foot, smooth) : this.#directionAt(foot);
  }

  #averagedAt(foot: number, smooth: number): number {
    const all = this.#mode() === 'contacts' ? contactMidpoints : 400;
    const [from, to] = [foot - smooth / 2, foot + smooth / 2];
    const cuts = [from, ...this.#nodesWithin(from, to), to];
    let sum = 0;
    let last: number | undefined;
    for (const [k, end] of cuts.slice(1).entries()) {
      const begin = cuts[k] ?? from;
      const count = Math.max(4, Math.ceil((all * (end - begin)) / smooth));
      for (let i = 0; i < count; i++) {
        let angle = this.#directionAt(begin + ((end - begin) * (i + 0.5)) / count);
        if (last !== undefined) angle = near(angle, last);
        last = angle;
        sum += (angle * (end - begin)) / count;
      }
    }
    return sum / smooth;
  }

  /** Distances of the guide's nodes, lap after lap, that lie between two distances; ascending. */
  #nodesWithin(from: number, to: number): number[] {
    const guide = this.#guide;
    if (!guide) return [];
    const spans = spansOf(guide);
    const total = totalOf(spans);
    const nodes = [0, ...spans.map((_, i) => totalOf(spans.slice(0, i + 1)))];
    const laps = guide.closed && total > 0 ? [-3, -2, -1, 0, 1, 2, 3].map((lap) => lap * total) : [0];
    const found = laps.flatMap((lap) => nodes.map((node) => node + lap)).filter((node) => node > from && node < to);
    return [...new Set(found)].sort((a, b) => a - b);
  }

  /** +1 or −1: the way along the guide in which it moves, or at rest moved last. */
  #wayAt(time: number): number {
    const step = this.#cycle * 1e-7;
    const moves = (from: number): number => {
      const way = this.#distanceAt(this.local(from + step)) - this.#distanceAt(this.local(from));
      // What is longer than the guide's hundredth in so short a time is a jump.
      return Math.abs(way) < 1e-7 || Math.abs(way) > 10 ? 0 : Math.sign(way);
    };
    for (let k = 0; k < 4000; k++) {
      const way = moves(time - k * this.#cycle * 1e-3);
      if (way !== 0) return way;
    }
    // It runs once and has not moved: as it will.
    for (let k = 0; k < 4000; k++) {
      const way = moves(time + k * this.#cycle * 1e-3);
      if (way !== 0) return way;
    }
    return 1;
  }

  /** Where it heads, before any limit. */
  #headed(time: number): number {
    const { heading, stand } = this.#rider;
    const mode = this.#mode();
    if (mode === 'toward') return this.#aimed(time);
    if (!this.#guide) return stand * RADIANS;
    const turn = heading.reverse === 'turn' && this.#wayAt(time) < 0 ? Math.PI : 0;
    return this.#smoothedAt(this.foot(time)) + turn;
  }

  #aimed(time: number): number {
    const { target } = this.#rider.heading;
    const carried = this.carriedAt(time);
    const { x, y } = this.placed(time);
    const other = target.kind === 'rider' ? this.#scene.riders.find((one) => one.id === target.rider) : undefined;
    const onCanvas = (point: readonly [number, number] | readonly number[]): [number, number] =>
      carried ? applied(carried.matrix, point) : [point[0] ?? 0, point[1] ?? 0];
    const seen = other && referencePose(this.#scene, other, time);
    const goal = seen ? [seen.x, seen.y] : onCanvas(target.kind === 'point' ? target.at : [0, 0]);
    const from = onCanvas([x, y]);
    const [u, v] = [(goal[0] ?? 0) - from[0], (goal[1] ?? 0) - from[1]];
    const [a, b, c, d] = carried?.inherited ?? [1, 0, 0, 1];
    const det = a * d - b * c;
    return Math.atan2((a * v - b * u) / det, (d * u - c * v) / det);
  }

  /** The same, no faster than it may turn: followed in small steps from a loop earlier on. */
  #limited(time: number): number {
    const { limit } = this.#rider.heading;
    if (limit === null || this.#mode() === 'level') return this.#headed(time);
    if (before < 0 && this.#rider.pace.only) return this.#limitedBefore();
    // What has a limit is in the lead-in what it is in the loop.
    return within(0, () => this.#limitedInLoop(time, limit));
  }

  /** Followed from the beginning of the lead-in to now. */
  #limitedBefore(): number {
    const until = before;
    const most = (this.#rider.heading.limit ?? Infinity) * RADIANS * STEP;
    const headed = (at: number): number => within(at, () => this.#headed(at));
    let value = headed(-leadOf(this.#scene));
    for (let at = -leadOf(this.#scene) + STEP; at <= until; at += STEP) {
      let goal = near(headed(at), value);
      if (goal - value < -Math.PI + 1e-6) goal += 2 * Math.PI;
      value += Math.max(-most, Math.min(most, goal - value));
    }
    return value;
  }

  #limitedInLoop(time: number, limit: number): number {
    const { duration, repeat } = this.#scene.clock;
    const length = repeat === 'there-and-back' ? 2 * duration : duration;
    const until = repeat === 'once' ? Math.max(0, Math.min(length, time)) : time - Math.floor(time / length) * length;
    const follows = (value: number, at: number, step: number): number => {
      let goal = near(this.#headed(this.#rider.pace.only && at < 0 ? at + length : at), value);
      // Of two ways as short, clockwise.
      if (goal - value < -Math.PI + 1e-6) goal += 2 * Math.PI;
      return value + Math.max(-limit * RADIANS * step, Math.min(limit * RADIANS * step, goal - value));
    };
    const all = this.#followed();
    if (all.length === 0) all.push(this.#headed(this.#rider.pace.only ? 0 : -length));
    const whole = Math.floor((until + length) / STEP);
    for (let i = all.length; i <= whole; i++) all.push(follows(all[i - 1] ?? 0, -length + i * STEP, STEP));
    return follows(all[whole] ?? 0, until, until + length - whole * STEP);
  }

  /** The heading that follows, step by step from the start of the round before, as far as it was asked about. */
  #followed(): number[] {
    const ofScene = FOLLOWED.get(this.#scene) ?? new Map<string, number[]>();
    FOLLOWED.set(this.#scene, ofScene);
    const all = ofScene.get(this.#rider.id) ?? [];
    ofScene.set(this.#rider.id, all);
    return all;
  }

  /** The rotation in its frame, and whether it is mirrored. */
  faced(time: number): { angle: number; isMirrored: boolean } {
    const { heading, roll } = this.#rider;
    const art = this.#scene.art.find((one) => one.id === this.#rider.art);
    const facing = (art?.facing ?? 0) * RADIANS;
    const fine = (heading.offset + (this.keyed('turn', time)?.[0] ?? 0)) * RADIANS;
    const mirrors = heading.left === 'mirror';
    const mode = this.#mode();
    const toward = this.#limited(time);
    if (this.#rolls && roll) return { angle: fine + this.#rolled(time), isMirrored: false };
    if (!this.#guide && mode === 'level') {
      const isMirrored = mirrors && Math.cos(toward) < -1e-6;
      return { angle: isMirrored ? toward - fine : toward + fine, isMirrored };
    }
    if (mode === 'level') {
      const drawn = Math.abs(Math.cos(facing)) < 1e-9 ? 0 : Math.sign(Math.cos(facing));
      const isMirrored = mirrors && Math.cos(toward) * drawn < -1e-6;
      return { angle: isMirrored ? Math.PI - fine : fine, isMirrored };
    }
    const isMirrored = mirrors && Math.cos(toward - facing) < -1e-6;
    return { angle: isMirrored ? toward + facing - fine : toward - facing + fine, isMirrored };
  }

  /** The spin since the first mark: the way of the centre, added up in small steps, over the radius. */
  #rolled(time: number): number {
    const guide = this.#guide;
    if (!guide) return 0;
    const spans = spansOf(guide);
    const from = this.#distanceAt(0) + this.#rider.lead;
    const to = this.foot(time);
    const count = 600;
    let last = this.#directionAt(from);
    let bent = 0;
    for (let i = 1; i <= count; i++) {
      const { tx, ty } = follow(guide, spans, from + ((to - from) * i) / count);
      const angle = near(Math.atan2(ty, tx), last);
      bent += angle - last;
      last = angle;
    }
    return (this.#spin * (to - from + this.#raised * bent)) / this.#radius;
  }

  squashed(time: number): { stretch: number; axis: number } | undefined {
    const { squash } = this.#rider;
    if (!squash) return undefined;
    const keyed = this.keyed('squash', time);
    if (squash.by === 'keys' && !keyed) return undefined;
    if (squash.by === 'speed' && !this.#guide) return undefined;
    const own = (squash.angle + (this.keyed('axis', time)?.[0] ?? 0)) * RADIANS;
    const axis = squash.axis === 'heading' ? this.#axis(time) : own;
    if (squash.by === 'keys') return { stretch: keyed?.[0] ?? 1, axis };
    const half = Math.min(0.04, this.#cycle / 4);
    const stretch = 1 + (squash.strength * this.#meanSpeed(time, half)) / 1000;
    return { stretch: Math.min(squash.limit, Math.max(1 / squash.limit, stretch)), axis };
  }

  #axis(time: number): number {
    const mode = this.#mode();
    if (mode !== 'level') return this.#limited(time);
    const guide = this.#guide;
    if (!guide) return 0;
    const { tx, ty } = follow(guide, spansOf(guide), this.foot(time));
    return Math.atan2(ty, tx);
  }

  #meanSpeed(time: number, half: number): number {
    const before = this.local(time - half);
    const after = this.local(time + half);
    let way = this.#distanceAt(after) - this.#distanceAt(before);
    const repeat = this.#rider.pace.repeat ?? this.#scene.clock.repeat;
    if (repeat === 'loop' && after < before) way += this.#distanceAt(this.#cycle) - this.#distanceAt(0);
    return Math.abs(way) / (2 * half);
  }

  /** The carrier's matrix, what of it goes over to directions, and its opacity. */
  carriedAt(time: number): { matrix: Matrix; inherited: Matrix; opacity: number } | undefined {
    const takes = this.#rider.carrier;
    const carrier = takes && this.#scene.riders.find((one) => one.id === takes.rider);
    if (!carrier) return undefined;
    const { matrix, opacity } = referencePose(this.#scene, carrier, time);
    const [a, b, c, d] = matrix;
    const det = a * d - b * c;
    // Written as turned · leaning · wide and high · mirrored left to right.
    const wide = Math.hypot(a, b);
    const isMirrored = det < 0;
    const first = isMirrored ? [-a, -b] : [a, b];
    const angle = Math.atan2(first[1] ?? 0, first[0] ?? 1);
    const lean = ((first[0] ?? 0) * c + (first[1] ?? 0) * d) / Math.abs(det);
    const high = Math.abs(det) / wide;
    const inherited = product(
      takes.turn ? turned(angle) : turned(0),
      takes.scale ? [1, 0, lean, 1, 0, 0] : moved(0, 0),
      takes.scale ? [wide, 0, 0, high, 0, 0] : moved(0, 0),
      takes.mirror && isMirrored ? [-1, 0, 0, 1, 0, 0] : moved(0, 0),
    );
    return { matrix, inherited, opacity };
  }
}

/** An angle by whole turns nearest to another. */
const near = (angle: number, to: number): number => angle + 2 * Math.PI * Math.round((to - angle) / (2 * Math.PI));

function fold(t: number, cycle: number, repeat: string, times: number | null): number {
  if (repeat === 'once') return Math.max(0, Math.min(cycle, t));
  const period = repeat === 'loop' ? cycle : 2 * cycle;
  if (times !== null && t <= 0) return 0;
  if (times !== null && t >= times * period) return repeat === 'loop' ? cycle : 0;
  let rest = t;
  while (rest < 0) rest += period;
  while (rest >= period) rest -= period;
  return rest <= cycle ? rest : 2 * cycle - rest;
}
