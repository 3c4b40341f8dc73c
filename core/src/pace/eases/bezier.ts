import { z } from '../../zod.ts';
import { bracketedRoot } from '../../geometry/roots.ts';
import { changeable, joinParts, splitPart } from './part.ts';
import { shapeOf, type EaseKind, type EaseOffer, type EaseShape } from './shape.ts';

const time = z.number().min(0).max(1);
const share = z.number().min(-100).max(100);
export const schema = z.strictObject({
  kind: z.literal('bezier'),
  values: z.tuple([time, share, time, share]).readonly(),
  ...changeable,
});
type Bezier = z.infer<typeof schema>;

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
      const exact = parameterAt(u);
      // Where the parameter stands still, as at an end without a handle, a hair beside it has a slope.
      const t = slope(x1, x2, exact) > 1e-6 ? exact : Math.min(Math.max(exact, 1e-6), 1 - 1e-6);
      return slope(y1, y2, t) / Math.max(slope(x1, x2, t), 1e-9);
    },
  );
}

/** Curves offered by name, with values of our own choosing. */
const CURVES = [
  ['soft both ends', [0.42, 0.04, 0.58, 0.96]],
  ['late start', [0.7, 0, 0.84, 0.6]],
  ['early arrival', [0.16, 0.4, 0.3, 1]],
  ['anticipation', [0.5, -0.35, 0.6, 1]],
  ['overshoot', [0.4, 0, 0.5, 1.35]],
] as const;

const compile: EaseKind<Bezier>['compile'] = ({ values }) => ({ ...bezierShape(...values), breaks: [], jumps: false });

const isShare = (value: number): boolean => value >= 0 && value <= 1;

/** CSS cubic-bezier(): x1 and x2 in [0, 1]. */
export const bezier: EaseKind<Bezier> = {
  kind: 'bezier',
  schema,
  compile,
  asksNeighbours: false,
  onlyRises: ({ values }) => isShare(values[1]) && isShare(values[3]),
  split: splitPart,
  join: joinParts,
  reversed: ({ values: [x1, y1, x2, y2], ...more }) => ({ ...more, values: [1 - x2, 1 - y2, 1 - x1, 1 - y1] }),
  words: ({ values: [x1, y1, x2, y2] }) => {
    const [slowsIn, slowsOut] = [y1 < x1, 1 - y2 < 1 - x2];
    return slowsIn && slowsOut ? 'custom, in-out' : slowsIn ? 'custom, in' : slowsOut ? 'custom, out' : 'custom';
  },
  offers: CURVES.map(([name, values]): EaseOffer<Bezier> => ({
    id: `bezier:${values.join(',')}`,
    group: 'Curves',
    name,
    ease: { kind: 'bezier', values },
  })),
};
