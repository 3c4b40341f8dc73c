import { POSE } from '../motion/index.ts';
import { artById, type Rider, type Scene } from '../scene/index.ts';
import { UNSEEN_OPACITY } from '../tolerances.ts';

/** Whether nothing of a rider can be seen in the pose that stands in `data` from `offset` on: it is transparent, shows no pose, or lies wholly outside the canvas. */
export function isUnseen(scene: Scene, rider: Rider, data: Float64Array, offset = 0): boolean {
  const isClear = (data[offset + POSE.opacity] ?? 1) <= UNSEEN_OPACITY || data[offset + POSE.pose] === 0;
  return isClear || isOffCanvas(scene, rider, data, offset);
}

/** Whether the box of a rider's art, in the pose that stands in `data` from `offset` on, lies wholly outside the canvas. */
function isOffCanvas(scene: Scene, rider: Rider, data: Float64Array, offset = 0): boolean {
  const art = artById(scene, rider.art);
  if (!art) return true;
  const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => data[offset + POSE[key]] ?? 0;
  const corners = [0, art.width].flatMap((x) =>
    [0, art.height].map((y) => [m('a') * x + m('c') * y + m('e'), m('b') * x + m('d') * y + m('f')] as const),
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
