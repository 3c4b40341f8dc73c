import type { PathNode, Vec } from '../geometry/index.ts';
import { drawerOf, drawnShare, type Channel, type Displayed, type Motion, type RiderMotion } from '../motion/index.ts';
import { artById, pathOfGuide, riderById, type Guide, type GuideStroke, type Scene } from '../scene/index.ts';
import type { Curve } from './curve.ts';
import { constantCurves, curvesOf } from './curves-of.ts';
import { enteringCurves } from './lead-in.ts';
import { lookedAt } from './reduction.ts';
import { reducedCurve, type Point } from './reduce.ts';
import { quantised } from './sample.ts';

/** A guide drawn as a line. */
export interface DrawnStroke {
  readonly kind: 'stroke';
  /** Id and name of the guide. */
  readonly id: string;
  readonly name: string;
  readonly nodes: readonly PathNode[];
  readonly closed: boolean;
  readonly stroke: Pick<GuideStroke, 'color' | 'width' | 'dash'>;
  /** Share of its length that is there, where a rider draws it; null where it is there whole. */
  readonly share: Curve | null;
  /** The frame that it lies in; null where that is the canvas. */
  readonly frame: CarriedFrame | null;
}

/** The frame of a rider's art, as it moves over the loop: each channel of that rider's pose, about the art's pivot, px of its box. */
export interface CarriedFrame {
  readonly curves: Readonly<Record<Channel, Curve>>;
  /** In the lead-in; null where it stands there as the loop begins. */
  readonly entering: Readonly<Record<Channel, Curve>> | null;
  readonly pivot: Vec;
}

/** How guides are baked. `cubic`: legs may be cubic in time. */
interface StrokeBaking {
  readonly scene: Scene;
  readonly motion: Motion;
  readonly tolerance: number;
  readonly cubic: boolean;
  readonly leadIn: number;
}

/** Longest step, s, between looks at how much of a guide is drawn. */
const STROKE_STEP = 1 / 60;

/** A guide as it is drawn; undefined where it is not. */
export function drawnStroke(how: StrokeBaking, { guide }: Displayed & { kind: 'stroke' }): DrawnStroke | undefined {
  if (!guide.stroke) return undefined;
  const { scene, motion, tolerance } = how;
  const { color, width, dash } = guide.stroke;
  const rider = motion.riders[drawerOf(scene, guide)];
  const { length } = pathOfGuide(guide);
  return {
    kind: 'stroke',
    id: guide.id,
    name: guide.name,
    nodes: guide.nodes,
    closed: guide.closed,
    stroke: { color, width, dash },
    share: rider && length > 0 ? shareDrawn(rider, motion.length, length, tolerance) : null,
    frame: carriedFrame(how, guide),
  };
}

/** The frame that a guide is carried in, within the tolerance at the corners of its own box. */
function carriedFrame({ scene, motion, tolerance, cubic, leadIn }: StrokeBaking, guide: Guide): CarriedFrame | null {
  const carrier = guide.carrier === null ? undefined : riderById(scene, guide.carrier);
  const moving = carrier && motion.rider(carrier.id);
  const art = carrier && artById(scene, carrier.art);
  if (!moving || !art) return null;
  const { pivot } = art;
  const { left, top, right, bottom } = pathOfGuide(guide).bounds;
  const edge = (guide.stroke?.width ?? 0) / 2;
  const [x, y] = pivot;
  const box = [left - edge - x, top - edge - y, right + edge - x, bottom + edge - y] as const;
  const isStill = moving.varies.length === 0;
  const looked = isStill ? undefined : lookedAt(moving, motion.length, box, tolerance, cubic);
  return {
    curves: looked ? curvesOf(moving, looked) : constantCurves(moving),
    entering: enteringCurves(moving, leadIn, box, tolerance, cubic),
    pivot,
  };
}

function shareDrawn(rider: RiderMotion, loop: number, length: number, tolerance: number): Curve {
  const pointAt = (time: number, side: 1 | -1): Point => {
    const taken = rider.takenAt(time, side);
    return { time, value: quantised(drawnShare(rider.distanceAt(taken, taken === time ? side : 1), length)) };
  };
  const events = rider.events(0, loop);
  const pieces = events.slice(1).map((to, i) => {
    const from = events[i] ?? 0;
    const steps = Math.max(2, Math.ceil((to - from) / STROKE_STEP));
    return Array.from({ length: steps + 1 }, (_, k) =>
      k === steps ? pointAt(to, -1) : pointAt(from + ((to - from) * k) / steps, 1),
    );
  });
  return reducedCurve(pieces, { tolerance: tolerance / length, grid: 1e-6, cubic: true });
}
