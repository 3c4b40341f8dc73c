import type { PathNode } from '../geometry/index.ts';
import {
  CHANNELS,
  displayOrder,
  drawerOf,
  drawnShare,
  prepare,
  type Channel,
  type Displayed,
  type Motion,
  type RiderMotion,
} from '../motion/index.ts';
import { artById, pathOfGuide, type Art, type GuideStroke, type Scene } from '../scene/index.ts';
import type { Repeat } from '../time/index.ts';
import { BAKE_TOLERANCE } from '../tolerances.ts';
import type { Curve } from './curve.ts';
import { gapOfCurves } from './gap.ts';
import { reducedCurve, type Point } from './reduce.ts';
import { pivotBoxOf, quantised, sampleAt, samplePieces, type PivotBox, type Sample } from './sample.ts';

/** A rider's art, and each channel of its pose over the loop. */
export interface DrawnArt {
  readonly kind: 'art';
  /** Id and name of the rider. */
  readonly id: string;
  readonly name: string;
  readonly art: Art;
  readonly curves: Readonly<Record<Channel, Curve>>;
}

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
}

export type Drawn = DrawnArt | DrawnStroke;

/** The baked motion of a scene: all that a writer needs, and nothing of the scene beside it. */
export interface Take {
  readonly name: string;
  readonly canvas: Scene['canvas'];
  /** Seconds. */
  readonly length: number;
  readonly repeat: Repeat;
  /** What is drawn, from the back to the front. */
  readonly drawing: readonly Drawn[];
  /** Pixels of the pictures among it, base64 by their names. */
  readonly assets: Scene['assets'];
}

export interface BakeOptions {
  /** Factor from canvas px to delivered px. */
  readonly scale?: number;
  /** Largest displacement of the art box's corners, delivered px. */
  readonly tolerance?: number;
  /** Legs may be cubic in time (default), else they are straight. */
  readonly cubic?: boolean;
  /** Told the share of things done, 0 to 1. */
  readonly onProgress?: (share: number) => void;
}

/** Bakes a scene continuously: within the tolerance of the evaluator at every time, with as few keys as that allows. */
export function bake(
  scene: Scene,
  { scale = 1, tolerance = BAKE_TOLERANCE, cubic = true, onProgress }: BakeOptions = {},
): Take {
  const motion = prepare(scene);
  const reach = tolerance / scale;
  const order = displayOrder(scene);
  const drawing = order.flatMap((one, i): Drawn[] => {
    const tell = (share: number): void => onProgress?.((i + share) / order.length);
    const drawn =
      one.kind === 'rider' ? drawnArt(scene, motion, one, reach, cubic, tell) : drawnStroke(scene, motion, one, reach);
    tell(1);
    return drawn ? [drawn] : [];
  });
  const { name, canvas, clock } = scene;
  return { name, canvas, length: motion.length, repeat: clock.repeat, drawing, assets: assetsOf(scene, drawing) };
}

function assetsOf({ assets }: Scene, drawing: readonly Drawn[]): Scene['assets'] {
  const used = drawing.flatMap((drawn) =>
    drawn.kind === 'art' && drawn.art.kind === 'image' ? [drawn.art.asset] : [],
  );
  return Object.fromEntries([...new Set(used)].map((name) => [name, assets[name] ?? '']));
}

function drawnArt(
  scene: Scene,
  motion: Motion,
  { rider, index }: Displayed & { kind: 'rider' },
  tolerance: number,
  cubic: boolean,
  tell: (share: number) => void,
): DrawnArt | undefined {
  const art = artById(scene, rider.art);
  const moving = motion.riders[index];
  if (!rider.output || !art || !moving) return undefined;
  const curves = curvesOf(moving, motion.length, pivotBoxOf(art), tolerance, cubic, tell);
  return { kind: 'art', id: rider.id, name: rider.name, art, curves };
}

/** Share of the tolerance for what is not looked at between samples. */
const SAMPLING_SHARE = 0.08;

/** Largest share of the channels' tolerances that is kept while all together they are too far off; below the least share they are as good as exact. */
const MOST_KEPT = 0.96;
const LEAST_SHARE = 0.02;

function curvesOf(
  rider: RiderMotion,
  length: number,
  box: PivotBox,
  tolerance: number,
  cubic: boolean,
  tell: (share: number) => void,
): Record<Channel, Curve> {
  const still = sampleAt(rider, 0);
  const constant = Object.fromEntries(CHANNELS.map((c) => [c, [{ time: 0, value: still[c] }]])) as unknown as Record<
    Channel,
    Curve
  >;
  if (rider.varies.length === 0) return constant;
  const pieces = samplePieces(rider, length, box, tolerance * SAMPLING_SHARE, (share) => tell(share / 2));
  const allowed = tolerance * (1 - 2 * SAMPLING_SHARE);
  const units = unitsOf(pieces, box);
  const grid = 10 ** Math.floor(Math.log10(tolerance / 5));
  const pointsOf = new Map(
    rider.varies.map((channel) => [
      channel,
      pieces.map((piece) => piece.map((sample): Point => ({ time: sample.time, value: sample[channel] }))),
    ]),
  );
  const reduced = (share: number): Record<Channel, Curve> => {
    const curves = { ...constant };
    for (const [channel, points] of pointsOf) {
      const isPlace = channel === 'x' || channel === 'y';
      curves[channel] = reducedCurve(points, {
        tolerance: (allowed * share) / units[channel],
        grid: isPlace ? grid : gridOf((allowed * 0.04) / units[channel], channel),
        cubic,
      });
    }
    return curves;
  };
  // Each channel is given all of the tolerance at first; together they are then too far off by so much, and get so much less.
  for (let share = 1; ;) {
    const curves = reduced(share);
    const gap = gapOfCurves(curves, pieces, box);
    tell(0.75);
    if (gap <= allowed || share < LEAST_SHARE) return curves;
    share *= Math.min(MOST_KEPT, (0.99 * allowed) / gap);
  }
}

/** A round step not above a bound; of angles, a round number of degrees. */
function gridOf(most: number, channel: Channel): number {
  const unit = channel === 'angle' || channel === 'skew' ? Math.PI / 180 : 1;
  return 10 ** Math.floor(Math.log10(most / unit)) * unit;
}

/** By how many px the corners of the box move when a channel changes by one. Opacity is held to a two hundred and fiftieth at a quarter of a px. */
function unitsOf(
  pieces: readonly (readonly Sample[])[],
  [left, top, right, bottom]: PivotBox,
): Record<Channel, number> {
  const samples = pieces.flat();
  const most = (of: (sample: Sample) => number): number =>
    samples.reduce((max, one) => Math.max(max, Math.abs(of(one))), 0);
  const half = Math.max(Math.abs(left), Math.abs(right), 1);
  const high = Math.max(Math.abs(top), Math.abs(bottom), 1);
  const reach = Math.max(1, Math.hypot(half * most((one) => one.scaleX), high * most((one) => one.scaleY)));
  return { x: 1, y: 1, angle: reach, skew: reach, scaleX: half, scaleY: high, opacity: 60 };
}

/** Longest step, s, between looks at how much of a guide is drawn. */
const STROKE_STEP = 1 / 60;

function drawnStroke(
  scene: Scene,
  motion: Motion,
  { guide }: Displayed & { kind: 'stroke' },
  tolerance: number,
): DrawnStroke | undefined {
  if (!guide.stroke) return undefined;
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
  };
}

function shareDrawn(rider: RiderMotion, loop: number, length: number, tolerance: number): Curve {
  const pointAt = (time: number, side: 1 | -1): Point => ({
    time,
    value: quantised(drawnShare(rider.distanceAt(time, side), length)),
  });
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
