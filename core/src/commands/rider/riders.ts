import { artById, guideById, holdersAround, idsIn, withAllInside, type Rider, type Scene } from '../../scene/index.ts';
import { command, missingRider, refusal, replaceRider, riderOf, type Refusal } from '../command.ts';
import { released } from './carrying.ts';
import { inFrame } from './standing.ts';

/** Adds a rider in front of the others. */
export const addRider = command<{ rider: Rider }>(
  (scene, { rider }) => {
    if (!artById(scene, rider.art)) return refusal('no-art');
    if (rider.guide !== null && !guideById(scene, rider.guide)) return refusal('no-guide', { id: rider.guide });
    return idsIn(scene).has(rider.id) ? refusal('id-taken', { id: rider.id }) : undefined;
  },
  (scene, { rider }) => ({ ...scene, riders: [...scene.riders, rider] }),
);

type RiderPatch = Partial<
  Pick<
    Rider,
    | 'name'
    | 'art'
    | 'visible'
    | 'locked'
    | 'output'
    | 'lift'
    | 'lead'
    | 'liftBy'
    | 'rounding'
    | 'shift'
    | 'scale'
    | 'opacity'
    | 'at'
    | 'stand'
    | 'roll'
    | 'squash'
    | 'raise'
    | 'poses'
    | 'behind'
    | 'inside'
    | 'parallax'
  >
>;

/** Changes constant values of a rider. */
export const setRider = command<{ id: string; patch: RiderPatch }>(
  (scene, { id, patch }) =>
    missingRider(scene, id) ?? (patch.art !== undefined && !artById(scene, patch.art) ? refusal('no-art') : undefined),
  (scene, { id, patch }) => replaceRider(scene, { ...riderOf(scene, id), ...patch }),
);

/** Why riders cannot be taken by hand: one is not there, or is locked. */
function heldRider(scene: Scene, ids: readonly string[]): Refusal | undefined {
  const missing = ids.map((id) => missingRider(scene, id)).find(Boolean);
  const locked = scene.riders.find((rider) => rider.locked && ids.includes(rider.id));
  return missing ?? (locked ? refusal('locked', { name: locked.name }) : undefined);
}

/** Moves parked riders by an offset on the canvas, px; carried ones as their carrier stands at a time, s. Riders on a guide are moved in their lift and lead instead. */
export const moveRiders = command<{ ids: readonly string[]; dx: number; dy: number; time?: number }>(
  (scene, { ids }) => heldRider(scene, ids),
  (scene, { ids, dx, dy, time = 0 }) => ({
    ...scene,
    riders: scene.riders.map((rider) => {
      if (!ids.includes(rider.id) || rider.guide !== null) return rider;
      const [x, y] = inFrame(scene, rider, [dx, dy], time);
      return { ...rider, at: [rider.at[0] + x, rider.at[1] + y] };
    }),
  }),
);

/** Deletes riders, and leaves what they carried where it is at the loop's start; a locked one has to be unlocked first. */
export const deleteRiders = command<{ ids: readonly string[] }>(
  (scene, { ids }) => heldRider(scene, ids),
  (scene, { ids }) => {
    const free = released(scene, ids);
    return { ...free, riders: free.riders.filter((rider) => !ids.includes(rider.id)) };
  },
);

/** Moves a rider to the place of another one in the stacking order, 0 is behind all; with what holds a scene all that is in it, past all of such a scene. */
export const restackRider = command<{ id: string; to: number }>(
  (scene, { id }) => missingRider(scene, id),
  (scene, { id, to }) => {
    const { riders } = scene;
    const at = riders.findIndex((one) => one.id === id);
    const isMoved = blockOf(scene, id);
    const target = riders[Math.max(0, Math.min(to, riders.length - 1))];
    if (!target || isMoved(target)) return scene;
    const own = holdersAround(scene).get(id) ?? [];
    const outer = holdersAround(scene)
      .get(target.id)
      ?.find((holder) => !own.includes(holder));
    const isPassed = blockOf(scene, outer ?? target.id);
    const rest = riders.filter((one) => !isMoved(one));
    const places = rest.flatMap((one, i) => (isPassed(one) ? [i] : []));
    const cut = to > at ? Math.max(...places) + 1 : Math.min(...places);
    return { ...scene, riders: [...rest.slice(0, cut), ...riders.filter(isMoved), ...rest.slice(cut)] };
  },
);

/** Whether a rider is a certain one, or within the scene that it holds. */
function blockOf(scene: Scene, id: string): (rider: Rider) => boolean {
  const ids = new Set(withAllInside(scene, [], [id]).riders);
  return (rider) => ids.has(rider.id);
}

/** Left to right, or upside down. */
export type FlipWay = 'across' | 'over';

/** Flips riders about their pivots. */
export const flipRiders = command<{ ids: readonly string[]; way: FlipWay }>(
  (scene, { ids }) => ids.map((id) => missingRider(scene, id)).find(Boolean),
  (scene, { ids, way }) => ({
    ...scene,
    riders: scene.riders.map((rider) => {
      if (!ids.includes(rider.id)) return rider;
      const [x, y] = rider.scale;
      return { ...rider, scale: way === 'across' ? [0 - x, y] : [x, 0 - y] };
    }),
  }),
);
