/** The convex hull of points, x and y after each other, as x, y of its corners: Andrew's monotone chain (A. M. Andrew, 1979). What is one point or a line is its ends. */
export function hullOf(points: ArrayLike<number>): Float64Array {
  const order = Array.from(
    { length: points.length / 2 },
    (_, i) => [points[2 * i] ?? 0, points[2 * i + 1] ?? 0] as const,
  );
  if (order.length < 2) return Float64Array.from(order.flat());
  order.sort(([ax, ay], [bx, by]) => ax - bx || ay - by);
  const lower = chain(order);
  const upper = chain(order.reverse());
  return Float64Array.from([...lower.slice(0, -1), ...upper.slice(0, -1)].flat());
}

type Point = readonly [x: number, y: number];

/** One side of a hull: of points in order those between which it turns left throughout. */
function chain(points: readonly Point[]): Point[] {
  const kept: Point[] = [];
  for (const point of points) {
    while (kept.length > 1 && turn(kept[kept.length - 2], kept[kept.length - 1], point) <= 0) kept.pop();
    kept.push(point);
  }
  return kept;
}

const turn = (a: Point | undefined, b: Point | undefined, c: Point): number =>
  a && b ? (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) : 0;
