import { lastReached } from '../search.ts';
import { asksNeighbours, compileLeg, STEADY, type CompiledEase, type Ease, type LegEnd } from './eases/index.ts';

/** A value held from a time on for a dwell (s, s), and how the line gets from there to the next stop. */
export interface Stop extends LegEnd {
  readonly ease?: Ease | undefined;
}

/** A value as a function of local time, s: before the first stop it is the first's, after the last it stays. Pace lines and key channels are such lines. Immutable. */
export class EasedLine {
  readonly stops: readonly Stop[];
  /** No two stops have different values. */
  readonly isStill: boolean;
  readonly #times: Float64Array;
  readonly #leaves: Float64Array;
  readonly #values: Float64Array;
  readonly #eases: readonly CompiledEase[];
  readonly #work = new Float64Array(1);

  /** Stops in order of time; two at one time are a jump. `around`: the stop before the first and the one after the last, where the line goes on there. */
  constructor(stops: readonly Stop[], around: { readonly before?: Stop; readonly after?: Stop } = {}) {
    this.stops = stops;
    this.#times = Float64Array.from(stops, (stop) => stop.time);
    this.#leaves = Float64Array.from(stops, (stop) => stop.time + stop.dwell);
    this.#values = Float64Array.from(stops, (stop) => stop.value);
    this.isStill = stops.every((stop) => stop.value === stops[0]?.value);
    this.#eases = stops.map((from, i) => {
      const to = stops[i + 1];
      const ease = from.ease ?? STEADY;
      if (!to || !asksNeighbours(ease)) return compileLeg(to ? ease : STEADY);
      const before = i === 0 ? around.before : stops[i - 1];
      const after = i + 2 === stops.length ? around.after : stops[i + 2];
      return compileLeg(ease, {
        before: before && { ...before, rate: endRate(before, from, 1) },
        from,
        to,
        after: after && { ...after, rate: endRate(to, after, 0) },
      });
    });
  }

  /** The value at a local time. At a jump: after it, or before it for side −1. */
  valueAt(local: number, side: 1 | -1 = 1): number {
    this.#work[0] = local;
    this.advance(this.#work, side);
    return this.#work[0];
  }

  /** The same in place: takes the local time from `work[0]` and leaves the value there. */
  advance(work: Float64Array, side: 1 | -1): void {
    const low = lastReached(this.#times, work, side);
    const i = low < 0 ? 0 : low;
    const from = this.#values[i] ?? 0;
    const local = work[0] ?? 0;
    const leaves = this.#leaves[i] ?? 0;
    const next = this.#times[i + 1] ?? -Infinity;
    const ease = this.#eases[i];
    work[0] = from;
    if (low < 0 || local <= leaves || next <= leaves || !ease) return;
    const u = (local - leaves) / (next - leaves);
    const to = this.#values[i + 1] ?? from;
    if (u >= 1) {
      if (!ease.jumps) work[0] = to;
      return;
    }
    work[0] = u;
    ease.advance(work);
    work[0] = from + (to - from) * work[0];
  }

  /** Change of the value a second at a local time; 0 in dwells and holds. */
  rateAt(local: number, side: 1 | -1 = 1): number {
    const i = this.legAt(local, side);
    if (i < 0) return 0;
    const leaves = this.#leaves[i] ?? 0;
    const wide = (this.#times[i + 1] ?? 0) - leaves;
    const way = (this.#values[i + 1] ?? 0) - (this.#values[i] ?? 0);
    const ease = this.#eases[i];
    return ease && wide > 0 ? (way * ease.rate(Math.min(1, Math.max(0, (local - leaves) / wide)))) / wide : 0;
  }

  /** The ease of the leg after a stop, its neighbours known. */
  easeAfter(i: number): CompiledEase | undefined {
    return this.#eases[i];
  }

  /** The last stop whose time has come; −1 before the first. */
  stopAt(local: number, side: 1 | -1): number {
    this.#work[0] = local;
    return lastReached(this.#times, this.#work, side);
  }

  /** The stop whose leg is run at a local time; −1 in dwells and outside the stops. */
  legAt(local: number, side: 1 | -1): number {
    const i = this.stopAt(local, side);
    const next = this.#times[i + 1];
    const leaves = this.#leaves[i] ?? 0;
    if (i < 0 || next === undefined || next <= leaves) return -1;
    return (side > 0 ? local >= leaves && local < next : local > leaves && local <= next) ? i : -1;
  }

  /** Share of a leg's time that has passed at a local time. */
  shareOfLeg(i: number, local: number): number {
    const leaves = this.#leaves[i] ?? 0;
    return (local - leaves) / ((this.#times[i + 1] ?? 0) - leaves);
  }

  /** Sign of the change from u to v (shares of its time) on the leg after stop i: +1, −1, or 0. */
  trend(i: number, u: number, v: number): number {
    const way = (this.#values[i + 1] ?? 0) - (this.#values[i] ?? 0);
    const ease = this.#eases[i];
    if (!ease || way === 0 || ease.jumps) return 0;
    return Math.sign(way * (ease.progress(v) - ease.progress(u)));
  }

  /** Local times at which the line is not smooth, ascending: stops, ends of dwells, breaks of eases. */
  events(): number[] {
    const found = this.stops.flatMap((stop, i) => {
      const leaves = stop.time + stop.dwell;
      const next = this.stops[i + 1];
      const breaks = next ? (this.#eases[i]?.breaks ?? []).map((u) => leaves + u * (next.time - leaves)) : [];
      return [stop.time, leaves, ...breaks];
    });
    return [...new Set(found)].sort((a, b) => a - b);
  }
}

/** Change of the value a second at the start (0) or end (1) of a leg; undefined where its ease asks for its neighbours. */
function endRate(from: Stop, to: Stop, end: 0 | 1): number | undefined {
  const ease = from.ease ?? STEADY;
  if (asksNeighbours(ease)) return undefined;
  const wide = to.time - from.time - from.dwell;
  return wide > 0 ? ((to.value - from.value) * compileLeg(ease).rate(end)) / wide : 0;
}
