import { z } from '../../zod.ts';
import { hermite, hermiteSlope, monotoneSlope } from './hermite.ts';
import { changeable, joinParts, splitPart } from './part.ts';
import { pieceAt, shapeOf, type CompiledEase, type EaseKind } from './shape.ts';

const slope = z.number().min(-1000).max(1000);

/** A place that the curve goes through: shares of the leg's time and way. */
const pointSchema = z.strictObject({
  time: z.number().gt(0).lt(1),
  way: z.number().min(-100).max(100),
  /** Way over time just before and just after: one slope where it is smooth, two where it is sharp; null: as its neighbours give it. */
  slope: z
    .union([slope, z.tuple([slope, slope]).readonly()])
    .nullable()
    .default(null),
});
export const schema = z.strictObject({
  kind: z.literal('shaped'),
  points: z
    .array(pointSchema)
    .max(200)
    .readonly()
    .refine(
      (list) => list.every(({ time }, i) => i === 0 || time > (list[i - 1]?.time ?? 0)),
      'the points’ times go up',
    ),
  /** Slopes at the leg's start and end; null: straight on. */
  ends: z.tuple([slope.nullable(), slope.nullable()]).readonly().default([null, null]),
  ...changeable,
});
export type Shaped = z.infer<typeof schema>;
export type ShapingPoint = z.infer<typeof pointSchema>;

/** A curve's places with their slopes to both sides, the leg's ends among them. */
export interface ShapedKnot {
  readonly time: number;
  readonly way: number;
  readonly left: number;
  readonly right: number;
}

/** The knots of a shaped curve, each slope worked out. */
export function knotsOf({ points, ends }: Pick<Shaped, 'points' | 'ends'>): readonly ShapedKnot[] {
  const places = [{ time: 0, way: 0 }, ...points, { time: 1, way: 1 }];
  const wide = (i: number): number => (places[i + 1]?.time ?? 1) - (places[i]?.time ?? 0);
  const rise = (i: number): number => ((places[i + 1]?.way ?? 1) - (places[i]?.way ?? 0)) / wide(i);
  const last = places.length - 1;
  return places.map(({ time, way }, i) => {
    if (i === 0) return { time, way, left: 0, right: ends[0] ?? rise(0) };
    if (i === last) return { time, way, left: ends[1] ?? rise(last - 1), right: 0 };
    const own = points[i - 1]?.slope ?? monotoneSlope(wide(i - 1), rise(i - 1), wide(i), rise(i));
    const [left, right] = typeof own === 'number' ? [own, own] : own;
    return { time, way, left, right };
  });
}

function compile(ease: Shaped): CompiledEase {
  const knots = knotsOf(ease);
  const times = Float64Array.from(knots, ({ time }) => time);
  const ways = Float64Array.from(knots, ({ way }) => way);
  const lefts = Float64Array.from(knots, ({ left }) => left);
  const rights = Float64Array.from(knots, ({ right }) => right);
  return {
    ...shapeOf(
      (work) => {
        const u = work[0] ?? 0;
        const i = pieceAt(times, u);
        const from = times[i] ?? 0;
        const wide = (times[i + 1] ?? 1) - from;
        work[0] =
          u >= 1
            ? 1
            : hermite((u - from) / wide, wide, ways[i] ?? 0, ways[i + 1] ?? 1, rights[i] ?? 0, lefts[i + 1] ?? 0);
      },
      (u) => {
        const i = pieceAt(times, u);
        const from = times[i] ?? 0;
        const wide = (times[i + 1] ?? 1) - from;
        return hermiteSlope((u - from) / wide, wide, ways[i] ?? 0, ways[i + 1] ?? 1, rights[i] ?? 0, lefts[i + 1] ?? 0);
      },
    ),
    breaks: ease.points.map(({ time }) => time),
    jumps: false,
  };
}

/** Bent by hand: cubics through any number of places, each smooth or sharp. */
export const shaped: EaseKind<Shaped> = {
  kind: 'shaped',
  schema,
  compile,
  asksNeighbours: false,
  onlyRises: () => false,
  split: splitPart,
  join: joinParts,
  reversed: ({ points: list, ends, ...more }) => ({
    ...more,
    points: list
      .map(({ time, way, slope: own }) => ({
        time: 1 - time,
        way: 1 - way,
        slope: typeof own === 'object' && own ? ([own[1], own[0]] as const) : own,
      }))
      .reverse(),
    ends: [ends[1], ends[0]],
  }),
  words: ({ points }) =>
    points.length === 0 ? 'custom' : `custom, ${points.length} ${points.length > 1 ? 'points' : 'point'}`,
  offers: [],
};
