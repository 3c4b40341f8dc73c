import type { Motion } from '../../motion/index.ts';
import { guideById, isHolder, riderById, type Rider, type Scene } from '../../scene/index.ts';

/** Two riders that must not touch: indexes in the scene. */
export type Pair = readonly [number, number];

/**
 * Which riders are looked at, and which of them belong together. Looked at is what is sent and paints something. What carries and what is carried are one, but for what is
 * in a scene that was set in; what stands locked is scenery; what goes behind another at times is meant to cross it.
 */
export class Apart {
  /** Indexes of the riders that are looked at. */
  readonly riders: readonly number[];
  readonly #units: readonly string[];
  readonly #moves: readonly boolean[];
  readonly #above: readonly ReadonlySet<string>[];
  readonly #scene: Scene;

  constructor(scene: Scene, motion: Motion) {
    this.#scene = scene;
    const { riders } = scene;
    this.#moves = riders.map((_, i) => (motion.riders[i]?.varies.length ?? 0) > 0);
    this.#above = riders.map((rider) => new Set(carriersOf(scene, rider)));
    this.#units = riders.map((rider) => unitOf(scene, rider));
    this.riders = riders.flatMap(({ output, locked }, i) => (output && !(locked && !this.#moves[i]) ? [i] : []));
  }

  /** The id of what carries a rider and all that is one with it; its own where nothing does. */
  unitOf(i: number): string {
    return this.#units[i] ?? '';
  }

  /** Whether two riders must keep apart. */
  has(i: number, j: number): boolean {
    const [a, b] = [this.#scene.riders[i], this.#scene.riders[j]];
    if (!a || !b || (!this.#moves[i] && !this.#moves[j])) return false;
    if (this.#units[i] === this.#units[j] || this.#above[i]?.has(b.id) || this.#above[j]?.has(a.id)) return false;
    return !(isBehind(a, b) || isBehind(b, a));
  }
}

const isBehind = (a: Rider, b: Rider): boolean => a.behind.some(({ rider }) => rider === b.id);

/** The riders that carry a rider, its guide, or what it is strung from, the nearest first. */
function carriersOf(scene: Scene, rider: Rider): string[] {
  const found: string[] = [];
  let now: Rider | undefined = rider;
  while (now) {
    const by: string | null =
      now.carrier?.rider ??
      now.strung?.from ??
      (now.guide === null ? null : (guideById(scene, now.guide)?.carrier ?? null));
    if (by === null || found.includes(by)) break;
    found.push(by);
    now = riderById(scene, by);
  }
  return found;
}

/** The uppermost of what carries a rider below the scene that it is in. */
function unitOf(scene: Scene, rider: Rider): string {
  let unit = rider.id;
  for (const id of carriersOf(scene, rider)) {
    if (isHolder(scene, id)) break;
    unit = id;
  }
  return unit;
}
