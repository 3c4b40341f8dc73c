import { nearestOnPath, type Vec } from '../../geometry/index.ts';
import { POSE, prepare } from '../../motion/index.ts';
import {
  foldingOf,
  freshIds,
  newMark,
  pathOfGuide,
  placeAtDistance,
  type Guide,
  type Mark,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { foldTime } from '../../time/index.ts';
import { command, guideOf, missingGuide, missingRider, refusal, replaceRider, riderOf } from '../command.ts';
import { moveGuides, parkRiders } from '../guide/guides.ts';
import { mapPlaces } from '../places/place-map.ts';
import { asShare } from '../places/places.ts';
import { circleIn, withCarriers } from './carriers.ts';
import { pointInFrame } from './standing.ts';

/** Whether a rider put on a guide sits on it, or keeps its distance from it as lift and lead. */
export type Seating = 'seat' | 'keep';

/** Where a new rider begins on a guide that it is put on: at its start, or at the place nearest to a point of the canvas, px. */
export type Beginning = 'start' | Vec;

/**
 * Puts a rider on a guide. `seat`: its pivot runs on the guide, a new one from `begins` on. `keep`: at `time` (s) it stays where it is: its distance from the guide is
 * kept as lift, and a new rider's pace line begins at the nearest place. A rider without marks runs the guide once in its cycle; one that has marks keeps them
 * as shares.
 */
export const attachRider = command<{
  rider: string;
  guide: string;
  seating: Seating;
  time: number;
  begins?: Beginning;
}>(
  (scene, { rider, guide }) =>
    missingRider(scene, rider) ??
    missingGuide(scene, guide) ??
    circleIn(withCarriers(replaceRider(scene, { ...riderOf(scene, rider), guide }))),
  (scene, { rider: id, guide: guideId, seating, time, begins = 'start' }) => {
    const guide = guideOf(scene, guideId);
    const rider = riderOf(scene, id);
    const point = pivotAt(scene, id, time);
    const former = rider.guide === null ? undefined : guideOf(scene, rider.guide);
    const kept = former ? mapPlaces(rider, (place) => asShare(former, place)) : rider;
    const seated = (marks: readonly Mark[]): Scene =>
      replaceRider(scene, { ...kept, guide: guideId, ...ON_GUIDE, pace: { ...kept.pace, marks } });
    const { marks } = kept.pace;
    if (marks.length > 0) return seating === 'seat' ? seated(marks) : keepAt(seated(marks), id, point, time);
    const place = seating === 'keep' ? point : begins;
    const made = seated(placesOfLap(scene, guide, rider, place, time));
    return seating === 'keep' ? keepAt(made, id, point, time) : made;
  },
);

/** Changes a riding rider between sitting on its guide and keeping the place that it has at `time`. */
export const setSeating = command<{ rider: string; seating: Seating; point: Vec; time: number }>(
  (scene, { rider: id }) =>
    missingRider(scene, id) ?? (riderOf(scene, id).guide === null ? refusal('parked') : undefined),
  (scene, { rider: id, seating, point, time }) =>
    seating === 'seat' ? replaceRider(scene, { ...riderOf(scene, id), ...ON_GUIDE }) : keepAt(scene, id, point, time),
);

/** Without any offset: the pivot is on the guide. */
const ON_GUIDE = { lift: 0, lead: 0, shift: [0, 0] } as const;

/**
 * Sets lift and lead so that the pivot is at a point at a time; where lift does not go across the guide, the shift. On an open guide the lead is held so small that the rider never overshoots an end by it. Where no foot of the
 * perpendicular reaches the point, it comes as near as can be.
 */
export function keepAt(scene: Scene, id: string, point: Vec, time: number): Scene {
  const rider = riderOf(scene, id);
  const guide = guideOf(scene, rider.guide);
  const path = pathOfGuide(guide);
  const [x, y] = pointInFrame(scene, guide.carrier, point, time);
  const motion = prepare(scene).rider(id);
  if (rider.liftBy !== 'normal') {
    const [nowX, nowY] = pointInFrame(scene, guide.carrier, pivotAt(scene, id, time), time);
    const shift = [rider.shift[0] + x - nowX, rider.shift[1] + y - nowY] as const;
    return replaceRider(scene, { ...rider, shift: [rounded(shift[0]), rounded(shift[1])] });
  }
  const foot = nearestOnPath(path, x - rider.shift[0], y - rider.shift[1]);
  if (!foot || !motion?.line) return scene;
  // With its keys, and the radius of what rolls on the ground, it is elsewhere than lift and lead alone say.
  const now = motion.distanceAt(time) + motion.leadAt(time) - rider.lead;
  const raised = motion.liftAt(time) / motion.depthAt(motion.footAt(time)) - rider.lift;
  const [low, high] = motion.line.range();
  const lead = path.isClosed
    ? foot.distance - now + Math.round((now - foot.distance) / path.length) * path.length
    : Math.min(Math.max(foot.distance - now, Math.min(0, -low)), Math.max(0, path.length - high));
  const frame = path.frameAtDistance(now + lead);
  const [offX, offY] = [x - rider.shift[0] - frame.x, y - rider.shift[1] - frame.y];
  const lift = offX * frame.normalX + offY * frame.normalY;
  const depth = motion.depthAt(now + lead);
  return replaceRider(scene, { ...rider, lift: rounded(lift / depth - raised), lead: rounded(lead) });
}

const rounded = (value: number): number => Math.round(value * 1e6) / 1e6 + 0;

/** Moves a guide to a rider that is beside it: at a time, s, the rider is where it was, and sits on it. Whatever else rides the guide goes with it. */
export const bringGuide = command<{ rider: string; time: number }>(
  (scene, { rider: id }) => {
    const missing = missingRider(scene, id);
    if (missing) return missing;
    const { guide, carrier } = riderOf(scene, id);
    if (guide === null) return refusal('parked');
    if (carrier) return refusal('carried-with-guide');
    return moveGuides.can(scene, { ids: [guide], dx: 0, dy: 0 });
  },
  (scene, { rider: id, time }) => {
    const rider = riderOf(scene, id);
    const guide = guideOf(scene, rider.guide);
    const seated = replaceRider(scene, { ...rider, ...ON_GUIDE });
    const [x, y] = pivotAt(scene, id, time);
    const [atX, atY] = pivotAt(seated, id, time);
    return moveGuides(seated, { ids: [guide.id], dx: x - atX, dy: y - atY });
  },
);

function pivotAt(scene: Scene, id: string, time: number): Vec {
  const pose = prepare(scene).rider(id)?.poseAt(time);
  return [pose?.[POSE.x] ?? 0, pose?.[POSE.y] ?? 0];
}

/** px. Nearer than this to an open guide's end, there is no way left to run. */
const NO_WAY = 1;

const SOFT: Mark['ease'] = { kind: 'family', family: 'sine', mode: 'in-out' };

/**
 * The marks of a rider that is new on a guide: once along it in its cycle. From a point on: on a closed guide it passes the nearest place at `time`; on an open one it
 * waits there until `time` and runs to the end.
 */
function placesOfLap(scene: Scene, guide: Guide, rider: Rider, begins: Beginning, time: number): Mark[] {
  const path = pathOfGuide(guide);
  const fresh = freshIds(scene);
  const folding = foldingOf(rider, scene.clock);
  // Round and round it goes evenly, and goes on so through marks that are set later; from end to end it starts and arrives softly.
  const ease: Mark['ease'] = path.isClosed && folding.repeat === 'loop' ? { kind: 'flow' } : SOFT;
  const mark = (i: number, at: number, distance: number): Mark =>
    newMark(fresh(`${rider.id}-m${i}`), at, placeAtDistance(guide, path, distance), i === 1 ? { ease } : {});
  if (begins === 'start') return [mark(1, 0, 0), mark(2, folding.cycle, path.length)];
  const { local } = foldTime(time, folding);
  const near = nearestOnPath(path, ...begins)?.distance ?? 0;
  if (path.isClosed) {
    const start = near - (path.length * local) / folding.cycle;
    const first = start < -1e-9 ? start + path.length : start;
    return [mark(1, 0, first), mark(2, folding.cycle, first + path.length)];
  }
  if (path.length - near < NO_WAY || folding.cycle - local < 1 / scene.clock.fps) return [mark(1, 0, near)];
  return [mark(1, local, near), mark(2, folding.cycle, path.length)];
}

/** Takes riders off their guides; each stays where it is at `time`, s. */
export const detachRiders = command<{ ids: readonly string[]; time: number }>(
  (scene, { ids }) => ids.map((id) => missingRider(scene, id)).find(Boolean),
  (scene, { ids, time }) => parkRiders(scene, ids, time),
);
