import { z } from '../../zod.ts';
import { shapeOf, type CompiledEase } from './shape.ts';

/** A piece of an ease, as shares of its time: the piece is stretched to [0, 1] again. Made where a mark is set into a leg. */
const partSchema = z
  .tuple([z.number().min(0).max(1), z.number().min(0).max(1)])
  .readonly()
  .refine(([from, to]) => from < to, 'a part runs from a smaller share to a larger one')
  .optional();

/** How strong an ease is: 0 steady, 1 as it is, 2 double (see strength.ts). Absent: 1. */
const strengthSchema = z.number().min(0).max(2).optional();

/** Share by which it is mixed with steady, after its strength. Absent: 0. */
const evenSchema = z.number().min(-1).max(1).optional();

/** What every ease with a curve may have beside its own keys. */
export const changeable = { strength: strengthSchema, even: evenSchema, part: partSchema };

type Part = z.infer<typeof partSchema>;

/** An ease that may be a part of itself. */
interface Partial {
  readonly kind: string;
  readonly part?: Part;
}

/** The piece of a whole ease that `part` names, stretched to [0, 1]. */
export function cutTo(whole: CompiledEase, part: Part): CompiledEase {
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
    jumps: false,
  };
}

export function splitPart<E extends Partial>(ease: E, u: number): readonly [E, E] {
  const [from, to] = ease.part ?? [0, 1];
  const at = from + (to - from) * u;
  return [
    { ...ease, part: [from, at] },
    { ...ease, part: [at, to] },
  ];
}

export function joinParts<E extends Partial>(first: E, second: E): E | undefined {
  if (!first.part || !second.part || first.part[1] !== second.part[0]) return undefined;
  const { part: _first, ...shape } = first;
  const { part: _second, ...other } = second;
  if (JSON.stringify(shape) !== JSON.stringify(other)) return undefined;
  const part = [first.part[0], second.part[1]] as const;
  return (part[0] === 0 && part[1] === 1 ? shape : { ...shape, part }) as E;
}
