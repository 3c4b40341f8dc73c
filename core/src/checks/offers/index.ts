import { dependenciesOf, riderById, type Rider, type Scene } from '../../scene/index.ts';
import type { Check, Finding } from '../check.ts';
import { findingsBy, type Told } from '../findings.ts';
import { badly, isLess, isSame, keyOf, lasting, worseThan, type Bad } from './judging.ts';
import { KNOBS, knobOf, type Change, type Knob, type KnobKind, type Way } from './knobs/index.ts';

export type { KnobKind } from './knobs/index.ts';

/** A change that puts a finding right. */
export interface Offer extends Change {
  readonly kind: KnobKind;
  /** The change as a share of what it is a change in: smaller ones are offered first. */
  readonly size: number;
}

/** What can be done about a finding. */
export interface Offers {
  /** The smallest changes after which it is gone and nothing else is worse, the smallest first. */
  readonly offers: readonly Offer[];
  /** Where there are none, or none but of how large it is: what comes nearest and makes nothing else worse, and what the check says after it. */
  readonly nearest: { readonly offer: Offer; readonly words: string } | null;
  /** Likewise: the smallest change after which it is gone, and what is found instead. */
  readonly instead: { readonly offer: Offer; readonly found: readonly Told[] } | null;
}

/** Offers that are made at most. */
const MOST = 3;

/** How many times as large as the smallest offer another may be. */
const FAR = 4;

/** How near to each other a value that is not enough and one that is are brought: a share of the last decimal that is offered. */
const NEAR = 0.25;

/** Whether something can be offered for what a check finds. */
export const isOffered = (check: string): boolean => check in KNOBS;

/** A scene with an offer taken. */
export const withOffer = (scene: Scene, { kind, rider, to, part }: Offer): Scene =>
  knobOf(kind).set(scene, rider, to, part);

/** What an offer does, as its button says it. */
export const offerWords = (scene: Scene, offer: Offer): string =>
  knobOf(offer.kind).words(offer, riderById(scene, offer.rider)?.name ?? offer.rider, scene);

/**
 * The smallest changes of one value of one rider that put a finding right: when it starts or is at a mark, how far beside its guide it rides, how large it is, over which length its nose is averaged, how far a span
 * of its guide is bent. Values are tried outward from what they are, and between the last that is not enough and the first that is; each result is judged by the check itself, and by all `checks` before it is
 * offered: nothing that was found before may be worse, and nothing new be found. Riders that are locked are left as they are.
 */
export function offersFor(scene: Scene, finding: Finding, checks: readonly Check[]): Offers {
  const search = new Search(scene, finding, checks);
  for (const knob of KNOBS[finding.check] ?? [])
    for (const id of finding.riders) {
      const rider = riderById(scene, id);
      if (!rider || rider.locked) continue;
      for (const way of knob.tried(scene, rider, finding)) search.along(knob, rider, way);
    }
  return search.found;
}

/** Findings that may come instead of the one that is put right. */
const MOST_INSTEAD = 1;

/** Of what was not enough along one way every so manieth is looked at for what comes nearest; and of those so many for whether they make anything worse. */
const EVERY = 3;
const MOST_NEAREST = 3;

/** What is found while values are tried. */
class Search {
  readonly #scene: Scene;
  readonly #finding: Finding;
  readonly #checks: readonly Check[];
  /** The check that found it, and a scene of none but whom it is about. */
  readonly #own: readonly Check[];
  readonly #concerned: Scene;
  readonly #before: ReadonlyMap<string, Bad>;
  readonly #offers: Offer[] = [];
  /** What was not enough, by ways. */
  readonly #tried: Offer[][] = [];
  #instead: Offers['instead'] = null;

  constructor(scene: Scene, finding: Finding, checks: readonly Check[]) {
    this.#scene = scene;
    this.#finding = finding;
    this.#checks = checks;
    this.#own = checks.filter(({ id }) => id === finding.check);
    this.#concerned = onlyThose(scene, finding.riders);
    this.#before = badly(findingsBy(checks, scene));
  }

  /** Looks for the smallest change along one way. */
  along(knob: Knob<KnobKind>, rider: Rider, { values, part }: Way): void {
    const now = knob.now(rider, part);
    const sizeOf = (value: number): number => knob.size(this.#scene, rider, value, part);
    const offerOf = (to: number): Offer => ({
      ...{ kind: knob.kind, rider: rider.id, from: now, to, size: sizeOf(to) },
      ...(part === undefined ? {} : { part }),
    });
    // What is larger than enough others, or far larger than the smallest, is not offered; how it looks is no measure for how it moves.
    const others = this.#offers.filter(({ kind }) => knob.isOfLooks || !knobOf(kind).isOfLooks);
    const sizes = others.map(({ size }) => size).sort((a, b) => a - b);
    const most = Math.min(sizes[MOST - 1] ?? Infinity, FAR * (sizes[0] ?? Infinity));
    const tried: Offer[] = [];
    this.#tried.push(tried);
    const to = smallest(
      knob,
      now,
      values.filter((value) => sizeOf(value) <= most),
      (value) => this.#isLeft(offerOf(value)),
      (value) => this.#isRight(offerOf(value)),
      (value) => tried.push(offerOf(value)),
    );
    if (to !== undefined) this.#offers.push(offerOf(to));
  }

  #isLeft(offer: Offer): boolean {
    const there = withOffer(this.#concerned, offer);
    return findingsBy(this.#own, there, { isOnlyAsked: true, first: this.#finding.at }).some(
      (one) => !one.holds && isSame(one, this.#finding),
    );
  }

  #isRight(offer: Offer): boolean {
    if (this.#isLeft(offer)) return false;
    const after = this.#after(offer);
    if (after.has(keyOf(this.#finding))) return false;
    const found = worseThan(this.#before, after);
    if (found.length === 0) return true;
    if (found.length <= MOST_INSTEAD && offer.size < (this.#instead?.offer.size ?? Infinity))
      this.#instead = { offer, found };
    return false;
  }

  #after(offer: Offer): ReadonlyMap<string, Bad> {
    return badly(findingsBy(this.#checks, withOffer(this.#scene, offer)));
  }

  get found(): Offers {
    const offers = this.#offers.sort((a, b) => a.size - b.size).slice(0, MOST);
    const isEnough = offers.some(({ kind }) => !knobOf(kind).isOfLooks);
    return {
      offers,
      ...(isEnough ? { nearest: null, instead: null } : { nearest: this.#nearest(), instead: this.#instead }),
    };
  }

  /** Of changes none of which is enough the one after which it lasts least and nothing else is worse, and what is said of it then. */
  #nearest(): Offers['nearest'] {
    const ways = this.#tried.map((way) => {
      const left = way.filter((_, i) => i % EVERY === EVERY - 1).flatMap((offer) => this.#lessBy(offer));
      return left.sort(byNearness).slice(0, MOST_NEAREST);
    });
    const first = ways
      .flat()
      .sort(byNearness)
      .find(({ offer }) => this.#isClean(offer));
    if (!first) return null;
    // What was left out beyond it may be as well.
    const way = this.#tried.find((one) => one.includes(first.offer)) ?? [];
    const at = way.indexOf(first.offer);
    const beyond = way.slice(at + 1, at + EVERY).flatMap((offer) => this.#lessBy(offer));
    const nearest = [first, ...beyond].sort(byNearness).find((one) => one === first || this.#isClean(one.offer));
    return nearest ? { offer: nearest.offer, words: nearest.one.words } : null;
  }

  #isClean(offer: Offer): boolean {
    return worseThan(this.#before, this.#after(offer)).length === 0;
  }

  /** What an offer leaves of the finding, where that is less than there was. */
  #lessBy(offer: Offer): Left[] {
    const there = findingsBy(this.#own, withOffer(this.#concerned, offer));
    const one = there.find((other) => !other.holds && isSame(other, this.#finding));
    return one && isLess(one, this.#finding) ? [{ offer, one }] : [];
  }
}

/** What an offer leaves of a finding. */
interface Left {
  readonly offer: Offer;
  readonly one: Finding;
}

const byNearness = (a: Left, b: Left): number =>
  Number(knobOf(a.offer.kind).isOfLooks ?? false) - Number(knobOf(b.offer.kind).isOfLooks ?? false) ||
  lasting(a.one) - lasting(b.one) ||
  (a.one.amount ?? 0) - (b.one.amount ?? 0) ||
  a.offer.size - b.offer.size;

/**
 * The value nearest to what it is that is right; undefined where none of those that are tried is. Where the first that is enough makes something else worse, the first after it that does not is looked for.
 */
function smallest(
  knob: Knob,
  now: number,
  values: readonly number[],
  isLeft: (value: number) => boolean,
  isRight: (value: number) => boolean,
  tell: (value: number) => void,
): number | undefined {
  const between = (bad: number, good: number, isGood: (value: number) => boolean): number => {
    let [low, high] = [bad, good];
    while (!knob.isGiven && Math.abs(high - low) > NEAR * 10 ** -knob.digits) {
      const middle = (low + high) / 2;
      if (isGood(middle)) high = middle;
      else low = middle;
    }
    return beyond(high, now, knob.digits);
  };
  let [bad, wasLeft] = [now, true];
  for (const value of values) {
    if (isLeft(value)) {
      tell(value);
      [bad, wasLeft] = [value, true];
      continue;
    }
    if (wasLeft) {
      const enough = between(bad, value, (one) => !isLeft(one));
      if (isRight(enough)) return enough;
      bad = enough;
    }
    const last = beyond(value, now, knob.digits);
    if (last !== bad && isRight(last)) {
      const right = between(bad, last, isRight);
      return isRight(right) ? right : last;
    }
    [bad, wasLeft] = [last, false];
  }
  return undefined;
}

/** A value with so many decimals that is not nearer to what it was. */
function beyond(value: number, now: number, digits: number): number {
  const unit = 10 ** digits;
  const rounded = value > now ? Math.ceil(value * unit - 1e-6) : Math.floor(value * unit + 1e-6);
  return rounded / unit;
}

/** A scene of which only some riders, and what moves with them, are looked at. */
function onlyThose(scene: Scene, ids: readonly string[]): Scene {
  const concerned = (id: string, seen: readonly string[] = []): boolean => {
    const rider = riderById(scene, id);
    return (
      ids.includes(id) ||
      (rider !== undefined && !seen.includes(id) && dependenciesOf(rider).some((one) => concerned(one, [...seen, id])))
    );
  };
  return {
    ...scene,
    riders: scene.riders.map((rider) => (rider.output && !concerned(rider.id) ? { ...rider, output: false } : rider)),
  };
}
