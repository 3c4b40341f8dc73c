import type { Vec } from '../../geometry/index.ts';
import { POSE } from '../../motion/index.ts';
import { artById, idsIn, type Art, type Scene } from '../../scene/index.ts';
import { command, refusal } from '../command.ts';
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
    return scene.riders.reduce((sum, rider): Scene => {
      const pose = rider.art === id ? poseOf(scene, rider.id, time ?? 0) : undefined;
      if (!pose || (rider.guide !== null && time === undefined)) return sum;
      const moved = withPivotAt(pose, next.pivot);
      if (rider.guide === null) return stoodAs(sum, rider.id, time ?? 0, moved);
      return keepAt(sum, rider.id, [moved[POSE.x] ?? 0, moved[POSE.y] ?? 0], time ?? 0);
    }, changed);
  },
);

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

/** Deletes art that no rider shows. */
export const deleteArt = command<{ id: string }>(
  (scene, { id }) => {
    const rider = scene.riders.find((one) => one.art === id);
    return rider ? refusal('art-in-use', { name: rider.name }) : undefined;
  },
  (scene, { id }) => withUsedAssets({ ...scene, art: scene.art.filter((art) => art.id !== id) }),
);
