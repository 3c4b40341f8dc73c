import { shapeOf, type CompiledEase } from './shape.ts';

/**
 * An ease p made stronger or weaker by s in [0, 2]. Up to 1, and of those that may turn back, it is l(u) + s·(p(u) − l(u)), where l is nearly steady and starts and ends as p does:
 * what starts from rest still does. Beyond 1, one that only rises is mixed with itself applied twice, (2 − s)·p(u) + (s − 1)·p(p(u)), so that it goes on only rising.
 */
export function withStrength(whole: CompiledEase, strength: number | undefined, onlyRises: boolean): CompiledEase {
  if (strength === undefined || strength === 1 || whole.jumps) return whole;
  return strength > 1 && onlyRises ? twice(whole, strength - 1) : away(whole, strength, likeEnds(whole, strength));
}

/** An ease mixed with steady: p(u) + share·(u − p(u)), share in [−1, 1]. */
export const evened = (whole: CompiledEase, share: number | undefined): CompiledEase =>
  share === undefined || share === 0 || whole.jumps ? whole : away(whole, 1 - share, STEADY);

/** An ease without branches of its own, for mixing: `breaks` where its rate is not smooth. */
type Plain = Pick<CompiledEase, 'advance' | 'rate' | 'breaks'>;

const STEADY: Plain = { advance: () => undefined, rate: () => 1, breaks: [] };

/** Slopes at an end are kept up to this one: what shoots off faster does so a little less. */
const STEEPEST = 3;

const heldAtEnd = (rate: number): number => (rate > 0 ? Math.min(STEEPEST, rate) : 0);

/** Steady but for its ends, where its slope goes evenly from (or to) that of p within a quarter of s of the time, or less where that is steep. */
function likeEnds(whole: CompiledEase, s: number): Plain {
  if (s === 0) return STEADY;
  const [m0, m1] = [heldAtEnd(whole.rate(0)), heldAtEnd(whole.rate(1))];
  const wide = Math.min(1, s) / 4;
  const [w0, w1] = [wide / Math.max(1, m0), wide / Math.max(1, m1)];
  const slope = (1 - (w0 * m0 + w1 * m1) / 2) / (1 - (w0 + w1) / 2);
  const start = ((m0 - slope) * w0) / 2;
  return {
    advance: (work) => {
      const u = work[0] ?? 0;
      if (u <= 0 || u >= 1) return;
      const [rising, falling] = [Math.max(0, w0 - u), Math.max(0, u - 1 + w1)];
      const [first, last] = [
        ((m0 - slope) * rising * rising) / (2 * w0),
        ((m1 - slope) * falling * falling) / (2 * w1),
      ];
      work[0] = slope * u + start - first + last;
    },
    rate: (u) => {
      if (u < w0) return slope + (m0 - slope) * (1 - u / w0);
      return u > 1 - w1 ? slope + (m1 - slope) * (1 - (1 - u) / w1) : slope;
    },
    breaks: [w0, 1 - w1].filter((u) => u > 0 && u < 1),
  };
}

const away = (whole: CompiledEase, s: number, from: Plain): CompiledEase => ({
  ...shapeOf(
    (work) => {
      const u = work[0] ?? 0;
      whole.advance(work);
      const own = work[0] ?? 0;
      work[0] = u;
      from.advance(work);
      work[0] += s * (own - work[0]);
    },
    (u) => from.rate(u) + s * (whole.rate(u) - from.rate(u)),
  ),
  breaks: s === 0 ? [] : [...new Set([...whole.breaks, ...from.breaks])].sort((a, b) => a - b),
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
