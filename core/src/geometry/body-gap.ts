import { NODE, type Body } from './body.ts';

/** How near two bodies are: px, 0 where they overlap or touch, and the places, px, that are nearest to each other. */
export interface Gap {
  gap: number;
  ax: number;
  ay: number;
  bx: number;
  by: number;
}

export const noGap = (): Gap => ({ gap: Infinity, ax: 0, ay: 0, bx: 0, by: 0 });

/** A body where it stands: an affine map as in SVG, read from `data` at `offset`. */
export interface Placed {
  readonly body: Body;
  readonly data: ArrayLike<number>;
  readonly offset: number;
}

/** Pairs of nodes that wait to be looked at; grows as it must. */
const waiting: number[] = [];

/** px. What overlaps is found though nobody asks how far it is: a cutoff is not less than this. */
const LEAST = 1e-9;

const NOTHING = new Float64Array(0);

/** A body where it stands, for one question. */
class Standing {
  tree: Float64Array = NOTHING;
  edges: Float64Array = NOTHING;
  firsts: Body['firsts'] = [];
  #body: Body | undefined;
  #a = 1;
  #b = 0;
  #c = 0;
  #d = 1;
  #e = 0;
  #f = 0;
  /** How much longer than before a length becomes at most: the larger singular value. */
  stretch = 1;

  place({ body, data, offset }: Placed): void {
    this.#body = body;
    this.firsts = body.firsts;
    this.tree = body.tree;
    this.edges = body.edges;
    this.#a = data[offset] ?? 1;
    this.#b = data[offset + 1] ?? 0;
    this.#c = data[offset + 2] ?? 0;
    this.#d = data[offset + 3] ?? 1;
    this.#e = data[offset + 4] ?? 0;
    this.#f = data[offset + 5] ?? 0;
    this.stretch = stretchOf(this.#a, this.#b, this.#c, this.#d);
  }

  x(x: number, y: number): number {
    return this.#a * x + this.#c * y + this.#e;
  }

  y(x: number, y: number): number {
    return this.#b * x + this.#d * y + this.#f;
  }

  /** px from a place on the canvas to the nearest edge, at least, up to `within`; below 0 in what is painted, or where nothing can be said. */
  fromEdge(x: number, y: number, within: number): number {
    const determinant = this.#a * this.#d - this.#b * this.#c;
    if (determinant === 0 || !this.#body) return -1;
    const dx = x - this.#e;
    const dy = y - this.#f;
    const u = (this.#d * dx - this.#c * dy) / determinant;
    const v = (this.#a * dy - this.#b * dx) / determinant;
    if (this.#body.holds(u, v)) return -1;
    const unit = Math.abs(determinant) / this.stretch;
    return this.#body.distance(u, v, within / unit) * unit;
  }

  /** Whether a place on the canvas is in what is painted. */
  holds(x: number, y: number): boolean {
    const determinant = this.#a * this.#d - this.#b * this.#c;
    if (determinant === 0 || !this.#body) return false;
    const dx = x - this.#e;
    const dy = y - this.#f;
    return this.#body.holds((this.#d * dx - this.#c * dy) / determinant, (this.#a * dy - this.#b * dx) / determinant);
  }
}

/** The larger singular value of a matrix: how much longer it makes a length at most. */
export function stretchOf(a: number, b: number, c: number, d: number): number {
  return (Math.sqrt((a + d) ** 2 + (b - c) ** 2) + Math.sqrt((a - d) ** 2 + (b + c) ** 2)) / 2;
}

const STANDING_A = new Standing();
const STANDING_B = new Standing();

const WHOLE: readonly number[] = [0];

/**
 * How near two bodies come, exactly (but for rounding), where that is less than `cutoff`, px; else Infinity. `parts`: nodes of the first one's tree, where only they can be as near. Branch and bound over their trees of circles
 * (as in Larsen, Gottschalk, Lin, Manocha: Fast proximity queries with swept sphere volumes, 1999); then whether one lies within the other.
 */
export function gapBetween(a: Placed, b: Placed, cutoff: number, out: Gap, parts: readonly number[] = WHOLE): Gap {
  out.gap = Infinity;
  if (a.body.isEmpty || b.body.isEmpty) return out;
  STANDING_A.place(a);
  STANDING_B.place(b);
  if (boundOf(STANDING_A, STANDING_B, 0, 0) > cutoff) return out;
  let best = Math.max(cutoff, LEAST);
  waiting.length = 0;
  for (const part of parts) waiting.push(part, 0);
  while (waiting.length > 0 && best > 0) {
    const j = waiting.pop() ?? 0;
    const i = waiting.pop() ?? 0;
    if (boundOf(STANDING_A, STANDING_B, i, j) >= best) continue;
    best = lookedAt(i, j, best, out);
  }
  if (out.gap > 0) within(out);
  return out;
}

/**
 * The nodes of a body's tree that may be nearer to another than `cutoff`, px; none: it is farther, and neither is in the other. By circles about parts of it, and the edges of the other that
 * are nearest to their middles: fast where the other has long edges beside it, as the area that it is in.
 */
export function nearParts(a: Placed, b: Placed, cutoff: number): readonly number[] {
  NEAR.length = 0;
  if (a.body.isEmpty || b.body.isEmpty) return NEAR;
  STANDING_A.place(a);
  STANDING_B.place(b);
  gatherNear(0, cutoff, DEEPEST);
  return NEAR;
}

const NEAR: number[] = [];

/** Halvings of a body after which its parts are left to be measured. */
const DEEPEST = 6;

function gatherNear(node: number, cutoff: number, depth: number): void {
  const at = NODE.size * node;
  const { tree } = STANDING_A;
  const [x, y] = [tree[at] ?? 0, tree[at + 1] ?? 0];
  const radius = (tree[at + NODE.radius] ?? 0) * STANDING_A.stretch;
  // A little farther than asked for, so that what is not found is out of reach.
  const far = STANDING_B.fromEdge(STANDING_A.x(x, y), STANDING_A.y(x, y), radius + cutoff + 1);
  if (far - radius > cutoff) return;
  const left = tree[at + NODE.left] ?? -1;
  if (left < 0 || depth === 0 || far < 0) {
    NEAR.push(node);
    return;
  }
  gatherNear(left, cutoff, depth - 1);
  gatherNear(tree[at + NODE.right] ?? -1, cutoff, depth - 1);
}

/** Places of a body's edges that are asked for first whether they are in another. */
const SOME = 64;

/** Whether some place of a body's edges is in another body: then they overlap. Fast; false says nothing. */
export function isPartlyIn(a: Placed, b: Placed): boolean {
  STANDING_A.place(a);
  STANDING_B.place(b);
  const { edges } = a.body;
  const every = 4 * Math.max(1, Math.floor(edges.length / 4 / SOME));
  for (let i = 0; i < edges.length; i += every) {
    const [x, y] = [edges[i] ?? 0, edges[i + 1] ?? 0];
    if (STANDING_B.holds(STANDING_A.x(x, y), STANDING_A.y(x, y))) return true;
  }
  return false;
}

/** px that circles about two nodes are apart: what is in them is no nearer. */
function boundOf(a: Standing, b: Standing, i: number, j: number): number {
  const ta = a.tree;
  const tb = b.tree;
  const p = NODE.size * i;
  const q = NODE.size * j;
  const ax = ta[p] ?? 0;
  const ay = ta[p + 1] ?? 0;
  const bx = tb[q] ?? 0;
  const by = tb[q + 1] ?? 0;
  const dx = a.x(ax, ay) - b.x(bx, by);
  const dy = a.y(ax, ay) - b.y(bx, by);
  return Math.sqrt(dx * dx + dy * dy) - (ta[p + 2] ?? 0) * a.stretch - (tb[q + 2] ?? 0) * b.stretch;
}

/** Takes the larger of two nodes apart, the nearer half last so that it is looked at first; two leaves are measured edge by edge. */
function lookedAt(i: number, j: number, best: number, out: Gap): number {
  const p = NODE.size * i;
  const q = NODE.size * j;
  const leftA = STANDING_A.tree[p + NODE.left] ?? -1;
  const leftB = STANDING_B.tree[q + NODE.left] ?? -1;
  if (leftA < 0 && leftB < 0) return edgesOf(i, j, best, out);
  const radiusA = (STANDING_A.tree[p + NODE.radius] ?? 0) * STANDING_A.stretch;
  const radiusB = (STANDING_B.tree[q + NODE.radius] ?? 0) * STANDING_B.stretch;
  if (leftB < 0 || (leftA >= 0 && radiusA >= radiusB)) {
    const rightA = STANDING_A.tree[p + NODE.right] ?? -1;
    const isLeft = boundOf(STANDING_A, STANDING_B, leftA, j) < boundOf(STANDING_A, STANDING_B, rightA, j);
    waiting.push(isLeft ? rightA : leftA, j, isLeft ? leftA : rightA, j);
  } else {
    const rightB = STANDING_B.tree[q + NODE.right] ?? -1;
    const isLeft = boundOf(STANDING_A, STANDING_B, i, leftB) < boundOf(STANDING_A, STANDING_B, i, rightB);
    waiting.push(i, isLeft ? rightB : leftB, i, isLeft ? leftB : rightB);
  }
  return best;
}

function edgesOf(i: number, j: number, given: number, out: Gap): number {
  let best = given;
  const ea = STANDING_A.edges;
  const eb = STANDING_B.edges;
  const fromB = STANDING_B.tree[NODE.size * j + NODE.from] ?? 0;
  const toB = STANDING_B.tree[NODE.size * j + NODE.to] ?? 0;
  const toA = STANDING_A.tree[NODE.size * i + NODE.to] ?? 0;
  for (let p = STANDING_A.tree[NODE.size * i + NODE.from] ?? 0; p < toA; p++) {
    placeEdge(STANDING_A, ea, p, 0);
    for (let q = fromB; q < toB; q++) {
      placeEdge(STANDING_B, eb, q, 4);
      best = edgeGap(best, out);
      if (best === 0) return 0;
    }
  }
  return best;
}

/** Two edges where they stand: x0, y0, x1, y1 of each. */
const PAIR = new Float64Array(8);

function placeEdge(standing: Standing, edges: Float64Array, index: number, to: number): void {
  const at = 4 * index;
  const x0 = edges[at] ?? 0;
  const y0 = edges[at + 1] ?? 0;
  const x1 = edges[at + 2] ?? 0;
  const y1 = edges[at + 3] ?? 0;
  PAIR[to] = standing.x(x0, y0);
  PAIR[to + 1] = standing.y(x0, y0);
  PAIR[to + 2] = standing.x(x1, y1);
  PAIR[to + 3] = standing.y(x1, y1);
}

/** On which side of an edge, by where that begins in PAIR, a place lies: its sign. */
function sideOf(edge: number, point: number): number {
  const x0 = PAIR[edge] ?? 0;
  const y0 = PAIR[edge + 1] ?? 0;
  return (
    ((PAIR[edge + 2] ?? 0) - x0) * ((PAIR[point + 1] ?? 0) - y0) -
    ((PAIR[edge + 3] ?? 0) - y0) * ((PAIR[point] ?? 0) - x0)
  );
}

/** How near the two edges come, if nearer than `best`: 0 where they cross, else at one of their four ends. */
function edgeGap(best: number, out: Gap): number {
  const p = sideOf(0, 4);
  const q = sideOf(0, 6);
  if (p * q < 0 && sideOf(4, 0) * sideOf(4, 2) < 0) {
    const share = p / (p - q);
    const x0 = PAIR[4] ?? 0;
    const y0 = PAIR[5] ?? 0;
    out.gap = 0;
    out.ax = out.bx = x0 + share * ((PAIR[6] ?? 0) - x0);
    out.ay = out.by = y0 + share * ((PAIR[7] ?? 0) - y0);
    return 0;
  }
  let nearest = pointGap(0, 4, best, out);
  nearest = pointGap(2, 4, nearest, out);
  nearest = pointGap(4, 0, nearest, out);
  return pointGap(6, 0, nearest, out);
}

/** How near a place comes to an edge, by where they stand in PAIR, if nearer than `best`. */
function pointGap(point: number, edge: number, best: number, out: Gap): number {
  const x = PAIR[point] ?? 0;
  const y = PAIR[point + 1] ?? 0;
  const x0 = PAIR[edge] ?? 0;
  const y0 = PAIR[edge + 1] ?? 0;
  const dx = (PAIR[edge + 2] ?? 0) - x0;
  const dy = (PAIR[edge + 3] ?? 0) - y0;
  const squared = dx * dx + dy * dy;
  const share = squared === 0 ? 0 : Math.min(1, Math.max(0, ((x - x0) * dx + (y - y0) * dy) / squared));
  const nx = x0 + share * dx;
  const ny = y0 + share * dy;
  const gap = Math.sqrt((x - nx) * (x - nx) + (y - ny) * (y - ny));
  if (gap >= best) return best;
  out.gap = gap;
  const isB = point >= 4;
  out.ax = isB ? nx : x;
  out.ay = isB ? ny : y;
  out.bx = isB ? x : nx;
  out.by = isB ? y : ny;
  return gap;
}

/** Where no edges cross, one may still lie within the other: then some ring of it begins there. */
function within(out: Gap): void {
  for (const [inner, outer] of [
    [STANDING_A, STANDING_B],
    [STANDING_B, STANDING_A],
  ] as const)
    for (const [u, v] of inner.firsts) {
      const [x, y] = [inner.x(u, v), inner.y(u, v)];
      if (!outer.holds(x, y)) continue;
      out.gap = 0;
      out.ax = out.bx = x;
      out.ay = out.by = y;
      return;
    }
}
