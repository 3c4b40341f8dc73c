import { prepare, type Rider, type Scene } from '@pace-line/core';

/** px that a rider's foot covers in its cycle, the way back not counted; 0 where it stands. */
function wayOf(scene: Scene, rider: Rider): number {
  const moving = prepare(scene).rider(rider.id);
  if (!moving?.line) return 0;
  const { delay, cycle } = moving.folding;
  return Math.abs(moving.footAt(delay + cycle, -1) - moving.footAt(delay, 1));
}

/** Share of a round of poses by which it may miss a whole one and still count as closing. */
const CLOSES = 1e-4;

/** Rounds of its poses that a rider goes through in its cycle, and the nearest stride with which they are whole; undefined where they are. */
export function stridesOf(
  scene: Scene,
  rider: Rider,
): { readonly rounds: number; readonly stride: number | undefined } {
  const way = wayOf(scene, rider);
  const rounds = way / rider.poses.stride;
  const whole = Math.max(1, Math.round(rounds));
  const isClosed = way === 0 || Math.abs(rounds - whole) < CLOSES;
  return { rounds, stride: isClosed ? undefined : way / whole };
}
