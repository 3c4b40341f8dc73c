import type { z } from '../../zod.ts';

/** A curve on [0, 1] and its derivative. */
export interface EaseShape {
  readonly progress: (u: number) => number;
  readonly rate: (u: number) => number;
  /** The same as `progress`, in place: takes u from `work[0]` and leaves the progress there, so that nothing is allocated however it is compiled. */
  readonly advance: (work: Float64Array) => void;
}

/** An ease ready to be asked: `progress` and `rate` over u in [0, 1], and the u in (0, 1) where the rate or the value jumps. */
export interface CompiledEase extends EaseShape {
  readonly breaks: readonly number[];
  /** It stays where it began until its very end and jumps there: its limit at u = 1 is 0. */
  readonly jumps: boolean;
}

/** A curve made of its in-place form. */
export function shapeOf(advance: EaseShape['advance'], rate: EaseShape['rate']): EaseShape {
  const work = new Float64Array(1);
  return {
    advance,
    rate,
    progress: (u) => {
      work[0] = u;
      advance(work);
      return work[0];
    },
  };
}

/** One end of a leg: s, s, and the value held there (px of distance, or a key's value). */
export interface LegEnd {
  readonly time: number;
  readonly dwell: number;
  readonly value: number;
}

/** A leg with its neighbours; absent where nothing moves beyond it. */
export interface Leg {
  readonly before?: Neighbour | undefined;
  readonly from: LegEnd;
  readonly to: LegEnd;
  readonly after?: Neighbour | undefined;
}

/** The far end of a leg beside this one. */
export interface Neighbour extends LegEnd {
  /** Change of the value a second where the two legs meet; undefined where that one asks for its neighbours too. */
  readonly rate?: number | undefined;
}

/** One kind of ease: all that the rest of the program knows of it. To add one: write its file, add it to the list in index.ts. */
export interface EaseKind<E extends { readonly kind: string } = { readonly kind: string }> {
  readonly kind: E['kind'];
  /** Its keys in the scene file. */
  readonly schema: z.ZodObject;
  /** Its functions, whole and as strong as it is. Those that ask for the leg are compiled for each leg, others once for each ease. */
  compile(ease: E, leg: Leg | undefined): CompiledEase;
  readonly asksNeighbours: boolean;
  /** Its curve never turns back: then it is made stronger by being applied twice. */
  onlyRises(ease: E): boolean;
  /** The two eases that together are this one, cut at a share u in (0, 1) of its time. */
  split(ease: E, u: number): readonly [E, E];
  /** The ease that two eases, one after the other, were split from; undefined where they were not. */
  join(first: E, second: E): E | undefined;
  /** The ease that gets there as this one, played backward, gets back: 1 − p(1 − u). Absent where no ease of its kind does. */
  reversed?(ease: E): E;
  /** It in a few words, where no list offers it. */
  words(ease: E): string;
  /** What a list of eases offers of this kind, in order. */
  readonly offers: readonly EaseOffer<E>[];
}

export interface EaseOffer<E> {
  /** Its key in a list, the same for ever. */
  readonly id: string;
  /** Under which heading a list shows it. */
  readonly group: string;
  readonly name: string;
  readonly ease: E;
}

/** Which piece between ascending times a share of the time falls into; the last one at its end. */
export function pieceAt(times: Float64Array, u: number): number {
  let i = 0;
  while (i + 2 < times.length && (times[i + 1] ?? 1) <= u) i++;
  return i;
}

/** Looks at a curve between its breaks when its range is sought. */
const LOOKS = 48;

/** Least and greatest progress of a compiled ease, seen at its breaks and at 48 places on each piece between them: within a hundredth of the way for all kinds here. */
export function seenRange({ progress, breaks }: CompiledEase): readonly [number, number] {
  const stops = [0, ...breaks, 1];
  let low = 0;
  let high = 1;
  for (let i = 0; i + 1 < stops.length; i++)
    for (let k = 0; k <= LOOKS; k++) {
      const a = stops[i] ?? 0;
      const value = progress(a + (((stops[i + 1] ?? 1) - a) * k) / LOOKS);
      if (value < low) low = value;
      if (value > high) high = value;
    }
  return [low, high];
}
