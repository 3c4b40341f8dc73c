import { z } from '../../zod.ts';
import { heldSlope, hermite, hermiteSlope, monotoneSlope } from './hermite.ts';
import { changeable } from './part.ts';
import { shapeOf, type CompiledEase, type EaseKind, type Leg, type LegEnd, type Neighbour } from './shape.ts';

export const schema = z.strictObject({ kind: z.literal('flow'), strength: changeable.strength, even: changeable.even });
type Flow = z.infer<typeof schema>;

/** Through from rest to rest: what a leg without neighbours does. */
const [ALONE_FROM, ALONE_TO] = [0, 0];

/** The change of the value a second at the end that a leg shares with a neighbour; 0 where it rests or turns there. */
function rateAt(
  shared: LegEnd,
  own: { readonly wide: number; readonly slope: number },
  beside: Neighbour | undefined,
  far: { readonly wide: number; readonly slope: number },
): number {
  if (shared.dwell > 0 || !beside || !(far.wide > 0)) return 0;
  if (beside.rate !== undefined) return heldSlope(beside.rate, own.slope);
  return heldSlope(monotoneSlope(far.wide, far.slope, own.wide, own.slope), own.slope);
}

const piece = (a: LegEnd, b: LegEnd): { readonly wide: number; readonly slope: number } => {
  const wide = b.time - a.time - a.dwell;
  return { wide, slope: (b.value - a.value) / wide };
};

/** Slopes at both ends, as shares of the way over shares of the time. */
function slopesOf({ before, from, to, after }: Leg): readonly [number, number] {
  const own = piece(from, to);
  if (!(own.wide > 0) || own.slope === 0) return [ALONE_FROM, ALONE_TO];
  const first = rateAt(from, own, before, before ? piece(before, from) : own);
  const last = rateAt(to, own, after, after ? piece(to, after) : own);
  return [first / own.slope, last / own.slope];
}

const compile = (leg: Leg | undefined): CompiledEase => {
  const [m0, m1] = leg ? slopesOf(leg) : [ALONE_FROM, ALONE_TO];
  return {
    ...shapeOf(
      (work) => {
        work[0] = hermite(work[0] ?? 0, 1, 0, 1, m0, m1);
      },
      (u) => hermiteSlope(u, 1, 0, 1, m0, m1),
    ),
    breaks: [],
    jumps: false,
  };
};

/** A speed that goes on through the marks: as fast as the neighbours where they meet, never past a mark; at rest where it rests or turns. */
export const flow: EaseKind<Flow> = {
  kind: 'flow',
  schema,
  compile: (_, leg) => compile(leg),
  asksNeighbours: true,
  onlyRises: () => true,
  split: (ease) => [ease, ease],
  join: (first) => first,
  words: () => 'flow',
  reversed: (ease) => ease,
  offers: [{ id: 'flow', group: 'Plain', name: 'flow through the marks', ease: { kind: 'flow' } }],
};
