import type { Side } from '../geometry/index.ts';
import type { Repeat } from '../time/index.ts';
import { AT_NODE } from '../tolerances.ts';
import { beyond } from './beyond.ts';
import type { DistanceLine } from './distance-line.ts';
import { EasedLine, type Stop } from './eased-line.ts';
import { rangeOfEase, STEADY, type CompiledEase, type Ease } from './eases/index.ts';

/** A mark with its place resolved: seconds, seconds, px along the guide (laps and overshoot included). */
export interface PlacedMark {
  readonly time: number;
  readonly dwell: number;
  readonly distance: number;
  readonly ease?: Ease | undefined;
}

/**
 * Steps, as shares of a leg's time, over which its direction is told where the rate is 0: what comes to rest ever more softly does not change by a number's last digit over the first of them.
 */
const TREND_STEPS = [1e-4, 1e-3, 1e-2, 0.1, 1];

/** The distance line that marks make. */
export class PaceLine implements DistanceLine {
  readonly marks: readonly PlacedMark[];
  readonly #line: EasedLine;
  /** Direction in which each mark is reached and left: +1, −1, or 0 where nothing moves there. */
  readonly #arrives: Float64Array;
  readonly #departs: Float64Array;

  /** `repeat` says what a rest at the start followed, and what follows one at the end: the other end of the cycle (s), or the same one on the way back. */
  constructor(marks: readonly PlacedMark[], repeat: Repeat, cycle = Infinity) {
    this.marks = marks;
    const stops = marks.map(({ time, dwell, distance, ease }) => ({ time, dwell, value: distance, ease }));
    this.#line = repeat === 'loop' ? roundLine(stops, cycle) : new EasedLine(stops);
    const count = marks.length;
    this.#arrives = new Float64Array(count);
    this.#departs = new Float64Array(count);
    for (let i = 1; i < count; i++) this.#arrives[i] = this.#trendBefore(i - 1, 1) || (this.#arrives[i - 1] ?? 0);
    for (let i = count - 2; i >= 0; i--) this.#departs[i] = this.#trendAfter(i, 0) || (this.#departs[i + 1] ?? 0);
    const last = this.#arrives[count - 1] ?? 0;
    const first = this.#departs[0] ?? 0;
    const [before, after] = beyond(repeat, first, last);
    for (let i = 0; i < count && this.#arrives[i] === 0; i++) this.#arrives[i] = before;
    for (let i = count - 1; i >= 0 && this.#departs[i] === 0; i--) this.#departs[i] = after;
  }

  get isStill(): boolean {
    return this.#line.isStill;
  }

  distanceAt(local: number, side: Side = 1): number {
    return this.#line.valueAt(local, side);
  }

  advance(work: Float64Array, side: Side): void {
    this.#line.advance(work, side);
  }

  speedAt(local: number, side: Side = 1): number {
    return this.#line.rateAt(local, side);
  }

  tangentSideAt(local: number, side: Side, direction: Side): Side {
    const moves = this.#movesAt(local, side);
    if (moves !== 0) return moves * (this.#besideEnd(local, side) ?? side) > 0 ? 1 : -1;
    return this.#arrivedAt(local, side, direction) > 0 ? -1 : 1;
  }

  /**
   * Within a leg, but so near one of its ends that a place there is that end's to the last digit, as an ease that leaves or arrives ever more softly is for a while: whether
   * it has left its start (1) or has not come to its end (−1). Undefined elsewhere.
   */
  #besideEnd(local: number, side: Side): Side | undefined {
    const i = this.#line.legAt(local, side);
    const [from, to] = [this.marks[i]?.distance ?? 0, this.marks[i + 1]?.distance ?? 0];
    const u = this.#line.shareOfLeg(i, local);
    if (!(u > 0 && u < 1) || Math.abs(to - from) <= 2 * AT_NODE) return undefined;
    const here = this.#line.valueAt(local, side);
    if (Math.abs(here - from) <= AT_NODE) return 1;
    return Math.abs(to - here) <= AT_NODE ? -1 : undefined;
  }

  wayAt(local: number, side: Side, direction: Side): Side {
    const moves = this.#movesAt(local, side) * direction;
    if (moves !== 0) return moves > 0 ? 1 : -1;
    return this.#arrivedAt(local, side, direction) < 0 ? -1 : 1;
  }

  easeAfter(i: number): CompiledEase | undefined {
    return this.#line.easeAfter(i);
  }

  /** Sign of the change of distance on the leg at a local time; 0 at rest. */
  #movesAt(local: number, side: Side): number {
    const i = this.#line.legAt(local, side);
    if (i < 0) return 0;
    const u = Math.min(1, Math.max(0, this.#line.shareOfLeg(i, local)));
    const [step = 0] = TREND_STEPS;
    const moves = side > 0 ? this.#line.trend(i, u, Math.min(1, u + step)) : 0;
    // Where it does not move any more within the leg it is as it moved last there.
    return moves || this.#trendBefore(i, u);
  }

  /** The direction of the leg after a stop as a share of its time is reached. */
  #trendBefore(i: number, u: number): number {
    return first(TREND_STEPS, (step) => this.#line.trend(i, Math.max(0, u - step), u));
  }

  /** The direction in which it is left. */
  #trendAfter(i: number, u: number): number {
    return first(TREND_STEPS, (step) => this.#line.trend(i, u, Math.min(1, u + step)));
  }

  /** The direction along the guide in which a rider at rest came there. */
  #arrivedAt(local: number, side: Side, direction: Side): number {
    const k = Math.max(0, this.#line.stopAt(local, side));
    return direction > 0 ? (this.#arrives[k] ?? 0) : -(this.#departs[k] ?? 0);
  }

  events(): readonly number[] {
    return this.#line.events();
  }

  range(): readonly [number, number] {
    let low = this.marks[0]?.distance ?? 0;
    let high = low;
    this.marks.forEach((mark, i) => {
      const next = this.marks[i + 1];
      const reached = next ? rangeOfEase(mark.ease ?? STEADY) : [0, 0];
      for (const share of reached) {
        const distance = mark.distance + ((next?.distance ?? 0) - mark.distance) * share;
        low = Math.min(low, distance);
        high = Math.max(high, distance);
      }
    });
    return [low, high];
  }
}

/** The first of what is found that is not 0. */
function first(steps: readonly number[], of: (step: number) => number): number {
  for (const step of steps) {
    const found = of(step);
    if (found !== 0) return found;
  }
  return 0;
}

/** s. Marks so near the cycle's ends stand there. */
const AT_END = 1e-9;

/** A line that starts anew where it ends: beyond its ends the last leg and the first one count as neighbours, moved by a cycle and by the way covered in it. */
function roundLine(stops: readonly Stop[], cycle: number): EasedLine {
  const [first, second] = stops;
  const [beforeLast, last] = stops.slice(-2);
  if (!first || !second || !beforeLast || !last) return new EasedLine(stops);
  const isRound = first.time <= AT_END && last.time >= cycle - AT_END && first.dwell === 0;
  if (!isRound) return new EasedLine(stops);
  const way = last.value - first.value;
  return new EasedLine([...stops.slice(0, -1), { ...last, ease: first.ease }], {
    before: { ...beforeLast, time: beforeLast.time - cycle, value: beforeLast.value - way },
    after: { ...second, time: second.time + cycle, value: second.value + way },
  });
}
