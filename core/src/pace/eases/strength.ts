import { shapeOf, type CompiledEase } from './shape.ts';

/**
 * An ease p made stronger or weaker by s in [0, 2]: up to 1 it is u + s·(p(u) − u). Beyond, one that only rises is mixed with itself applied twice,
 * (2 − s)·p(u) + (s − 1)·p(p(u)), so that it goes on only rising; of others the departure from steady goes on growing.
 */
export function withStrength(whole: CompiledEase, strength: number | undefined, onlyRises: boolean): CompiledEase {
  if (strength === undefined || strength === 1 || whole.jumps) return whole;
  return strength > 1 && onlyRises ? twice(whole, strength - 1) : away(whole, strength);
}

const away = (whole: CompiledEase, s: number): CompiledEase => ({
  ...shapeOf(
    (work) => {
      const u = work[0] ?? 0;
      whole.advance(work);
      work[0] = u + s * ((work[0] ?? 0) - u);
    },
    (u) => 1 + s * (whole.rate(u) - 1),
  ),
  breaks: s === 0 ? [] : whole.breaks,
  jumps: false,
});

function twice(whole: CompiledEase, share: number): CompiledEase {
  const own = whole.breaks.map((u) => placeOf(whole, u));
  return {
    ...shapeOf(
      (work) => {
        whole.advance(work);
        const once = work[0] ?? 0;
        whole.advance(work);
        work[0] = once + share * ((work[0] ?? 0) - once);
      },
      (u) => {
        const rate = whole.rate(u);
        return rate + share * (whole.rate(whole.progress(u)) * rate - rate);
      },
    ),
    breaks: [...new Set([...whole.breaks, ...own])].sort((a, b) => a - b),
    jumps: false,
  };
}

/** The u in [0, 1] at which a rising ease has a progress, by halving. */
function placeOf(whole: CompiledEase, progress: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (whole.progress(middle) < progress) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
