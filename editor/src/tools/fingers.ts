/** A place in the window, px. */
type At = readonly [x: number, y: number];

/** Two fingers since they came together: where their middle is, how far it went, and how much wider they are. */
export interface Pinch {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
  readonly scale: number;
}

/** What fingers do: one works as a pointer of kind P does, two move and scale what they are on. */
export interface FingerWork<P> {
  readonly press: (p: P) => void;
  /** `passed`: every place since the last event, `p` last. */
  readonly move: (p: P, passed: readonly P[]) => void;
  readonly lift: (p: P) => void;
  /** What the one finger began is given up: a second one came. */
  readonly giveUp: () => void;
  readonly pinchBegins: () => void;
  readonly pinch: (pinch: Pinch) => void;
}

/** Whether a pointer is a finger; a pen works as a mouse does, at once. */
export const isFinger = ({ pointerType }: { readonly pointerType: string }): boolean => pointerType === 'touch';

/** px that a finger may tremble, and ms that it may rest, before it is taken to work alone. */
const TREMBLE = 6;
const ALONE_AFTER = 110;

/** px. Fingers nearer to each other than this say nothing of a scale. */
const LEAST_SPREAD = 24;

const distance = (a: At, b: At): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/**
 * Fingers on a pane. The first one is held back until it moves, rests or is lifted, so that two that come down one after the other never draw, bend or plot
 * anything; after a pinch the finger that is left does nothing.
 */
export class Fingers<P> {
  readonly #work: FingerWork<P>;
  readonly #down = new Map<number, At>();
  #state: 'none' | 'waiting' | 'working' | 'pinching' | 'left' = 'none';
  #first: { readonly at: At; readonly p: P } | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #from: { readonly middle: At; readonly spread: number } | undefined;

  constructor(work: FingerWork<P>) {
    this.#work = work;
  }

  down(id: number, at: At, p: P): void {
    this.#down.set(id, at);
    if (this.#state === 'none') {
      this.#state = 'waiting';
      this.#first = { at, p };
      this.#timer = setTimeout(() => this.#begin(), ALONE_AFTER);
    } else if (this.#state === 'waiting' || this.#state === 'working') {
      if (this.#state === 'working') this.#work.giveUp();
      clearTimeout(this.#timer);
      this.#state = 'pinching';
      this.#from = this.#two();
      this.#work.pinchBegins();
    }
  }

  move(id: number, at: At, p: P, passed: readonly P[] = [p]): void {
    if (!this.#down.has(id)) return;
    this.#down.set(id, at);
    if (this.#state === 'waiting' && this.#first && distance(at, this.#first.at) > TREMBLE) this.#begin();
    if (this.#state === 'working') this.#work.move(p, passed);
    if (this.#state === 'pinching') this.#showPinch();
  }

  up(id: number, p: P): void {
    if (!this.#down.delete(id)) return;
    if (this.#state === 'waiting') this.#begin();
    if (this.#state === 'working') this.#work.lift(p);
    this.#rest();
  }

  /** The browser took a finger away. */
  lost(id: number): void {
    if (!this.#down.delete(id)) return;
    if (this.#state === 'working') this.#work.giveUp();
    clearTimeout(this.#timer);
    this.#rest();
  }

  #begin(): void {
    clearTimeout(this.#timer);
    if (this.#state !== 'waiting' || !this.#first) return;
    this.#state = 'working';
    this.#work.press(this.#first.p);
  }

  #rest(): void {
    this.#state = this.#down.size === 0 ? 'none' : 'left';
    this.#first = undefined;
  }

  /** The middle of the first two fingers, and how far they are apart. */
  #two(): { readonly middle: At; readonly spread: number } {
    const [a = [0, 0], b = a] = [...this.#down.values()];
    return { middle: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], spread: Math.max(distance(a, b), LEAST_SPREAD) };
  }

  #showPinch(): void {
    const from = this.#from;
    if (!from) return;
    const { middle, spread } = this.#two();
    const [x, y] = middle;
    this.#work.pinch({ x, y, dx: x - from.middle[0], dy: y - from.middle[1], scale: spread / from.spread });
  }
}
