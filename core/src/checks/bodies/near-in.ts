import type { Track } from './tracks.ts';

/** Pairs whose swept boxes come near each other in a cell of time: sorted along x, and swept. */
export class NearIn {
  readonly #tracks: readonly (readonly [number, Track])[];
  readonly #limit: number;
  readonly #order: number[];

  constructor(tracks: ReadonlyMap<number, Track>, limit: number) {
    this.#tracks = [...tracks];
    this.#limit = limit;
    this.#order = this.#tracks.map((_, k) => k);
  }

  /** Calls with the scene's indexes of each pair, the lower first. */
  each(cell: number, call: (i: number, j: number) => void): void {
    const at = 4 * cell;
    const left = (k: number): number => this.#tracks[k]?.[1].swept[at] ?? Infinity;
    // From cell to cell little changes: what is nearly sorted sorts fast.
    this.#order.sort((p, q) => left(p) - left(q));
    for (let m = 0; m < this.#order.length; m++) {
      const one = this.#tracks[this.#order[m] ?? 0];
      if (!one || left(this.#order[m] ?? 0) === Infinity) break;
      const a = one[1].swept;
      const right = (a[at + 2] ?? 0) + this.#limit;
      for (let n = m + 1; n < this.#order.length; n++) {
        const other = this.#tracks[this.#order[n] ?? 0];
        if (!other) break;
        const b = other[1].swept;
        if ((b[at] ?? Infinity) > right) break;
        if ((b[at + 1] ?? 0) > (a[at + 3] ?? 0) + this.#limit || (a[at + 1] ?? 0) > (b[at + 3] ?? 0) + this.#limit)
          continue;
        if (one[0] < other[0]) call(one[0], other[0]);
        else call(other[0], one[0]);
      }
    }
  }
}
