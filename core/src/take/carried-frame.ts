import type { Vec } from '../geometry/index.ts';
import { CHANNELS, type Channel, type Motion, type Poses } from '../motion/index.ts';
import { artOfRider, pathOfGuide, riderById, type Guide, type Scene } from '../scene/index.ts';
import type { Curve } from './curve.ts';
import { constantCurves, curvesOf } from './curves-of.ts';
import { ledThrough, NOT_LED, type Led } from './lead-in.ts';
import { lookedAt } from './reduction.ts';
import type { PivotBox } from './sample.ts';

/** The frame of a rider's art, as it moves over the loop: each channel of that rider's pose, about the art's pivot, px of its box. */
export interface CarriedFrame extends Led {
  readonly curves: Readonly<Record<Channel, Curve>>;
  readonly pivot: Vec;
}

/** The frame that a guide lies in; null: the canvas. */
export type FrameOf = (guide: Guide) => CarriedFrame | null;

/** How what guides are good for is baked. `cubic`: legs may be cubic in time; `leadIn`: s that are played once before the loop. */
export interface FrameBaking {
  readonly scene: Scene;
  readonly motion: Motion;
  readonly tolerance: number;
  readonly cubic: boolean;
  readonly leadIn: number;
}

/** The frame that a guide is carried in, within the tolerance at the corners of its own box; null where nothing carries it. */
export function carriedFrame(
  { scene, motion, tolerance, cubic, leadIn }: FrameBaking,
  guide: Guide,
): CarriedFrame | null {
  const carrier = guide.carrier === null ? undefined : riderById(scene, guide.carrier);
  const moving = carrier && motion.rider(carrier.id);
  const art = carrier && artOfRider(scene, carrier);
  if (!moving || !art) return null;
  const { pivot } = art;
  const box = boxCarried(guide, pivot);
  const isStill = moving.varies.length === 0;
  const looked = isStill ? undefined : lookedAt(moving, motion.length, box, tolerance, cubic);
  return {
    curves: looked ? curvesOf(moving, looked) : constantCurves(moving),
    ...ledThrough(moving, leadIn, box, tolerance, cubic),
    pivot,
  };
}

/** The box of a guide and its line about the pivot of the art in whose frame it lies, px of that. */
export function boxCarried(guide: Guide, [x, y]: Vec): PivotBox {
  const { left, top, right, bottom } = pathOfGuide(guide).bounds;
  const edge = (guide.stroke?.width ?? 0) / 2;
  return [left - edge - x, top - edge - y, right + edge - x, bottom + edge - y];
}

/** The same frame as it lies at one time: every curve a constant. */
export function stillFrame(scene: Scene, motion: Motion, poses: Poses, guide: Guide): CarriedFrame | null {
  const carrier = guide.carrier === null ? undefined : riderById(scene, guide.carrier);
  const art = carrier && artOfRider(scene, carrier);
  if (!art) return null;
  return { curves: stillCurves(poses, motion.indexOf(carrier.id)), ...NOT_LED, pivot: art.pivot };
}

/** The channels of a rider's pose at one time as curves that are constants. */
export const stillCurves = (poses: Poses, index: number): CarriedFrame['curves'] =>
  Object.fromEntries(
    CHANNELS.map((channel) => [channel, [{ time: 0, value: poses.of(index, channel) }] satisfies Curve]),
  ) as unknown as CarriedFrame['curves'];
