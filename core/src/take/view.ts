import { cameraOf, LEAST_VIEW, type Motion, type Poses } from '../motion/index.ts';
import type { Scene } from '../scene/index.ts';
import type { Curve } from './curve.ts';
import { playedBefore, settled } from './lead-in.ts';
import { reducedCurve } from './reduce.ts';
import { samplePieces, type PivotBox, type Sample } from './sample.ts';

/** What a camera makes of the canvas: the point that it looks at (px), its turn (rad), and how much larger things are shown. */
export interface ViewCurves {
  readonly x: Curve;
  readonly y: Curve;
  readonly angle: Curve;
  readonly zoomX: Curve;
  readonly zoomY: Curve;
}

/** The same over the loop, and in the lead-in: whether its loop begins with that; else its curves there, null where it stands as the loop begins, and where that was not asked for. */
export interface View extends ViewCurves {
  readonly runs: boolean;
  readonly entering: ViewCurves | null;
}

/** Share of the tolerance for the view; the rest is for what it shows. */
const VIEW_SHARE = 0.5;

/** Of that: for each of four things that change, and for what is not looked at between samples. */
const EACH = 0.22;
const SAMPLING = 0.1;

const zoomOf = (scale: number): number => 1 / Math.max(LEAST_VIEW, Math.abs(scale));

/** The curves of a scene's camera within a share of the tolerance, px of what is shown; `reach`: what is left for the riders, px of the canvas. */
export function bakedView(
  scene: Scene,
  motion: Motion,
  tolerance: number,
  leadIn = 0,
): { readonly curves: View; readonly reach: number } | undefined {
  const rider = motion.riders[cameraOf(scene, motion)];
  if (!rider) return undefined;
  const { width, height } = scene.canvas;
  const own = tolerance * VIEW_SHARE;
  const window: PivotBox = [-width / 2, -height / 2, width / 2, height / 2];
  const isLed = leadIn > 0 && rider.entering.length > 0;
  const runs = isLed && rider.runsBefore;
  const led = isLed && !runs ? playedBefore(rider, leadIn) : undefined;
  const sampled = (within: number): Sample[][][] => [
    samplePieces(rider, motion.length, window, within),
    ...(led ? [samplePieces(led, leadIn, window, within)] : []),
  ];
  const least = smallest(sampled(own).flat(2));
  const [loop = [], lead] = sampled(own * SAMPLING * Math.min(1, least));
  const most = 1 / Math.max(LEAST_VIEW, least);
  const largest = [...loop, ...(lead ?? [])]
    .flat()
    .reduce((max, one) => Math.max(max, Math.abs(one.scaleX), Math.abs(one.scaleY)), 0);
  const limits: Limits = {
    place: (own * EACH) / most,
    angle: (own * EACH) / (Math.hypot(width, height) / 2),
    zoom: (own * EACH) / ((Math.hypot(width, height) / 2) * largest),
  };
  const curves = viewCurves(loop, limits);
  const entering = lead && viewCurves(lead, limits);
  const isOther = entering && VIEWED.some((key) => !isConstantAt(entering[key], curves[key][0]?.value));
  return {
    curves: { ...curves, runs, entering: isOther ? entering : null },
    reach: (tolerance * (1 - VIEW_SHARE)) / most,
  };
}

const VIEWED = ['x', 'y', 'angle', 'zoomX', 'zoomY'] as const;

/** What each of a view's curves may be off by: px, rad, and a factor. */
interface Limits {
  readonly place: number;
  readonly angle: number;
  readonly zoom: number;
}

function viewCurves(pieces: readonly (readonly Sample[])[], { place, angle, zoom }: Limits): ViewCurves {
  const curve = (of: (sample: Sample) => number, within: number): Curve =>
    settled(
      reducedCurve(
        pieces.map((piece) => piece.map((sample) => ({ time: sample.time, value: of(sample) }))),
        { tolerance: within, grid: 10 ** Math.floor(Math.log10(within / 10)), cubic: true },
      ),
    );
  return {
    x: curve(({ x }) => x, place),
    y: curve(({ y }) => y, place),
    angle: curve((sample) => sample.angle, angle),
    zoomX: curve(({ scaleX }) => zoomOf(scaleX), zoom),
    zoomY: curve(({ scaleY }) => zoomOf(scaleY), zoom),
  };
}

const isConstantAt = (curve: Curve, value: number | undefined): boolean =>
  curve.length === 1 && curve[0]?.value === value;

/** The same as the camera has it at one time: every curve a constant. */
export function stillView(scene: Scene, motion: Motion, poses: Poses): View | null {
  const index = cameraOf(scene, motion);
  if (index < 0) return null;
  const at = (key: 'x' | 'y' | 'angle' | 'scaleX' | 'scaleY'): number => poses.of(index, key);
  const still = (value: number): Curve => [{ time: 0, value }];
  return {
    x: still(at('x')),
    y: still(at('y')),
    angle: still(at('angle')),
    zoomX: still(zoomOf(at('scaleX'))),
    zoomY: still(zoomOf(at('scaleY'))),
    runs: false,
    entering: null,
  };
}

const smallest = (samples: readonly Sample[]): number =>
  samples.reduce((min, one) => Math.min(min, Math.abs(one.scaleX), Math.abs(one.scaleY)), Infinity);
