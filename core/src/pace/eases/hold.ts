import { z } from '../../zod.ts';
import { shapeOf, type CompiledEase, type EaseKind } from './shape.ts';

export const schema = z.strictObject({ kind: z.literal('hold') });
type Hold = z.infer<typeof schema>;

const compiled: CompiledEase = {
  ...shapeOf(
    (work) => {
      work[0] = (work[0] ?? 0) < 1 ? 0 : 1;
    },
    () => 0,
  ),
  breaks: [],
  jumps: true,
};

/** Stays, then jumps at the next mark. */
export const hold: EaseKind<Hold> = {
  kind: 'hold',
  schema,
  compile: () => compiled,
  asksNeighbours: false,
  onlyRises: () => true,
  split: (ease) => [ease, ease],
  join: () => undefined,
  words: () => 'hold, then jump',
  offers: [{ id: 'hold', group: 'Plain', name: 'hold, then jump', ease: { kind: 'hold' } }],
};
