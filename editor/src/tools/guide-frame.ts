import {
  inverseOf,
  moveGuides,
  POSE,
  POSE_SIZE,
  productOf,
  type Guide,
  type Matrix,
  type Poses,
  type Scene,
} from '@pace-line/core';
import type { Pointer } from './pointer.ts';

type Vec = readonly [number, number];

/** What a guide lies in now: the canvas, or the rider that carries it. Its own px are the guide's, the canvas's all else on the Desk. */
export interface GuideFrame {
  /** Canvas px for each of its own, in the mean. */
  readonly scale: number;
  /** A place of the guide on the canvas. */
  readonly toCanvas: (at: Vec) => [number, number];
  /** A place of the canvas in the guide's px. */
  readonly toGuide: (at: Vec) => [number, number];
  /** A way on the canvas in the guide's px, wherever it begins. */
  readonly wayToGuide: (way: Vec) => [number, number];
  /** A way of the guide on the canvas. */
  readonly wayToCanvas: (way: Vec) => [number, number];
  /** What a matrix does on the canvas, in the guide's px. */
  readonly matrixToGuide: (matrix: Matrix) => Matrix;
}

const same = ([x, y]: Vec): [number, number] => [x, y];

const CANVAS: GuideFrame = {
  ...{ scale: 1, toCanvas: same, toGuide: same, wayToGuide: same, wayToCanvas: same },
  matrixToGuide: (matrix) => matrix,
};

const through = (m: Matrix, x: number, y: number): [number, number] => [
  m[0] * x + m[2] * y + m[4],
  m[1] * x + m[3] * y + m[5],
];

/** What a guide lies in as riders stand now: the canvas where there is none; undefined where its carrier is as small as nothing. */
export const guideFrame = (scene: Scene, poses: Poses, guide: Guide | undefined): GuideFrame | undefined =>
  frameOn(scene, poses, guide?.carrier ?? null);

/** The same of what a rider carries: its id; null: nobody does. */
export function frameOn(scene: Scene, poses: Poses, carrier: string | null): GuideFrame | undefined {
  if (carrier === null) return CANVAS;
  const at = scene.riders.findIndex(({ id }) => id === carrier) * POSE_SIZE;
  if (at < 0) return CANVAS;
  const m = (key: number): number => poses.data[at + key] ?? 0;
  const to: Matrix = [m(POSE.a), m(POSE.b), m(POSE.c), m(POSE.d), m(POSE.e), m(POSE.f)];
  const back = inverseOf(to);
  if (!back) return undefined;
  return {
    scale: Math.sqrt(Math.abs(to[0] * to[3] - to[1] * to[2])),
    toCanvas: ([x, y]) => through(to, x, y),
    toGuide: ([x, y]) => through(back, x, y),
    wayToGuide: ([x, y]) => [back[0] * x + back[2] * y, back[1] * x + back[3] * y],
    wayToCanvas: ([x, y]) => [to[0] * x + to[2] * y, to[1] * x + to[3] * y],
    matrixToGuide: (matrix) => productOf(back, productOf(matrix, to)),
  };
}

/** A pointer as one in a guide's px. */
export function pointerIn({ scale, toGuide }: GuideFrame, pointer: Pointer): Pointer {
  const [x, y] = toGuide([pointer.x, pointer.y]);
  return { ...pointer, x, y, zoom: pointer.zoom * scale };
}

/** Whether a guide goes with a rider: then time stands still while it is held. */
export const isCarried = (scene: Scene, guide: string): boolean =>
  scene.guides.some(({ id, carrier }) => id === guide && carrier !== null);

/** Guides moved by a way on the canvas, each as it lies there now: what is linked to another goes with that. */
export function guidesMoved(
  scene: Scene,
  poses: Poses,
  { ids, dx, dy }: { readonly ids: readonly string[]; readonly dx: number; readonly dy: number },
): Scene {
  // A copy whose original goes as well goes with that.
  const own = ids.filter((id) => {
    const link = scene.guides.find((one) => one.id === id)?.link;
    return !(link?.kind === 'copy' && ids.includes(link.of));
  });
  const carried = own.filter((id) => isCarried(scene, id));
  const lying = own.filter((id) => !carried.includes(id));
  return carried.reduce(
    (sum, id) => {
      const guide = scene.guides.find((one) => one.id === id);
      const [x, y] = (guide && guideFrame(scene, poses, guide)?.wayToGuide([dx, dy])) ?? [0, 0];
      return moveGuides(sum, { ids: [id], dx: x, dy: y });
    },
    lying.length > 0 ? moveGuides(scene, { ids: lying, dx, dy }) : scene,
  );
}
