import { cameraOf, POSE, POSE_SIZE } from '@pace-line/core';
import type { Figure } from '../figure.ts';
import { shape } from '../shapes.ts';
import type { CanvasNow } from './now.ts';

/** What the scene's camera sees, with a tick at its upper edge; not in what is sent. */
export const camera: Figure<CanvasNow> = {
  id: 'camera-frame',
  of: ({ scene, frame }) => [scene.camera === null ? null : frame],
  draw({ scene, frame: { motion, poses } }) {
    const row = cameraOf(scene, motion) * POSE_SIZE;
    if (scene.camera === null || row < 0) return null;
    const at = (key: number): number => poses.data[row + key] ?? 0;
    const [cos, sin] = [Math.cos(at(POSE.angle)), Math.sin(at(POSE.angle))];
    const w = (scene.canvas.width / 2) * Math.abs(at(POSE.scaleX));
    const h = (scene.canvas.height / 2) * Math.abs(at(POSE.scaleY));
    const point = (u: number, v: number): string =>
      `${(at(POSE.x) + cos * u - sin * v).toFixed(2)} ${(at(POSE.y) + sin * u + cos * v).toFixed(2)}`;
    const box = `M${point(-w, -h)}L${point(w, -h)}L${point(w, h)}L${point(-w, h)}Z`;
    const tick = `M${point(0, -h)}L${point(0, -h * 0.93)}`;
    return { parts: [shape('path', { d: box + tick })] };
  },
};
