import type { PathNode } from '../geometry/index.ts';
import { drawerOf, drawnShare, type Displayed, type RiderMotion } from '../motion/index.ts';
import { pathOfGuide, type GuideStroke } from '../scene/index.ts';
import type { CarriedFrame, FrameBaking, FrameOf } from './carried-frame.ts';
import type { Curve } from './curve.ts';
import { JUST_BEFORE } from './lead-in.ts';
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
  /** Of the share alone: whether its loop begins with the lead-in, and its curve there where it is another. */
  readonly sharing: { readonly runs: boolean; readonly entering: Curve | null };
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
  const { scene, motion } = how;
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
    ...(rider && length > 0 ? sharesDrawn(how, rider, length) : { share: null, sharing: NONE_BEFORE }),
    frame: how.frameOf(guide),
  };
}

const NONE_BEFORE = { runs: false, entering: null };

/** How much of a guide is drawn over the loop, and in the lead-in. */
function sharesDrawn(
  { motion, tolerance, leadIn }: StrokeBaking,
  rider: RiderMotion,
  length: number,
): Pick<DrawnStroke, 'share' | 'sharing'> {
  const within = tolerance / length;
  const share = shareDrawn(rider, rider.events(0, motion.length), length, within);
  if (!(leadIn > 0) || rider.entering.length === 0) return { share, sharing: NONE_BEFORE };
  const runs = rider.runsBefore && !rider.hidesBefore;
  if (runs) return { share, sharing: { runs, entering: null } };
  const events = [...new Set([-leadIn, ...rider.entering, 0])].sort((a, b) => a - b);
  const before = shareDrawn(rider, events, length, within).map((key) => ({ ...key, time: key.time + leadIn }));
  const isStill = before.every(({ value }) => value === share[0]?.value);
  return { share, sharing: { runs, entering: isStill ? null : before } };
}

/** Between ascending events, s: that of the lead-in ends just before the loop begins. */
function shareDrawn(rider: RiderMotion, events: readonly number[], length: number, tolerance: number): Curve {
  const pointAt = (time: number, side: 1 | -1): Point => {
    // A hair within the piece: the time of a jump is rounded.
    const asked = time + side * JUST_BEFORE;
    const taken = rider.takenAt(asked, side);
    return { time, value: quantised(drawnShare(rider.distanceAt(taken, taken === asked ? side : 1), length)) };
  };
  const pieces = events.slice(1).map((to, i) => {
    const from = events[i] ?? 0;
    const steps = Math.max(2, Math.ceil((to - from) / STROKE_STEP));
    return Array.from({ length: steps + 1 }, (_, k) =>
      k === steps ? pointAt(to, -1) : pointAt(from + ((to - from) * k) / steps, 1),
    );
  });
  return reducedCurve(pieces, { tolerance, grid: 1e-6, cubic: true });
}
