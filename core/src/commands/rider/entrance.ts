import { newEntrance, riderById, type Entrance } from '../../scene/index.ts';
import { command, missingRider, replaceRider } from '../command.ts';

/** Changes how a rider enters before the loop: what is given of it, the rest as it was or as usual; null: it is there. */
export const replaceEntrance = command<{ rider: string; entrance: Partial<Entrance> | null }>(
  (scene, { rider }) => missingRider(scene, rider),
  (scene, { rider: id, entrance }) => {
    const rider = riderById(scene, id);
    if (!rider) return scene;
    const next = entrance && { ...(rider.entrance ?? newEntrance()), ...entrance };
    return replaceRider(scene, { ...rider, entrance: next });
  },
);
