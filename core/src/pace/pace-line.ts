import type { Side } from '../geometry/index.ts';
import { compileEase, STEADY, type CompiledEase, type Ease } from './ease.ts';

/** A mark with its place resolved: seconds, seconds, px along the guide (laps and overshoot included). */
export interface PlacedMark {
  readonly time: number;
  readonly dwell: number;
  readonly distance: number;
  readonly ease?: Ease | undefined;
}

/** Step, as a share of a leg's time, over which the direction is felt where the rate is 0. */
const FEEL = 1e-4;

/** Distance along a guide as a function of local time in [0, cycle], s. Immutable. */
export class PaceLine {
  readonly marks: readonly PlacedMark[];
  readonly #times: Float64Array;
  readonly #leaves: Float64Array;
  readonly #distances: Float64Array;
  readonly #eases: readonly CompiledEase[];
  /** Direction in which each mark is reached and left: +1, −1, or 0 where nothing moves there. */
  readonly #arrives: Float64Array;
  readonly #departs: Float64Array;
  readonly #work = new Float64Array(1);

  /** `wraps`: the end of the cycle is followed by its start, so that a rest at the start was reached at the end. */
  constructor(marks: readonly PlacedMark[], wraps: boolean) {
    this.marks = marks;
    this.#times = Float64Array.from(marks, (mark) => mark.time);
    this.#leaves = Float64Array.from(marks, (mark) => mark.time + mark.dwell);
    this.#distances = Float64Array.from(marks, (mark) => mark.distance);
    this.#eases = marks.map((mark) => compileEase(mark.ease ?? STEADY));
    const count = marks.length;
    this.#arrives = new Float64Array(count);
    this.#departs = new Float64Array(count);
    for (let i = 1; i < count; i++) this.#arrives[i] = this.#feel(i - 1, 1 - FEEL, 1) || (this.#arrives[i - 1] ?? 0);
    for (let i = count - 2; i >= 0; i--) this.#departs[i] = this.#feel(i, 0, FEEL) || (this.#departs[i + 1] ?? 0);
    const last = this.#arrives[count - 1] ?? 0;
    const first = this.#departs[0] ?? 0;
    for (let i = 0; i < count && this.#arrives[i] === 0; i++) this.#arrives[i] = wraps && last !== 0 ? last : first;
    for (let i = count - 1; i >= 0 && this.#departs[i] === 0; i--)
      this.#departs[i] = wraps && first !== 0 ? first : last;
  }

  /** Distance at a local time, px. At a jump: after it, or before it for side −1. */
  distanceAt(local: number, side: Side = 1): number {
    this.#work[0] = local;
    this.advance(this.#work, side);
    return this.#work[0];
  }

  /** The same in place: takes the local time from `work[0]` and leaves the distance there. */
  advance(work: Float64Array, side: Side): void {
    const local = work[0] ?? 0;
    const times = this.#times;
    let low = 0;
    for (let high = times.length; low < high;) {
      const middle = (low + high) >> 1;
      const time = times[middle] ?? 0;
      if (side > 0 ? time <= local : time < local) low = middle + 1;
      else high = middle;
    }
    const i = low > 0 ? low - 1 : 0;
    const from = this.#distances[i] ?? 0;
    const leaves = this.#leaves[i] ?? 0;
    work[0] = from;
    if (low === 0 || low >= times.length) return;
    const next = times[low] ?? 0;
    const ease = this.#eases[i];
    if (local <= leaves || next <= leaves || !ease) return;
    const u = (local - leaves) / (next - leaves);
    if (u >= 1) {
      if (this.marks[i]?.ease?.kind !== 'hold') work[0] = this.#distances[low] ?? from;
      return;
    }
    work[0] = u;
    ease.advance(work);
    work[0] = from + ((this.#distances[low] ?? from) - from) * work[0];
  }

  /** Speed at a local time, px/s, signed along the guide; 0 in dwells and holds. */
  speedAt(local: number, side: Side = 1): number {
    const i = this.#movingLegAt(local, side);
    if (i < 0) return 0;
    const leaves = this.#leaves[i] ?? 0;
    const wide = (this.#times[i + 1] ?? 0) - leaves;
    const way = (this.#distances[i + 1] ?? 0) - (this.#distances[i] ?? 0);
    const ease = this.#eases[i];
    return ease && wide > 0 ? (way * ease.rate(Math.min(1, Math.max(0, (local - leaves) / wide)))) / wide : 0;
  }

  /**
   * The side of the guide's tangent that counts at a local time, where the tangent jumps: that towards which the rider moves (of local
   * time running in `direction`), or, at rest, that from which it arrived.
   */
  tangentSideAt(local: number, side: Side, direction: Side): Side {
    const i = this.#movingLegAt(local, side);
    if (i >= 0) {
      const leaves = this.#leaves[i] ?? 0;
      const u = (local - leaves) / ((this.#times[i + 1] ?? 0) - leaves);
      const moves = this.#feel(
        i,
        side > 0 ? Math.max(0, u) : Math.max(0, u - FEEL),
        side > 0 ? Math.min(1, u + FEEL) : Math.min(1, u),
      );
      if (moves !== 0) return moves * side > 0 ? 1 : -1;
    }
    const k = Math.max(0, this.#markAt(local, side));
    const arrived = direction > 0 ? (this.#arrives[k] ?? 0) : -(this.#departs[k] ?? 0);
    return arrived > 0 ? -1 : 1;
  }

  /** Local times in [0, cycle] at which the line is not smooth: marks, ends of dwells, breaks of eases. */
  events(): number[] {
    const found: number[] = [];
    this.marks.forEach((mark, i) => {
      const leaves = mark.time + mark.dwell;
      found.push(mark.time, leaves);
      const next = this.marks[i + 1];
      if (next) for (const u of this.#eases[i]?.breaks ?? []) found.push(leaves + u * (next.time - leaves));
    });
    return [...new Set(found)].sort((a, b) => a - b);
  }

  /** The last mark whose time has come; the first of several at one time for side −1 at just that time. −1 before the first. */
  #markAt(local: number, side: Side): number {
    const times = this.#times;
    let low = 0;
    let high = times.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      const time = times[middle] ?? 0;
      if (side > 0 ? time <= local : time < local) low = middle + 1;
      else high = middle;
    }
    return low - 1;
  }

  #movingLegAt(local: number, side: Side): number {
    const i = this.#markAt(local, side);
    const next = this.#times[i + 1];
    const leaves = this.#leaves[i] ?? 0;
    if (i < 0 || next === undefined || next <= leaves) return -1;
    return (side > 0 ? local >= leaves && local < next : local > leaves && local <= next) ? i : -1;
  }

  /** Sign of the way from u to v on the leg after mark i. */
  #feel(i: number, u: number, v: number): number {
    const way = (this.#distances[i + 1] ?? 0) - (this.#distances[i] ?? 0);
    const ease = this.#eases[i];
    if (!ease || way === 0 || this.marks[i]?.ease?.kind === 'hold') return 0;
    return Math.sign(way * (ease.progress(v) - ease.progress(u)));
  }
}
