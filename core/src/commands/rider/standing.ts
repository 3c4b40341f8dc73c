import { IDENTITY_MATRIX, inverseOf, productOf, transformed, type Matrix, type Vec } from '../../geometry/index.ts';
import { POSE, prepare } from '../../motion/index.ts';
import { newRider, riderById, type Rider, type Scene } from '../../scene/index.ts';
import { replaceRider } from '../edits.ts';

const DEGREES = 180 / Math.PI;

/** An angle in rad as degrees in (−180, 180], rounded to a millionth. */
export function degreesNear(angle: number): number {
  const turns = (angle * DEGREES) / 360;
  const rest = (turns - Math.ceil(turns - 0.5)) * 360;
  return Math.round(rest * 1e6) / 1e6 + 0;
}

/** Turn, width and height of a matrix; mirrored where the height is negative. */
const factorsOf = ([a, b, c, d]: Matrix): { angle: number; wide: number; high: number } => {
  const wide = Math.hypot(a, b);
  return { angle: Math.atan2(b, a), wide, high: wide === 0 ? Math.hypot(c, d) : (a * d - b * c) / wide };
};

const rounded = (value: number): number => Math.round(value * 1e9) / 1e9 + 0;

const linear = (pose: Float64Array): Matrix => [
  pose[POSE.a] ?? 1,
  pose[POSE.b] ?? 0,
  pose[POSE.c] ?? 0,
  pose[POSE.d] ?? 1,
  0,
  0,
];

/** The pose of a rider on the canvas at a time, s. */
export const poseOf = (scene: Scene, id: string, time: number): Float64Array | undefined =>
  prepare(scene).rider(id)?.poseAt(time);

/** An offset on the canvas as one of a rider's frame at a time, s; none where that frame is drawn to nothing. */
export function inFrame(scene: Scene, { carrier }: Rider, [dx, dy]: Vec, time: number): Vec {
  const pose = carrier ? poseOf(scene, carrier.rider, time) : undefined;
  if (!pose) return [dx, dy];
  const back = inverseOf(linear(pose));
  return back ? transformed(back, [dx, dy]) : [0, 0];
}

/** A point of the canvas as one of the frame of a carrier (null: the canvas itself) at a time, s. */
export function pointInFrame(scene: Scene, carrier: string | null, [x, y]: Vec, time: number): Vec {
  const pose = carrier === null ? undefined : poseOf(scene, carrier, time);
  const back = pose && inverseOf(linear(pose));
  if (!pose || !back) return [x, y];
  return transformed(back, [x - (pose[POSE.e] ?? 0), y - (pose[POSE.f] ?? 0)]);
}

/** A rider that stands as its carrier makes it, with nothing of its own. */
const bare = (rider: Rider): Rider => ({
  ...newRider({ id: rider.id, name: rider.name, art: rider.art }),
  pace: rider.pace,
  carrier: rider.carrier,
});

/**
 * A parked rider stood so that at a time, s, it is where, and turned and scaled as, a pose says. What is keyed stays and counts. Where its carrier is drawn out of shape and
 * bequeaths that, it is as near as turn and scale can come.
 */
export function stoodAs(scene: Scene, id: string, time: number, pose: Float64Array): Scene {
  const rider = riderById(scene, id);
  if (!rider) return scene;
  const carrier = rider.carrier ? poseOf(scene, rider.carrier.rider, time) : undefined;
  const frame = carrier ? linear(carrier) : IDENTITY_MATRIX;
  const inherited = poseOf(replaceRider(scene, bare(rider)), id, time);
  const keyed = poseOf(replaceRider(scene, { ...rider, carrier: null, at: [0, 0], stand: 0, scale: [1, 1] }), id, time);
  const back = inverseOf(frame);
  const undo = inherited && inverseOf(linear(inherited));
  if (!inherited || !keyed || !back || !undo) return scene;
  const dx = (pose[POSE.x] ?? 0) - (carrier?.[POSE.e] ?? 0);
  const dy = (pose[POSE.y] ?? 0) - (carrier?.[POSE.f] ?? 0);
  const [x, y] = transformed(back, [dx, dy]);
  const { angle, wide, high } = factorsOf(productOf(undo, linear(pose)));
  const [sx, sy] = rider.scale;
  // One that is mirrored by its heading stays so by the way it stands; one that was flipped by hand stays flipped that way.
  const isMirrored = rider.heading.left === 'mirror' && (high < 0 !== sx < 0) !== sy < 0;
  const turned = sx < 0 ? angle + Math.PI : angle;
  const fine = keyed[POSE.angle] ?? 0;
  const [kx, ky] = [keyed[POSE.scaleX] || 1, keyed[POSE.scaleY] || 1];
  const across = (sx < 0 ? -wide : wide) / kx;
  const over = (sx < 0 !== isMirrored ? -high : high) / ky;
  return replaceRider(scene, {
    ...rider,
    at: [rounded(x), rounded(y)],
    stand: degreesNear(isMirrored ? turned + fine : turned - fine),
    scale: [rounded(across), rounded(over)],
  });
}
