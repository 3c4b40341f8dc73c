import { controlPointsBetween, cubicFrom, pointAtParameter, type Vec } from '../../geometry/index.ts';
import { secondsOfArc } from '../../pace/index.ts';
import {
  distanceOfPlace,
  guideById,
  pathOfGuide,
  type Guide,
  type Mark,
  type Node,
  type Rider,
  type Scene,
} from '../../scene/index.ts';
import { linkedGuide, lockedGuide } from '../node/check-nodes.ts';
import { refusal, replaceGuide, type Refusal } from '../command.ts';

/** px. An arc that is no higher above the line from landing to landing than this is flat: there is nothing to make higher. */
const FLAT = 0.5;

/** px. Landings that are no farther apart across `down` are one over the other. */
const NARROW = 0.5;

/** An arc is made higher or lower by a factor of at most this. */
const MOST = 1000;

const HALVINGS = 60;

/** Looks at an arc, for each of its spans. */
const LOOKS = 64;

/** px. A landing so near a node stands at it. */
const AT_NODE = 0.01;

/** The number of a landing's node along its guide, laps counted; undefined where it stands at none. */
function nodeOf(guide: Guide, { place }: Mark): number | undefined {
  const path = pathOfGuide(guide);
  const distance = distanceOfPlace(guide, path, place);
  const lap = guide.closed && path.length > 0 ? Math.floor((distance + AT_NODE) / path.length) : 0;
  const at = guide.nodes.findIndex(
    ({ id }) => Math.abs(distanceOfPlace(guide, path, { by: 'node', node: id, along: 0, lap }) - distance) < AT_NODE,
  );
  return at < 0 ? undefined : at + lap * guide.nodes.length;
}

/** An arc of a guide from one landing to the next. */
interface Arc {
  /** Indexes of the nodes that it passes, both landings among them, in the guide's own order. */
  readonly span: readonly number[];
  /** It is passed against that. */
  readonly isBack: boolean;
}

/** Undefined where a landing is beside the nodes, or more than a lap away. */
function arcOf(guide: Guide, a: Mark, b: Mark): Arc | undefined {
  const [from, to] = [nodeOf(guide, a), nodeOf(guide, b)];
  if (from === undefined || to === undefined) return undefined;
  const [first, last] = [Math.min(from, to), Math.max(from, to)];
  const count = guide.nodes.length;
  if (last === first || last - first > count) return undefined;
  const span = Array.from({ length: last - first + 1 }, (_, i) => (((first + i) % count) + count) % count);
  return { span, isBack: from > to };
}

/** The part of a point above the line between two landings, against `down`. */
function aboveOf(
  a: Vec,
  b: Vec,
  down: number,
): { readonly up: Vec; readonly above: (point: Vec) => number; readonly high: (point: Vec) => number } | undefined {
  const angle = (down * Math.PI) / 180;
  const up: Vec = [-Math.cos(angle), -Math.sin(angle)];
  const high = ([x, y]: Vec): number => x * up[0] + y * up[1];
  const across = ([x, y]: Vec): number => x * up[1] - y * up[0];
  const wide = across(b) - across(a);
  if (Math.abs(wide) < NARROW) return undefined;
  const above = (point: Vec): number =>
    high(point) - (high(a) + ((high(b) - high(a)) * (across(point) - across(a))) / wide);
  return { up, above, high };
}

/** An arc as it is looked at: how far its places lie above the line from landing to landing, and how high that is there, px. */
interface Looked {
  readonly parts: readonly { readonly above: number; readonly line: number }[];
  readonly start: number;
  readonly end: number;
}

function lookedAt(guide: Guide, { span, isBack }: Arc, down: number): Looked | undefined {
  const nodes = span.map((i) => guide.nodes[i]).filter((node) => node !== undefined);
  const [a, b] = [nodes[0], nodes[nodes.length - 1]];
  const frame = a && b && aboveOf([a.x, a.y], [b.x, b.y], down);
  if (!frame) return undefined;
  const looks = nodes.slice(1).flatMap((node, i) => {
    const before = nodes[i];
    const cubic = before && cubicFrom(controlPointsBetween(before, node));
    return cubic ? Array.from({ length: LOOKS + 1 }, (_, k) => pointAtParameter(cubic, k / LOOKS)) : [];
  });
  const parts = looks.map((point) => ({ above: frame.above(point), line: frame.high(point) - frame.above(point) }));
  const ends = [a, b].map(({ x, y }) => frame.high([x, y]));
  const [start = 0, end = 0] = isBack ? ends.reverse() : ends;
  return { parts, start, end };
}

/** s that an arc takes with its height multiplied. */
function lasts({ parts, start, end }: Looked, factor: number, gravity: number): number {
  const apex = Math.max(...parts.map(({ above, line }) => line + factor * above));
  return secondsOfArc(apex - start, apex - end, gravity);
}

/** The factor by which an arc's height above the line from landing to landing is multiplied, so that it lasts so many s; undefined where none does. */
function factorFor(looked: Looked, gravity: number, seconds: number): number | undefined {
  if (Math.max(...looked.parts.map(({ above }) => above)) < FLAT) return undefined;
  if (lasts(looked, 0, gravity) > seconds || lasts(looked, MOST, gravity) < seconds) return undefined;
  let [low, high] = [0, MOST];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (lasts(looked, middle, gravity) < seconds) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The nodes of an arc with its height multiplied: all between its landings, and the landings' handles on its side. */
function raised(guide: Guide, span: readonly number[], down: number, factor: number): readonly Node[] {
  const [a, b] = [guide.nodes[span[0] ?? 0], guide.nodes[span[span.length - 1] ?? 0]];
  const frame = a && b && aboveOf([a.x, a.y], [b.x, b.y], down);
  if (!frame) return guide.nodes;
  const lifted = (point: Vec): Vec => {
    const by = (factor - 1) * frame.above(point);
    return [point[0] + by * frame.up[0], point[1] + by * frame.up[1]];
  };
  const nodes = [...guide.nodes];
  span.slice(1).forEach((to, i) => {
    const from = span[i] ?? 0;
    const [before, after] = [guide.nodes[from], guide.nodes[to]];
    if (!before || !after) return;
    const [p, q, r, s] = controlPointsBetween(before, after);
    const [start, out, into, end] = [lifted(p), lifted(q), lifted(r), lifted(s)];
    const isFirst = i === 0;
    const isLast = i === span.length - 2;
    nodes[from] = {
      ...(nodes[from] ?? before),
      ...(isFirst ? { join: 'corner' as const } : { x: start[0], y: start[1] }),
      out: [out[0] - start[0], out[1] - start[1]],
    };
    nodes[to] = {
      ...(nodes[to] ?? after),
      ...(isLast ? { join: 'corner' as const } : { x: end[0], y: end[1] }),
      in: [into[0] - end[0], into[1] - end[1]],
    };
  });
  return nodes;
}

/** Why arcs of a rider's guide may not be made as high as the times of its landings ask; undefined where they may. */
function arcsLocked(scene: Scene, rider: Rider): Refusal | undefined {
  const guide = rider.guide ?? '';
  return lockedGuide(scene, [guide]) ?? linkedGuide(scene, [guide]);
}

/** Why the arcs before and after a landing cannot be made as high as another time of it would ask; undefined where one of them can. */
export function landingLocked(scene: Scene, rider: Rider, mark: string): Refusal | undefined {
  const locked = arcsLocked(scene, rider);
  const guide = guideById(scene, rider.guide);
  if (locked || !guide) return locked;
  const at = rider.pace.marks.findIndex(({ id }) => id === mark);
  const arcs = [at - 1, at].flatMap((i) => {
    const [a, b] = [rider.pace.marks[i], rider.pace.marks[i + 1]];
    return a && b ? [arcOf(guide, a, b)] : [];
  });
  return arcs.some((arc) => arc !== undefined) ? undefined : refusal('landing-beside-nodes');
}

/** A scene in which the arcs of a rider that hops, from the given marks to those after them, are as high as their times ask; those for which no height does stay. */
export function arcsFitted(scene: Scene, rider: Rider, legs: readonly number[]): Scene {
  const { recipe, marks } = rider.pace;
  if (recipe?.kind !== 'hop' || recipe.landings !== 'height' || arcsLocked(scene, rider)) return scene;
  let result = scene;
  for (const i of legs) {
    const [a, b] = [marks[i], marks[i + 1]];
    const guide = guideById(result, rider.guide);
    const arc = a && b && guide && arcOf(guide, a, b);
    const looked = arc && lookedAt(guide, arc, recipe.down);
    const factor = looked && factorFor(looked, recipe.gravity, b.time - a.time - a.dwell);
    if (arc && factor !== undefined && Math.abs(factor - 1) > 1e-9)
      result = replaceGuide(result, { ...guide, nodes: raised(guide, arc.span, recipe.down, factor) });
  }
  return result;
}

/** The gravity, px/s², under which the arcs of a rider that hops last as long, taken together, as its marks have them; undefined where they cannot be told. */
export function gravityOfArcs(scene: Scene, { guide: id, pace: { marks } }: Rider, down: number): number | undefined {
  const guide = guideById(scene, id);
  let [alone, together] = [0, 0];
  marks.slice(1).forEach((mark, i) => {
    const before = marks[i];
    const arc = before && guide && arcOf(guide, before, mark);
    const looked = arc && lookedAt(guide, arc, down);
    if (!looked) return;
    alone += lasts(looked, 1, 1);
    together += mark.time - before.time - before.dwell;
  });
  return alone > 0 && together > 0 ? (alone / together) ** 2 : undefined;
}
