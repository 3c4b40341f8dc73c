import { EMPTY_BOX, unionOf, type Box } from './box.ts';
import { hullOf } from './hull.ts';

/** Edges of a leaf of the tree: fewer cost more circles, more cost more pairs of edges. */
const LEAF = 4;

/** Numbers of a node of the tree: centre x and y, radius, and either the two nodes below it or −1 and the edges from … to. */
export const NODE = { x: 0, y: 1, radius: 2, left: 3, right: 4, from: 5, to: 6, size: 7 } as const;

/** What is painted of something, as polygons: rings that neither cross nor touch, inside by the even-odd rule, with a tree of circles about their edges. Immutable. */
export class Body {
  /** x0, y0, x1, y1 of every edge, px. */
  readonly edges: Float64Array;
  /** Where each ring has its first edge in `edges`, as the rings were given. */
  readonly firsts: readonly (readonly [x: number, y: number])[];
  readonly box: Box;
  /** The tree's nodes, `NODE.size` numbers each, the root first; empty where there are no edges. */
  readonly tree: Float64Array;
  /** Which edges reach into each of its bands from top to bottom, once that is asked for. */
  #bands: readonly (readonly number[])[] | undefined;
  #hull: Float64Array | undefined;

  /** Rings as x, y after x, y; each closes by itself. */
  constructor(rings: readonly (readonly number[])[]) {
    const kept = rings.filter((ring) => ring.length >= 6);
    const edges = new Float64Array(2 * kept.reduce((sum, ring) => sum + ring.length, 0));
    let at = 0;
    for (const ring of kept)
      for (let i = 0; i < ring.length; i += 2) {
        edges[at++] = ring[i] ?? 0;
        edges[at++] = ring[i + 1] ?? 0;
        edges[at++] = ring[(i + 2) % ring.length] ?? 0;
        edges[at++] = ring[(i + 3) % ring.length] ?? 0;
      }
    this.firsts = kept.map((ring) => [ring[0] ?? 0, ring[1] ?? 0] as const);
    this.box = kept.reduce((box, ring) => unionOf(box, boxOfRing(ring)), EMPTY_BOX);
    const order = Array.from({ length: edges.length / 4 }, (_, i) => i);
    const nodes: number[] = [];
    const sorted = new Float64Array(edges.length);
    if (order.length > 0) growTree(edges, order, sorted, nodes);
    this.edges = sorted;
    this.tree = Float64Array.from(nodes);
  }

  get isEmpty(): boolean {
    return this.edges.length === 0;
  }

  /** x, y of the corners of its convex hull, px of its own. */
  get hull(): Float64Array {
    return (this.#hull ??= hullOf(this.edges));
  }

  /** Whether a place, px of its own, is in what is painted. */
  holds(x: number, y: number): boolean {
    const { left, top, right, bottom } = this.box;
    if (x < left || x > right || y < top || y > bottom) return false;
    const { edges } = this;
    const bands = (this.#bands ??= bandsOf(edges, top, bottom));
    let isInside = false;
    for (const i of bands[bandAt(y, top, bottom, bands.length)] ?? []) {
      const y0 = edges[i + 1] ?? 0;
      const y1 = edges[i + 3] ?? 0;
      if (y0 > y === y1 > y) continue;
      const x0 = edges[i] ?? 0;
      if (x < x0 + ((y - y0) / (y1 - y0)) * ((edges[i + 2] ?? 0) - x0)) isInside = !isInside;
    }
    return isInside;
  }

  /** The place of its edges that is nearest to a place, px of its own. */
  nearest(x: number, y: number): readonly [x: number, y: number] {
    this.#seek(x, y, Infinity);
    return [NEAREST.x, NEAREST.y];
  }

  /** px of its own from a place to the nearest of its edges; `within` where none is nearer than that. */
  distance(x: number, y: number, within = Infinity): number {
    this.#seek(x, y, within);
    return NEAREST.distance;
  }

  #seek(x: number, y: number, within: number): void {
    const { edges, tree } = this;
    let best = within;
    let [bx, by] = [x, y];
    const open = [0];
    while (open.length > 0) {
      const node = NODE.size * (open.pop() ?? 0);
      const radius = tree[node + NODE.radius] ?? 0;
      if (Math.hypot((tree[node] ?? 0) - x, (tree[node + 1] ?? 0) - y) - radius >= best) continue;
      const left = tree[node + NODE.left] ?? -1;
      const right = tree[node + NODE.right] ?? -1;
      if (left >= 0) {
        // The nearer half is looked at first.
        if (farFrom(tree, left, x, y) < farFrom(tree, right, x, y)) open.push(right, left);
        else open.push(left, right);
        continue;
      }
      for (let i = 4 * (tree[node + NODE.from] ?? 0); i < 4 * (tree[node + NODE.to] ?? 0); i += 4) {
        const ax = edges[i] ?? 0;
        const ay = edges[i + 1] ?? 0;
        const dx = (edges[i + 2] ?? 0) - ax;
        const dy = (edges[i + 3] ?? 0) - ay;
        const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1e-12)));
        const distance = Math.hypot(ax + t * dx - x, ay + t * dy - y);
        if (distance < best) [best, bx, by] = [distance, ax + t * dx, ay + t * dy];
      }
    }
    NEAREST.x = bx;
    NEAREST.y = by;
    NEAREST.distance = best;
  }
}

/** What was sought last. */
const NEAREST = { x: 0, y: 0, distance: 0 };

/** px² from a place to the middle of a node's circle. */
function farFrom(tree: Float64Array, node: number, x: number, y: number): number {
  const dx = (tree[NODE.size * node] ?? 0) - x;
  const dy = (tree[NODE.size * node + 1] ?? 0) - y;
  return dx * dx + dy * dy;
}

/** Edges that a band across a body holds about, and most bands. */
const PER_BAND = 4;
const MOST_BANDS = 256;

const bandAt = (y: number, top: number, bottom: number, count: number): number =>
  Math.min(count - 1, Math.max(0, Math.floor(((y - top) / (bottom - top || 1)) * count)));

/** Where the edges that reach into each of some bands from the top to the bottom begin in `edges`. */
function bandsOf(edges: Float64Array, top: number, bottom: number): readonly (readonly number[])[] {
  const count = Math.max(1, Math.min(MOST_BANDS, Math.ceil(edges.length / 4 / PER_BAND)));
  const bands: number[][] = Array.from({ length: count }, () => []);
  for (let i = 0; i < edges.length; i += 4) {
    const ends = [edges[i + 1] ?? 0, edges[i + 3] ?? 0].map((y) => bandAt(y, top, bottom, count));
    for (let band = Math.min(...ends); band <= Math.max(...ends); band++) bands[band]?.push(i);
  }
  return bands;
}

function boxOfRing(ring: readonly number[]): Box {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < ring.length; i += 2) {
    const [x, y] = [ring[i] ?? 0, ring[i + 1] ?? 0];
    [left, right] = [Math.min(left, x), Math.max(right, x)];
    [top, bottom] = [Math.min(top, y), Math.max(bottom, y)];
  }
  return { left, top, right, bottom };
}

/** Halves the edges along the longer side of their box until few are left; writes them in the tree's order, and gives the node's index. */
function growTree(edges: Float64Array, order: number[], sorted: Float64Array, nodes: number[], done = 0): number {
  let box: Box = EMPTY_BOX;
  for (const i of order) {
    const [x0, y0, x1, y1] = edges.subarray(4 * i, 4 * i + 4) as unknown as [number, number, number, number];
    const own = { left: Math.min(x0, x1), top: Math.min(y0, y1), right: Math.max(x0, x1), bottom: Math.max(y0, y1) };
    box = unionOf(box, own);
  }
  const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  let radius = 0;
  for (const i of order)
    for (const k of [0, 2])
      radius = Math.max(radius, Math.hypot((edges[4 * i + k] ?? 0) - x, (edges[4 * i + k + 1] ?? 0) - y));
  const index = nodes.length / NODE.size;
  nodes.push(x, y, radius, -1, -1, done, done + order.length);
  if (order.length <= LEAF) {
    order.forEach((i, k) => sorted.set(edges.subarray(4 * i, 4 * i + 4), 4 * (done + k)));
    return index;
  }
  const axis = box.right - box.left >= box.bottom - box.top ? 0 : 1;
  const middle = (i: number): number => (edges[4 * i + axis] ?? 0) + (edges[4 * i + axis + 2] ?? 0);
  order.sort((a, b) => middle(a) - middle(b));
  const half = order.length >> 1;
  nodes[index * NODE.size + NODE.left] = growTree(edges, order.slice(0, half), sorted, nodes, done);
  nodes[index * NODE.size + NODE.right] = growTree(edges, order.slice(half), sorted, nodes, done + half);
  return index;
}
