import { assertNever } from '../assert-never.ts';

export const EASE_FAMILIES = [
  'sine',
  'quad',
  'cubic',
  'quart',
  'quint',
  'expo',
  'circ',
  'back',
  'elastic',
  'bounce',
] as const;
export type EaseFamily = (typeof EASE_FAMILIES)[number];
export const EASE_MODES = ['in', 'out', 'in-out'] as const;
export type EaseMode = (typeof EASE_MODES)[number];

/** A curve on [0, 1] and its derivative. */
export interface EaseShape {
  readonly progress: (u: number) => number;
  readonly rate: (u: number) => number;
}

const power = (n: number): EaseShape => ({ progress: (u) => u ** n, rate: (u) => n * u ** (n - 1) });

const back = (overshoot: number): EaseShape => ({
  progress: (u) => u * u * ((overshoot + 1) * u - overshoot),
  rate: (u) => u * (3 * (overshoot + 1) * u - 2 * overshoot),
});

/** −2^(10u−10)·sin((10u − shift)·2π/period), 0 at 0 and 1 at 1. */
function elastic(period: number, shift: number): EaseShape {
  const w = (2 * Math.PI) / period;
  return {
    progress: (u) => (u <= 0 ? 0 : u >= 1 ? 1 : -(2 ** (10 * u - 10)) * Math.sin((10 * u - shift) * w)),
    rate: (u) =>
      -(2 ** (10 * u - 10)) *
      (10 * Math.LN2 * Math.sin((10 * u - shift) * w) + 10 * w * Math.cos((10 * u - shift) * w)),
  };
}

const BOUNCES = [
  [1 / 2.75, 0, 0],
  [2 / 2.75, 1.5 / 2.75, 0.75],
  [2.5 / 2.75, 2.25 / 2.75, 0.9375],
  [Infinity, 2.625 / 2.75, 0.984375],
] as const;

const bounceOut: EaseShape = {
  progress: (u) => {
    const [, centre, rest] = BOUNCES.find(([until]) => u < until) ?? BOUNCES[3];
    return 7.5625 * (u - centre) ** 2 + rest;
  },
  rate: (u) => {
    const [, centre] = BOUNCES.find(([until]) => u < until) ?? BOUNCES[3];
    return 2 * 7.5625 * (u - centre);
  },
};

const mirrored = (shape: EaseShape): EaseShape => ({
  progress: (u) => 1 - shape.progress(1 - u),
  rate: (u) => shape.rate(1 - u),
});

const doubled = (shape: EaseShape): EaseShape => ({
  progress: (u) => (u < 0.5 ? shape.progress(2 * u) / 2 : 1 - shape.progress(2 - 2 * u) / 2),
  rate: (u) => (u < 0.5 ? shape.rate(2 * u) : shape.rate(2 - 2 * u)),
});

/** The "in" form of a family; some families have another overshoot or period in their "in-out" form. */
function accelerating(family: EaseFamily, inOut: boolean): EaseShape {
  switch (family) {
    case 'sine':
      return {
        progress: (u) => 1 - Math.cos((u * Math.PI) / 2),
        rate: (u) => (Math.PI / 2) * Math.sin((u * Math.PI) / 2),
      };
    case 'quad':
      return power(2);
    case 'cubic':
      return power(3);
    case 'quart':
      return power(4);
    case 'quint':
      return power(5);
    case 'expo':
      return { progress: (u) => (u <= 0 ? 0 : 2 ** (10 * u - 10)), rate: (u) => 10 * Math.LN2 * 2 ** (10 * u - 10) };
    case 'circ':
      return {
        progress: (u) => 1 - Math.sqrt(Math.max(0, 1 - u * u)),
        rate: (u) => u / Math.sqrt(Math.max(1e-12, 1 - u * u)),
      };
    case 'back':
      return back(inOut ? 1.70158 * 1.525 : 1.70158);
    case 'elastic':
      return inOut ? elastic(4.5, 11.125) : elastic(3, 10.75);
    case 'bounce':
      return mirrored(bounceOut);
    default:
      return assertNever(family);
  }
}

/** The usual closed forms of a family, on u in [0, 1]; value 0 at 0 and 1 at 1. */
export function familyShape(family: EaseFamily, mode: EaseMode): EaseShape {
  switch (mode) {
    case 'in':
      return accelerating(family, false);
    case 'out':
      return mirrored(accelerating(family, false));
    case 'in-out':
      return doubled(accelerating(family, true));
    default:
      return assertNever(mode);
  }
}

/** Times in (0, 1) where a family's rate jumps. */
export function familyBreaks(family: EaseFamily, mode: EaseMode): readonly number[] {
  if (family !== 'bounce') return mode === 'in-out' ? [0.5] : [];
  const out = BOUNCES.slice(0, 3).map(([until]) => until);
  const into = out.map((u) => 1 - u).reverse();
  if (mode === 'out') return out;
  return mode === 'in' ? into : [...into.map((u) => u / 2), 0.5, ...out.map((u) => 0.5 + u / 2)];
}
