import { z } from '../../zod.ts';
import { changeable, joinParts, splitPart } from './part.ts';
import { shapeOf, type EaseKind, type EaseOffer, type EaseShape } from './shape.ts';

export const schema = z.strictObject({
  kind: z.literal('spring'),
  /** % of the way by which it first shoots past. */
  overshoot: z.number().min(0).max(90),
  /** Share of the leg's time after which it stays within a hundredth of the way. */
  settle: z.number().min(0.05).max(1),
  ...changeable,
});
type Spring = z.infer<typeof schema>;

/** What is left of the swing's envelope when it counts as settled. */
const LEFT = 0.01;

/** The x of (1 + x)·e^−x = 0.01: how long a spring that does not swing takes. */
const CRITICAL = 6.638352067993813;

/** The step response of a damped spring, stretched by what is left at its end so that it arrives. */
function springShape(overshoot: number, settle: number): EaseShape {
  if (overshoot <= 0) {
    const w = CRITICAL / settle;
    const whole = 1 - (1 + w) * Math.exp(-w);
    return shapeOf(
      (work) => {
        const u = work[0] ?? 0;
        work[0] = u <= 0 ? 0 : u >= 1 ? 1 : (1 - (1 + w * u) * Math.exp(-w * u)) / whole;
      },
      (u) => (w * w * u * Math.exp(-w * u)) / whole,
    );
  }
  const log = Math.log(overshoot / 100);
  const decay = -Math.log(LEFT) / settle;
  const swing = (decay * Math.PI) / -log;
  const ratio = decay / swing;
  const left = (u: number): number => Math.exp(-decay * u) * (Math.cos(swing * u) + ratio * Math.sin(swing * u));
  const whole = 1 - left(1);
  return shapeOf(
    (work) => {
      const u = work[0] ?? 0;
      work[0] = u <= 0 ? 0 : u >= 1 ? 1 : (1 - left(u)) / whole;
    },
    (u) => (Math.exp(-decay * u) * (swing + decay * ratio) * Math.sin(swing * u)) / whole,
  );
}

const SPRINGS = [
  ['settles softly', 0, 1],
  ['springs a little', 8, 0.9],
  ['springs', 25, 1],
  ['springs much', 55, 1],
] as const;

/** Swings about where it arrives, and settles. */
export const spring: EaseKind<Spring> = {
  kind: 'spring',
  schema,
  compile: ({ overshoot, settle }) => ({ ...springShape(overshoot, settle), breaks: [], jumps: false }),
  asksNeighbours: false,
  onlyRises: () => false,
  split: splitPart,
  join: joinParts,
  words: ({ overshoot }) => (overshoot > 0 ? `spring, ${overshoot} % past` : 'spring, not past'),
  offers: SPRINGS.map(([name, overshoot, settle]): EaseOffer<Spring> => ({
    id: `spring:${overshoot}:${settle}`,
    group: 'Springs',
    name,
    ease: { kind: 'spring', overshoot, settle },
  })),
};
