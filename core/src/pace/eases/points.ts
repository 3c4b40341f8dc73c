import { z } from '../../zod.ts';
import { changeable, joinParts, splitPart } from './part.ts';
import { pieceAt, shapeOf, type EaseKind, type EaseShape } from './shape.ts';

const pointsSchema = z
  .array(z.tuple([z.number().min(0).max(1), z.number().min(-100).max(100)]).readonly())
  .min(2)
  .max(1000)
  .readonly()
  .refine((list) => list[0]?.[0] === 0 && list[0][1] === 0, 'the first point is [0, 0]')
  .refine((list) => list.at(-1)?.[0] === 1 && list.at(-1)?.[1] === 1, 'the last point is [1, 1]')
  .refine(
    (list) => list.every(([time], i) => i === 0 || time >= (list[i - 1]?.[0] ?? 0)),
    'time shares never decrease',
  );
export const schema = z.strictObject({ kind: z.literal('points'), points: pointsSchema, ...changeable });
type Points = z.infer<typeof schema>;

function pointsShape(points: readonly (readonly [number, number])[]): EaseShape {
  const times = Float64Array.from(points, ([time]) => time);
  const shares = Float64Array.from(points, ([, share]) => share);
  return shapeOf(
    (work) => {
      const u = work[0] ?? 0;
      const i = pieceAt(times, u);
      const [t0 = 0, t1 = 1, p0 = 0, p1 = 1] = [times[i], times[i + 1], shares[i], shares[i + 1]];
      work[0] = t1 > t0 ? p0 + ((p1 - p0) * (u - t0)) / (t1 - t0) : p1;
    },
    (u) => {
      const i = pieceAt(times, u);
      const [t0 = 0, t1 = 1, p0 = 0, p1 = 1] = [times[i], times[i + 1], shares[i], shares[i + 1]];
      return t1 > t0 ? (p1 - p0) / (t1 - t0) : 0;
    },
  );
}

const compile: EaseKind<Points>['compile'] = ({ points: list }) => {
  const times = list.map(([time]) => time).filter((time) => time > 0 && time < 1);
  return { ...pointsShape(list), breaks: [...new Set(times)], jumps: false };
};

/** Time share and distance share, as in CSS linear(): times never decrease, first [0, 0], last [1, 1]. */
export const points: EaseKind<Points> = {
  kind: 'points',
  schema,
  compile,
  asksNeighbours: false,
  onlyRises: () => false,
  split: splitPart,
  join: joinParts,
  reversed: ({ points: list, ...more }) => ({
    ...more,
    points: list.map(([time, share]) => [1 - time, 1 - share] as const).reverse(),
  }),
  words: ({ points: list }) => `${list.length} points`,
  offers: [],
};
