import { POSE, POSE_SIZE, type Motion } from '../motion/index.ts';
import type { Side } from '../geometry/index.ts';
import { QUANTUM } from '../tolerances.ts';

/** A rider's pose at a time of the loop, as the channels that players interpolate: s, px, rad, factors, share. */
export interface Key {
  readonly time: number;
  readonly x: number;
  readonly y: number;
  readonly angle: number;
  readonly scaleX: number;
  readonly scaleY: number;
  readonly opacity: number;
}

export const CHANNELS = ['x', 'y', 'angle', 'scaleX', 'scaleY', 'opacity'] as const;
export type Channel = (typeof CHANNELS)[number];

/** A number on the grid on which engines agree; never −0. */
export const quantised = (value: number): number => Math.round(value / QUANTUM) * QUANTUM + 0;

const scratch = new Float64Array(POSE_SIZE);

/** The key of a rider at a time; `side` −1 takes the limit from before. */
export function keyAt(motion: Motion, rider: number, time: number, side: Side): Key {
  motion.poseRiderAt(rider, time, scratch, 0, side);
  const read = (at: number): number => quantised(scratch[at] ?? 0);
  return {
    time,
    x: read(POSE.x),
    y: read(POSE.y),
    angle: read(POSE.angle),
    scaleX: read(POSE.scaleX),
    scaleY: read(POSE.scaleY),
    opacity: read(POSE.opacity),
  };
}

/** What a player shows between two keys: every channel in a straight line. */
export function between(a: Key, b: Key, time: number): Key {
  const u = b.time > a.time ? (time - a.time) / (b.time - a.time) : 1;
  const mix = (from: number, to: number): number => from + (to - from) * u;
  return {
    time,
    x: mix(a.x, b.x),
    y: mix(a.y, b.y),
    angle: mix(a.angle, b.angle),
    scaleX: mix(a.scaleX, b.scaleX),
    scaleY: mix(a.scaleY, b.scaleY),
    opacity: mix(a.opacity, b.opacity),
  };
}

/** The art's box about its pivot, px: left, top, right, bottom. */
export type PivotBox = readonly [left: number, top: number, right: number, bottom: number];

/** Largest distance between the corners of an art's box under two keys, px. */
export function cornerGap(a: Key, b: Key, [left, top, right, bottom]: PivotBox): number {
  const cosA = Math.cos(a.angle);
  const sinA = Math.sin(a.angle);
  const cosB = Math.cos(b.angle);
  const sinB = Math.sin(b.angle);
  const xx = cosA * a.scaleX - cosB * b.scaleX;
  const xy = -sinA * a.scaleY + sinB * b.scaleY;
  const yx = sinA * a.scaleX - sinB * b.scaleX;
  const yy = cosA * a.scaleY - cosB * b.scaleY;
  const dx = a.x - b.x;
  const dy = a.y - b.y;
  const gap = (u: number, v: number): number => Math.hypot(dx + xx * u + xy * v, dy + yx * u + yy * v);
  return Math.max(gap(left, top), gap(right, top), gap(left, bottom), gap(right, bottom));
}
