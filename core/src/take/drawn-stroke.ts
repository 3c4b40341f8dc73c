import type { PathNode } from '../geometry/index.ts';
import { drawerOf, drawnShare, type Displayed, type RiderMotion } from '../motion/index.ts';
import { pathOfGuide, type GuideStroke } from '../scene/index.ts';
import type { CarriedFrame, FrameBaking, FrameOf } from './carried-frame.ts';
import type { Curve } from './curve.ts';
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

/** How guides are baked, and where their lines lie. */
interface StrokeBaking extends FrameBaking {
  readonly frameOf: FrameOf;
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
    frame: how.frameOf(guide),
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
