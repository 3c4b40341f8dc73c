import { landmarksOf } from '../geometry/index.ts';
import { wholeNumbers } from '../search.ts';
import { nameOfNode, nodeIndex, pathOfGuide, type Guide, type Rider } from '../scene/index.ts';
import { distancePerPx, yOfDistance, type Axes } from './axes.ts';

/** A place on the guide as a height of the sheet. */
export interface Rule {
  readonly distance: number;
  readonly y: number;
  readonly label: string;
  /** A node to which nothing is tied: a place that marks come to, no more. */
  readonly isFaint: boolean;
}

/** Least px between two rules that both stand. */
const RULE_GAP = 16;

/** Laps whose places are drawn one by one; more are thinner than their rules. */
const MOST_LAPS = 300;

/** Whole laps that may bring a place of a closed guide onto the sheet, or as many of them as can be told apart. */
function lapsOn(guide: Guide, { low, high }: Axes): number[] {
  const { length } = pathOfGuide(guide);
  if (!guide.closed || !(length > 0)) return [0];
  const [first, last] = [Math.ceil(low / length - 1), Math.floor(high / length)];
  const every = Math.max(1, Math.ceil((last - first) / MOST_LAPS));
  return wholeNumbers(0, Math.min(MOST_LAPS, last - first)).map((i) => first + i * every);
}

/** Inner nodes, with their laps, up to which all are looked at: more than these lie too close to be named. */
const MOST_INNER = 2000;

/** The guide's nodes as heights: those closer than 16 px to a weightier one (tied to a mark, then an end) are left out. */
export function nodeRules(guide: Guide, riders: readonly Rider[], axes: Axes): Rule[] {
  const path = pathOfGuide(guide);
  const tied = new Set<number>();
  for (const rider of riders)
    for (const { place } of rider.pace.marks)
      if (place.by === 'node' && place.along === 0) tied.add(nodeIndex(guide, place.node));
  const laps = lapsOn(guide, axes);
  const takesInner = guide.nodes.length * laps.length <= MOST_INNER;
  const found = guide.nodes.flatMap((node, i) => {
    const isEnd = i === 0 || (!guide.closed && i === guide.nodes.length - 1);
    if (!tied.has(i) && !isEnd && !takesInner) return [];
    return laps
      .map((lap) => (path.starts[i] ?? 0) + lap * path.length)
      .filter((distance) => distance >= axes.low && distance <= axes.high)
      .map((distance) => ({ distance, label: nameOfNode(guide, node.id), weight: tied.has(i) ? 2 : isEnd ? 1 : 0 }));
  });
  const kept: Rule[] = [];
  for (const { distance, label, weight } of found.sort((a, b) => b.weight - a.weight || a.distance - b.distance)) {
    const y = yOfDistance(axes, distance);
    if (kept.every((rule) => Math.abs(rule.y - y) >= RULE_GAP))
      kept.push({ distance, y, label, isFaint: weight === 0 });
  }
  return kept;
}

/** Landmarks that a sheet shows at most. */
const MOST_LANDMARKS = 200;

/** Heights of a guide's crests, troughs and tightest bends, px. */
export function landmarkHeights(guide: Guide, axes: Axes): number[] {
  const path = pathOfGuide(guide);
  const laps = lapsOn(guide, axes);
  return landmarksOf(path)
    .slice(0, MOST_LANDMARKS)
    .flatMap(({ distance }) => laps.map((lap) => distance + lap * path.length))
    .filter((distance) => distance >= axes.low && distance <= axes.high)
    .map((distance) => yOfDistance(axes, distance));
}

/** px. A distance whose height is this near to a node's is at the node. */
const SNAP = 6;

/** The distance of the nearest node within 6 px of a distance's height, or, where asked, of a landmark; else the distance itself. */
export function snappedDistance(guide: Guide, axes: Axes, distance: number, landmarks: boolean): number {
  const path = pathOfGuide(guide);
  const nodes = guide.closed ? path.starts.subarray(0, -1) : path.starts;
  const places = landmarks ? [...nodes, ...landmarksOf(path).map((one) => one.distance)] : nodes;
  const lap = guide.closed && path.length > 0 ? Math.floor(distance / path.length) : 0;
  let best = distance;
  let gap = SNAP * distancePerPx(axes);
  for (let k = lap; k <= lap + (guide.closed ? 1 : 0); k++)
    for (const start of places) {
      const s = start + k * path.length;
      if (Math.abs(s - distance) < gap) {
        gap = Math.abs(s - distance);
        best = s;
      }
    }
  return best;
}

/** A distance on the lap of a closed guide that lies on the sheet. */
export function distanceOnSheet(guide: Guide, distance: number, axes: Axes): number {
  const { length } = pathOfGuide(guide);
  if (!guide.closed || length === 0) return distance;
  let s = distance;
  while (s < axes.low) s += length;
  while (s > axes.high && s - length >= axes.low) s -= length;
  return s;
}
