import { Body } from '../../geometry/index.ts';
import { POSE, type Motion, type RiderMotion } from '../../motion/index.ts';
import { artOfRider, riderById, type Bound, type Scene } from '../../scene/index.ts';
import { PairSearch, type Mover } from '../bodies/closest.ts';
import { lookIn } from '../bodies/look-in.ts';
import { isSweptClear } from '../bodies/swept.ts';
import { cellsOf, trackOf, type Track } from '../bodies/tracks.ts';
import type { Asked, Check, Finding } from '../check.ts';
import { placedArea, type Placed } from './areas.ts';
import { deepest } from './depth.ts';
import { around } from './outside.ts';
import { corridorWords, type CorridorFinding } from './words.ts';

export type { CorridorFinding } from './words.ts';

/** What a scene's riders are held to: the lanes of their guides, and what was set for them. */
export function boundsOf({ checks, guides, riders }: Scene): readonly Bound[] {
  const lanes = new Set(guides.flatMap(({ id, corridor }) => (corridor === null ? [] : [id])));
  const set = checks.bounds.filter(({ rider }) => riders.some(({ id }) => id === rider));
  const own = riders.flatMap(({ id, guide }): Bound[] =>
    guide !== null &&
    lanes.has(guide) &&
    !set.some(({ rider, area }) => rider === id && area.kind === 'lane' && area.guide === guide)
      ? [{ rider: id, side: 'in', area: { kind: 'lane', guide }, by: 'body' }]
      : [],
  );
  return [...own, ...set];
}

type How = Pick<Asked, 'isOnlyAsked' | 'first'>;

/** Where riders leave what they have to stay within, or enter what they have to stay out of: over continuous time, by all that they paint or by their pivot; the farthest first. */
export function checkCorridor(scene: Scene, motion: Motion, how: How = {}): CorridorFinding[] {
  return boundsOf(scene)
    .flatMap((bound) => foundOf(scene, motion, bound, how) ?? [])
    .sort((a, b) => b.depth - a.depth || a.at - b.at);
}

interface Known {
  readonly body: Body;
  readonly by: RiderMotion | undefined;
  readonly bound: Bound;
  readonly found: CorridorFinding | undefined;
}

/** What is kept of one rider beside the latest. */
const MOST_KNOWN = 15;

/** What was found of a rider that is as it was then. */
const known = new WeakMap<Track, Known[]>();

const isSame = (a: Bound, b: Bound): boolean =>
  a === b || (a.side === b.side && a.by === b.by && JSON.stringify(a.area) === JSON.stringify(b.area));

function foundOf(scene: Scene, motion: Motion, bound: Bound, how: How): CorridorFinding | undefined {
  const rider = riderById(scene, bound.rider);
  const moving = motion.rider(bound.rider);
  const art = rider && artOfRider(scene, rider);
  const area = placedArea(scene, motion, bound.area);
  if (!rider?.output || !moving || !art || !area || area.by === moving) return undefined;
  const track = trackOf(moving, art, scene, motion.length);
  const before = known.get(track) ?? [];
  const same = before.find((one) => one.body === area.body && one.by === area.by && isSame(one.bound, bound));
  if (same) return same.found;
  const found = searched(track, area, bound, motion, how);
  if (found && how.isOnlyAsked) return found;
  // Of a width that is dragged only the latest are kept.
  known.set(track, [...before.slice(-MOST_KNOWN), { body: area.body, by: area.by, bound, found }]);
  return found;
}

/** Cells of time that are looked at together first, then fewer: most of what moves in an area is clear of its edges for long. */
const TOGETHER = [16, 4] as const;

const isAreaStanding = ({ by }: Placed): boolean => by === undefined || by.varies.length === 0;

/** Tells whether a rider is clear of an area that stands, from a cell on, in all cells that are looked at together: by what it sweeps, from as many poses as cell by cell. */
function clearIn(track: Track, area: Mover, length: number, cells: number): (cell: number, count: number) => boolean {
  const standing = area.motion.poseAt(0, 1);
  const outside = area.bodyIn(standing);
  return (cell, count) => {
    if (!outside || cell + count > cells) return false;
    const [from, to] = [(length * cell) / cells, (length * (cell + count)) / cells];
    if (track.events.some((time) => time > from && time < to)) return false;
    const poses = Array.from({ length: 2 * count + 1 }, (_, k) =>
      track.motion.poseAt(from + ((to - from) * k) / (2 * count), k === 2 * count ? -1 : 1),
    );
    const [first, ...others] = poses.map((pose) => track.bodyIn(pose));
    return (
      first !== undefined && others.every((body) => body === first) && isSweptClear(first, poses, outside, standing)
    );
  };
}

/** Only asked, one time is enough, and its depth is not asked for. */
function searched(
  track: Track,
  area: Placed,
  bound: Bound,
  motion: Motion,
  { isOnlyAsked = false, first }: How,
): CorridorFinding | undefined {
  const cells = cellsOf(motion.length);
  const mover = bound.by === 'pivot' ? pivotOf(track) : track;
  const about: Mover = areaMover(area, area.body, motion.length);
  // To leave an area is to overlap what lies round it.
  const against = bound.side === 'out' ? about : areaMover(area, around(area, track, motion.length), motion.length);
  const search = new PairSearch(mover, against, 0, isOnlyAsked);
  const look = (cell: number): void => {
    if ((track.swept[4 * cell] ?? Infinity) > (track.swept[4 * cell + 2] ?? -Infinity)) return;
    lookIn(search, mover, against, (motion.length * cell) / cells, (motion.length * (cell + 1)) / cells);
  };
  // Where it was worst it is longest.
  if (isOnlyAsked && first != null) look(Math.min(cells - 1, Math.floor((first / motion.length) * cells)));
  const isClear =
    isAreaStanding(area) && bound.by === 'body' ? clearIn(track, against, motion.length, cells) : undefined;
  for (let cell = 0; cell < cells && !search.hasEnded;) {
    const from = cell;
    const together = isClear ? TOGETHER.find((count) => from % count === 0 && isClear(from, count)) : undefined;
    if (together === undefined) look(cell);
    cell += together ?? 1;
  }
  const { spans, at, place } = search.found;
  if (isOnlyAsked && spans.length > 0) return { bound, spans, at, place, depth: 0 };
  return spans.length > 0 ? { bound, spans, ...deepest(mover, about, bound.side, spans) } : undefined;
}

/** An area over time: where what carries it brings it. */
function areaMover({ by }: Placed, body: Body, length: number): Mover {
  return {
    motion: by ?? { poseAt: (_time, _side, data = new Float64Array(16), offset = 0) => standing(data, offset) },
    events: by && by.varies.length > 0 ? by.events(0, length) : [],
    isArea: true,
    bodyIn: () => body,
  };
}

const STANDING = [1, 0, 0, 1, 0, 0, 1] as const;

function standing(data: Float64Array, offset: number): Float64Array {
  data.set(STANDING, offset);
  return data;
}

/** px: how large a pivot is. */
const POINT = 1e-4;
const POINT_BODY = new Body([[-POINT, -POINT, POINT, -POINT, 0, POINT]]);

/** A rider's pivot while the rider is seen. */
function pivotOf(track: Track): Mover {
  return {
    events: track.events,
    motion: {
      poseAt(time, side, data = new Float64Array(16), offset = 0) {
        track.motion.poseAt(time, side, data, offset);
        const [x, y] = [data[offset + POSE.x] ?? 0, data[offset + POSE.y] ?? 0];
        data.set([1, 0, 0, 1, x, y], offset);
        return data;
      },
    },
    bodyIn: (data, offset) => (track.bodyIn(data, offset) ? POINT_BODY : undefined),
  };
}

export const corridor: Check<'corridor'> = {
  id: 'corridor',
  label: 'Corridor',
  about:
    'Riders that leave the lane or the area that they have to stay within, or enter one that they have to stay out of',
  find({ scene, motion, isOnlyAsked, first }) {
    // A rider's are one finding, the worst first.
    const riders = new Map<string, CorridorFinding[]>();
    for (const one of checkCorridor(scene, motion, { isOnlyAsked, first }))
      riders.set(one.bound.rider, [...(riders.get(one.bound.rider) ?? []), one]);
    return [...riders].flatMap(([rider, found]): Finding[] => {
      const [worst] = found;
      if (!worst) return [];
      const { at, place } = worst;
      const spans = found.flatMap((one) => one.spans).sort((a, b) => a[0] - b[0]);
      return [
        {
          ...{ check: 'corridor', holds: false, riders: [rider], at, spans, place },
          amount: worst.depth,
          words: found.map((one) => corridorWords(scene, one)).join('; '),
          figures: { depth: worst.depth, at, spans, bounds: found.map(({ bound, depth }) => ({ ...bound, depth })) },
        },
      ];
    });
  },
};
