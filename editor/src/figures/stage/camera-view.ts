import { viewOf, type Scene } from '@pace-line/core';
import type { PlacedRiders } from './placed.ts';
import { rounded } from './svg.ts';

/** What a scene's camera makes of a stage. */
export interface CameraView {
  /** The matrix from the canvas to what it shows; empty without one. */
  readonly transform: string;
  /** Brings it to a frame; `camera`: its row in the poses, −1 for none. */
  update: (scene: Scene, camera: number, poses: Float64Array) => void;
}

export function createCameraView(riders: PlacedRiders): CameraView {
  const plain = new Float64Array(6);
  const far = new Float64Array(6);
  let transform = '';
  let isOn = false;
  return {
    get transform() {
      return transform;
    },
    update(scene, camera, poses) {
      if (camera < 0) {
        if (!isOn) return;
        isOn = false;
        transform = '';
        for (const { id } of scene.riders) riders.shift(id, '');
        return;
      }
      isOn = true;
      viewOf(scene.canvas, poses, camera, 1, plain);
      transform = matrixOf(plain);
      for (const { id, parallax } of scene.riders) {
        if (parallax !== 1) viewOf(scene.canvas, poses, camera, parallax, far);
        riders.shift(id, parallax === 1 ? '' : matrixOf(against(plain, far)));
      }
    },
  };
}

/** The matrix that makes `to` of what `from` is going to be applied to: the inverse of the one, times the other. */
function against(from: Float64Array, to: Float64Array): Float64Array {
  const [a = 1, b = 0, c = 0, d = 1] = from;
  // Both have the same turn and size: what differs is the place.
  const [dx, dy] = [(to[4] ?? 0) - (from[4] ?? 0), (to[5] ?? 0) - (from[5] ?? 0)];
  const det = a * d - b * c;
  return Float64Array.of(1, 0, 0, 1, (d * dx - c * dy) / det, (a * dy - b * dx) / det);
}

const matrixOf = (m: Float64Array): string => `matrix(${Array.from(m, (value) => rounded(value)).join(' ')})`;
