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
import {
  artById,
  guideById,
  pathOfGuide,
  usedAssets,
  type Art,
  type Driver,
  type GuideStroke,
  type Rider,
  type Scene,
} from '../scene/index.ts';
import type { Repeat } from '../time/index.ts';
import { BAKE_TOLERANCE } from '../tolerances.ts';
import type { Curve } from './curve.ts';
import { curvesOf } from './curves-of.ts';
import { reducedCurve, type Point } from './reduce.ts';
import { pivotBoxOf, quantised } from './sample.ts';
import { stepsOf, type Steps } from './steps.ts';
import { bakedView, stillView, type View } from './view.ts';

/** A rider's art, and each channel of its pose over the loop. */
export interface DrawnArt {
  readonly kind: 'art';
  /** Id and name of the rider. */
  readonly id: string;
  readonly name: string;
  readonly art: Art;
  readonly curves: Readonly<Record<Channel, Curve>>;
  /** The pose that is shown, counted from 1; 0: nothing is. */
  readonly pose: Steps;
  /** 1 while it is drawn at this place of the order, else 0: what goes behind something stands in it more than once. */
  readonly shown: Steps;
  /** The line within which it is seen, or outside of which, by the even-odd rule; on the canvas. */
  readonly inside: Inside | null;
  /** How far the view's movement moves it. */
  readonly parallax: number;
}

export interface Inside {
  readonly nodes: readonly PathNode[];
  readonly keep: 'inside' | 'outside';
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
  /** Seconds that are played: of something that goes there and back, both ways. */
  readonly length: number;
  /** Seconds of one way. */
  readonly duration: number;
  readonly repeat: Repeat;
  /** Delivered px of a canvas px: the tolerance is of those. */
  readonly scale: number;
  /** The scene's frames a second; its curves are continuous. */
  readonly fps: number;
  /** How often it is played; null: for ever. */
  readonly times: number | null;
  /** What drives it on a page. */
  readonly driver: Driver;
  /** What a camera makes of the canvas; null where there is none. */
  readonly view: View | null;
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
  const view = bakedView(scene, motion, tolerance / scale);
  const reach = view ? view.reach : tolerance / scale;
  const order = displayOrder(scene);
  const drawing = order.flatMap((one, i): Drawn[] => {
    const tell = (share: number): void => onProgress?.((i + share) / order.length);
    const drawn =
      one.kind === 'rider' ? drawnArt(scene, motion, one, reach, cubic, tell) : drawnStroke(scene, motion, one, reach);
    tell(1);
    return drawn ? [drawn] : [];
  });
  return takeOf(scene, motion, view?.curves ?? null, drawing, scale);
}

function takeOf(scene: Scene, motion: Motion, view: View | null, drawing: readonly Drawn[], scale = 1): Take {
  const { name, canvas, clock, driver } = scene;
  const { duration, repeat, fps } = clock;
  const times = repeat === 'once' ? 1 : clock.times;
  return {
    ...{ name, canvas, length: motion.length, duration, repeat, scale, fps, times, driver, view, drawing },
    assets: assetsOf(scene, drawing),
  };
}

/** The scene as the evaluator has it at one time, s: a take in which nothing moves. */
export function stillTake(scene: Scene, time: number): Take {
  const motion = prepare(scene);
  const poses = motion.poseAt(time);
  const still = (value: number): Curve => [{ time: 0, value }];
  const drawing = displayOrder(scene).flatMap((one): Drawn[] => {
    if (one.kind === 'stroke') {
      const drawn = drawnStroke(scene, motion, one, BAKE_TOLERANCE);
      const rider = motion.riders[drawerOf(scene, one.guide)];
      if (!drawn?.share || !rider) return drawn ? [drawn] : [];
      const share = drawnShare(rider.distanceAt(rider.takenAt(time, 1)), pathOfGuide(one.guide).length);
      return [{ ...drawn, share: still(share) }];
    }
    const { rider, index, under } = one;
    const art = artById(scene, rider.art);
    if (!rider.output || !art || poses.of(index, 'under') !== under) return [];
    const curves = Object.fromEntries(
      CHANNELS.map((channel) => [channel, still(poses.of(index, channel))]),
    ) as DrawnArt['curves'];
    const { id, name, parallax } = rider;
    const steps = { pose: still(poses.of(index, 'pose')), shown: still(1) };
    return [{ kind: 'art', id, name, art, curves, ...steps, inside: insideOf(scene, rider), parallax }];
  });
  return takeOf(scene, motion, stillView(scene, motion, poses), drawing);
}

function assetsOf({ assets }: Scene, drawing: readonly Drawn[]): Scene['assets'] {
  const arts = drawing.flatMap((drawn) => (drawn.kind === 'art' ? [drawn.art] : []));
  return Object.fromEntries([...new Set(usedAssets(arts))].map((name) => [name, assets[name] ?? '']));
}

function drawnArt(
  scene: Scene,
  motion: Motion,
  { rider, index, under }: Displayed & { kind: 'rider' },
  tolerance: number,
  cubic: boolean,
  tell: (share: number) => void,
): DrawnArt | undefined {
  const art = artById(scene, rider.art);
  const moving = motion.riders[index];
  if (!rider.output || !art || !moving) return undefined;
  const shown = stepsOf(moving, motion.length, 'under', (value) => (value === under ? 1 : 0));
  if (shown.every(({ value }) => value === 0)) return undefined;
  const pose = stepsOf(moving, motion.length, 'pose');
  const curves = curvesOf(moving, motion.length, pivotBoxOf(art), tolerance, cubic, tell);
  const { id, name, parallax } = rider;
  return { kind: 'art', id, name, art, curves, pose, shown, inside: insideOf(scene, rider), parallax };
}

function insideOf(scene: Scene, { inside }: Rider): Inside | null {
  const guide = inside && guideById(scene, inside.guide);
  return guide ? { nodes: guide.nodes, keep: inside.keep } : null;
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
