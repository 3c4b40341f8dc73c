import type { Mark } from '../scene/index.ts';

type Ease = Mark['ease'];

/** Progress of an ease at a share u of its time. */
export function progress(ease: Ease, u: number): number {
  const part = 'part' in ease ? ease.part : undefined;
  if (part) {
    const whole = (v: number): number => progress({ ...ease, part: undefined } as Ease, v);
    const [from, to] = part;
    return (whole(from + (to - from) * u) - whole(from)) / (whole(to) - whole(from));
  }
  switch (ease.kind) {
    case 'steady':
      return u;
    case 'hold':
      return u < 1 ? 0 : 1;
    case 'family':
      return familyProgress(ease.family, ease.mode, u);
    case 'bezier':
      return bezierProgress(ease.values, u);
    case 'points':
      return pointsProgress(ease.points, u);
  }
}

/** By halving the parameter two hundred times. */
function bezierProgress([x1, y1, x2, y2]: readonly [number, number, number, number], u: number): number {
  const value = (a: number, b: number, t: number): number =>
    3 * a * t * (1 - t) ** 2 + 3 * b * t ** 2 * (1 - t) + t ** 3;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (value(x1, x2, middle) < u) low = middle;
    else high = middle;
  }
  return value(y1, y2, (low + high) / 2);
}

function pointsProgress(points: readonly (readonly [number, number])[], u: number): number {
  if (u >= 1) return 1;
  const i = points.findLastIndex(([t]) => t <= u);
  const [t0, p0] = points[i] ?? [0, 0];
  const [t1, p1] = points[i + 1] ?? [1, 1];
  return p0 + ((p1 - p0) * (u - t0)) / (t1 - t0);
}

/** The usual closed forms, each written for its own mode, in powers and roots. */
function familyProgress(family: string, mode: string, u: number): number {
  const bounceOut = (v: number): number =>
    v < 4 / 11
      ? (121 / 16) * v ** 2
      : v < 8 / 11
        ? (121 / 16) * (v - 6 / 11) ** 2 + 3 / 4
        : v < 10 / 11
          ? (121 / 16) * (v - 9 / 11) ** 2 + 15 / 16
          : (121 / 16) * (v - 21 / 22) ** 2 + 63 / 64;
  const slow = (v: number): number => {
    switch (family) {
      case 'sine':
        return 1 - Math.cos((Math.PI / 2) * v);
      case 'quad':
        return v ** 2;
      case 'cubic':
        return v ** 3;
      case 'quart':
        return v ** 4;
      case 'quint':
        return v ** 5;
      case 'expo':
        return v <= 0 ? 0 : 2 ** (10 * (v - 1));
      case 'circ':
        return 1 - Math.sqrt(1 - v ** 2);
      case 'back': {
        const c = mode === 'in-out' ? 1.70158 * 1.525 : 1.70158;
        return (c + 1) * v ** 3 - c * v ** 2;
      }
      case 'elastic':
        if (v <= 0 || v >= 1) return v;
        return mode === 'in-out'
          ? -(2 ** (10 * v - 10)) * Math.sin((2 * Math.PI * (10 * v - 11.125)) / 4.5)
          : -(2 ** (10 * v - 10)) * Math.sin((2 * Math.PI * (10 * v - 10.75)) / 3);
      case 'bounce':
        return 1 - bounceOut(1 - v);
      default:
        throw new Error(`reference: no family "${family}"`);
    }
  };
  if (mode === 'in') return slow(u);
  if (mode === 'out') return 1 - slow(1 - u);
  return u < 0.5 ? slow(2 * u) / 2 : 1 - slow(2 - 2 * u) / 2;
}
