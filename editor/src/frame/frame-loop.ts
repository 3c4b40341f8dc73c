import { Lateness } from './lateness.ts';

/** Asks the browser for the next frame; tests bring their own. */
type NextFrame = (callback: (now: number) => void) => void;

/**
 * The one frame loop: in each frame gestures first change what is shown, then time moves on, then everything is drawn. It sleeps while nobody asks for a
 * frame.
 */
export class FrameLoop {
  readonly lateness: Lateness;
  readonly #next: NextFrame;
  #requested = false;
  #last = -Infinity;
  #changes: (() => void)[] = [];
  readonly #advances = new Set<(now: number) => void>();
  readonly #draws = new Set<() => void>();
  readonly #failed: (error: unknown) => void;

  constructor({
    next = (callback) => void requestAnimationFrame(callback),
    failed = (error) => console.error(error),
    lateness = new Lateness(),
  }: {
    readonly next?: NextFrame;
    readonly failed?: (error: unknown) => void;
    readonly lateness?: Lateness;
  } = {}) {
    this.#next = next;
    this.#failed = failed;
    this.lateness = lateness;
  }

  /** Asks for a frame. */
  request(): void {
    if (this.#requested) return;
    this.#requested = true;
    this.#next(this.#frame);
  }

  /** Runs once at the beginning of the next frame, before anything is drawn. */
  change(callback: () => void): void {
    this.#changes.push(callback);
    this.request();
  }

  /** Runs in each frame after the changes, with the browser's time in ms; gives what takes it out. */
  onAdvance(listener: (now: number) => void): () => void {
    this.#advances.add(listener);
    return () => void this.#advances.delete(listener);
  }

  /** Runs last in each frame; gives what takes it out. */
  onDraw(listener: () => void): () => void {
    this.#draws.add(listener);
    this.request();
    return () => void this.#draws.delete(listener);
  }

  readonly #frame = (now: number): void => {
    this.lateness.note(now - this.#last);
    this.#last = now;
    const changes = this.#changes;
    this.#changes = [];
    for (const change of changes) this.#guarded(change);
    // What a change asks to be drawn is drawn in this very frame.
    this.#requested = false;
    if (this.#changes.length > 0) this.request();
    for (const advance of this.#advances) this.#guarded(() => advance(now));
    for (const draw of this.#draws) this.#guarded(draw);
  };

  /** What breaks in a frame does not take the others of the frame with it, nor the next frame. */
  #guarded(work: () => void): void {
    try {
      work();
    } catch (error) {
      this.#failed(error);
    }
  }
}
