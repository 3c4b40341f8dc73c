import { guideById, riderById, type Guide, type Rider, type Scene } from '../scene/index.ts';
import { prepare } from './motion.ts';
import type { RiderMotion } from './rider-motion.ts';

interface Known {
  readonly guide: Guide | undefined;
  readonly clock: Scene['clock'];
  readonly motion: RiderMotion | undefined;
}

const known = new WeakMap<Rider, Known>();

/** A rider's motion as it is set, on sheets and guides: what comes only the first time, and is at its end in the loop, as if it came with the loop. Undefined where there is none of that id. */
export function motionAsSet(scene: Scene, id: string): RiderMotion | undefined {
  const rider = riderById(scene, id);
  if (!rider?.pace.only) return prepare(scene).rider(id);
  const { clock } = scene;
  const guide = guideById(scene, rider.guide);
  const last = known.get(rider);
  if (last && last.guide === guide && last.clock === clock) return last.motion;
  const motion = prepare({ ...scene, riders: [alone(rider)] }).rider(id);
  known.set(rider, { guide, clock, motion });
  return motion;
}

/** A rider on its guide without all that it has of others, coming with the loop. */
const alone = (rider: Rider): Rider => ({
  ...rider,
  pace: { ...rider.pace, only: false, hidden: false, times: rider.pace.times ?? 1 },
  ...{ carrier: null, strung: null, behind: [], inside: null, entrance: null },
  heading: { ...rider.heading, mode: 'along' },
  poses: { ...rider.poses, by: 'still', mark: null },
});
