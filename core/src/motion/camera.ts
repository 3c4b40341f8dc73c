import type { Scene } from '../scene/index.ts';
import type { Motion } from './motion.ts';
import { POSE, POSE_SIZE } from './slots.ts';

/** Size below which a camera sees a point: it is held there. */
export const LEAST_VIEW = 1e-3;

/** The camera of a scene: the row in which the rider's pose stands through which it is looked at; −1 where there is none. */
export const cameraOf = (scene: Scene, motion: Motion): number =>
  scene.camera === null ? -1 : motion.indexOf(scene.camera);

/**
 * The matrix from the canvas to what the camera shows, written into `out` as a, b, c, d, e, f: translate(middle of the canvas) · scale(1 / |scaleX|, 1 / |scaleY|) · rotate(−angle) ·
 * translate(−place). Skew and mirroring do not count. The place that a rider with a parallax of f sees is middle + f · (place − middle).
 */
export function viewOf(
  { width, height }: Scene['canvas'],
  poses: Float64Array,
  camera: number,
  parallax = 1,
  out: Float64Array = new Float64Array(6),
): Float64Array {
  const at = (key: number): number => poses[camera * POSE_SIZE + key] ?? 0;
  const [middleX, middleY] = [width / 2, height / 2];
  const zoomX = 1 / Math.max(LEAST_VIEW, Math.abs(at(POSE.scaleX)));
  const zoomY = 1 / Math.max(LEAST_VIEW, Math.abs(at(POSE.scaleY)));
  const [cos, sin] = [Math.cos(at(POSE.angle)), Math.sin(at(POSE.angle))];
  const x = middleX + parallax * (at(POSE.x) - middleX);
  const y = middleY + parallax * (at(POSE.y) - middleY);
  out[0] = zoomX * cos;
  out[1] = -zoomY * sin;
  out[2] = zoomX * sin;
  out[3] = zoomY * cos;
  out[4] = middleX - zoomX * (cos * x + sin * y);
  out[5] = middleY - zoomY * (cos * y - sin * x);
  return out;
}
