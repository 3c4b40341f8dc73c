/** rad. Largest difference of a direction from the parabola through three of its values, a quarter of the way. */
const TABLE_TOLERANCE = 1e-6;

/** Halvings of a piece at most: only where the direction leaps are there so many. */
const MOST_HALVINGS = 22;

/** Pieces of a table at most: on guides of thousands of nodes it is coarser than it could be. */
const MOST_PIECES = 60_000;

/** px. Pieces are not halved below this. */
const SHORTEST_PIECE = 0.0002;

interface Extent {
  /** Ascending distances, px: the domain's ends and all between at which the direction or its slope may jump. */
  readonly breaks: readonly number[];
  /** Closed: what the direction grows by from lap to lap, rad; the domain is one lap. Undefined: beyond the domain it stays as it is at its ends. */
  readonly winding: number | undefined;
}

/**
 * A direction over distance, and its integral: averages over any stretch in a few look-ups. Between knots the integral is a cubic (Hermite) whose slopes are the
 * direction's values.
 */
export class AngleTable {
  readonly #knots: Float64Array;
  readonly #sums: Float64Array;
  /** Direction after each knot and before the next one. */
  readonly #after: Float64Array;
  readonly #before: Float64Array;
  readonly #winding: number | undefined;

  /** `angleAt` gives the unwrapped direction, rad, at a distance, px, seen from a side of it. */
  constructor(angleAt: (s: number, side: 1 | -1) => number, { breaks, winding }: Extent) {
    const knots: number[] = [breaks[0] ?? 0];
    const sums = [0];
    const after: number[] = [];
    const before: number[] = [];
    const piece = (a: number, from: number, b: number, to: number, depth: number): void => {
      const middle = angleAt((a + b) / 2, 1);
      const quarter = angleAt((3 * a + b) / 4, 1);
      const isFine = Math.abs(quarter - (3 * from + 6 * middle - to) / 8) < TABLE_TOLERANCE;
      const mayHalve = depth < MOST_HALVINGS && b - a > SHORTEST_PIECE && after.length < MOST_PIECES;
      if (mayHalve && (!isFine || depth < 2)) {
        piece(a, from, (a + b) / 2, middle, depth + 1);
        piece((a + b) / 2, middle, b, to, depth + 1);
        return;
      }
      after.push(from);
      before.push(to);
      knots.push(b);
      sums.push((sums[sums.length - 1] ?? 0) + ((b - a) * (from + 4 * middle + to)) / 6);
    };
    for (let i = 0; i + 1 < breaks.length; i++) {
      const [a, b] = [breaks[i] ?? 0, breaks[i + 1] ?? 0];
      if (b > a) piece(a, angleAt(a, 1), b, angleAt(b, -1), 0);
    }
    if (after.length === 0) {
      const only = angleAt(knots[0] ?? 0, 1);
      after.push(only);
      before.push(only);
    }
    this.#knots = Float64Array.from(knots);
    this.#sums = Float64Array.from(sums);
    this.#after = Float64Array.from(after);
    this.#before = Float64Array.from(before);
    this.#winding = winding;
  }

  /** Puts the average direction over the px between `row[at] − width / 2` and `row[at] + width / 2` into `row[into]`. Nothing is boxed. */
  average(row: Float64Array, at: number, into: number, width: number): void {
    const middle = row[at] ?? 0;
    WORK[0] = middle + width / 2;
    this.#sum();
    const above = WORK[0];
    WORK[0] = middle - width / 2;
    this.#sum();
    row[into] = (above - WORK[0]) / width;
  }

  /** Replaces the distance in `WORK[0]` by the integral from the domain's start to it. */
  #sum(): void {
    const knots = this.#knots;
    const count = knots.length;
    const start = knots[0] ?? 0;
    const end = knots[count - 1] ?? 0;
    const length = end - start;
    let s = WORK[0] ?? 0;
    let more = 0;
    if (this.#winding !== undefined && length > 0) {
      const lap = Math.floor((s - start) / length);
      if (lap !== 0) {
        s -= lap * length;
        more =
          lap * (this.#sums[count - 1] ?? 0) +
          (this.#winding * length * lap * (lap - 1)) / 2 +
          lap * this.#winding * (s - start);
      }
    } else if (s < start || length === 0) {
      WORK[0] = (s - start) * (this.#after[0] ?? 0);
      return;
    } else if (s > end) {
      more = (s - end) * (this.#before[this.#before.length - 1] ?? 0);
      s = end;
    }
    let i = 0;
    for (let high = count - 2; i < high;) {
      const middle = (i + high + 1) >> 1;
      if ((knots[middle] ?? 0) <= s) i = middle;
      else high = middle - 1;
    }
    const wide = (knots[i + 1] ?? 0) - (knots[i] ?? 0);
    const u = wide > 0 ? (s - (knots[i] ?? 0)) / wide : 0;
    const from = this.#sums[i] ?? 0;
    const v = 1 - u;
    WORK[0] =
      more +
      from +
      u * u * (3 - 2 * u) * ((this.#sums[i + 1] ?? 0) - from) +
      wide * u * v * (v * (this.#after[i] ?? 0) - u * (this.#before[i] ?? 0));
  }
}

const WORK = new Float64Array(1);
