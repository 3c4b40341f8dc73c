import { dependenciesOf, riderById, type Scene } from '../../scene/index.ts';
import type { Check, Finding } from '../check.ts';
import { findingsBy, type Told } from '../findings.ts';
import { KNOBS, knobOf, type Knob, type KnobKind } from './knobs.ts';

export type { KnobKind } from './knobs.ts';

/** A change that puts a finding right. */
export interface Offer {
  readonly kind: KnobKind;
  readonly rider: string;
  /** The value as it is, and as it would be: s, px, a factor of its size, px. */
  readonly from: number;
  readonly to: number;
  /** The change as a share of what it is a change in: smaller ones are offered first. */
  readonly size: number;
}

/** What can be done about a finding. */
export interface Offers {
  /** The smallest changes after which it is gone and nothing else is worse, the smallest first. */
  readonly offers: readonly Offer[];
  /** Where there are none: what comes nearest, and what the check says after it. */
  readonly nearest: { readonly offer: Offer; readonly words: string } | null;
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
export const withOffer = (scene: Scene, { kind, rider, to }: Offer): Scene => knobOf(kind).set(scene, rider, to);

/**
 * The smallest changes of one value of one rider that put a finding right: when it starts, how far beside its guide it rides, how large it is, over which length its nose is averaged. Values are tried outward from
 * what they are, and between the last that is not enough and the first that is; each result is judged by the check itself, and by all `checks` before it is offered: nothing that was found
 * before may be worse, and nothing new be found. Riders that are locked are left as they are.
 */
export function offersFor(scene: Scene, finding: Finding, checks: readonly Check[]): Offers {
  const check = checks.filter(({ id }) => id === finding.check);
  const concerned = onlyThose(scene, finding.riders);
  const before = badly(findingsBy(checks, scene));
  const found: Offer[] = [];
  const tried: { readonly offer: Offer; readonly there: Scene }[] = [];
  for (const knob of KNOBS[finding.check] ?? [])
    for (const id of finding.riders) {
      const rider = riderById(scene, id);
      if (!rider || rider.locked) continue;
      const offerOf = (to: number): Offer => ({
        ...{ kind: knob.kind, rider: id, from: knob.now(rider), to },
        size: knob.size(scene, rider, to),
      });
      const isLeft = (value: number): boolean =>
        findingsBy(check, knob.set(concerned, id, value), true).some((one) => !one.holds && isSame(one, finding));
      const isRight = (value: number): boolean =>
        !isLeft(value) && isNoWorse(before, badly(findingsBy(checks, knob.set(scene, id, value))), finding);
      for (const all of knob.tried(scene, rider, finding.at ?? 0)) {
        // What is larger than enough others, or far larger than the smallest, is not offered.
        const sizes = found.map(({ size }) => size).sort((a, b) => a - b);
        const most = Math.min(sizes[MOST - 1] ?? Infinity, FAR * (sizes[0] ?? Infinity));
        const values = all.filter((value) => knob.size(scene, rider, value) <= most);
        const to = smallest(knob, knob.now(rider), values, isLeft, isRight, (value) =>
          tried.push({ offer: offerOf(value), there: knob.set(concerned, id, value) }),
        );
        if (to !== undefined) found.push(offerOf(to));
      }
    }
  const offers = found.sort((a, b) => a.size - b.size).slice(0, MOST);
  return { offers, nearest: offers.length === 0 ? nearestOf(tried, check, finding) : null };
}

/** Of changes none of which is enough the one after which a finding lasts least, and what is said of it then. */
function nearestOf(
  tried: readonly { readonly offer: Offer; readonly there: Scene }[],
  check: readonly Check[],
  finding: Finding,
): Offers['nearest'] {
  let nearest: (NonNullable<Offers['nearest']> & { readonly lasts: number }) | null = null;
  for (const { offer, there } of tried) {
    const one = findingsBy(check, there).find((other) => !other.holds && isSame(other, finding));
    const lasts = one ? lasting(one) : Infinity;
    if (one && (!nearest || lasts < nearest.lasts)) nearest = { offer, words: one.words, lasts };
  }
  return nearest && { offer: nearest.offer, words: nearest.words };
}

/** The value nearest to what it is that is right; undefined where none of those that are tried is. */
function smallest(
  knob: Knob,
  now: number,
  values: readonly number[],
  isLeft: (value: number) => boolean,
  isRight: (value: number) => boolean,
  tell: (value: number) => void,
): number | undefined {
  let bad = now;
  for (const value of values) {
    if (isLeft(value)) {
      tell(value);
      bad = value;
      continue;
    }
    let [low, high] = [bad, value];
    while (!knob.isGiven && Math.abs(high - low) > NEAR * 10 ** -knob.digits) {
      const middle = (low + high) / 2;
      if (isLeft(middle)) low = middle;
      else high = middle;
    }
    const to = beyond(high, now, knob.digits);
    if (isRight(to)) return to;
    bad = value;
  }
  return undefined;
}

/** A value with so many decimals that is not nearer to what it was. */
function beyond(value: number, now: number, digits: number): number {
  const unit = 10 ** digits;
  const rounded = value > now ? Math.ceil(value * unit - 1e-6) : Math.floor(value * unit + 1e-6);
  return rounded / unit;
}

const keyOf = ({ check, riders }: Finding): string => `${check} ${[...riders].sort().join(' ')}`;

const isSame = (a: Finding, b: Finding): boolean => keyOf(a) === keyOf(b);

/** s that a finding lasts in all. */
const lasting = ({ spans }: Finding): number => spans.reduce((sum, [from, to]) => sum + to - from, 0);

interface Bad {
  /** How long it lasts, s, or how often it is. */
  readonly lasts: number;
  readonly amount: number;
}

/** What is wrong, by whom it is about, and how badly. */
const badly = (found: readonly Told[]): ReadonlyMap<string, Bad> =>
  new Map(
    found
      .filter(({ holds }) => !holds)
      .map((one) => [keyOf(one), { lasts: lasting(one) + one.spans.length * 1e-3, amount: one.amount ?? 0 }]),
  );

/** s by which what was wrong before may last longer, and by how much it may be worse, and count as no worse. */
const SLACK = { lasts: 2e-3, amount: 0.05 };

function isNoWorse(before: ReadonlyMap<string, Bad>, after: ReadonlyMap<string, Bad>, finding: Finding): boolean {
  return [...after].every(([key, bad]) => {
    const was = before.get(key);
    if (key === keyOf(finding) || !was) return false;
    return bad.lasts <= was.lasts + SLACK.lasts && bad.amount <= was.amount + SLACK.amount;
  });
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
