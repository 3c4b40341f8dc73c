import { pullSpan, retimeMark, setHeading, setPace, setRider, timeLocked } from '../../commands/index.ts';
import { controlPointsBetween, distanceBetween, type Vec } from '../../geometry/index.ts';
import { prepare } from '../../motion/index.ts';
import {
  artOfRider,
  cycleOf,
  guideById,
  pathOfGuide,
  riderById,
  type Guide,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { foldTime } from '../../time/index.ts';
import type { Finding } from '../check.ts';

/** What can be changed of a rider to put a finding right. */
export type KnobKind = 'delay' | 'mark' | 'lift' | 'scale' | 'smooth' | 'rounding' | 'bend';

/** Values that are tried one after another, away from the one that is. */
export interface Way {
  readonly values: readonly number[];
  /** Which of several it is a value of: the id of a mark, or of the node from which a span begins. */
  readonly part?: string;
}

/** One value of a rider that is turned until a finding is gone. */
export interface Knob {
  readonly kind: KnobKind;
  /** The value as it is: s, s, px, a factor, px, px. */
  readonly now: (rider: Rider, part?: string) => number;
  /** The values that are tried for what was found, on either side of the one that is, the nearest first; none where the rider has no such value. */
  readonly tried: (scene: Scene, rider: Rider, finding: Finding) => readonly Way[];
  readonly set: (scene: Scene, rider: string, value: number, part?: string) => Scene;
  /** Decimals with which a value is offered. */
  readonly digits: number;
  /** Whether only the values that are tried are offered, and none between them. */
  readonly isGiven?: boolean;
  /** Whether it changes how the rider looks: by how much it comes nearer is said only where nothing else comes nearer. */
  readonly isOfLooks?: boolean;
  /** How much a change is, so that changes of several kinds can be put in order: a share of what it is changed in. */
  readonly size: (scene: Scene, rider: Rider, value: number, part?: string) => number;
}

/** Values tried on each side, as shares of the farthest: closely at first, then by a third more each. */
const SHARES = [1, 2, 3, 4, 6, 8, 11, 15, 20, 27, 36, 48, 60].map((k) => k / 60);

const steps = (from: number, most: number): number[] => SHARES.map((share) => from + most * share);

/** To either side as far. */
const bothWays = (from: number, most: number, part?: string): readonly Way[] =>
  [most, -most].map((far) => ({ values: steps(from, far), ...(part === undefined ? {} : { part }) }));

/** px: the farther side of a rider's art, as it is scaled. */
function sizeOf(scene: Scene, rider: Rider): number {
  const art = artOfRider(scene, rider);
  return art ? Math.max(art.width * Math.abs(rider.scale[0]), art.height * Math.abs(rider.scale[1]), 1) : 1;
}

/** When it starts: up to half its cycle later or earlier. */
const delay: Knob = {
  kind: 'delay',
  digits: 2,
  now: ({ pace }) => pace.delay,
  tried(scene, rider) {
    if (rider.guide === null && (prepare(scene).rider(rider.id)?.varies.length ?? 0) === 0) return [];
    const most = cycleOf(rider, scene.clock) / 2;
    return bothWays(rider.pace.delay, most);
  },
  set: (scene, rider, value) => setPace(scene, { rider, patch: { delay: value } }),
  size: (scene, rider, value) => Math.abs(value - rider.pace.delay) / cycleOf(rider, scene.clock),
};

/** How far beside its guide it rides: up to twice its size. */
const lift: Knob = {
  kind: 'lift',
  digits: 1,
  now: (rider) => rider.lift,
  tried(scene, rider) {
    if (rider.guide === null || rider.roll !== null) return [];
    return bothWays(rider.lift, 2 * sizeOf(scene, rider));
  },
  set: (scene, id, value) => setRider(scene, { id, patch: { lift: value } }),
  size: (scene, rider, value) => Math.abs(value - rider.lift) / sizeOf(scene, rider),
};

/** How large it is: down to half. */
const scale: Knob = {
  kind: 'scale',
  digits: 2,
  isOfLooks: true,
  now: () => 1,
  tried: (_, rider) => (rider.keys.scale.length > 0 ? [] : [{ values: steps(1, -0.5) }]),
  set(scene, id, value) {
    const rider = riderById(scene, id);
    const [x, y] = rider?.scale ?? [1, 1];
    return setRider(scene, { id, patch: { scale: [x * value, y * value] } });
  },
  size: (_scene, _rider, value) => Math.abs(1 - value),
};

/** Frames in which it comes round a corner. */
const FRAMES = 4;

/** px that it covers in a few frames where something is found, and twice that; none where its guide does not lead it on then. */
function fewFrames(scene: Scene, rider: Rider, { at }: Finding): readonly [number, number] | undefined {
  const moving = prepare(scene).rider(rider.id);
  if (!moving?.path) return undefined;
  const speed = Math.max(Math.abs(moving.speedAt(at ?? 0, -1)), Math.abs(moving.speedAt(at ?? 0, 1)));
  const least = Math.ceil(Math.max(4, (speed * FRAMES) / scene.clock.fps));
  return [least, 2 * least];
}

/** The length over which its direction is averaged: what it covers in a few frames where it leaps. */
const smooth: Knob = {
  kind: 'smooth',
  digits: 0,
  isGiven: true,
  now: ({ heading }) => heading.smooth,
  tried(scene, rider, finding) {
    const values = rider.heading.mode === 'along' ? fewFrames(scene, rider, finding) : undefined;
    return values && values[0] > rider.heading.smooth ? [{ values }] : [];
  },
  set(scene, id, value) {
    const rider = riderById(scene, id);
    if (!rider) return scene;
    return setHeading(scene, { rider: id, heading: { ...rider.heading, smooth: value }, keepAngle: null });
  },
  size: (scene, rider, value) => Math.abs(value - rider.heading.smooth) / sizeOf(scene, rider),
};

/** The length over which the direction of its lift is averaged, likewise. */
const rounding: Knob = {
  kind: 'rounding',
  digits: 0,
  isGiven: true,
  now: (rider) => (rider.liftBy === 'rounded' ? rider.rounding : 0),
  tried(scene, rider, finding) {
    const isLifted = rider.lift !== 0 || rider.raise !== 0 || rider.keys.lift.length > 0;
    const values = isLifted && !rider.roll && rider.liftBy !== 'up' ? fewFrames(scene, rider, finding) : undefined;
    return values && values[0] > rounding.now(rider) ? [{ values }] : [];
  },
  set: (scene, id, value) => setRider(scene, { id, patch: { liftBy: 'rounded', rounding: value } }),
  size: (scene, rider, value) => (value - rounding.now(rider)) / sizeOf(scene, rider),
};

/** Times at which something is found that are looked at one by one. */
const MOST_TIMES = 4;

/** When something was found: at the worst, and in the middle of each time that it lasts. */
const timesOf = ({ at, spans }: Finding): readonly number[] =>
  [at ?? 0, ...spans.map(([from, to]) => (from + to) / 2)].slice(0, MOST_TIMES + 1);

/** Local time of a rider's cycle, s, that it has at a time. */
const localAt = (scene: Scene, rider: Rider, time: number): number => {
  const moving = prepare(scene).rider(rider.id);
  return moving ? foldTime(time, moving.folding).local : time;
};

/** When it is at the mark before, or at the one after: up to half the way to that one's neighbours. The first and the last stay, which hold the seam. */
const mark: Knob = {
  kind: 'mark',
  digits: 2,
  now: ({ pace }, part) => pace.marks.find(({ id }) => id === part)?.time ?? 0,
  tried(scene, rider, finding) {
    const { marks } = rider.pace;
    const beside = timesOf(finding).flatMap((at) => {
      const local = localAt(scene, rider, at);
      const after = marks.findIndex(({ time }) => time > local);
      return [after - 1, after];
    });
    return [...new Set(beside)].flatMap((i) => {
      const [one, left, right] = [marks[i], marks[i - 1], marks[i + 1]];
      if (!one || !left || !right || timeLocked(scene, rider, one.id)) return [];
      return [left.time + left.dwell, right.time - one.dwell].map((end) => ({
        values: steps(one.time, (end - one.time) / 2),
        part: one.id,
      }));
    });
  },
  set: (scene, rider, value, part = '') => retimeMark(scene, { rider, mark: part, time: value }),
  size: (scene, rider, value, part) => Math.abs(value - mark.now(rider, part)) / cycleOf(rider, scene.clock),
};

/** Where the middle of the span that begins at a node lies, px, and the way to the left of it; undefined where there is none. */
function middleOf(
  guide: Guide,
  node: string,
): { readonly span: number; readonly at: Vec; readonly left: Vec } | undefined {
  const span = guide.nodes.findIndex(({ id }) => id === node);
  const [from, to] = [guide.nodes[span], guide.nodes[(span + 1) % guide.nodes.length]];
  if (!from || !to || !pathOfGuide(guide).spans[span]) return undefined;
  const [a, b, c, d] = controlPointsBetween(from, to);
  const middle = (axis: 0 | 1): number => (a[axis] + 3 * b[axis] + 3 * c[axis] + d[axis]) / 8;
  const chord = distanceBetween(a, d);
  const left: Vec = chord > 0 ? [(d[1] - a[1]) / chord, (a[0] - d[0]) / chord] : [0, -1];
  return { span, at: [middle(0), middle(1)], left };
}

/** How far the middle of the span that it is on then lies to the left of where it lies now: up to half the span's length. */
const bend: Knob = {
  kind: 'bend',
  digits: 0,
  now: () => 0,
  tried(scene, rider, finding) {
    const guide = guideById(scene, rider.guide);
    const moving = prepare(scene).rider(rider.id);
    if (!guide || !moving?.path || rider.pace.recipe?.kind === 'hop') return [];
    const { path } = moving;
    const spans = timesOf(finding).map((at) => path.parameterAtDistance(path.wrap(moving.footAt(at))).span);
    return [...new Set(spans)].flatMap((span) => {
      const node = guide.nodes[span];
      if (!node || pullSpan.can(scene, { guide: guide.id, span, t: 0.5, to: [0, 0] })) return [];
      return bothWays(0, (path.spans[span]?.length ?? 0) / 2, node.id);
    });
  },
  set(scene, id, value, part = '') {
    const guide = guideById(scene, riderById(scene, id)?.guide ?? null);
    const middle = guide && middleOf(guide, part);
    if (!middle || value === 0) return scene;
    const { span, at, left } = middle;
    const to: Vec = [at[0] + left[0] * value, at[1] + left[1] * value];
    return pullSpan(scene, { guide: guide.id, span, t: 0.5, to });
  },
  size: (scene, rider, value) => Math.abs(value) / sizeOf(scene, rider),
};

/** What is turned for each check, by its id. */
export const KNOBS: Readonly<Record<string, readonly Knob[]>> = {
  clearance: [delay, lift, mark, bend],
  corridor: [lift, scale, bend],
  'off-canvas': [lift, scale, bend],
  jump: [smooth, rounding],
};

export const knobOf = (kind: KnobKind): Knob => ({ delay, mark, lift, scale, smooth, rounding, bend })[kind];
