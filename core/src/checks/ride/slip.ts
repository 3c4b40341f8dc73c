import { paintedOf } from '../../drawing/painted.ts';
import { inverseOf, productOf, transformed, type Matrix, type Vec } from '../../geometry/index.ts';
import { POSE, type Motion, type RiderMotion } from '../../motion/index.ts';
import { artOfRider, pictureOf, posesOf, type Rider, type Scene } from '../../scene/index.ts';
import type { Check, Finding } from '../check.ts';
import { sightOf } from '../sight.ts';

/** Looks a second. */
const RATE = 240;

/** Share of the way that may be slipped, and px, without being seen. */
const SEEN = { share: 0.03, px: 2 } as const;

/** How much farther the farthest place of a round drawing may lie from its pivot than the nearest. */
const ROUND = 1.1;

/** Directions in which it is measured. */
const DIRECTIONS = 64;

/** How something that rolls or strides slips against what it covers. */
export interface Slip {
  /** px slipped, and px covered, in the loop. */
  readonly slipped: number;
  readonly way: number;
  /** When it slips fastest, s. */
  readonly at: number;
  /** When it slips, s. */
  readonly spans: readonly (readonly [from: number, to: number])[];
  /** px: the radius of what is drawn, where that is round, and the one with which it rolls. */
  readonly drawn: number | null;
  readonly radius: number | null;
}

const matrixOf = (pose: Float64Array): Matrix => [
  pose[POSE.a] ?? 1,
  pose[POSE.b] ?? 0,
  pose[POSE.c] ?? 0,
  pose[POSE.d] ?? 1,
  pose[POSE.e] ?? 0,
  pose[POSE.f] ?? 0,
];

/** The radius of what a rider paints about its pivot, px of the frame that it is placed in; undefined where that is not round. */
export function drawnRadius(scene: Scene, rider: Rider): number | undefined {
  const art = artOfRider(scene, rider);
  const picture = art && pictureOf(art, 1);
  if (!picture) return undefined;
  const { body, boxed } = paintedOf(picture);
  const [px, py] = rider.pivot ?? art.pivot;
  const scale = Math.abs(rider.scale[0]);
  if (boxed.length > 0 || body.isEmpty || Math.abs(scale - Math.abs(rider.scale[1])) > 1e-6) return undefined;
  let [least, most] = [Infinity, 0];
  for (let k = 0; k < DIRECTIONS; k++) {
    const [x, y] = [Math.cos((2 * Math.PI * k) / DIRECTIONS), Math.sin((2 * Math.PI * k) / DIRECTIONS)];
    let far = -Infinity;
    for (let i = 0; i < body.hull.length; i += 2)
      far = Math.max(far, ((body.hull[i] ?? 0) - px) * x + ((body.hull[i + 1] ?? 0) - py) * y);
    [least, most] = [Math.min(least, far), Math.max(most, far)];
  }
  return least > 0 && most <= ROUND * least ? most * scale : undefined;
}

/** What a rider is placed in at a time: the canvas, or what carries it. */
const frameAt = (motion: Motion, { carrier }: Rider, time: number): Matrix | undefined => {
  const moving = carrier && motion.rider(carrier.rider);
  return moving ? inverseOf(matrixOf(moving.poseAt(time))) : [1, 0, 0, 1, 0, 0];
};

type Looked = (time: number, half: number) => { readonly slip: number; readonly way: number } | undefined;

/** How far the place of a wheel that touches the ground moves against it about a time, and how far the wheel goes. */
function rollOf(motion: Motion, rider: Rider, moving: RiderMotion, radius: number): Looked {
  const side = rider.roll?.side === 'right' ? -1 : 1;
  const placed = (time: number): Matrix | undefined => {
    const frame = frameAt(motion, rider, time);
    return frame && productOf(frame, matrixOf(moving.poseAt(time)));
  };
  return (time, half) => {
    const { path } = moving;
    const [before, now, after] = [placed(time - half), placed(time), placed(time + half)];
    const back = now && inverseOf(now);
    const frame = frameAt(motion, rider, time);
    if (!path || !before || !now || !after || !back || !frame) return undefined;
    const { normalX, normalY } = path.frameAtDistance(moving.footAt(time));
    const pose = moving.poseAt(time);
    const centre = transformed(frame, [pose[POSE.x] ?? 0, pose[POSE.y] ?? 0]);
    const ground: Vec = [centre[0] - side * radius * normalX, centre[1] - side * radius * normalY];
    const touching = transformed(back, ground);
    const [p, q] = [transformed(before, touching), transformed(after, touching)];
    const middle = transformed(back, centre);
    const [a, b] = [transformed(before, middle), transformed(after, middle)];
    return { slip: Math.hypot(q[0] - p[0], q[1] - p[1]), way: Math.hypot(b[0] - a[0], b[1] - a[1]) };
  };
}

/** How much farther, or less far, one that strides goes about a time than its poses stride, and how far it goes. Poses are of its mean size on the way. */
function strideOf(motion: Motion, rider: Rider, moving: RiderMotion, length: number): Looked {
  const sizeAt = (time: number): number => Math.abs(moving.poseAt(time)[POSE.scaleY] ?? 1);
  const count = 60;
  const mean =
    Array.from({ length: count }, (_, k) => sizeAt(((k + 0.5) * length) / count)).reduce((a, b) => a + b, 0) / count;
  return (time, half) => {
    const [f0, f1] = [frameAt(motion, rider, time - half), frameAt(motion, rider, time + half)];
    if (!f0 || !f1) return undefined;
    const [p, q] = [moving.poseAt(time - half), moving.poseAt(time + half)];
    const [a, b] = [
      transformed(f0, [p[POSE.x] ?? 0, p[POSE.y] ?? 0]),
      transformed(f1, [q[POSE.x] ?? 0, q[POSE.y] ?? 0]),
    ];
    const way = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const foot = Math.abs(moving.footAt(time + half) - moving.footAt(time - half));
    return { slip: Math.abs(way - (foot * sizeAt(time)) / mean), way };
  };
}

/** What carries a rider without turning, scaling or mirroring it is no ground to be measured against. */
const isMeasured = ({ carrier }: Rider): boolean =>
  carrier === null || (carrier.turn && carrier.scale && carrier.mirror);

/** How a rider slips; undefined where it neither rolls nor strides, goes nowhere, or slips too little to be seen. */
export function slipOf(scene: Scene, motion: Motion, rider: Rider): Slip | undefined {
  const moving = motion.rider(rider.id);
  if (!moving?.path || !isMeasured(rider)) return undefined;
  const art = artOfRider(scene, rider);
  const strides = rider.poses.by === 'distance' && posesOf(art) > 1;
  const { radius } = moving;
  if (radius === null && !strides) return undefined;
  const drawn = radius === null ? undefined : drawnRadius(scene, rider);
  const look =
    radius === null ? strideOf(motion, rider, moving, motion.length) : rollOf(motion, rider, moving, drawn ?? radius);
  const events = moving.events(0, motion.length);
  const isUnseen = sightOf(scene, motion);
  const spans: [number, number][] = [];
  let [slipped, way, at, worst] = [0, 0, 0, 0];
  for (let e = 0; e + 1 < events.length; e++) {
    const [from, to] = [events[e] ?? 0, events[e + 1] ?? 0];
    const count = Math.max(1, Math.ceil((to - from) * RATE));
    const half = (to - from) / count / 2;
    for (let k = 0; k < count; k++) {
      const time = from + (2 * k + 1) * half;
      const one = look(time, half * (1 - 1e-6));
      if (!one || isUnseen(rider, moving.poseAt(time), time)) continue;
      slipped += one.slip;
      way += one.way;
      const speed = one.slip / (2 * half);
      if (speed > worst + 1e-6) [at, worst] = [time, speed];
      if (one.slip <= SEEN.share * one.way) continue;
      const last = spans.at(-1);
      if (last && time - half - last[1] < 1e-6) last[1] = time + half;
      else spans.push([time - half, time + half]);
    }
  }
  if (slipped <= SEEN.px || slipped <= SEEN.share * way) return undefined;
  return { slipped, way, at, spans, drawn: drawn ?? null, radius };
}

const px = (value: number): string => `${value.toFixed(value < 10 ? 1 : 0)} px`;

/** Share by which the radius of what is drawn and the one with which it rolls may differ, and be the same. */
const SAME_RADIUS = 0.01;

function words({ slipped, way, at, drawn, radius }: Slip): string {
  const how = `${px(slipped)} in ${px(way)}`;
  const isOfRadius = drawn !== null && radius !== null && Math.abs(drawn - radius) > SAME_RADIUS * radius;
  return isOfRadius
    ? `${how}: rolls with ${px(radius)}, drawn with ${px(drawn)}`
    : `${how}, fastest at ${at.toFixed(2)} s`;
}

export const slip: Check<'slip'> = {
  id: 'slip',
  label: 'Slip',
  about: 'Riders that roll or stride and slide on what they cover',
  find: ({ scene, motion }) =>
    scene.riders.flatMap((rider): Finding[] => {
      const found = rider.output ? slipOf(scene, motion, rider) : undefined;
      if (!found) return [];
      const { slipped, way, at, spans, drawn, radius } = found;
      return [
        {
          ...{ check: 'slip', holds: false, riders: [rider.id], at, spans, place: null },
          words: words(found),
          amount: slipped,
          figures: { slipped, way, drawn, radius },
        },
      ];
    }),
};
