import { z } from '../../zod.ts';
import { bezier, schema as bezierSchema } from './bezier.ts';
import { family, schema as familySchema } from './family.ts';
import { flow, schema as flowSchema } from './flow.ts';
import { hold, schema as holdSchema } from './hold.ts';
import { points, schema as pointsSchema } from './points.ts';
import { cutTo } from './part.ts';
import { schema as shapedSchema, shaped } from './shaped.ts';
import { seenRange, type CompiledEase, type EaseKind, type EaseOffer, type Leg } from './shape.ts';
import { schema as springSchema, spring } from './spring.ts';
import { steady, schema as steadySchema } from './steady.ts';
import { evened, withStrength } from './strength.ts';

export { EASE_FAMILIES, EASE_MODES } from './family.ts';
export { type CompiledEase, type EaseKind, type EaseOffer, type Leg, type LegEnd } from './shape.ts';

/** How a leg gets from one mark, or one key, to the next, as in the scene file. To add a kind: write its file, add it here and in the list below. */
export const easeSchema = z.discriminatedUnion('kind', [
  steadySchema,
  holdSchema,
  familySchema,
  bezierSchema,
  pointsSchema,
  flowSchema,
  springSchema,
  shapedSchema,
]);
export type Ease = Readonly<z.infer<typeof easeSchema>>;

/** Every kind of ease, in the order in which they are offered: one that the schema has and this has not does not compile. */
const EASES: Readonly<Record<Ease['kind'], EaseKind>> = { steady, hold, flow, spring, bezier, family, points, shaped };

export const EASE_KINDS: readonly EaseKind[] = Object.values(EASES);

export const STEADY: Ease = { kind: 'steady' };

const kindOf = (ease: Ease): EaseKind<Ease> => EASES[ease.kind] as EaseKind<Ease>;

const compiled = new WeakMap<Ease, CompiledEase>();

/** The functions of a leg's ease, with its strength, and of what it is a part of only that: made once for each ease, or, where its kind looks at the neighbours, for each leg. */
export function compileLeg(ease: Ease, leg?: Leg): CompiledEase {
  const kind = kindOf(ease);
  if (kind.asksNeighbours) return finished(kind, ease, leg);
  let made = compiled.get(ease);
  if (!made) compiled.set(ease, (made = finished(kind, ease, undefined)));
  return made;
}

/** What every ease with a curve may have beside its own keys. */
interface Changes {
  readonly strength?: number;
  readonly even?: number;
  readonly part?: readonly [number, number];
}

function finished(kind: EaseKind<Ease>, ease: Ease, leg: Leg | undefined): CompiledEase {
  const { strength, even, part } = ease as Changes;
  return cutTo(evened(withStrength(kind.compile(ease, leg), strength, kind.onlyRises(ease)), even), part);
}

/** Whether a leg's ease depends on the legs beside it. */
export const asksNeighbours = (ease: Ease): boolean => kindOf(ease).asksNeighbours;

/** The two parts of an ease cut at a share u of its time. */
export const splitEase = (ease: Ease, u: number): readonly [Ease, Ease] => kindOf(ease).split(ease, u);

/** The ease of two legs that become one: the whole where both are parts of it, else the first's. */
export const joinedEase = (first: Ease, second: Ease): Ease =>
  (first.kind === second.kind ? kindOf(first).join(first, second) : undefined) ?? first;

/** Looks at an ease that is played backward and that no ease of its kind is. */
const LOOKS = 60;

/** The ease that gets there as this one, played backward, gets back: 1 − p(1 − u). */
export function reversedEase(ease: Ease): Ease {
  const kind = kindOf(ease);
  if (kind.reversed) {
    const turned = kind.reversed(ease);
    return 'part' in turned && turned.part ? { ...turned, part: [1 - turned.part[1], 1 - turned.part[0]] } : turned;
  }
  const { progress, jumps } = compileLeg(ease);
  if (jumps)
    return {
      kind: 'points',
      points: [
        [0, 0],
        [0, 1],
        [1, 1],
      ],
    };
  const looks = Array.from({ length: LOOKS + 1 }, (_, k) => k / LOOKS);
  return { kind: 'points', points: looks.map((u) => [u, 1 - progress(1 - u)] as const) };
}

/** Least and greatest progress that an ease reaches; [0, 1] where it stays on the way. */
export function rangeOfEase(ease: Ease): readonly [low: number, high: number] {
  return kindOf(ease).onlyRises(ease) && !(((ease as Changes).even ?? 0) < 0) ? [0, 1] : seenRange(compileLeg(ease));
}

/** All that a list of eases can offer, grouped by `group`, in order. */
export const EASE_OFFERS: readonly EaseOffer<Ease>[] = EASE_KINDS.flatMap(
  (kind) => kind.offers as readonly EaseOffer<Ease>[],
);

const offers = new Map(EASE_OFFERS.map((offer) => [JSON.stringify(offer.ease), offer]));

/** The offer that an ease, or the ease that it is a part of, was chosen from. */
export function offerOfEase(ease: Ease): EaseOffer<Ease> | undefined {
  const { part: _part, strength: _strength, even: _even, ...whole } = ease as Ease & Changes;
  return offers.get(JSON.stringify(whole));
}

/** How strong an ease is, as a share of what its kind does: less than 1 softer, more than 1 stronger. */
export function strengthOfEase(ease: Ease): number {
  const { strength = 1, even = 0 } = ease as Changes;
  return strength * (1 - even);
}

/** An ease in a few words. */
export function wordsOfEase(ease: Ease): string {
  const strength = strengthOfEase(ease);
  const name = offerOfEase(ease)?.name ?? kindOf(ease).words(ease);
  const words = strength === 1 ? name : `${name}, ${Math.round(strength * 100)} %`;
  return 'part' in ease && ease.part ? `part of ${words}` : words;
}
