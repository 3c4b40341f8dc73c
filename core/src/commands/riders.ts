import { nearestOnPath, type Path, type Vec } from '../geometry/index.ts';
import { paceLineOf, prepare, Poses } from '../motion/index.ts';
import {
  artById,
  distanceOfPlace,
  freeId,
  guideById,
  idsIn,
  pathOfGuide,
  placeAtDistance,
  type Art,
  type Guide,
  type Heading,
  type Mark,
  type Rider,
  type Scene,
} from '../scene/index.ts';
import { foldTime, type Repeat } from '../pace/index.ts';
import { command, guideOf, missingGuide, missingRider, refusal, replaceRider, riderOf } from './command.ts';
import { degreesNear, parkRiders } from './guides.ts';
import { asShare } from './places.ts';

/** Adds a rider in front of the others. */
export const [addRider, canAddRider] = command<{ rider: Rider }>(
  (scene, { rider }) => {
    if (!artById(scene, rider.art)) return refusal('no-art', 'That art is not in this scene.');
    if (rider.guide !== null && !guideById(scene, rider.guide))
      return refusal('no-guide', 'That guide is not in this scene.');
    return idsIn(scene).has(rider.id) ? refusal('id-taken', `The id "${rider.id}" is in use.`) : undefined;
  },
  (scene, { rider }) => ({ ...scene, riders: [...scene.riders, rider] }),
);

/** A rider parked with its pivot at a point; its marks wait for a guide. */
export const parkedRider = (id: string, name: string, art: string, at: Vec): Rider => ({
  id,
  name,
  art,
  guide: null,
  at,
  visible: true,
  locked: false,
  output: true,
  pace: { marks: [], cycle: null, delay: 0, repeat: null },
  heading: { mode: 'level', offset: 0 },
  lift: 0,
  lead: 0,
  scale: [1, 1],
  opacity: 1,
});

type RiderPatch = Partial<
  Pick<Rider, 'name' | 'art' | 'visible' | 'locked' | 'output' | 'lift' | 'lead' | 'scale' | 'opacity' | 'at'>
>;

/** Changes constant values of a rider. */
export const [setRider, canSetRider] = command<{ id: string; patch: RiderPatch }>(
  (scene, { id, patch }) =>
    missingRider(scene, id) ??
    (patch.art !== undefined && !artById(scene, patch.art)
      ? refusal('no-art', 'That art is not in this scene.')
      : undefined),
  (scene, { id, patch }) => replaceRider(scene, { ...riderOf(scene, id), ...patch }),
);

/** Moves parked riders by an offset, px. Riders on a guide are moved in their lift and lead instead, by `slideRider`. */
export const [moveRiders, canMoveRiders] = command<{ ids: readonly string[]; dx: number; dy: number }>(
  (scene, { ids }) => {
    const missing = ids.map((id) => missingRider(scene, id)).find(Boolean);
    if (missing) return missing;
    const locked = ids.map((id) => riderOf(scene, id)).find((rider) => rider.locked);
    return locked ? refusal('locked', `"${locked.name}" is locked.`) : undefined;
  },
  (scene, { ids, dx, dy }) => ({
    ...scene,
    riders: scene.riders.map((rider) =>
      ids.includes(rider.id) && rider.guide === null ? { ...rider, at: [rider.at[0] + dx, rider.at[1] + dy] } : rider,
    ),
  }),
);

export const [deleteRiders, canDeleteRiders] = command<{ ids: readonly string[] }>(
  (scene, { ids }) => ids.map((id) => missingRider(scene, id)).find(Boolean),
  (scene, { ids }) => ({ ...scene, riders: scene.riders.filter((rider) => !ids.includes(rider.id)) }),
);

/** Moves a rider to another place in the stacking order: 0 is behind all. */
export const [restackRider, canRestackRider] = command<{ id: string; to: number }>(
  (scene, { id }) => missingRider(scene, id),
  (scene, { id, to }) => {
    const rest = scene.riders.filter((rider) => rider.id !== id);
    return { ...scene, riders: [...rest.slice(0, to), riderOf(scene, id), ...rest.slice(to)] };
  },
);

/** Whether a rider put on a guide sits on it, or keeps its distance from it as lift and lead. */
export type Seating = 'seat' | 'keep';

/**
 * Puts a rider on a guide. `seat`: its pivot runs on the guide. `keep`: at `time` (s) it stays where it is, by lift and lead. A rider without marks
 * runs the guide once in its cycle, on a closed guide from the point nearest to it.
 */
export const [attachRider, canAttachRider] = command<{ rider: string; guide: string; seating: Seating; time: number }>(
  (scene, { rider, guide }) => missingRider(scene, rider) ?? missingGuide(scene, guide),
  (scene, { rider: id, guide: guideId, seating, time }) => {
    const guide = guideOf(scene, guideId);
    const rider = riderOf(scene, id);
    const point = pivotAt(scene, id, time);
    const former = rider.guide === null ? undefined : guideOf(scene, rider.guide);
    const kept = rider.pace.marks.map((mark) => (former ? { ...mark, place: asShare(former, mark.place) } : mark));
    const marks = kept.length > 0 ? kept : firstMarks(scene, guide, rider, point, time);
    const seated: Rider = { ...rider, guide: guideId, lift: 0, lead: 0, pace: { ...rider.pace, marks } };
    const result = replaceRider(scene, seated);
    return seating === 'seat' ? result : keepAt(result, id, point, time);
  },
);

/** Changes a riding rider between sitting on its guide and keeping the place that it has at `time`. */
export const [setSeating, canSetSeating] = command<{ rider: string; seating: Seating; point: Vec; time: number }>(
  (scene, { rider: id }) =>
    missingRider(scene, id) ??
    (riderOf(scene, id).guide === null ? refusal('parked', 'A parked rider has no guide to sit on.') : undefined),
  (scene, { rider: id, seating, point, time }) =>
    seating === 'seat'
      ? replaceRider(scene, { ...riderOf(scene, id), lift: 0, lead: 0 })
      : keepAt(scene, id, point, time),
);

/** Sets lift and lead so that the pivot is at a point at a time. Where no foot of the perpendicular reaches the point, it comes as near as can be. */
function keepAt(scene: Scene, id: string, [x, y]: Vec, time: number): Scene {
  const rider = riderOf(scene, id);
  const path = pathOfGuide(guideOf(scene, rider.guide));
  const now = distanceNow(scene, rider, time);
  const foot = footOn(path, x, y, now);
  if (!foot) return scene;
  const round = (value: number): number => Math.round(value * 1e6) / 1e6 + 0;
  return replaceRider(scene, { ...rider, lift: round(foot.lift), lead: round(foot.distance - now) });
}

function footOn(path: Path, x: number, y: number, near: number): { distance: number; lift: number } | undefined {
  const nearest = nearestOnPath(path, x, y);
  if (!nearest) return undefined;
  let distance = nearest.distance;
  const frame = path.frameAtDistance(distance);
  const dx = x - frame.x;
  const dy = y - frame.y;
  if (!path.isClosed && (distance <= 1e-7 || distance >= path.length - 1e-7))
    distance += dx * frame.tangentX + dy * frame.tangentY;
  const lift = dx * frame.normalX + dy * frame.normalY;
  if (path.isClosed && path.length > 0) distance += Math.round((near - distance) / path.length) * path.length;
  return { distance, lift };
}

function distanceNow(scene: Scene, rider: Rider, time: number): number {
  const index = scene.riders.findIndex((one) => one.id === rider.id);
  return prepare(scene).distanceAt(index, time).distance;
}

function pivotAt(scene: Scene, id: string, time: number): Vec {
  const index = scene.riders.findIndex((rider) => rider.id === id);
  const motion = prepare(scene);
  const poses = motion.poseAt(time, new Poses(motion.riders.length));
  return [poses.of(index, 'x'), poses.of(index, 'y')];
}

/** The marks of a rider that is new on a guide: once along it in its cycle. */
function firstMarks(scene: Scene, guide: Guide, rider: Rider, [x, y]: Vec, time: number): Mark[] {
  const path = pathOfGuide(guide);
  const taken = idsIn(scene);
  const ids = [0, 1].map((i) => {
    const id = freeId(taken, `${rider.id}-m${i + 1}`);
    taken.add(id);
    return id;
  });
  const cycle = rider.pace.cycle ?? scene.clock.duration;
  let start = 0;
  if (path.isClosed) {
    const repeat: Repeat = rider.pace.repeat ?? scene.clock.repeat;
    const { local } = foldTime(time, rider.pace.delay, cycle, repeat, 1, { local: 0, direction: 1 });
    const done = (path.length * local) / cycle;
    start = (nearestOnPath(path, x, y)?.distance ?? 0) - done;
    if (start < -1e-9) start += path.length;
  }
  const ends = [start, start + path.length];
  return ends.map((distance, i): Mark => ({
    id: ids[i] ?? `${rider.id}-m`,
    time: i * cycle,
    place: placeAtDistance(guide, path, distance),
    dwell: 0,
    ease: { kind: 'steady' },
  }));
}

/** Takes riders off their guides; each stays where it is at `time`, s. */
export const [detachRiders, canDetachRiders] = command<{ ids: readonly string[]; time: number }>(
  (scene, { ids }) => ids.map((id) => missingRider(scene, id)).find(Boolean),
  (scene, { ids, time }) => parkRiders(scene, ids, time),
);

/** Sets the heading. `keepAngle`: the angle that the rider has at that time (s) stays, by its offset; else the art's nose points along. */
export const [setHeading, canSetHeading] = command<{ rider: string; heading: Heading; keepAngle: number | null }>(
  (scene, { rider }) => missingRider(scene, rider),
  (scene, { rider: id, heading, keepAngle }) => {
    const rider = riderOf(scene, id);
    const next = replaceRider(scene, { ...rider, heading });
    if (keepAngle === null) return next;
    const index = scene.riders.findIndex((one) => one.id === id);
    const before = prepare(scene).poseAt(keepAngle).of(index, 'angle');
    const after = prepare(next).poseAt(keepAngle).of(index, 'angle');
    const offset = degreesNear(before - after + (heading.offset * Math.PI) / 180);
    return replaceRider(next, { ...rider, heading: { ...heading, offset } });
  },
);

/** Changes an art's name, pivot or facing. A new pivot leaves parked riders where they are drawn. */
export const [setArt, canSetArt] = command<{ id: string; patch: Partial<Pick<Art, 'name' | 'pivot' | 'facing'>> }>(
  (scene, { id }) => (artById(scene, id) ? undefined : refusal('no-art', 'That art is not in this scene.')),
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

export const [addArt, canAddArt] = command<{ art: Art }>(
  (scene, { art }) => (idsIn(scene).has(art.id) ? refusal('id-taken', `The id "${art.id}" is in use.`) : undefined),
  (scene, { art }) => ({ ...scene, art: [...scene.art, art] }),
);

/** Deletes art that no rider shows. */
export const [deleteArt, canDeleteArt] = command<{ id: string }>(
  (scene, { id }) => {
    const rider = scene.riders.find((one) => one.art === id);
    return rider ? refusal('in-use', `"${rider.name}" shows this art.`) : undefined;
  },
  (scene, { id }) => ({ ...scene, art: scene.art.filter((art) => art.id !== id) }),
);

/** Where a rider's marks lie along its guide, px, in order. */
export function markDistances(scene: Scene, rider: Rider): number[] {
  const guide = guideById(scene, rider.guide);
  if (!guide || !paceLineOf(scene, rider)) return [];
  const path = pathOfGuide(guide);
  return rider.pace.marks.map((mark) => distanceOfPlace(guide, path, mark.place));
}
