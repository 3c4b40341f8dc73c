import { prepare } from '../../motion/index.ts';
import {
  artById,
  countedIds,
  cycleOf,
  freshIds,
  distanceOfPlace,
  newMark,
  pathOfGuide,
  placeAtDistance,
  type Key,
  type Mark,
  type Scene,
} from '../../scene/index.ts';
import { command, guideOf, refusal, replaceRider, riderOf } from '../command.ts';
import { onGuide } from './marks.ts';

/** px. A mark so near a corner stands there. */
const SAME_PLACE = 0.5;

/** Corners of its guide, px, that a rider passes between its first and its last mark, and has no mark at; in the order of passing. */
function landingsOf(scene: Scene, id: string): readonly number[] {
  const rider = riderOf(scene, id);
  const guide = guideOf(scene, rider.guide);
  const path = pathOfGuide(guide);
  const places = rider.pace.marks.map(({ place }) => distanceOfPlace(guide, path, place));
  const [from, to] = [places[0] ?? 0, places[places.length - 1] ?? 0];
  const laps =
    path.isClosed && path.length > 0
      ? [Math.floor(Math.min(from, to) / path.length), Math.floor(Math.max(from, to) / path.length)]
      : [0, 0];
  const found: number[] = [];
  for (let lap = laps[0] ?? 0; lap <= (laps[1] ?? 0); lap++)
    for (const corner of path.corners()) {
      const distance = corner + lap * path.length;
      const isBetween = distance > Math.min(from, to) + SAME_PLACE && distance < Math.max(from, to) - SAME_PLACE;
      if (isBetween && !places.some((place) => Math.abs(place - distance) < SAME_PLACE)) found.push(distance);
    }
  return to < from ? found.reverse() : found;
}

/** Sets a mark at each corner that a rider passes: where something that hops lands. Their times are shared out by the way until a recipe gives them others. */
export const landAtCorners = command<{ rider: string }>(
  (scene, { rider }) =>
    onGuide(scene, rider) ??
    (riderOf(scene, rider).pace.marks.length < 2
      ? refusal('recipe-needs-two')
      : landingsOf(scene, rider).length === 0
        ? refusal('no-corners')
        : undefined),
  (scene, { rider: id }) => {
    const rider = riderOf(scene, id);
    const guide = guideOf(scene, rider.guide);
    const path = pathOfGuide(guide);
    const next = countedIds(scene, `${id}-m`);
    const { marks } = rider.pace;
    const placeOf = (mark: Mark): number => distanceOfPlace(guide, path, mark.place);
    const landings = landingsOf(scene, id);
    const all = marks.flatMap((mark, i): Mark[] => {
      const after = marks[i + 1];
      if (!after) return [mark];
      const [a, b] = [placeOf(mark), placeOf(after)];
      const leaves = mark.time + mark.dwell;
      const between = landings.filter((distance) => (distance - a) * (distance - b) < 0);
      return [
        mark,
        ...between.map((distance) =>
          newMark(
            next(),
            leaves + ((after.time - leaves) * (distance - a)) / (b - a),
            placeAtDistance(guide, path, distance),
            { ease: mark.ease },
          ),
        ),
      ];
    });
    return replaceRider(scene, { ...rider, pace: { ...rider.pace, marks: all } });
  },
);

/** s before a landing at which it is not yet squashed, and after it at which it is no more. */
const [BEFORE, AFTER] = [0.05, 0.14];

/** Direction in which a landing presses, degrees: down the canvas. */
const DOWN = 90;

/**
 * Squashes a rider where it lands: at each mark but the first, by a share of its height (0 to 0.8) where it lands fastest and by less where it is slower, standing on the foot of
 * its box. The keys go with their marks; those that went with them before are gone.
 */
export const squashLandings = command<{ rider: string; strength: number }>(
  (scene, { rider }) =>
    onGuide(scene, rider) ?? (riderOf(scene, rider).pace.marks.length < 2 ? refusal('recipe-needs-two') : undefined),
  (scene, { rider: id, strength: wanted }) => {
    const strength = Math.min(0.8, Math.max(0, wanted));
    const rider = riderOf(scene, id);
    const line = prepare(scene).rider(id)?.line;
    if (!line) return scene;
    const { marks } = rider.pace;
    const cycle = cycleOf(rider, scene.clock);
    const landings = marks.slice(1).map((mark) => ({ mark, speed: Math.abs(line.speedAt(mark.time, -1)) }));
    const fastest = landings.reduce((most, { speed }) => Math.max(most, speed), 0);
    const fresh = freshIds(scene);
    const key = (time: number, stretch: number, mark: string): Key<'squash'> => ({
      ...{ id: fresh(`${id}-squash`), time: Math.min(cycle, Math.max(0, time)), value: [stretch, DOWN], mark },
      ease: { kind: 'family', family: 'quad', mode: stretch < 1 ? 'out' : 'in' },
    });
    const made = landings.flatMap(({ mark, speed }, i): Key<'squash'>[] => {
      const share = fastest > 0 ? speed / fastest : 0;
      const next = marks[i + 2]?.time ?? cycle;
      const before = Math.min(BEFORE, (mark.time - (marks[i]?.time ?? 0)) / 3);
      const after = Math.min(AFTER, (next - mark.time) / 3);
      if (strength * share < 0.01) return [];
      const pressed = key(mark.time, 1 - strength * share, mark.id);
      return [key(mark.time - before, 1, mark.id), pressed, ...(after > 0 ? [key(mark.time + after, 1, mark.id)] : [])];
    });
    const ids = new Set(marks.map((mark) => mark.id));
    const kept = rider.keys.squash.filter((one) => one.mark === null || !ids.has(one.mark));
    const art = artById(scene, rider.art);
    const foot = art ? ([art.width / 2, art.height] as const) : null;
    const squash = rider.squash ?? { by: 'keys', axis: 'own', about: foot, strength: 1, limit: 1.5 };
    return replaceRider(scene, {
      ...rider,
      squash: made.length > 0 ? { ...squash, by: 'keys' } : rider.squash,
      keys: { ...rider.keys, squash: [...kept, ...made].sort((a, b) => a.time - b.time) },
    });
  },
);
