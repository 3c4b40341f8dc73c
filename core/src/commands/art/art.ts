import type { Vec } from '../../geometry/index.ts';
import { POSE } from '../../motion/index.ts';
import { artById, idsIn, ownArt, riderById, type Art, type Rider, type Scene } from '../../scene/index.ts';
import { command, missingRider, refusal, replaceRider } from '../command.ts';
import { withUsedAssets } from '../scene/assets.ts';
import { keepAt } from '../rider/seating.ts';
import { poseOf, stoodAs } from '../rider/standing.ts';

/** Changes an art's name, pivot or facing. A new pivot leaves parked riders where they are drawn, and with `time`, s, those on guides too: as they are then, by lift and lead. */
export const setArt = command<{ id: string; patch: Partial<Pick<Art, 'name' | 'pivot' | 'facing'>>; time?: number }>(
  (scene, { id }) => (artById(scene, id) ? undefined : refusal('no-art')),
  (scene, { id, patch, time }) => {
    const art = artById(scene, id);
    if (!art) return scene;
    const next: Art = { ...art, ...patch };
    const changed: Scene = { ...scene, art: scene.art.map((one) => (one.id === id ? next : one)) };
    if (next.pivot[0] === art.pivot[0] && next.pivot[1] === art.pivot[1]) return changed;
    return scene.riders
      .filter((rider) => rider.art === id && rider.pivot === null)
      .reduce((sum, rider) => staying(scene, sum, rider, next.pivot, time), changed);
  },
);

/**
 * Gives a rider a pivot of its own, px of its art's box, or with null that of its art; other riders of the art keep theirs. Parked it stays where it is drawn, and with `time`, s, on
 * a guide too: as it is then, by lift and lead.
 */
export const setPivot = command<{ id: string; pivot: Vec | null; time?: number }>(
  (scene, { id }) => missingRider(scene, id),
  (scene, { id, pivot, time }) => {
    const rider = riderById(scene, id);
    const art = rider && artById(scene, rider.art);
    if (!rider || !art) return scene;
    const next = { ...rider, pivot };
    return staying(scene, replaceRider(scene, next), next, ownArt(art, next).pivot, time);
  },
);

/** A scene in which a rider has another pivot, px of its art, and stays where it is drawn in the one before. */
function staying(before: Scene, scene: Scene, rider: Rider, pivot: Vec, time: number | undefined): Scene {
  const pose = poseOf(before, rider.id, time ?? 0);
  if (!pose || (rider.guide !== null && time === undefined)) return scene;
  const moved = withPivotAt(pose, pivot);
  if (rider.guide === null) return stoodAs(scene, rider.id, time ?? 0, moved);
  return keepAt(scene, rider.id, [moved[POSE.x] ?? 0, moved[POSE.y] ?? 0], time ?? 0);
}

/** A pose whose pivot is another point of the art, px of its box. */
function withPivotAt(pose: Float64Array, [x, y]: Vec): Float64Array {
  const at = (key: keyof typeof POSE): number => pose[POSE[key]] ?? 0;
  const moved = pose.slice();
  moved[POSE.x] = at('a') * x + at('c') * y + at('e');
  moved[POSE.y] = at('b') * x + at('d') * y + at('f');
  return moved;
}

/** Adds art; the pixels of its pictures come with it, base64 by their names. */
export const addArt = command<{ art: Art; data?: Scene['assets'] }>(
  (scene, { art }) => (idsIn(scene).has(art.id) ? refusal('id-taken', { id: art.id }) : undefined),
  (scene, { art, data }) => ({
    ...scene,
    art: [...scene.art, art],
    assets: data === undefined ? scene.assets : { ...scene.assets, ...data },
  }),
);

/** Gives an art other markup, as large as before: what it is, its name, pivot and facing stay. */
export const redrawArt = command<{ art: Art }>(
  (scene, { art }) => {
    const before = artById(scene, art.id);
    if (!before) return refusal('no-art');
    const isAlike = before.kind === art.kind && before.width === art.width && before.height === art.height;
    return isAlike ? undefined : refusal('other-art');
  },
  (scene, { art }) => ({
    ...scene,
    art: scene.art.map((one) =>
      one.id === art.id ? { ...art, name: one.name, pivot: one.pivot, facing: one.facing } : one,
    ),
  }),
);

/** Deletes art that no rider shows. */
export const deleteArt = command<{ id: string }>(
  (scene, { id }) => {
    const rider = scene.riders.find((one) => one.art === id);
    return rider ? refusal('art-in-use', { name: rider.name }) : undefined;
  },
  (scene, { id }) => withUsedAssets({ ...scene, art: scene.art.filter((art) => art.id !== id) }),
);
