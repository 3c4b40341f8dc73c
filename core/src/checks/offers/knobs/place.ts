import { setRider } from '../../../commands/index.ts';
import { prepare } from '../../../motion/index.ts';
import { riderById } from '../../../scene/index.ts';
import { drawnRadius } from '../../ride/index.ts';
import { bothWays, sizeOf, steps, type Knob } from './knob.ts';

/** How far beside its guide it rides: up to twice its size. */
export const lift: Knob<'lift'> = {
  kind: 'lift',
  digits: 1,
  now: (rider) => rider.lift,
  tried(scene, rider) {
    if (rider.guide === null || rider.roll !== null) return [];
    return bothWays(rider.lift, 2 * sizeOf(scene, rider));
  },
  set: (scene, id, value) => setRider(scene, { id, patch: { lift: value } }),
  size: (scene, rider, value) => Math.abs(value - rider.lift) / sizeOf(scene, rider),
  words: ({ from, to }, name) => `Lift ${name} by ${to > from ? '' : '−'}${Math.abs(to - from).toFixed(1)} px`,
};

/** How large it is: down to half. */
export const scale: Knob<'scale'> = {
  kind: 'scale',
  digits: 2,
  isOfLooks: true,
  now: () => 1,
  tried: (_, rider) => (rider.keys.scale.length > 0 ? [] : [{ values: steps(1, -0.5) }]),
  set(scene, id, value) {
    const rider = riderById(scene, id);
    const [x, y] = rider?.scale ?? [1, 1];
    return setRider(scene, { id, patch: { scale: [x * value, y * value] } });
  },
  size: (_scene, _rider, value) => Math.abs(1 - value),
  words: ({ to }, name) => `Scale ${name} to ${Math.round(to * 100)} %`,
};

/** The radius with which it rolls: that of what is drawn. */
export const radius: Knob<'radius'> = {
  kind: 'radius',
  digits: 2,
  isGiven: true,
  now: ({ roll }) => roll?.radius ?? 0,
  tried(scene, rider) {
    const drawn = rider.roll && drawnRadius(scene, rider);
    return drawn ? [{ values: [drawn] }] : [];
  },
  set(scene, id, value) {
    const roll = riderById(scene, id)?.roll;
    return roll ? setRider(scene, { id, patch: { roll: { ...roll, radius: value } } }) : scene;
  },
  size: (scene, rider, value) => Math.abs(value / (prepare(scene).rider(rider.id)?.radius ?? value) - 1),
  words: ({ to }, name) => `Roll ${name} with the radius of its drawing, ${to.toFixed(1)} px`,
};
