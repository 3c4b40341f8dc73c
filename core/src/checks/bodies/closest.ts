import { gapBetween, isPartlyIn, nearParts, noGap, stretchOf, type Body, type Vec } from '../../geometry/index.ts';
import { POSE_SIZE, type RiderMotion } from '../../motion/index.ts';
import { isSweptClear } from './swept.ts';

/** s. Pieces of time are not halved below this. */
const SHORTEST = 0.0005;

/** px by which a nearer place than the best is of no interest. */
const NEARER = 0.02;

/** By how much more two bodies may move against each other between two looks than the looks tell. */
const MARGIN = 1.3;

/** Something that has a body over time: a rider, its pivot, an area of the canvas. */
export interface Mover {
  readonly motion: Pick<RiderMotion, 'poseAt'>;
  /** The times at which it is not smooth, s, ascending. */
  readonly events: readonly number[];
  /** Whether it is an area with long edges, in or beside which others move. */
  readonly isArea?: boolean;
  /** The body that is shown in a pose; undefined where nothing is. */
  bodyIn(data: ArrayLike<number>, offset?: number): Body | undefined;
}

/** How near two come, and when they are nearer than they may be. */
export interface Closest {
  /** px; 0 where they overlap. Infinity where they never come nearer than they may. */
  gap: number;
  at: number;
  place: readonly [Vec, Vec];
  spans: [from: number, to: number][];
}

/** Poses and gap of two riders at a time. */
interface Look {
  time: number;
  a: Float64Array;
  b: Float64Array;
  bodyA: Body | undefined;
  bodyB: Body | undefined;
  gap: number;
  /** px beyond which it was not measured. */
  cutoff: number;
}

const newLook = (): Look => ({
  time: NaN,
  a: new Float64Array(POSE_SIZE),
  b: new Float64Array(POSE_SIZE),
  bodyA: undefined,
  bodyB: undefined,
  gap: Infinity,
  cutoff: 0,
});

const GAP = noGap();

/**
 * Two riders over time. A piece of time is left where, by how far they move against each other in it, they cannot come nearer than they may; else it is halved: conservative
 * advancement (Mirtich 1996; Tang, Kim, Manocha: C²A, 2009), with the motion's bound taken from looks at its ends and middle.
 */
export class PairSearch {
  readonly #a: Mover;
  readonly #b: Mover;
  /** px: what is nearer than this is found; 0: what touches. */
  readonly limit: number;
  /** Whether it ends with the first time at which they are too near. */
  readonly #endsAtFirst: boolean;
  readonly #found: Closest = {
    gap: Infinity,
    at: 0,
    place: [
      [0, 0],
      [0, 0],
    ],
    spans: [],
  };
  readonly #middles: Look[] = [];
  #ends: readonly [Look, Look] = [newLook(), newLook()];

  constructor(a: Mover, b: Mover, limit: number, endsAtFirst = false) {
    this.#a = a;
    this.#b = b;
    this.limit = limit;
    this.#endsAtFirst = endsAtFirst;
  }

  /** Whether it has ended: more is not looked for. */
  get hasEnded(): boolean {
    return this.#endsAtFirst && this.#found.spans.length > 0;
  }

  get found(): Closest {
    return this.#found;
  }

  /** Looks at a piece of time in which both move smoothly, s. `goesOn`: so they do at its beginning, and what was seen there last still holds. */
  look(from: number, to: number, goesOn: boolean): void {
    if (this.hasEnded) return;
    const [before, latest] = this.#ends;
    const isKnown = goesOn && latest.time === from && !Number.isNaN(latest.gap);
    const [first, last] = isKnown ? [latest, before] : [before, latest];
    this.#ends = [first, last];
    if (!isKnown) this.#lookAt(first, from, 1);
    this.#lookAt(last, to, -1);
    this.#between(first, last, 0);
  }

  #lookAt(look: Look, time: number, side: 1 | -1): void {
    look.time = time;
    this.#a.motion.poseAt(time, side, look.a, 0);
    this.#b.motion.poseAt(time, side, look.b, 0);
    look.bodyA = this.#a.bodyIn(look.a);
    look.bodyB = this.#b.bodyIn(look.b);
    look.gap = NaN;
  }

  /** The gap of a look; beyond the cutoff, Infinity. */
  #gapOf(look: Look, cutoff: number): number {
    const { bodyA, bodyB } = look;
    if (!bodyA || !bodyB) return Infinity;
    // That it is beyond a smaller cutoff says nothing.
    if (Number.isNaN(look.gap) || (look.gap === Infinity && cutoff > look.cutoff)) {
      look.cutoff = cutoff;
      const [a, b] = [
        { body: bodyA, data: look.a, offset: 0 },
        { body: bodyB, data: look.b, offset: 0 },
      ];
      const parts = this.#b.isArea ? nearParts(a, b, cutoff) : undefined;
      if (parts?.length === 0) look.gap = Infinity;
      else if (parts && isPartlyIn(a, b)) this.#found.gap = look.gap = 0;
      else {
        gapBetween(a, b, cutoff, GAP, parts);
        look.gap = GAP.gap;
        this.#consider(look.time);
      }
    }
    return look.gap;
  }

  #consider(time: number): void {
    const found = this.#found;
    if (GAP.gap > this.limit || GAP.gap >= found.gap) return;
    found.gap = GAP.gap;
    found.at = time;
    found.place = [
      [GAP.ax, GAP.ay],
      [GAP.bx, GAP.by],
    ];
  }

  #between(first: Look, last: Look, depth: number): void {
    if (this.hasEnded) return;
    const length = last.time - first.time;
    const middle = (this.#middles[depth] ??= newLook());
    this.#lookAt(middle, (first.time + last.time) / 2, 1);
    const isOneBody = isSame(first, middle) && isSame(middle, last);
    if (isOneBody && (!first.bodyA || !first.bodyB)) return;
    // Most of what moves in an area is clear of its edges for long.
    if (isOneBody && this.#isClear(first, middle, last)) return;
    const way = isOneBody ? MARGIN * (this.#wayOf(first, middle) + this.#wayOf(middle, last)) : Infinity;
    const limit = this.limit;
    const cutoff = isOneBody ? limit + way : limit + NEARER;
    const [g0, g1] = [this.#gapOf(first, cutoff), this.#gapOf(last, cutoff)];
    if (isOneBody && (g0 + g1 - way) / 2 > limit) return;
    const gm = this.#gapOf(middle, cutoff);
    const isAll = g0 <= limit && g1 <= limit && gm <= limit;
    if (isAll && (this.#found.gap === 0 || (g0 + g1 - way) / 2 >= this.#found.gap - NEARER))
      return this.#span(first.time, last.time);
    if (length <= SHORTEST) {
      const from = g0 <= limit ? first.time : middle.time;
      const to = g1 <= limit ? last.time : middle.time;
      if (g0 <= limit || g1 <= limit || gm <= limit) this.#span(from, to > from ? to : last.time);
      return;
    }
    this.#between(first, middle, depth + 1);
    this.#between(middle, last, depth + 1);
  }

  /** Whether what the first one sweeps lies clear of an area that stands meanwhile. */
  #isClear(first: Look, middle: Look, last: Look): boolean {
    const { bodyA, bodyB } = first;
    if (!this.#b.isArea || this.limit > 0 || !bodyA || !bodyB) return false;
    for (let i = 0; i < 6; i++) if (first.b[i] !== middle.b[i] || first.b[i] !== last.b[i]) return false;
    return isSweptClear(bodyA, [first.a, middle.a, last.a], bodyB, first.b);
  }

  #span(from: number, to: number): void {
    const { spans } = this.#found;
    const before = spans[spans.length - 1];
    if (before && from - before[1] < 2 * SHORTEST) before[1] = to;
    else spans.push([from, to]);
  }

  /** px that no place of either body moves more against the other between two looks, on the straight way: of their middles, and what turning and stretching adds. */
  #wayOf(p: Look, q: Look): number {
    const { bodyA, bodyB } = p;
    if (!bodyA || !bodyB) return Infinity;
    const dx = middleX(p.a, bodyA) - middleX(q.a, bodyA) - middleX(p.b, bodyB) + middleX(q.b, bodyB);
    const dy = middleY(p.a, bodyA) - middleY(q.a, bodyA) - middleY(p.b, bodyB) + middleY(q.b, bodyB);
    return Math.sqrt(dx * dx + dy * dy) + turned(p.a, q.a) * radiusOf(bodyA) + turned(p.b, q.b) * radiusOf(bodyB);
  }
}

const isSame = (p: Look, q: Look): boolean => p.bodyA === q.bodyA && p.bodyB === q.bodyB;

const radiusOf = (body: Body): number => body.tree[2] ?? 0;

/** Where the middle of a body's circle stands. */
const middleX = (m: Float64Array, { tree }: Body): number =>
  (m[0] ?? 0) * (tree[0] ?? 0) + (m[2] ?? 0) * (tree[1] ?? 0) + (m[4] ?? 0);
const middleY = (m: Float64Array, { tree }: Body): number =>
  (m[1] ?? 0) * (tree[0] ?? 0) + (m[3] ?? 0) * (tree[1] ?? 0) + (m[5] ?? 0);

/** How far a place at 1 px from the middle goes by turning, stretching and skewing. */
const turned = (p: Float64Array, q: Float64Array): number =>
  stretchOf((p[0] ?? 0) - (q[0] ?? 0), (p[1] ?? 0) - (q[1] ?? 0), (p[2] ?? 0) - (q[2] ?? 0), (p[3] ?? 0) - (q[3] ?? 0));
