import { compileLeg, type CompiledEase, type Ease } from './eases/index.ts';
import { hermite } from './eases/hermite.ts';
import type { Shaped, ShapingPoint } from './eases/shaped.ts';

export { knotsOf, type Shaped } from './eases/shaped.ts';

/** How far, as a share of the way, a leg may be changed by becoming one that is bent by hand. */
const TOLERANCE = 0.01;

/** The same where its slopes are left free. */
const FREE_TOLERANCE = 0.02;

/** Steepest slope that an ease brings with it, way over time: some start infinitely steep. */
const STEEPEST = 30;

/** Shortest piece, as a share of the time. */
const SHORTEST = 1 / 128;

const held = (slope: number): number => (Number.isFinite(slope) ? Math.min(STEEPEST, Math.max(-STEEPEST, slope)) : 0);

/** Any ease as one that can be bent by hand: cubics that follow it, with few points; one that is so already stays as it is. `as`: how it is run, where that depends on its neighbours. */
export function shapedFrom(ease: Ease, as: CompiledEase = compileLeg(ease)): Shaped {
  if (ease.kind === 'shaped' && !ease.part && ease.strength === undefined && ease.even === undefined) return ease;
  const { progress, rate, breaks } = as;
  const points: ShapingPoint[] = [];
  const edges = [0, ...breaks, 1];
  /** The slopes of a curve to the right (1) and left (−1) of a place. */
  const slope = (u: number, side: 1 | -1): number =>
    breaks.includes(u) ? held(side * ((progress(u + side * 1e-6) - progress(u)) / 1e-6)) : held(rate(u));
  const cut = (from: number, to: number): void => {
    const wide = to - from;
    const isClose = Array.from({ length: 7 }, (_, k) => (k + 1) / 8).every((t) => {
      const on = hermite(t, wide, progress(from), progress(to), slope(from, 1), slope(to, -1));
      return Math.abs(on - progress(from + t * wide)) <= TOLERANCE;
    });
    if (isClose || wide < 2 * SHORTEST) return;
    const middle = (from + to) / 2;
    cut(from, middle);
    points.push({ time: middle, way: progress(middle), slope: slope(middle, 1) });
    cut(middle, to);
  };
  for (let i = 0; i + 1 < edges.length; i++) {
    const [from = 0, to = 1] = [edges[i], edges[i + 1]];
    if (i > 0) points.push({ time: from, way: progress(from), slope: slopesAt(slope(from, -1), slope(from, 1)) });
    cut(from, to);
  }
  const isSteady = ease.kind === 'steady' || ease.kind === 'hold';
  const made: Shaped = { kind: 'shaped', points, ends: isSteady ? [null, null] : [slope(0, 1), slope(1, -1)] };
  // Slopes that its neighbours give are freer to bend: they are left to them where that is as close.
  const free: Shaped = {
    ...made,
    points: points.map((point) => (typeof point.slope === 'number' ? { ...point, slope: null } : point)),
  };
  const { progress: freely } = compileLeg(free);
  const isClose = Array.from({ length: 65 }, (_, i) => i / 64).every(
    (u) => Math.abs(freely(u) - progress(u)) <= FREE_TOLERANCE,
  );
  return isClose ? free : made;
}

/** The slopes of a place as they are written: one where it is smooth. */
const slopesAt = (left: number, right: number): ShapingPoint['slope'] =>
  Math.abs(left - right) < 1e-3 ? right : [left, right];

/** Nearest that a shaping point may come to another, or to the leg's ends, as a share of its time. */
const APART = 0.004;

/** Furthest that a shaping point may be dragged from the leg's way, in ways. */
const FARTHEST = 20;

/** Points that an ease brought with it give way to one that is set so near, as a share of the time: they were nobody's. */
const GIVE_WAY = 0.18;

/** A leg with a shaping point more, on its curve at a share of its time; gives its index too. */
export function withShapingPoint(
  ease: Ease,
  time: number,
  as: CompiledEase = compileLeg(ease),
): { readonly ease: Shaped; readonly index: number } {
  const shape = shapedFrom(ease, as);
  const isOwn = shape === ease;
  const near = shape.points.findIndex((point) => Math.abs(point.time - time) < APART);
  if (isOwn && near >= 0) return { ease: shape, index: near };
  const at = Math.min(1 - APART, Math.max(APART, time));
  const made: ShapingPoint = { time: at, way: as.progress(at), slope: null };
  const others = isOwn ? shape.points : shape.points.filter((point) => Math.abs(point.time - at) >= GIVE_WAY);
  const index = others.filter((point) => point.time < at).length;
  return { ease: { ...shape, points: [...others.slice(0, index), made, ...others.slice(index)] }, index };
}

/** A leg with one of its shaping points elsewhere, held between its neighbours. */
export function withShapingAt(ease: Shaped, index: number, time: number, way: number): Shaped {
  const before = (ease.points[index - 1]?.time ?? 0) + APART;
  const after = (ease.points[index + 1]?.time ?? 1) - APART;
  if (before > after) return ease;
  return {
    ...ease,
    points: ease.points.map((point, i) =>
      i === index
        ? {
            ...point,
            time: Math.min(after, Math.max(before, time)),
            way: Math.min(FARTHEST, Math.max(-FARTHEST, way)),
          }
        : point,
    ),
  };
}

/** A leg with the slope of a shaping point changed: one where it is smooth, two where it is sharp, null as its neighbours give it. */
export const withShapingSlope = (ease: Shaped, index: number, slope: ShapingPoint['slope']): Shaped => ({
  ...ease,
  points: ease.points.map((point, i) => (i === index ? { ...point, slope } : point)),
});

/** A leg without one of its shaping points. */
export const withoutShapingPoint = (ease: Shaped, index: number): Shaped => ({
  ...ease,
  points: ease.points.filter((_, i) => i !== index),
});
