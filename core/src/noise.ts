/**
 * Numbers in [0, 1) from a seed, each the same on every machine. From the seed a whole number a is counted up by 0x6D2B79F5 (all modulo 2³²) for each of them; of a are made
 * t = (a ⊕ a≫15)·(a | 1), then t ⊕ (t + (t ⊕ t≫7)·(t | 61)), then t ⊕ t≫14, over 2³².
 */
export function seededNumbers(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** Numbers that stand evenly over a round: their mean 0, the largest of them ±1. */
export type Waves = Float64Array;

/** So many waves made of the next numbers. */
export function wavesOf(next: () => number, count: number): Waves {
  const waves = Float64Array.from({ length: count }, next);
  const mean = waves.reduce((sum, one) => sum + one, 0) / count;
  const most = waves.reduce((max, one) => Math.max(max, Math.abs(one - mean)), 0);
  return waves.map((one) => (most > 0 ? (one - mean) / most : 0));
}

/** Noise within ±1 at a share of the round: from wave to wave by f²(3 − 2f), and round its end to the first. In place, so that nothing is boxed. */
export function noiseInto(waves: Waves, work: Float64Array): void {
  const count = waves.length;
  const share = work[0] ?? 0;
  const at = (share - Math.floor(share)) * count;
  const i = Math.floor(at);
  const f = at - i;
  const from = waves[i % count] ?? 0;
  const to = waves[(i + 1) % count] ?? 0;
  work[0] = from + (to - from) * f * f * (3 - 2 * f);
}

const WORK = new Float64Array(1);

export function noiseAt(waves: Waves, share: number): number {
  WORK[0] = share;
  noiseInto(waves, WORK);
  return WORK[0];
}
