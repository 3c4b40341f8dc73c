import { z } from '../../zod.ts';
import { shapeOf, type CompiledEase, type EaseKind } from './shape.ts';

export const schema = z.strictObject({ kind: z.literal('steady') });
type Steady = z.infer<typeof schema>;

const compiled: CompiledEase = {
  ...shapeOf(
    () => undefined,
    () => 1,
  ),
  breaks: [],
  jumps: false,
};

/** Even progress. */
export const steady: EaseKind<Steady> = {
  kind: 'steady',
  schema,
  compile: () => compiled,
  asksNeighbours: false,
  onlyRises: () => true,
  split: (ease) => [ease, ease],
  join: () => undefined,
  words: () => 'linear',
  reversed: (ease) => ease,
  offers: [{ id: 'steady', group: 'Plain', name: 'linear', ease: { kind: 'steady' } }],
};
