import type { Side } from '../geometry/index.ts';
import { cameraOf, POSE, viewOf, type Motion } from '../motion/index.ts';
import { artById, type Rider, type Scene } from '../scene/index.ts';
import { UNSEEN_OPACITY } from '../tolerances.ts';

/** Whether a rider is part of what is seen: it is sent, or the scene is looked at through it. */
export const isWatched = (scene: Scene, { id, output }: Rider): boolean => output || id === scene.camera;

/** Tells whether nothing of a rider can be seen in a pose that it has at a time, and that stands in `data` from `offset` on. */
export type IsUnseen = (rider: Rider, data: Float64Array, time: number, side?: Side, offset?: number) => boolean;

/** What of a scene can be seen: what is neither transparent, nor without a pose, nor wholly outside the canvas or what the camera shows of it. A camera itself is always seen. */
export function sightOf(scene: Scene, motion: Motion): IsUnseen {
  const camera = motion.riders[cameraOf(scene, motion)];
  return (rider, data, time, side = 1, offset = 0) => {
    if (rider.id === scene.camera) return false;
    const isClear = (data[offset + POSE.opacity] ?? 1) <= UNSEEN_OPACITY || data[offset + POSE.pose] === 0;
    if (isClear) return true;
    const view = camera && viewOf(scene.canvas, camera.poseAt(time, side), 0, rider.parallax);
    return isOut(scene, rider, data, offset, view);
  };
}

/** Whether the box of a rider's art, in the pose that stands in `data` from `offset` on, lies wholly outside the canvas, as the camera sees it. */
function isOut(
  scene: Scene,
  rider: Rider,
  data: Float64Array,
  offset: number,
  view: Float64Array | undefined,
): boolean {
  const art = artById(scene, rider.art);
  if (!art) return true;
  const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => data[offset + POSE[key]] ?? 0;
  const seen = (x: number, y: number): readonly [number, number] =>
    view
      ? [
          (view[0] ?? 1) * x + (view[2] ?? 0) * y + (view[4] ?? 0),
          (view[1] ?? 0) * x + (view[3] ?? 1) * y + (view[5] ?? 0),
        ]
      : [x, y];
  const corners = [0, art.width].flatMap((x) =>
    [0, art.height].map((y) => seen(m('a') * x + m('c') * y + m('e'), m('b') * x + m('d') * y + m('f'))),
  );
  const xs = corners.map(([x]) => x);
  const ys = corners.map(([, y]) => y);
  return (
    Math.max(...xs) < 0 ||
    Math.min(...xs) > scene.canvas.width ||
    Math.max(...ys) < 0 ||
    Math.min(...ys) > scene.canvas.height
  );
}
