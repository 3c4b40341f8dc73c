import { assertNever } from '../assert-never.ts';
import { bracketedRoot } from '../geometry/roots.ts';
import { familyBreaks, familyShape, shapeOf, type EaseFamily, type EaseMode, type EaseShape } from './families.ts';

/** A piece of an ease, as shares of its time: the piece is stretched to [0, 1] again. Made where a mark is set into a leg. */
export type EasePart = readonly [from: number, to: number];

/** How a leg gets from one mark to the next. */
export type Ease =
  | { readonly kind: 'steady' }
  | { readonly kind: 'hold' }
  | {
      readonly kind: 'family';
      readonly family: EaseFamily;
      readonly mode: EaseMode;
      readonly part?: EasePart | undefined;
    }
  /** CSS cubic-bezier(): x1 and x2 in [0, 1]. */
  | {
      readonly kind: 'bezier';
      readonly values: readonly [number, number, number, number];
      readonly part?: EasePart | undefined;
    }
  /** Time share and distance share, as in CSS linear(): times never decrease, first [0, 0], last [1, 1]. */
  | {
      readonly kind: 'points';
      readonly points: readonly (readonly [number, number])[];
      readonly part?: EasePart | undefined;
    };

export const STEADY: Ease = { kind: 'steady' };

/** An ease ready to be asked: `progress` and `rate` over u in [0, 1], and the u in (0, 1) where the rate or the value jumps. */
export interface CompiledEase extends EaseShape {
  readonly breaks: readonly number[];
}

const compiled = new WeakMap<Ease, CompiledEase>();

/** The ease's functions, made once for each ease object. */
export function compileEase(ease: Ease): CompiledEase {
  let made = compiled.get(ease);
  if (!made) compiled.set(ease, (made = compile(ease)));
  return made;
}

function compile(ease: Ease): CompiledEase {
  switch (ease.kind) {
    case 'steady':
      return { ...IDENTITY, breaks: [] };
    case 'hold':
      return { ...HOLD, breaks: [] };
    case 'family':
      return cut({ ...familyShape(ease.family, ease.mode), breaks: familyBreaks(ease.family, ease.mode) }, ease.part);
    case 'bezier':
      return cut({ ...bezierShape(...ease.values), breaks: [] }, ease.part);
    case 'points': {
      const times = ease.points.map(([time]) => time).filter((time) => time > 0 && time < 1);
      return cut({ ...pointsShape(ease.points), breaks: [...new Set(times)] }, ease.part);
    }
    default:
      return assertNever(ease);
  }
}

const IDENTITY = shapeOf(
  () => undefined,
  () => 1,
);
const HOLD = shapeOf(
  (work) => {
    work[0] = (work[0] ?? 0) < 1 ? 0 : 1;
  },
  () => 0,
);

function cut(whole: CompiledEase, part: EasePart | undefined): CompiledEase {
  if (!part) return whole;
  const [from, to] = part;
  const low = whole.progress(from);
  const way = whole.progress(to) - low;
  const wide = to - from;
  const advance = (work: Float64Array): void => {
    const u = work[0] ?? 0;
    if (u <= 0 || u >= 1) {
      work[0] = u <= 0 ? 0 : 1;
      return;
    }
    work[0] = from + wide * u;
    whole.advance(work);
    work[0] = (work[0] - low) / way;
  };
  return {
    ...shapeOf(advance, (u) => (whole.rate(from + wide * u) * wide) / way),
    breaks: whole.breaks.map((u) => (u - from) / wide).filter((u) => u > 0 && u < 1),
  };
}

/** CSS Easing Functions Level 2, section 2.2: the y of a cubic from (0, 0) to (1, 1) at a given x, found to the last bit. */
function bezierShape(x1: number, y1: number, x2: number, y2: number): EaseShape {
  const value = (a: number, b: number, t: number): number =>
    ((1 + 3 * a - 3 * b) * t + 3 * b - 6 * a) * t * t + 3 * a * t;
  const slope = (a: number, b: number, t: number): number =>
    3 * (1 + 3 * a - 3 * b) * t * t + 2 * (3 * b - 6 * a) * t + 3 * a;
  const parameterAt = (u: number): number => {
    if (u <= 0) return 0;
    if (u >= 1) return 1;
    let t = u;
    for (let turn = 0; turn < 12; turn++) {
      const off = value(x1, x2, t) - u;
      if (Math.abs(off) < 1e-15) return t;
      const d = slope(x1, x2, t);
      const next = t - off / d;
      if (!(d > 1e-6 && next >= 0 && next <= 1)) break;
      if (next === t) return t;
      t = next;
    }
    return Math.abs(value(x1, x2, t) - u) < 1e-14 ? t : bracketedRoot((p) => value(x1, x2, p) - u, 0, 1);
  };
  return shapeOf(
    (work) => {
      const u = work[0] ?? 0;
      work[0] = u <= 0 ? 0 : u >= 1 ? 1 : value(y1, y2, parameterAt(u));
    },
    (u) => {
      const t = Math.min(Math.max(parameterAt(u), 1e-6), 1 - 1e-6);
      return slope(y1, y2, t) / Math.max(slope(x1, x2, t), 1e-9);
    },
  );
}

function pointsShape(points: readonly (readonly [number, number])[]): EaseShape {
  const times = Float64Array.from(points, ([time]) => time);
  const shares = Float64Array.from(points, ([, share]) => share);
  const pieceAt = (u: number): number => {
    let i = 0;
    while (i + 2 < times.length && (times[i + 1] ?? 1) <= u) i++;
    return i;
  };
  return shapeOf(
    (work) => {
      const u = work[0] ?? 0;
      const i = pieceAt(u);
      const [t0 = 0, t1 = 1, p0 = 0, p1 = 1] = [times[i], times[i + 1], shares[i], shares[i + 1]];
      work[0] = t1 > t0 ? p0 + ((p1 - p0) * (u - t0)) / (t1 - t0) : p1;
    },
    (u) => {
      const i = pieceAt(u);
      const [t0 = 0, t1 = 1, p0 = 0, p1 = 1] = [times[i], times[i + 1], shares[i], shares[i + 1]];
      return t1 > t0 ? (p1 - p0) / (t1 - t0) : 0;
    },
  );
}
