import { dot, subtract } from '../vec.ts';
import { at, type Run } from './points.ts';

/** px. A hand's corner is looked for over this much of the way before and after it: finer than what it means, coarser than how it trembles. */
const FINE = 6;

/** Share of a turn that is there already within half of the way: a corner has nearly all of it, a smooth bend half. */
const SUDDEN = 0.6;

/** From one look at a corner to the next the way grows by this factor. */
const WIDER = 1.5;

/**
 * Indexes of a stroke's corners: where it turns by more than `least` rad, suddenly, and does so over every way up to `reach` px before and after. The
 * corners of a longer reach are among those of a shorter one; a bend that is smooth at the scale of a few px is none, however far one looks.
 */
export function cornersOf(run: Run, least: number, reach: number): number[] {
  const found: { i: number; turn: number; along: number }[] = [];
  for (let i = 1; i < run.count - 1; i++) {
    const turn = turnAt(run, i, FINE);
    if (turn > least && turnAt(run, i, FINE / 2) >= SUDDEN * turn) found.push({ i, turn, along: run.along[i] ?? 0 });
  }
  const kept: typeof found = [];
  for (const one of [...found].sort((x, y) => y.turn - x.turn || x.i - y.i))
    if (kept.every((other) => Math.abs(other.along - one.along) > 2 * FINE)) kept.push(one);
  const isFarSeen = (i: number): boolean => {
    for (let way = FINE * WIDER; way <= reach; way *= WIDER) if (turnAt(run, i, way) <= least) return false;
    return true;
  };
  return kept
    .map(({ i }) => i)
    .filter(isFarSeen)
    .sort((x, y) => x - y);
}

/** rad, 0 to π: between what lies `way` px before a point and what lies so far after it, at least one point to each side. */
function turnAt(run: Run, i: number, way: number): number {
  const here = run.along[i] ?? 0;
  let a = i - 1;
  let b = i + 1;
  while (a > 0 && here - (run.along[a] ?? 0) < way) a--;
  while (b < run.count - 1 && (run.along[b] ?? 0) - here < way) b++;
  const p = at(run, i);
  const before = subtract(p, at(run, a));
  const after = subtract(at(run, b), p);
  return Math.abs(Math.atan2(before[0] * after[1] - before[1] * after[0], dot(before, after)));
}
