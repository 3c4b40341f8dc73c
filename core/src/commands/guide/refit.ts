import {
  emptyFrame,
  fitOneCubic,
  fitSamples,
  gapToSegment,
  pathThrough,
  type PathNode,
  type Sample,
  type Vec,
} from '../../geometry/index.ts';
import { countedIds, nodeIndex, pathOfGuide, type Guide, type Node, type Scene } from '../../scene/index.ts';
import { checkNodes } from '../node/check-nodes.ts';
import { command, guideOf, refusal } from '../command.ts';
import { byDistance, byPoint, keepingSpans, remakeGuide } from '../places/place-map.ts';
import { pointOfPlace } from '../places/places.ts';
import { namedNode } from '../settle.ts';

/** Samples on a piece of a guide for a fit. */
const SAMPLES = 48;

function samplesBetween(guide: Guide, from: number, to: number, count = SAMPLES): Sample[] {
  const path = pathOfGuide(guide);
  const frame = emptyFrame();
  return Array.from({ length: count + 1 }, (_, i) => {
    const { x, y, tangentX, tangentY } = path.frameAtDistance(
      from + ((to - from) * i) / count,
      i === count ? -1 : 1,
      frame,
    );
    return { x, y, tangentX, tangentY };
  });
}

/** The kept nodes of a guide, with each span over a gap refitted to the piece that it replaces. */
export function refitted(guide: Guide, kept: readonly Node[]): Node[] {
  const path = pathOfGuide(guide);
  const nodes = [...kept];
  const count = guide.closed ? nodes.length : nodes.length - 1;
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % nodes.length;
    const a = nodes[i];
    const b = nodes[j];
    if (!a || !b || (nodes.length === 1 && guide.nodes.length === 1)) continue;
    const ia = nodeIndex(guide, a.id);
    const ib = nodeIndex(guide, b.id);
    if (ib === ia + 1 || (guide.closed && (ia + 1) % guide.nodes.length === ib && nodes.length > 1)) continue;
    const from = path.starts[ia] ?? 0;
    const to = (path.starts[ib] ?? 0) + (ib <= ia ? path.length : 0);
    const samples = samplesBetween(guide, from, to);
    const first = samples[0];
    const last = samples[SAMPLES];
    if (first && last && samples.every(({ x, y }) => gapToSegment([first.x, first.y], [last.x, last.y], x, y) < 1e-6)) {
      const { out: _out, ...plainA } = a;
      const { in: _in, ...plainB } = b;
      nodes[i] = plainA;
      nodes[j] = i === j ? plainA : plainB;
      continue;
    }
    const fit = fitOneCubic(samples);
    if (!fit) continue;
    nodes[i] = { ...a, out: fit.out, join: loosened(a) };
    nodes[j] = { ...(i === j ? (nodes[i] ?? b) : b), in: fit.in, join: loosened(b) };
  }
  return nodes;
}

const loosened = (node: Node): Node['join'] => (node.join === 'balanced' ? 'smooth' : node.join);

/** Indexes of the nodes that a simplified guide keeps: its ends, its corners, and those that have a name or a mark's place just on them. */
function fixedNodes(scene: Scene, guide: Guide): Set<number> {
  const path = pathOfGuide(guide);
  const last = guide.nodes.length - 1;
  const fixed = new Set(guide.closed ? [0] : [0, last]);
  const corners = path.corners((3 * Math.PI) / 180);
  guide.nodes.forEach((node, i) => {
    if (node.name !== undefined) fixed.add(i);
    if (corners.some((s) => Math.abs(s - (path.starts[i] ?? 0)) < 1e-7)) fixed.add(i);
  });
  for (const rider of scene.riders)
    if (rider.guide === guide.id)
      for (const { place } of rider.pace.marks)
        if (place.by === 'node' && place.along === 0) fixed.add(nodeIndex(guide, place.node));
  return fixed;
}

/**
 * Replaces what lies between the fixed nodes of a guide by as few cubics as stay within a tolerance, px. Corners, ends, named nodes and nodes that
 * marks stand on are fixed.
 */
export const simplifyGuide = command<{ guide: string; tolerance: number }>(
  (scene, { guide, tolerance }) => checkNodes(scene, guide, []) ?? (tolerance > 0 ? undefined : refusal('tolerance')),
  (scene, { guide: id, tolerance }) => {
    const guide = guideOf(scene, id);
    const fixed = [...fixedNodes(scene, guide)].sort((a, b) => a - b);
    if (fixed.length < (guide.closed ? 1 : 2)) return scene;
    const next: Guide = {
      ...guide,
      nodes: refitBetween(scene, guide, fixed, (from, to) =>
        fitSamples(samplesBetween(guide, from, to, samplesFor(to - from)), tolerance),
      ),
    };
    return remakeGuide(scene, next, keepingSpans(guide, next));
  },
);

/** A sample every few px, within bounds. */
const samplesFor = (length: number): number => Math.min(4000, Math.max(SAMPLES, Math.round(length / 3)));

/** A guide's nodes with each piece between two fixed ones put in anew. New nodes get ids that are free. */
function refitBetween(
  scene: Scene,
  guide: Guide,
  fixed: readonly number[],
  piece: (from: number, to: number) => readonly PathNode[],
): Node[] {
  const path = pathOfGuide(guide);
  const fresh = countedIds(scene, `${guide.id}-s`);
  const nodes = new Map<number, Node>();
  const between = new Map<number, Node[]>();
  const node = (i: number): Node => nodes.get(i) ?? guide.nodes[i] ?? { id: fresh(), x: 0, y: 0, join: 'corner' };
  const count = guide.closed ? fixed.length : fixed.length - 1;
  for (let k = 0; k < count; k++) {
    const a = fixed[k] ?? 0;
    const b = fixed[(k + 1) % fixed.length] ?? 0;
    const from = path.starts[a] ?? 0;
    const to = (path.starts[b] ?? 0) + (guide.closed && b <= a ? path.length : 0);
    const isStraight = path.spans[a]?.isStraight && (a + 1) % guide.nodes.length === b;
    if (isStraight) continue;
    const made = piece(from, to);
    const first = made[0];
    const last = made[made.length - 1];
    if (!first || !last || made.length < 2) continue;
    nodes.set(a, { ...node(a), out: first.out, join: loosened(node(a)) });
    nodes.set(b, { ...node(b), in: last.in, join: loosened(node(b)) });
    between.set(
      a,
      made.slice(1, -1).map((one) => namedNode(one, fresh())),
    );
  }
  return fixed.flatMap((i, k) => {
    const a = node(i);
    if (between.has(i)) return [a, ...(between.get(i) ?? [])];
    const stop = fixed[k + 1] ?? (guide.closed ? guide.nodes.length : i + 1);
    return [a, ...guide.nodes.slice(i + 1, stop)];
  });
}

/** Rounds of smoothing at full strength. */
const FAIR_ROUNDS = 400;
const FAIR_TOLERANCE = 0.3;

/**
 * Fairs a wobbly piece: what lies between the outermost of the given nodes is smoothed (its ends and their tangents stay) by `strength`, 0 to 1, and
 * fitted again. Repeated smoothing without shrinking: G. Taubin, "Curve and surface smoothing without shrinkage", ICCV 1995.
 */
export const fairGuide = command<{ guide: string; nodes: readonly string[]; strength: number }>(
  (scene, { guide: id, nodes }) => {
    const refused = checkNodes(scene, id, nodes);
    if (refused) return refused;
    const guide = guideOf(scene, id);
    return nodes.length === 1 || guide.nodes.length < 3 ? refusal('piece-needs-two-ends') : undefined;
  },
  (scene, { guide: id, nodes, strength }) => {
    const guide = guideOf(scene, id);
    const indexes = nodes.map((one) => nodeIndex(guide, one)).sort((a, b) => a - b);
    const last = guide.nodes.length - 1;
    const a = indexes[0] ?? 0;
    const b = indexes[indexes.length - 1] ?? (guide.closed ? 0 : last);
    if (strength <= 0) return scene;
    const inside = (i: number): boolean => (a < b ? i > a && i < b : i !== a);
    const fixed = guide.nodes.flatMap((_, i) => (inside(i) ? [] : [i]));
    const path = pathOfGuide(guide);
    const next: Guide = {
      ...guide,
      nodes: refitBetween(scene, guide, fixed, (from, to) => {
        const start = path.starts[a] ?? 0;
        if (Math.abs(from - start) > 1e-9) return [];
        const samples = faired(
          samplesBetween(guide, from, to, samplesFor(to - from)),
          Math.round(FAIR_ROUNDS * Math.min(1, strength) ** 2),
        );
        return fitSamples(samples, FAIR_TOLERANCE);
      }),
    };
    return remakeGuide(
      scene,
      next,
      byPoint(guide, next, (place) => pointOfPlace(guide, place)),
    );
  },
);

/** Samples moved towards the middle of their neighbours and partly back, round after round; both ends and the next to them stay. */
function faired(samples: readonly Sample[], rounds: number): Sample[] {
  let points: Vec[] = samples.map(({ x, y }) => [x, y]);
  const step = (list: readonly Vec[], share: number): Vec[] =>
    list.map((p, i) => {
      const before = list[i - 1];
      const after = list[i + 1];
      if (!before || !after || i === 1 || i === list.length - 2) return p;
      return [p[0] + share * ((before[0] + after[0]) / 2 - p[0]), p[1] + share * ((before[1] + after[1]) / 2 - p[1])];
    });
  for (let i = 0; i < rounds; i++) points = step(step(points, 0.63), -0.6);
  return points.map(([x, y], i): Sample => {
    const here = samples[i];
    const before = points[i - 1];
    const after = points[i + 1];
    if (!before || !after || !here) return { x, y, tangentX: here?.tangentX ?? 1, tangentY: here?.tangentY ?? 0 };
    const size = Math.hypot(after[0] - before[0], after[1] - before[1]) || 1;
    return { x, y, tangentX: (after[0] - before[0]) / size, tangentY: (after[1] - before[1]) / size };
  });
}

/** Gives a guide another outline that is nearly the same way, as when a stroke is fitted again. Marks keep their share of the length. */
export const setOutline = command<{ guide: string; nodes: readonly Node[]; closed: boolean }>(
  (scene, { guide, nodes }) => checkNodes(scene, guide, []) ?? (nodes.length > 0 ? undefined : refusal('no-nodes')),
  (scene, { guide: id, nodes, closed }) => {
    const guide = guideOf(scene, id);
    const before = pathOfGuide(guide).length;
    const share = before > 0 ? pathThrough(nodes, closed).length / before : 0;
    const next: Guide = { ...guide, nodes, closed };
    return remakeGuide(
      scene,
      next,
      byDistance(guide, next, (distance) => distance * share),
    );
  },
);
