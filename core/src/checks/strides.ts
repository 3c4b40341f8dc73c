import { prepare } from '../motion/index.ts';
import type { Rider, Scene } from '../scene/index.ts';

/** Share of a round of poses by which it may miss a whole one and still count as closing. */
const CLOSES = 1e-4;

/** Rounds of its poses that a rider goes through in its cycle by distance, and the nearest stride, px, with which they are whole; undefined where they are, and where it goes nowhere. */
export function stridesOf(
  scene: Scene,
  { id, poses }: Rider,
): { readonly rounds: number; readonly stride: number | undefined } {
  const moving = prepare(scene).rider(id);
  if (!moving?.line) return { rounds: 0, stride: undefined };
  const { delay, cycle } = moving.folding;
  const way = Math.abs(moving.footAt(delay + cycle, -1) - moving.footAt(delay, 1));
  const rounds = way / poses.stride;
  const whole = Math.max(1, Math.round(rounds));
  return { rounds, stride: way === 0 || Math.abs(rounds - whole) < CLOSES ? undefined : way / whole };
}
