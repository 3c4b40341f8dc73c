import { freshIds, guideById, type Guide, type Mark, type Place, type Scene } from '../../scene/index.ts';
import { command, guideOf, refusal, replaceRider, riderOf } from '../command.ts';
import { asShare } from '../places/places.ts';

/** Copied marks of one pace line. */
export interface MarksClip {
  readonly kind: 'marks';
  readonly marks: readonly Mark[];
  /** What their places are on, as it was. */
  readonly guide: Guide;
}

/** Marks of a rider to be pasted, by the time from the first of them. */
export function copyMarks(scene: Scene, riderId: string, markIds: readonly string[]): MarksClip {
  const rider = riderOf(scene, riderId);
  const marks = rider.pace.marks.filter((mark) => markIds.includes(mark.id));
  return { kind: 'marks', marks, guide: guideOf(scene, rider.guide) };
}

/** Whether nodes of one guide answer to those of another, one by one in their order. */
const answers = (a: Guide, b: Guide): boolean => a.closed === b.closed && a.nodes.length === b.nodes.length;

/**
 * A copied place on a guide: on the same node of the same guide; on the node that answers to it where another guide has as many; else as far along as a
 * share of the whole.
 */
export function placeOn(clip: MarksClip, guide: Guide, place: Place): Place {
  if (place.by !== 'node')
    return place.by === 'share' || guide.id === clip.guide.id ? place : asShare(clip.guide, place);
  if (guide.id === clip.guide.id && guide.nodes.some(({ id }) => id === place.node)) return place;
  const index = clip.guide.nodes.findIndex(({ id }) => id === place.node);
  const node = answers(clip.guide, guide) ? guide.nodes[index] : undefined;
  return node ? { ...place, node: node.id } : asShare(clip.guide, place);
}

/** How many of the copied marks leave their nodes on a guide: those that are then places by share. */
export const nodesLost = (clip: MarksClip, guide: Guide): number =>
  clip.marks.filter(({ place }) => place.by === 'node' && placeOn(clip, guide, place).by !== 'node').length;

/** Pastes marks into a rider's pace line from a local time on, s, in place of the marks that lie in that stretch. */
export const pasteMarks = command<{ rider: string; clip: MarksClip; time: number }>(
  (scene, { rider: id, clip, time }) => {
    const rider = riderOf(scene, id);
    if (!guideById(scene, rider.guide)) return refusal('parked');
    const first = clip.marks[0];
    const last = clip.marks[clip.marks.length - 1];
    if (!first || !last) return refusal('nothing-copied');
    const cycle = rider.pace.cycle ?? scene.clock.duration;
    return time + last.time + last.dwell - first.time > cycle + 1e-9 ? refusal('marks-do-not-fit') : undefined;
  },
  (scene, { rider: id, clip, time }) => {
    const rider = riderOf(scene, id);
    const guide = guideOf(scene, rider.guide);
    const fresh = freshIds(scene);
    const shift = time - (clip.marks[0]?.time ?? 0);
    const pasted = clip.marks.map((mark) => ({
      ...mark,
      id: fresh(mark.id),
      time: mark.time + shift,
      place: placeOn(clip, guide, mark.place),
    }));
    const last = pasted[pasted.length - 1];
    const until = last ? last.time + last.dwell : time;
    const before = rider.pace.marks
      .filter((mark) => mark.time < time)
      .map((mark) => (mark.time + mark.dwell > time ? { ...mark, dwell: time - mark.time } : mark));
    const after = rider.pace.marks.filter((mark) => mark.time > until);
    return replaceRider(scene, { ...rider, pace: { ...rider.pace, marks: [...before, ...pasted, ...after] } });
  },
);
