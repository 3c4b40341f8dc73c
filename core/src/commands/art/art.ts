import type { Vec } from '../../geometry/index.ts';
import { artById, idsIn, type Art } from '../../scene/index.ts';
import { command, refusal } from '../command.ts';

/** Changes an art's name, pivot or facing. A new pivot leaves parked riders where they are drawn. */
export const setArt = command<{ id: string; patch: Partial<Pick<Art, 'name' | 'pivot' | 'facing'>> }>(
  (scene, { id }) => (artById(scene, id) ? undefined : refusal('no-art')),
  (scene, { id, patch }) => {
    const art = artById(scene, id);
    if (!art) return scene;
    const next: Art = { ...art, ...patch };
    const dx = next.pivot[0] - art.pivot[0];
    const dy = next.pivot[1] - art.pivot[1];
    return {
      ...scene,
      art: scene.art.map((one) => (one.id === id ? next : one)),
      riders:
        dx === 0 && dy === 0
          ? scene.riders
          : scene.riders.map((rider) => {
              if (rider.art !== id || rider.guide !== null) return rider;
              const angle = (rider.heading.offset * Math.PI) / 180;
              const sx = dx * rider.scale[0];
              const sy = dy * rider.scale[1];
              const at: Vec = [
                rider.at[0] + Math.cos(angle) * sx - Math.sin(angle) * sy,
                rider.at[1] + Math.sin(angle) * sx + Math.cos(angle) * sy,
              ];
              return { ...rider, at };
            }),
    };
  },
);

export const addArt = command<{ art: Art }>(
  (scene, { art }) => (idsIn(scene).has(art.id) ? refusal('id-taken', { id: art.id }) : undefined),
  (scene, { art }) => ({ ...scene, art: [...scene.art, art] }),
);

/** Deletes art that no rider shows. */
export const deleteArt = command<{ id: string }>(
  (scene, { id }) => {
    const rider = scene.riders.find((one) => one.art === id);
    return rider ? refusal('art-in-use', { name: rider.name }) : undefined;
  },
  (scene, { id }) => ({ ...scene, art: scene.art.filter((art) => art.id !== id) }),
);
