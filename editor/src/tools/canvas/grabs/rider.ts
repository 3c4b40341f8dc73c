import {
  artById,
  inverseOf,
  moveRiders,
  nearestOnPath,
  pathOfGuide,
  POSE,
  POSE_SIZE,
  riderById,
  transformed,
  type Poses,
  type Scene,
} from '@pace-line/core';
import { selectRider, toggled } from '../../../document/index.ts';
import { isInHand } from '../../in-hand.ts';
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

/** Screen px from a guide within which a rider that is dropped is meant for it. */
const ONTO = 10;

/** The guide on the canvas that a point lies on, the nearest first. */
function guideUnder({ guides }: Scene, [x, y]: readonly [number, number], zoom: number): string | undefined {
  let best: { readonly id: string; readonly gap: number } | undefined;
  for (const guide of guides) {
    if (!isInHand(guide) || guide.carrier !== null) continue;
    const near = nearestOnPath(pathOfGuide(guide), x, y, ONTO / zoom);
    if (near && near.gap <= ONTO / zoom && (!best || near.gap < best.gap)) best = { id: guide.id, gap: near.gap };
  }
  return best?.id;
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
        done({ zoom }) {
          const now = riderById(host.scene(), hit.rider);
          const guide =
            ids.length === 1 && now?.guide === null && !now.carrier && guideUnder(host.scene(), now.at, zoom);
          if (guide) host.offerRide(hit.rider, guide);
        },
      };
    if (pressed.ctrl) return lookAlong(host, one);
    const index = scene.riders.indexOf(one);
    return dragOnGuide(host, one, [host.poses().of(index, 'x'), host.poses().of(index, 'y')]);
  },
};
