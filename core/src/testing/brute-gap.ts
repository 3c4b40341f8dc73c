import { paintedOf } from '../drawing/painted.ts';
import { POSE, type Motion } from '../motion/index.ts';
import { artOfRider, pictureOf, type Scene } from '../scene/index.ts';

/** x0, y0, x1, y1 of the edges of a rider's body where it is at a time; none where it is not seen. */
function edgesAt(scene: Scene, motion: Motion, index: number, time: number): Float64Array {
  const rider = scene.riders[index]!;
  const m = motion.riders[index]!.poseAt(time);
  const number = Math.round(m[POSE.pose]!);
  const picture = number > 0 ? pictureOf(artOfRider(scene, rider)!, number) : undefined;
  if (!picture || m[POSE.opacity]! <= 0.01) return new Float64Array(0);
  const edges = paintedOf(picture).body.edges.slice();
  for (let i = 0; i < edges.length; i += 2) {
    const [x, y] = [edges[i]!, edges[i + 1]!];
    edges[i] = m[0]! * x + m[2]! * y + m[4]!;
    edges[i + 1] = m[1]! * x + m[3]! * y + m[5]!;
  }
  return edges;
}

/** Squared distance of a place from the edge at `i`. */
function fromEdge(x: number, y: number, edges: Float64Array, i: number): number {
  const ax = edges[i]!;
  const ay = edges[i + 1]!;
  const dx = edges[i + 2]! - ax;
  const dy = edges[i + 3]! - ay;
  const squared = dx * dx + dy * dy;
  const t = squared === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / squared));
  const ox = x - ax - t * dx;
  const oy = y - ay - t * dy;
  return ox * ox + oy * oy;
}

const side = (e: Float64Array, i: number, x: number, y: number): number =>
  (e[i + 2]! - e[i]!) * (y - e[i + 1]!) - (e[i + 3]! - e[i + 1]!) * (x - e[i]!);

const crosses = (a: Float64Array, i: number, b: Float64Array, j: number): boolean =>
  side(a, i, b[j]!, b[j + 1]!) * side(a, i, b[j + 2]!, b[j + 3]!) < 0 &&
  side(b, j, a[i]!, a[i + 1]!) * side(b, j, a[i + 2]!, a[i + 3]!) < 0;

/** By the count of edges that a ray crosses. */
function holds(edges: Float64Array, x: number, y: number): boolean {
  let isIn = false;
  for (let i = 0; i < edges.length; i += 4) {
    const ax = edges[i]!;
    const bx = edges[i + 2]!;
    if (ax > x !== bx > x && y > edges[i + 1]! + ((x - ax) / (bx - ax)) * (edges[i + 3]! - edges[i + 1]!)) isIn = !isIn;
  }
  return isIn;
}

/** px between the boxes about two lists of edges, along one axis. */
function apart(a: Float64Array, b: Float64Array, axis: 0 | 1): number {
  const range = (edges: Float64Array): [number, number] => {
    const values = edges.filter((_, i) => i % 2 === axis);
    return [Math.min(...values), Math.max(...values)];
  };
  const [la, ha] = range(a);
  const [lb, hb] = range(b);
  return Math.max(0, lb - ha, la - hb);
}

/** How near the bodies of two riders of a scene are at a time, px, each edge of one against each of the other; Infinity beyond `most`, or where one is not seen. Shares nothing with the check but the polygons. */
export function bruteGap(scene: Scene, motion: Motion, i: number, j: number, time: number, most: number): number {
  const a = edgesAt(scene, motion, i, time);
  const b = edgesAt(scene, motion, j, time);
  if (a.length === 0 || b.length === 0 || Math.hypot(apart(a, b, 0), apart(a, b, 1)) > most) return Infinity;
  let squared = Infinity;
  for (let p = 0; p < a.length; p += 4)
    for (let q = 0; q < b.length; q += 4) {
      if (crosses(a, p, b, q)) return 0;
      // Each end belongs to two edges: one of them is enough.
      squared = Math.min(squared, fromEdge(a[p]!, a[p + 1]!, b, q), fromEdge(b[q]!, b[q + 1]!, a, p));
    }
  const isIn = (inner: Float64Array, outer: Float64Array): boolean => {
    for (let k = 0; k < inner.length; k += 4) if (holds(outer, inner[k]!, inner[k + 1]!)) return true;
    return false;
  };
  return isIn(a, b) || isIn(b, a) ? 0 : Math.sqrt(squared);
}
