import { reversedEase } from '../../pace/index.ts';
import { distanceOfPlace, pathOfGuide, placeAtDistance, type Mark, type Scene } from '../../scene/index.ts';
import { command, guideOf, refusal, replaceRider, riderOf, type Refusal } from '../command.ts';
import { onGuide } from './marks.ts';
import { reachOf } from './shift.ts';

const needsTwo = (scene: Scene, id: string, marks: readonly string[]): Refusal | undefined =>
  onGuide(scene, id) ?? (reachOf(riderOf(scene, id).pace.marks, marks) ? undefined : refusal('stretch-needs-two'));

/** Runs what lies between the first and the last of some marks backward in time: places, rests and eases in the other order, in the same stretch of time. */
export const reverseMarks = command<{ rider: string; marks: readonly string[] }>(
  (scene, { rider, marks }) => needsTwo(scene, rider, marks),
  (scene, { rider: id, marks: ids }) => {
    const rider = riderOf(scene, id);
    const { marks } = rider.pace;
    const [from, to] = reachOf(marks, ids) ?? [0, 0];
    const group = marks.slice(from, to + 1);
    const [first, last] = [group[0], group[group.length - 1]];
    if (!first || !last) return scene;
    const ends = last.time + last.dwell;
    const turned = [...group].reverse().map((mark, i): Mark => {
      // The leg that led to a mark leads away from it now; what followed the group follows it still.
      const leg = group[group.length - 2 - i];
      return {
        ...mark,
        time: first.time + ends - (mark.time + mark.dwell),
        ease: leg ? reversedEase(leg.ease) : last.ease,
      };
    });
    return replaceRider(scene, {
      ...rider,
      pace: { ...rider.pace, marks: [...marks.slice(0, from), ...turned, ...marks.slice(to + 1)] },
    });
  },
);

/** Mirrors what lies between the first and the last of some marks along the guide: where it went forward it goes back, within the same stretch of the guide. */
export const mirrorMarks = command<{ rider: string; marks: readonly string[] }>(
  (scene, { rider, marks }) => needsTwo(scene, rider, marks),
  (scene, { rider: id, marks: ids }) => {
    const rider = riderOf(scene, id);
    const guide = guideOf(scene, rider.guide);
    const path = pathOfGuide(guide);
    const { marks } = rider.pace;
    const [from, to] = reachOf(marks, ids) ?? [0, 0];
    const places = marks.slice(from, to + 1).map(({ place }) => distanceOfPlace(guide, path, place));
    const sum = Math.min(...places) + Math.max(...places);
    const mirrored = marks.map((mark, i): Mark => {
      const place = places[i - from];
      return place === undefined ? mark : { ...mark, place: placeAtDistance(guide, path, sum - place) };
    });
    return replaceRider(scene, { ...rider, pace: { ...rider.pace, marks: mirrored } });
  },
);
