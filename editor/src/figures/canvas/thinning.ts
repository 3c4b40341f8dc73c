import type { Guide } from '@pace-line/core';
import type { CanvasNow } from './now.ts';

/** Parts of one guide that are drawn all, wherever they lie. */
const FEW = 300;

/** px of the screen beyond the pane within which a part is drawn all the same. */
const BEYOND = 40;

/** Which of many parts on a guide are drawn: those in view, and of those that would cover each other one. */
export class Thinning {
  readonly #now: CanvasNow;
  /** Whether it has to be asked at all. */
  readonly #isMany: boolean;
  readonly #isCarried: boolean;
  /** px of the screen. */
  readonly #apart: number;
  readonly #taken = new Set<number>();

  constructor(now: CanvasNow, { carrier }: Guide, count: number, apart: number) {
    this.#now = now;
    this.#isMany = count > FEW;
    this.#isCarried = carrier !== null;
    this.#apart = apart;
  }

  /** Whether a part at a place of the guide is drawn; one that is chosen is in any case. */
  takes(x: number, y: number, isChosen: boolean): boolean {
    if (!this.#isMany) return true;
    const { view, pane } = this.#now;
    const [left, top] = [x * view.zoom + view.x, y * view.zoom + view.y];
    const isSeen =
      this.#isCarried || (left > -BEYOND && top > -BEYOND && left < pane.width + BEYOND && top < pane.height + BEYOND);
    const cell = Math.floor(left / this.#apart) * 1e6 + Math.floor(top / this.#apart);
    if (!isChosen && (!isSeen || this.#taken.has(cell))) return false;
    this.#taken.add(cell);
    return true;
  }
}
