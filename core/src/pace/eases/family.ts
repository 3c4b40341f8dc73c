import { z } from '../../zod.ts';
import { assertNever } from '../../assert-never.ts';
import { changeable, joinParts, splitPart } from './part.ts';
import { shapeOf, type EaseKind, type EaseOffer, type EaseShape } from './shape.ts';

export const EASE_FAMILIES = [
  'sine',
  'quad',
  'cubic',
  'quart',
  'quint',
  'expo',
  'circ',
  'back',
  'elastic',
  'bounce',
] as const;
type EaseFamily = (typeof EASE_FAMILIES)[number];
export const EASE_MODES = ['in', 'out', 'in-out'] as const;
type EaseMode = (typeof EASE_MODES)[number];

export const schema = z.strictObject({
  kind: z.literal('family'),
  family: z.enum(EASE_FAMILIES),
  mode: z.enum(EASE_MODES),
  ...changeable,
});
type Family = z.infer<typeof schema>;

/** Overshoot of `back`: a tenth of the way. In and out, half as wide, it is stretched. */
const OVERSHOOT = { half: 1.70158 * 1.525, whole: 1.70158 } as const;

/** The `out` form of `bounce`: parabolas up to a time, about a centre, resting on a height. */
const BOUNCES = [
  [1 / 2.75, 0, 0],
  [2 / 2.75, 1.5 / 2.75, 0.75],
  [2.5 / 2.75, 2.25 / 2.75, 0.9375],
  [Infinity, 2.625 / 2.75, 0.984375],
] as const;

const bounceAt = (u: number): (typeof BOUNCES)[number] =>
  u < BOUNCES[0][0] ? BOUNCES[0] : u < BOUNCES[1][0] ? BOUNCES[1] : u < BOUNCES[2][0] ? BOUNCES[2] : BOUNCES[3];

/** The "in" form of a family, in place; some families have another overshoot or period in their "in-out" form. Products, not `**`, where the power is whole. */
function accelerate(family: EaseFamily, half: boolean, work: Float64Array): void {
  const u = work[0] ?? 0;
  switch (family) {
    case 'sine':
      work[0] = 1 - Math.cos((u * Math.PI) / 2);
      return;
    case 'quad':
      work[0] = u * u;
      return;
    case 'cubic':
      work[0] = u * u * u;
      return;
    case 'quart':
      work[0] = u * u * (u * u);
      return;
    case 'quint':
      work[0] = u * u * (u * u) * u;
      return;
    case 'expo':
      work[0] = u <= 0 ? 0 : 2 ** (10 * u - 10);
      return;
    case 'circ':
      work[0] = 1 - Math.sqrt(Math.max(0, 1 - u * u));
      return;
    case 'back': {
      const overshoot = half ? OVERSHOOT.half : OVERSHOOT.whole;
      work[0] = u * u * ((overshoot + 1) * u - overshoot);
      return;
    }
    case 'elastic': {
      const w = (2 * Math.PI) / (half ? 4.5 : 3);
      const shift = half ? 11.125 : 10.75;
      if (u > 0 && u < 1) work[0] = -(2 ** (10 * u - 10)) * Math.sin((10 * u - shift) * w);
      return;
    }
    case 'bounce': {
      const [, centre, rest] = bounceAt(1 - u);
      work[0] = 1 - (7.5625 * (1 - u - centre) * (1 - u - centre) + rest);
      return;
    }
    default:
      assertNever(family);
  }
}

/** The derivative of a family's "in" form. */
function acceleratingRate(family: EaseFamily, half: boolean, u: number): number {
  switch (family) {
    case 'sine':
      return (Math.PI / 2) * Math.sin((u * Math.PI) / 2);
    case 'quad':
      return 2 * u;
    case 'cubic':
      return 3 * u * u;
    case 'quart':
      return 4 * u * u * u;
    case 'quint':
      return 5 * u * u * (u * u);
    case 'expo':
      return 10 * Math.LN2 * 2 ** (10 * u - 10);
    case 'circ':
      return u / Math.sqrt(Math.max(1e-12, 1 - u * u));
    case 'back': {
      const overshoot = half ? OVERSHOOT.half : OVERSHOOT.whole;
      return u * (3 * (overshoot + 1) * u - 2 * overshoot);
    }
    case 'elastic': {
      const w = (2 * Math.PI) / (half ? 4.5 : 3);
      const shift = half ? 11.125 : 10.75;
      return (
        -(2 ** (10 * u - 10)) *
        (10 * Math.LN2 * Math.sin((10 * u - shift) * w) + 10 * w * Math.cos((10 * u - shift) * w))
      );
    }
    case 'bounce': {
      const [, centre] = bounceAt(1 - u);
      return 2 * 7.5625 * (1 - u - centre);
    }
    default:
      return assertNever(family);
  }
}

/** The usual closed forms of a family, on u in [0, 1]; value 0 at 0 and 1 at 1. */
function familyShape(family: EaseFamily, mode: EaseMode): EaseShape {
  const rateAt = (half: boolean, u: number): number => acceleratingRate(family, half, u);
  switch (mode) {
    case 'in':
      return shapeOf(
        (work) => accelerate(family, false, work),
        (u) => rateAt(false, u),
      );
    case 'out':
      return shapeOf(
        (work) => {
          work[0] = 1 - (work[0] ?? 0);
          accelerate(family, false, work);
          work[0] = 1 - work[0];
        },
        (u) => rateAt(false, 1 - u),
      );
    case 'in-out':
      return shapeOf(
        (work) => {
          const u = work[0] ?? 0;
          work[0] = u < 0.5 ? 2 * u : 2 - 2 * u;
          accelerate(family, true, work);
          work[0] = u < 0.5 ? work[0] / 2 : 1 - work[0] / 2;
        },
        (u) => rateAt(true, u < 0.5 ? 2 * u : 2 - 2 * u),
      );
    default:
      return assertNever(mode);
  }
}

/** Times in (0, 1) where a family's rate jumps. */
function familyBreaks(family: EaseFamily, mode: EaseMode): readonly number[] {
  if (family !== 'bounce') return mode === 'in-out' ? [0.5] : [];
  const out = BOUNCES.slice(0, 3).map(([until]) => until);
  const into = out.map((u) => 1 - u).reverse();
  if (mode === 'out') return out;
  return mode === 'in' ? into : [...into.map((u) => u / 2), 0.5, ...out.map((u) => 0.5 + u / 2)];
}

const MODE_WORDS: Readonly<Record<EaseMode, string>> = { in: 'in', out: 'out', 'in-out': 'in and out' };

const compile: EaseKind<Family>['compile'] = ({ family: name, mode }) => ({
  ...familyShape(name, mode),
  breaks: familyBreaks(name, mode),
  jumps: false,
});

const RETURNING: readonly EaseFamily[] = ['back', 'elastic', 'bounce'];

/** The usual closed forms, each speeding up, slowing down, or both. */
export const family: EaseKind<Family> = {
  kind: 'family',
  schema,
  compile,
  asksNeighbours: false,
  onlyRises: ({ family: name }) => !RETURNING.includes(name),
  split: splitPart,
  join: joinParts,
  reversed: ({ mode, ...more }) => ({ ...more, mode: mode === 'in' ? 'out' : mode === 'out' ? 'in' : mode }),
  words: ({ family: name, mode }) => `${name} ${MODE_WORDS[mode]}`,
  offers: EASE_FAMILIES.flatMap((name) =>
    EASE_MODES.map((mode): EaseOffer<Family> => ({
      id: `family:${name}:${mode}`,
      group: name,
      name: `${name} ${MODE_WORDS[mode]}`,
      ease: { kind: 'family', family: name, mode },
    })),
  ),
};
