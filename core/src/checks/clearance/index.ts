import { overlapOf } from '../../drawing/areas.ts';
import { ringsAt } from '../../drawing/painted.ts';
import type { Vec } from '../../geometry/index.ts';
import { POSE, type Motion } from '../../motion/index.ts';
import { artOfRider, pictureOf, riderById, type Scene } from '../../scene/index.ts';
import type { Check, Finding } from '../check.ts';
import { PairSearch, type Closest } from '../bodies/closest.ts';
import { lookIn } from '../bodies/look-in.ts';
import { NearIn } from '../bodies/near-in.ts';
import { Apart, type Pair } from './pairs.ts';
import { cellsOf, trackOf, type Track } from '../bodies/tracks.ts';

/** Share of the time in which both are seen beyond which two riders that overlap are one picture. */
const ALWAYS = 0.995;

/** What was found of two that are as they were then. */
const searched = new WeakMap<Track, WeakMap<Track, PairSearch>>();

/** Two riders that come nearer to each other than they may. */
export interface ClearanceFinding extends Closest {
  /** Ids of what carries the rest. */
  readonly riders: readonly [string, string];
  /** Indexes in the scene of the two that come nearest. */
  readonly pair: Pair;
}

/**
 * Where the bodies of riders that move against each other overlap, or come nearer than `limit`, px: over continuous time, by what they paint. Each pair that does is told
 * once, the nearest first.
 */
export function checkClearance(scene: Scene, motion: Motion, limit = 0, isOnlyAsked = false): ClearanceFinding[] {
  const apart = new Apart(scene, motion);
  const cells = cellsOf(motion.length);
  const tracks = new Map<number, Track>();
  for (const i of apart.riders) {
    const [rider, moving] = [scene.riders[i], motion.riders[i]];
    const art = rider && artOfRider(scene, rider);
    if (art && moving) tracks.set(i, trackOf(moving, art, scene, motion.length));
  }
  const searches = new Map<number, PairSearch>();
  const count = scene.riders.length;
  const near = new NearIn(tracks, limit);
  const known = new Set<PairSearch>();
  for (let cell = 0; cell < cells; cell++) {
    const [from, to] = [(motion.length * cell) / cells, (motion.length * (cell + 1)) / cells];
    near.each(cell, (i, j) => {
      if (!apart.has(i, j)) return;
      const [a, b] = [tracks.get(i), tracks.get(j)];
      if (!a || !b) return;
      let search = searches.get(i * count + j);
      if (!search) {
        const before = searched.get(a)?.get(b);
        search = before?.limit === limit ? before : new PairSearch(a, b, limit, isOnlyAsked);
        if (search === before) known.add(search);
        searches.set(i * count + j, search);
      }
      if (!known.has(search)) lookIn(search, a, b, from, to);
    });
  }
  for (const [key, search] of searches) {
    const [a, b] = [tracks.get(Math.floor(key / count)), tracks.get(key % count)];
    // What has ended at its first time is not known.
    if (!a || !b || search.hasEnded) continue;
    const ofA = searched.get(a) ?? new WeakMap<Track, PairSearch>();
    searched.set(a, ofA.set(b, search));
  }
  const together = (i: number, j: number): number => seenTogether(tracks, i, j, motion.length);
  return told(scene, apart, searches, together).sort((a, b) => a.gap - b.gap || a.at - b.at);
}

/** What was found, of all that belongs together as one: by the ids of what carries the rest. What overlaps whenever both are seen is one picture. */
function told(
  scene: Scene,
  apart: Apart,
  searches: ReadonlyMap<number, PairSearch>,
  together: (i: number, j: number) => number,
): ClearanceFinding[] {
  const count = scene.riders.length;
  const found = new Map<string, ClearanceFinding>();
  for (const [key, search] of searches) {
    const [i, j] = [Math.floor(key / count), key % count];
    const { spans, gap } = search.found;
    // Near each other all the time without touching is too near all the same.
    if (spans.length === 0 || (gap === 0 && lasting(spans) >= ALWAYS * together(i, j))) continue;
    const riders = [apart.unitOf(i), apart.unitOf(j)] as const;
    const name = riders.join(' ');
    const before = found.get(name) ?? found.get(`${riders[1]} ${riders[0]}`);
    if (!before) found.set(name, { riders, pair: [i, j], ...worstOf(search.found) });
    else {
      const worse = nearer(before, { riders: before.riders, pair: [i, j], ...worstOf(search.found) });
      found.set(before.riders.join(' '), { ...worse, spans: joined(before.spans, spans) });
    }
  }
  return [...found.values()];
}

type Span = readonly [from: number, to: number];

const lasting = (spans: readonly Span[]): number => spans.reduce((sum, [from, to]) => sum + to - from, 0);

/** The one that comes nearer, or overlaps for longer at once. */
const nearer = (a: ClearanceFinding, b: ClearanceFinding): ClearanceFinding =>
  b.gap < a.gap || (b.gap === a.gap && longest(b.spans) > longest(a.spans)) ? b : a;

const longest = (spans: readonly Span[]): number => Math.max(...spans.map(([from, to]) => to - from));

/** An overlap is looked at in the middle of its longest time. */
function worstOf(found: Closest): Closest {
  if (found.gap > 0) return found;
  const [from, to] = found.spans.find(([a, b]) => b - a === longest(found.spans)) ?? [found.at, found.at];
  return { ...found, at: (from + to) / 2 };
}

/** All times of two lists of spans. */
function joined(a: readonly Span[], b: readonly Span[]): [number, number][] {
  const all: [number, number][] = [];
  for (const [from, to] of [...a, ...b].sort((p, q) => p[0] - q[0])) {
    const last = all[all.length - 1];
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else all.push([from, to]);
  }
  return all;
}

/** s in which both of two riders are seen. */
function seenTogether(tracks: ReadonlyMap<number, Track>, i: number, j: number, length: number): number {
  const [a, b] = [tracks.get(i)?.swept, tracks.get(j)?.swept];
  if (!a || !b) return 0;
  let count = 0;
  for (let at = 0; at < a.length; at += 4)
    if ((a[at] ?? 0) <= (a[at + 2] ?? 0) && (b[at] ?? 0) <= (b[at + 2] ?? 0)) count++;
  return (count / (a.length / 4)) * length;
}

const px = (gap: number): string => `${gap.toFixed(gap < 10 ? 1 : 0)} px`;

/** How near two riders come, and when. */
export function clearanceWords({ gap, at, spans }: Pick<Closest, 'gap' | 'at' | 'spans'>): string {
  const [first] = spans;
  if (gap > 0 || !first) return `${px(gap)} at ${at.toFixed(2)} s`;
  const more = spans.length > 1 ? `, ${spans.length} times` : '';
  return `overlap ${first[0].toFixed(2)}–${first[1].toFixed(2)} s${more}`;
}

const named = (scene: Scene, id: string): string => riderById(scene, id)?.name ?? id;

/** What of two riders overlaps at a time, as rings on the canvas. */
function patchOf(scene: Scene, motion: Motion, [i, j]: Pair, at: number): readonly (readonly number[])[] {
  const [a, b] = [i, j].map((index) => {
    const pose = motion.riders[index]?.poseAt(at);
    const rider = scene.riders[index];
    const art = rider && artOfRider(scene, rider);
    const picture = pose && art && pictureOf(art, Math.round(pose[POSE.pose] ?? 1));
    return picture && pose ? ringsAt(picture, pose) : [];
  });
  return overlapOf(a ?? [], b ?? []);
}

const middleOf = (rings: readonly (readonly number[])[]): Vec | undefined => {
  const [ring] = rings;
  if (!ring) return undefined;
  const mean = (axis: 0 | 1): number =>
    ring.reduce((sum, value, k) => (k % 2 === axis ? sum + value : sum), 0) / (ring.length / 2);
  return [mean(0), mean(1)];
};

export const clearance: Check<'clearance'> = {
  id: 'clearance',
  label: 'Clearance',
  about: 'Riders that move against each other and overlap, by what they paint, at any time',
  find: ({ scene, motion, isOnlyAsked = false }) =>
    checkClearance(scene, motion, scene.checks.clearance, isOnlyAsked).map((found): Finding => {
      const { riders, pair, gap, at, place, spans } = found;
      const patch = gap === 0 && !isOnlyAsked ? patchOf(scene, motion, pair, at) : [];
      const middle = middleOf(patch);
      return {
        ...{ check: 'clearance', holds: false, riders, at, spans, patch },
        place: middle ? [middle, middle] : place,
        words: clearanceWords({ gap, at, spans }),
        figures: { gap, at, spans, names: riders.map((id) => named(scene, id)) },
      };
    }),
};
