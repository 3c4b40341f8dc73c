import { setHeading, setRider } from '../../../commands/index.ts';
import { prepare } from '../../../motion/index.ts';
import { riderById, type Rider, type Scene } from '../../../scene/index.ts';
import type { Finding } from '../../check.ts';
import { sizeOf, type Knob } from './knob.ts';

/** Frames in which it comes round a corner. */
const FRAMES = 4;

/** px that it covers in a few frames where something is found, and twice that; none where its guide does not lead it on then. */
function fewFrames(scene: Scene, rider: Rider, { at }: Finding): readonly [number, number] | undefined {
  const moving = prepare(scene).rider(rider.id);
  if (!moving?.path) return undefined;
  const speed = Math.max(Math.abs(moving.speedAt(at ?? 0, -1)), Math.abs(moving.speedAt(at ?? 0, 1)));
  const least = Math.ceil(Math.max(4, (speed * FRAMES) / scene.clock.fps));
  return [least, 2 * least];
}

/** The length over which its direction is averaged: what it covers in a few frames where it leaps. */
export const smooth: Knob<'smooth'> = {
  kind: 'smooth',
  digits: 0,
  isGiven: true,
  now: ({ heading }) => heading.smooth,
  tried(scene, rider, finding) {
    const values = rider.heading.mode === 'along' ? fewFrames(scene, rider, finding) : undefined;
    return values && values[0] > rider.heading.smooth ? [{ values }] : [];
  },
  set(scene, id, value) {
    const rider = riderById(scene, id);
    if (!rider) return scene;
    return setHeading(scene, { rider: id, heading: { ...rider.heading, smooth: value }, keepAngle: null });
  },
  size: (scene, rider, value) => Math.abs(value - rider.heading.smooth) / sizeOf(scene, rider),
  words: ({ to }, name) => `Smooth the heading of ${name} over ${to.toFixed(0)} px`,
};

/** The length over which the direction of its lift is averaged, likewise. */
export const rounding: Knob<'rounding'> = {
  kind: 'rounding',
  digits: 0,
  isGiven: true,
  now: (rider) => (rider.liftBy === 'rounded' ? rider.rounding : 0),
  tried(scene, rider, finding) {
    const isLifted = rider.lift !== 0 || rider.raise !== 0 || rider.keys.lift.length > 0;
    const values = isLifted && !rider.roll && rider.liftBy !== 'up' ? fewFrames(scene, rider, finding) : undefined;
    return values && values[0] > rounding.now(rider) ? [{ values }] : [];
  },
  set: (scene, id, value) => setRider(scene, { id, patch: { liftBy: 'rounded', rounding: value } }),
  size: (scene, rider, value) => (value - rounding.now(rider)) / sizeOf(scene, rider),
  words: ({ to }, name) => `Round the lift of ${name} over ${to.toFixed(0)} px`,
};
