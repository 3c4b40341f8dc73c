import { IDENTITY_MATRIX, inverseOf, productOf, transformedNode, type Matrix } from '../../geometry/index.ts';
import { POSE } from '../../motion/index.ts';
import { riderById, type Carrier, type Guide, type Rider, type Scene } from '../../scene/index.ts';
import {
  command,
  guideOf,
  missingGuide,
  missingRider,
  refusal,
  replaceGuide,
  replaceRider,
  riderOf,
  type Refusal,
} from '../command.ts';
import { lockedGuide } from '../node/check-nodes.ts';
import { carriedBy, circleIn, withCarriers } from './carriers.ts';
import { poseOf, stoodAs } from './standing.ts';

/** Why a scene could not hold riders as they would be. */
function circle(scene: Scene, next: readonly Rider[]): Refusal | undefined {
  const changed = new Map(next.map((rider) => [rider.id, rider]));
  return circleIn({ ...scene, riders: scene.riders.map((one) => changed.get(one.id) ?? one) });
}

/** Lets a parked rider be carried by another, or by none; at a time, s, it stays where it is. What it takes over of its carrier may change as well. */
export const carryRider = command<{ rider: string; carrier: Carrier | null; time: number }>(
  (scene, { rider: id, carrier }) => {
    const missing = missingRider(scene, id) ?? (carrier ? missingRider(scene, carrier.rider) : undefined);
    if (missing) return missing;
    const rider = riderOf(scene, id);
    if (rider.guide !== null && carrier?.rider !== rider.carrier?.rider) return refusal('carried-with-guide');
    return circle(scene, [{ ...rider, carrier }]);
  },
  (scene, { rider: id, carrier, time }) => {
    const rider = riderOf(scene, id);
    const pose = poseOf(scene, id, time);
    const next = replaceRider(scene, { ...rider, carrier });
    return rider.guide === null && pose ? stoodAs(next, id, time, pose) : next;
  },
);

/** Lets a guide, with all that rides it, be carried by a rider, or by none; at a time, s, it stays where it is. */
export const carryGuide = command<{ guide: string; carrier: string | null; time: number }>(
  (scene, { guide: id, carrier }) => {
    const missing =
      missingGuide(scene, id) ??
      lockedGuide(scene, [id]) ??
      (carrier === null ? undefined : missingRider(scene, carrier));
    if (missing) return missing;
    const guide = guideOf(scene, id);
    if (guide.link) return refusal('linked', { name: guide.name });
    if (carrier === null) return undefined;
    const riding = scene.riders.filter((rider) => rider.guide === id);
    return circle(
      scene,
      riding.map((rider) => ({ ...rider, carrier: carriedBy(carrier) })),
    );
  },
  (scene, { guide: id, carrier, time }) => {
    const guide = guideOf(scene, id);
    const from = matrixOf(scene, guide.carrier, time);
    const to = inverseOf(matrixOf(scene, carrier, time));
    const moved = to ? movedGuide({ ...guide, carrier }, productOf(to, from)) : { ...guide, carrier };
    return withCarriers(replaceGuide(scene, moved));
  },
);

/** What takes places of a carrier's frame to the canvas at a time, s. */
function matrixOf(scene: Scene, carrier: string | null, time: number): Matrix {
  const pose = carrier === null ? undefined : poseOf(scene, carrier, time);
  if (!pose) return IDENTITY_MATRIX;
  const at = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f'): number => pose[POSE[key]] ?? 0;
  return [at('a'), at('b'), at('c'), at('d'), at('e'), at('f')];
}

/** A guide's nodes moved; a shape's parameters no longer say what it is. */
function movedGuide({ shape: _shape, ...guide }: Guide, matrix: Matrix): Guide {
  return { ...guide, nodes: guide.nodes.map((node) => transformedNode(node, matrix)) };
}

/** What is to go taken out of the scene's dependences: what it carries stays where it is at the loop's start, and who looks toward it looks there. */
export function released(scene: Scene, gone: readonly string[]): Scene {
  const isGone = (id: string | null | undefined): boolean => id != null && gone.includes(id);
  let result = scene;
  for (const guide of scene.guides)
    if (isGone(guide.carrier))
      result = replaceGuide(result, movedGuide({ ...guide, carrier: null }, matrixOf(scene, guide.carrier, 0)));
  for (const rider of scene.riders) {
    if (gone.includes(rider.id)) continue;
    const { target, mode } = rider.heading;
    if (target.kind === 'rider' && isGone(target.rider)) {
      const seen = poseOf(scene, target.rider, 0);
      const at = [seen?.[POSE.x] ?? 0, seen?.[POSE.y] ?? 0] as const;
      const heading = {
        ...rider.heading,
        target: { kind: 'point' as const, at: mode === 'toward' ? at : ([0, 0] as const) },
      };
      result = replaceRider(result, { ...(riderById(result, rider.id) ?? rider), heading });
    }
    if (!isGone(rider.carrier?.rider)) continue;
    const pose = poseOf(scene, rider.id, 0);
    const free = { ...(riderById(result, rider.id) ?? rider), carrier: null };
    result = replaceRider(result, free);
    if (rider.guide === null && pose) result = stoodAs(result, rider.id, 0, pose);
  }
  return result;
}
