import {
  countedIds,
  distanceOfPlace,
  newMark,
  pathOfGuide,
  placeAtDistance,
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
