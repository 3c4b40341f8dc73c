import { artById, inverseOf, moveRiders, POSE, POSE_SIZE, riderById, transformed, type Poses } from '@pace-line/core';
import { selectRider, toggled } from '../../../document/index.ts';
import type { Pointer } from '../../pointer.ts';
import { drawnWay } from './drawn-way.ts';
import { RANKS, type Grab, type Hit } from './grab.ts';
import { dragOnGuide, lookAlong } from './rider-on-guide.ts';

/** Whether the art's box of the rider whose pose is at an index covers the pointer. */
function covers(poses: Poses, index: number, width: number, height: number, { x, y }: Pointer): boolean {
  const at = index * POSE_SIZE;
  const m = (key: number): number => poses.data[at + key] ?? 0;
  const back = inverseOf([m(POSE.a), m(POSE.b), m(POSE.c), m(POSE.d), m(POSE.e), m(POSE.f)]);
  if (!back) return false;
  const [u, v] = transformed(back, [x, y]);
  return u >= 0 && v >= 0 && u <= width && v <= height;
}

/** A rider: parked it is moved; on a guide it slides along it, or is lifted. */
export const rider: Grab<Hit & { kind: 'rider' }> = {
  kind: 'rider',
  find({ scene, poses, pointer, take }) {
    scene.riders.forEach((one, i) => {
      if (one.locked || !one.visible) return;
      const box = artById(scene, one.art);
      if (box && covers(poses, i, box.width, box.height, pointer))
        take({ kind: 'rider', rider: one.id }, RANKS.rider, -i);
    });
  },
  key: ({ rider: id }) => `rider ${id}`,
  cursor: () => 'grab',
  holdsTime: () => true,
  isSelected: (selection, hit) => selection.riders.includes(hit.rider),
  select: (before, hit, shift) =>
    shift
      ? { ...before, nodes: [], marks: [], keys: [], riders: toggled(before.riders, hit.rider) }
      : selectRider(hit.rider),
  begin(host, hit, pressed) {
    const scene = host.scene();
    const one = riderById(scene, hit.rider);
    const time = host.time();
    const ids = host.selection().riders.filter((id) => !riderById(scene, id)?.locked);
    if (!one || one.guide === null)
      return {
        gesture: host.begin(ids.length > 1 ? `Move ${ids.length} riders` : `Move ${one?.name ?? 'rider'}`),
        follow(base, a, b) {
          const [dx, dy] = drawnWay(host, one?.at ?? [pressed.x, pressed.y], a, b, { riders: ids });
          return moveRiders(base, { ids, dx, dy, time });
        },
      };
    if (pressed.ctrl) return lookAlong(host, one);
    const index = scene.riders.indexOf(one);
    return dragOnGuide(host, one, [host.poses().of(index, 'x'), host.poses().of(index, 'y')]);
  },
};
