import { cameraOf, LEAST_VIEW, type Motion, type Poses } from '../motion/index.ts';
import type { Scene } from '../scene/index.ts';
import type { Curve } from './curve.ts';
import { reducedCurve } from './reduce.ts';
import { samplePieces, type PivotBox, type Sample } from './sample.ts';

/** What a camera makes of the canvas over the loop: the point that it looks at (px), its turn (rad), and how much larger things are shown. */
export interface View {
  readonly x: Curve;
  readonly y: Curve;
  readonly angle: Curve;
  readonly zoomX: Curve;
  readonly zoomY: Curve;
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
): { readonly curves: View; readonly reach: number } | undefined {
  const rider = motion.riders[cameraOf(scene, motion)];
  if (!rider) return undefined;
  const { width, height } = scene.canvas;
  const own = tolerance * VIEW_SHARE;
  const window: PivotBox = [-width / 2, -height / 2, width / 2, height / 2];
  const least = smallest(samplePieces(rider, motion.length, window, own).flat());
  const pieces = samplePieces(rider, motion.length, window, own * SAMPLING * Math.min(1, least));
  const most = 1 / Math.max(LEAST_VIEW, least);
  const largest = pieces.flat().reduce((max, one) => Math.max(max, Math.abs(one.scaleX), Math.abs(one.scaleY)), 0);
  const reach = Math.hypot(width, height) / 2;
  const curve = (of: (sample: Sample) => number, within: number): Curve =>
    reducedCurve(
      pieces.map((piece) => piece.map((sample) => ({ time: sample.time, value: of(sample) }))),
      { tolerance: within, grid: 10 ** Math.floor(Math.log10(within / 10)), cubic: true },
    );
  return {
    curves: {
      x: curve(({ x }) => x, (own * EACH) / most),
      y: curve(({ y }) => y, (own * EACH) / most),
      angle: curve(({ angle }) => angle, (own * EACH) / reach),
      zoomX: curve(({ scaleX }) => zoomOf(scaleX), (own * EACH) / (reach * largest)),
      zoomY: curve(({ scaleY }) => zoomOf(scaleY), (own * EACH) / (reach * largest)),
    },
    reach: (tolerance * (1 - VIEW_SHARE)) / most,
  };
}

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
  };
}

const smallest = (samples: readonly Sample[]): number =>
  samples.reduce((min, one) => Math.min(min, Math.abs(one.scaleX), Math.abs(one.scaleY)), Infinity);
