import { bracketedRoot } from '../geometry/index.ts';
import { wholeNumbers } from '../search.ts';
import { foldTime, timesOfLocals } from '../time/index.ts';
import type { PreparedRider } from './prepared-rider.ts';
import { MOST_STEPS } from './stage.ts';

/** Steps per smooth piece of time in which passings are looked for. */
const STEPS = 64;

/** Places passed in one such step from which on they are not told apart: they follow each other faster than anything can show or write. */
const MOST_PASSED = 500;

/** Places that come again every `round` px; infinite: they stand once each. */
interface Goals {
  readonly places: readonly number[];
  readonly round: number;
}

/** Times inside (from, to) at which a rider's foot passes places of its guide, px; in any order. */
export function passings(prepared: PreparedRider, { places, round }: Goals, from: number, to: number): number[] {
  const { rider, folding, way, keys } = prepared;
  if (!way || places.length === 0) return [];
  const { line } = way;
  const at = (time: number): number => {
    const { local } = foldTime(time, folding);
    return line.distanceAt(local) + rider.lead + (keys.lead?.valueAt(local) ?? 0);
  };
  const locals = [0, folding.cycle, ...line.events(), ...(keys.lead?.events() ?? [])];
  const stops = [...new Set([from, ...timesOfLocals(folding, locals, from, to), to])].sort((a, b) => a - b);
  const found: number[] = [];
  for (let i = 1; i < stops.length && found.length <= MOST_STEPS; i++)
    passedIn(at, places, round, stops[i - 1] ?? from, stops[i] ?? to, found);
  return found;
}

function passedIn(
  at: (time: number) => number,
  places: readonly number[],
  round: number,
  a: number,
  b: number,
  found: number[],
): void {
  const inset = (b - a) * 1e-9;
  let t0 = a + inset;
  let s0 = at(t0);
  for (let i = 1; i <= STEPS; i++) {
    const t1 = i === STEPS ? b - inset : a + ((b - a) * i) / STEPS;
    const s1 = at(t1);
    const [low, high] = s0 < s1 ? [s0, s1] : [s1, s0];
    if (found.length > MOST_STEPS) return;
    for (const place of ((high - low) / round) * places.length > MOST_PASSED ? [] : places) {
      const rounds = Number.isFinite(round)
        ? wholeNumbers(Math.ceil((low - place) / round), Math.floor((high - place) / round))
        : [0];
      for (const k of rounds) {
        const goal = place + (k === 0 ? 0 : k * round);
        // A step may end just on a place: that one belongs to the side with the greater distance.
        if (goal > low && goal <= high) found.push(bracketedRoot((t) => at(t) - goal, t0, t1));
      }
    }
    t0 = t1;
    s0 = s1;
  }
}
