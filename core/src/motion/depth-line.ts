import { lastAtMost } from '../search.ts';
import type { Path } from '../geometry/index.ts';
import type { GuideDepth } from '../scene/index.ts';

/** Slope, over a piece, below which a factor counts as the same all along it. */
const LEVEL = 1e-9;

/**
 * How large riders are along a guide: a factor that runs in straight lines from stop to stop. Where their speed goes with it, marks and eases count in px over the factor:
 * σ(s) = ∫ ds / factor(s), which is a logarithm on each piece, so that a steady leg moves at a speed in proportion to the factor.
 */
export class DepthLine {
  /** Distances of the stops, px; of a closed guide with its start and its end. */
  readonly stops: readonly number[];
  readonly speed: boolean;
  readonly #starts: Float64Array;
  readonly #factors: Float64Array;
  readonly #sums: Float64Array;
  readonly #length: number;
  readonly #closed: boolean;

  constructor({ stops, speed }: GuideDepth, path: Path) {
    this.speed = speed;
    this.#length = path.length;
    this.#closed = path.isClosed;
    const knots = stops.map(({ at, scale }) => [at * path.length, scale] as const);
    const [first, last] = [knots[0] ?? ([0, 1] as const), knots[knots.length - 1] ?? ([0, 1] as const)];
    if (path.isClosed) {
      // From the last stop on to the first one of the next lap.
      const gap = path.length - last[0] + first[0];
      const start = last[1] + (gap > 0 ? ((first[1] - last[1]) * (path.length - last[0])) / gap : 0);
      if (first[0] > 0) knots.unshift([0, start]);
      if (last[0] < path.length) knots.push([path.length, first[0] > 0 ? start : first[1]]);
    } else {
      if (first[0] > 0) knots.unshift([0, first[1]]);
      if (last[0] < path.length) knots.push([path.length, last[1]]);
    }
    this.stops = knots.map(([s]) => s);
    this.#starts = Float64Array.from(knots, ([s]) => s);
    this.#factors = Float64Array.from(knots, ([, factor]) => factor);
    this.#sums = new Float64Array(knots.length);
    for (let i = 1; i < knots.length; i++)
      this.#sums[i] = (this.#sums[i - 1] ?? 0) + this.#sumIn(i - 1, this.#wide(i - 1));
  }

  #wide(i: number): number {
    return (this.#starts[i + 1] ?? 0) - (this.#starts[i] ?? 0);
  }

  /** The slope of a piece over the factor at its start, per px. */
  #slope(i: number): number {
    const from = this.#factors[i] ?? 1;
    const wide = this.#wide(i);
    return wide > 0 ? ((this.#factors[i + 1] ?? from) - from) / (wide * from) : 0;
  }

  /** σ within a piece, from its start on. */
  #sumIn(i: number, s: number): number {
    const slope = this.#slope(i);
    const flat = s / (this.#factors[i] ?? 1);
    return Math.abs(slope * this.#wide(i)) < LEVEL ? flat : Math.log1p(slope * s) / (slope * (this.#factors[i] ?? 1));
  }

  /** Replaces the distance in `row[at]`, px, by the factor there, in `row[into]`. Nothing is boxed. */
  factorAt(row: Float64Array, at: number, into: number): void {
    const length = this.#length;
    let s = row[at] ?? 0;
    if (this.#closed && length > 0) s -= Math.floor(s / length) * length;
    const starts = this.#starts;
    const last = starts.length - 1;
    row[into] = this.#factors[last] ?? 1;
    if (s <= (starts[0] ?? 0)) row[into] = this.#factors[0] ?? 1;
    else if (s < (starts[last] ?? 0)) {
      const i = lastAtMost(starts, s);
      const from = this.#factors[i] ?? 1;
      row[into] = from + (((this.#factors[i + 1] ?? from) - from) * (s - (starts[i] ?? 0))) / this.#wide(i);
    }
  }

  /** σ at a distance: px over the factor. */
  sumAt(distance: number): number {
    const whole = this.#sums[this.#sums.length - 1] ?? 0;
    let s = distance;
    let laps = 0;
    if (this.#closed && this.#length > 0) {
      laps = Math.floor(s / this.#length);
      s -= laps * this.#length;
    }
    const last = this.#starts.length - 1;
    if (s < 0) return s / (this.#factors[0] ?? 1);
    if (s > this.#length) return whole + (s - this.#length) / (this.#factors[last] ?? 1);
    const i = Math.min(lastAtMost(this.#starts, s), Math.max(0, last - 1));
    return laps * whole + (this.#sums[i] ?? 0) + this.#sumIn(i, s - (this.#starts[i] ?? 0));
  }

  /** Replaces σ in `work[0]` by the distance there, px. */
  advance(work: Float64Array): void {
    const sums = this.#sums;
    const last = sums.length - 1;
    const whole = sums[last] ?? 0;
    const length = this.#length;
    let sum = work[0] ?? 0;
    let base = 0;
    if (this.#closed && whole > 0) {
      const laps = Math.floor(sum / whole);
      sum -= laps * whole;
      base = laps * length;
    }
    if (sum < 0) work[0] = sum * (this.#factors[0] ?? 1);
    else if (sum > whole) work[0] = length + (sum - whole) * (this.#factors[last] ?? 1);
    else {
      const i = Math.min(lastAtMost(sums, sum), Math.max(0, last - 1));
      const slope = this.#slope(i);
      const inside = (sum - (sums[i] ?? 0)) * (this.#factors[i] ?? 1);
      const flat = Math.abs(slope * this.#wide(i)) < LEVEL;
      work[0] = base + (this.#starts[i] ?? 0) + (flat ? inside : Math.expm1(slope * inside) / slope);
    }
  }
}
