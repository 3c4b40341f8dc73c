import { nearestOnPath, type Vec } from '../../geometry/index.ts';
import { prepare } from '../../motion/index.ts';
import {
  cycleOf,
  guideById,
  idsIn,
  newGuide,
  newMark,
  pathOfGuide,
  placeAtDistance,
  routeColor,
  type Guide,
  type Mark,
  type Node,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { checkNodes } from '../node/check-nodes.ts';
import {
  command,
  guideOf,
  missingRider,
  refusal,
  replaceGuide,
  replaceRider,
  riderOf,
  type Refusal,
} from '../command.ts';
import { keepingSpans, remakeGuide } from '../places/place-map.ts';
import { insertMark } from '../mark/marks.ts';
import { insertNode, setNode } from '../node/nodes.ts';

/** Ids that the caller has chosen for what setting down may make. */
export interface SetDownIds {
  readonly guide: string;
  readonly nodes: readonly [string, string];
  readonly marks: readonly [string, string];
}

export interface SetDown {
  readonly rider: string;
  /** Local time of the rider's cycle, s. */
  readonly time: number;
  /** Where its pivot should be then, canvas px. */
  readonly to: Vec;
  readonly ids: SetDownIds;
  /** What a new guide is called, and its colour. */
  readonly name: string;
  readonly color?: string;
  /** The point lies on the guide's first node: the guide closes there. */
  readonly closes?: boolean;
}

/** The mark that stands at a time, within half a frame. */
export function markNear(scene: Scene, rider: Rider, time: number): Mark | undefined {
  const reach = 0.5 / scene.clock.fps;
  return rider.pace.marks.find((mark) => time >= mark.time - reach && time <= mark.time + mark.dwell + reach);
}

function checkSetDown(scene: Scene, { rider: id, time, ids }: SetDown): Refusal | undefined {
  const missing = missingRider(scene, id);
  if (missing) return missing;
  const rider = riderOf(scene, id);
  if (rider.locked) return refusal('locked', { name: rider.name });
  if (!(time >= 0 && time <= cycleOf(rider, scene.clock))) return refusal('outside-cycle');
  const taken = idsIn(scene);
  const used = [...(rider.guide === null ? [ids.guide] : []), ...ids.nodes, ...ids.marks].find((one) => taken.has(one));
  if (used !== undefined) return refusal('id-taken', { id: used });
  return rider.guide === null ? undefined : checkNodes(scene, rider.guide, []);
}

/**
 * Sets a rider down where it should be at a time. Parked at time 0 it is moved; parked later, a guide begins where it is parked (time 0) and leads to the
 * point. On a guide: where a mark stands at that time its node is moved; between marks a node and a mark are set into the line; after the last one
 * the guide grows (or closes, where the point lies on its first node), before the first it grows backward. Other marks keep their times and nodes.
 */
export const setDown = command<SetDown>(checkSetDown, (scene, args) => {
  const rider = riderOf(scene, args.rider);
  const guide = guideById(scene, rider.guide);
  if (!guide) return fromParked(scene, rider, args);
  const mark = markNear(scene, rider, args.time);
  const closes = args.closes === true && closesAt(scene, rider, args.time, args.to, Infinity);
  if (mark) return closes ? closedByLast(scene, rider, guide, mark) : movedMark(scene, rider, guide, mark, args);
  const first = rider.pace.marks[0];
  const last = rider.pace.marks[rider.pace.marks.length - 1];
  if (!first || !last) return scene;
  if (args.time > last.time + last.dwell && !guide.closed && isAtEnd(guide, last, 'last'))
    return grown(scene, rider, guide, { ...args, closes }, true);
  if (args.time < first.time && !guide.closed && isAtEnd(guide, first, 'first'))
    return grown(scene, rider, guide, args, false);
  return setBetween(scene, rider, guide, args);
});

function fromParked(scene: Scene, rider: Rider, { time, to, ids, name, color }: SetDown): Scene {
  if (time === 0) return replaceRider(scene, { ...rider, at: to });
  const [a, b] = ids.nodes;
  const guide = newGuide({
    id: ids.guide,
    name,
    nodes: [
      { id: a, x: rider.at[0], y: rider.at[1], join: 'corner' },
      { id: b, x: to[0], y: to[1], join: 'corner' },
    ],
    color: color ?? routeColor(scene.guides.length),
  });
  const marks = [newMark(ids.marks[0], 0, atNode(a)), newMark(ids.marks[1], time, atNode(b))];
  return replaceRider(
    { ...scene, guides: [...scene.guides, guide] },
    { ...rider, guide: guide.id, lift: 0, lead: 0, pace: { ...rider.pace, marks } },
  );
}

const atNode = (node: string, lap = 0): Mark['place'] => ({ by: 'node', node, along: 0, lap });

/** Moves what a mark is tied to: its node, or a node that is set into the span there. */
function movedMark(scene: Scene, rider: Rider, guide: Guide, mark: Mark, { to, ids }: SetDown): Scene {
  const { place } = mark;
  if (place.by === 'node' && place.along === 0)
    return setNode(scene, { guide: guide.id, node: place.node, x: to[0], y: to[1] });
  const distance = prepare(scene).rider(rider.id)?.line?.distanceAt(mark.time);
  if (distance === undefined) return scene;
  const tied = withNodeAt(scene, guide, distance, ids.nodes[0]);
  if (!tied) return scene;
  const lap = guide.closed ? Math.floor(distance / pathOfGuide(guide).length + 1e-9) : 0;
  const now = riderOf(tied.scene, rider.id);
  const marks = now.pace.marks.map((one) => (one.id === mark.id ? { ...one, place: atNode(tied.node, lap) } : one));
  return setNode(replaceRider(tied.scene, { ...now, pace: { ...now.pace, marks } }), {
    guide: guide.id,
    node: tied.node,
    x: to[0],
    y: to[1],
  });
}

/** The scene with a node at a distance along a guide: one that is there, or a new one set in without changing the shape. */
function withNodeAt(
  scene: Scene,
  guide: Guide,
  distance: number,
  id: string,
): { scene: Scene; node: string } | undefined {
  const path = pathOfGuide(guide);
  const place = placeAtDistance(
    guide,
    path,
    Math.min(Math.max(distance, guide.closed ? distance : 0), guide.closed ? distance : path.length),
  );
  if (place.by !== 'node') return undefined;
  if (place.along === 0) return { scene, node: place.node };
  const { span, t } = path.parameterAtDistance(path.wrap(distance));
  if (!(t > 1e-6 && t < 1 - 1e-6)) {
    const near = guide.nodes[t < 0.5 ? span : (span + 1) % guide.nodes.length];
    return near ? { scene, node: near.id } : undefined;
  }
  return { scene: insertNode(scene, { guide: guide.id, span, t, id }), node: id };
}

/** A node and a mark set into the line at a time, then moved. */
function setBetween(scene: Scene, rider: Rider, guide: Guide, { time, to, ids }: SetDown): Scene {
  const insert = { rider: rider.id, time, id: ids.marks[0] };
  if (insertMark.can(scene, insert)) return scene;
  const marked = insertMark(scene, insert);
  const now = riderOf(marked, rider.id);
  const mark = now.pace.marks.find((one) => one.id === ids.marks[0]);
  return mark
    ? movedMark(marked, now, guideOf(marked, guide.id), mark, { rider: rider.id, time, to, ids, name: '' })
    : scene;
}

function isAtEnd(guide: Guide, mark: Mark, which: 'first' | 'last'): boolean {
  const node = guide.nodes[which === 'first' ? 0 : guide.nodes.length - 1];
  return mark.place.by === 'node' && mark.place.node === node?.id && mark.place.along === 0;
}

/** The guide grown by a node at its end or its start, with a mark tied to it; closed instead where the point lies on the other end. */
function grown(scene: Scene, rider: Rider, guide: Guide, { time, to, ids, closes }: SetDown, atEnd: boolean): Scene {
  const id = ids.nodes[0];
  const start = guide.nodes[0];
  const closing = closes === true && atEnd && start && guide.nodes.length >= 2;
  const node: Node = { id, x: to[0], y: to[1], join: 'corner' };
  const next: Guide = closing
    ? { ...guide, closed: true }
    : { ...guide, nodes: atEnd ? [...guide.nodes, node] : [node, ...guide.nodes] };
  const mark = newMark(
    ids.marks[0],
    closing ? endOfLoop(scene, rider, time) : time,
    closing ? atNode(start.id, 1) : atNode(id),
  );
  const marks = atEnd ? [...rider.pace.marks, mark] : [mark, ...rider.pace.marks];
  return replaceRider(replaceGuide(scene, next), { ...rider, pace: { ...rider.pace, marks } });
}

/** Makes a rider be at the place of its guide nearest to a point at a local time: a mark there is moved, else one is set. A parked rider is put on `guide`. */
export const beThere = command<{
  rider: string;
  guide: string;
  time: number;
  at: Vec;
  ids: readonly [string, string];
}>(
  (scene, { rider: id, guide, time }) => {
    const missing = missingRider(scene, id) ?? checkNodes(scene, guide, []);
    if (missing) return missing;
    const rider = riderOf(scene, id);
    if (rider.guide !== null && rider.guide !== guide) return refusal('other-guide', { name: rider.name });
    return time >= 0 && time <= cycleOf(rider, scene.clock) ? undefined : refusal('outside-cycle');
  },
  (scene, { rider: id, guide: guideId, time, at, ids }) => {
    const guide = guideOf(scene, guideId);
    const rider = riderOf(scene, id);
    const path = pathOfGuide(guide);
    const near = nearestOnPath(path, at[0], at[1])?.distance ?? 0;
    if (rider.guide !== guideId) {
      const mark = newMark(ids[0], time, placeAtDistance(guide, path, near));
      return replaceRider(scene, {
        ...rider,
        guide: guideId,
        lift: 0,
        lead: 0,
        pace: { ...rider.pace, marks: [mark] },
      });
    }
    const now = prepare(scene).rider(id)?.line?.distanceAt(time) ?? 0;
    const lap = guide.closed && path.length > 0 ? Math.round((now - near) / path.length) : 0;
    const place = placeAtDistance(guide, path, near + lap * path.length);
    const there = markNear(scene, rider, time);
    const insert = { rider: id, time, id: ids[0] };
    if (!there && insertMark.can(scene, insert)) return scene;
    const marked = there ? scene : insertMark(scene, insert);
    const target = there?.id ?? ids[0];
    const after = riderOf(marked, id);
    const marks = after.pace.marks.map((mark) => (mark.id === target ? { ...mark, place } : mark));
    return replaceRider(marked, { ...after, pace: { ...after.pace, marks } });
  },
);

/** Whether setting a rider down at a point at a local time closes its guide: its last placement, new or moved, meets the guide's first node. */
export function closesAt(scene: Scene, rider: Rider, time: number, to: Vec, reach: number): boolean {
  const guide = guideById(scene, rider.guide);
  const first = guide?.nodes[0];
  const last = rider.pace.marks.at(-1);
  if (!guide || guide.closed || !first || !last || !isAtEnd(guide, last, 'last')) return false;
  const there = markNear(scene, rider, time);
  if (there ? there !== last || guide.nodes.length < 3 : time < last.time || guide.nodes.length < 2) return false;
  return Math.hypot(first.x - to[0], first.y - to[1]) <= reach;
}

/** A closing placement within a frame of the cycle's end is at the end: the loop would stand for that frame. */
const endOfLoop = (scene: Scene, rider: Rider, time: number): number => {
  const cycle = cycleOf(rider, scene.clock);
  return time >= cycle - 1.01 / scene.clock.fps ? cycle : time;
};

/** The guide closed by its last placement, which was dropped on the first: the last node is the first one then. */
function closedByLast(scene: Scene, rider: Rider, guide: Guide, mark: Mark): Scene {
  const [first, ...others] = guide.nodes;
  const dropped = others.pop();
  if (!first || !dropped) return scene;
  const start: Node = { ...first, ...(dropped.in ? { in: dropped.in } : {}) };
  const next: Guide = { ...guide, closed: true, nodes: [start, ...others] };
  const remade = remakeGuide(scene, next, keepingSpans(guide, next));
  const now = riderOf(remade, rider.id);
  const time = endOfLoop(scene, rider, mark.time);
  // Its rest ends with the loop.
  const dwell = Math.max(0, Math.min(mark.dwell, cycleOf(rider, scene.clock) - time));
  const place = atNode(start.id, 1);
  const marks = now.pace.marks.map((one) => (one.id === mark.id ? { ...one, time, dwell, place } : one));
  return replaceRider(remade, { ...now, pace: { ...now.pace, marks } });
}
