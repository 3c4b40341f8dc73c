/** Asks the browser for the next frame; tests bring their own. */
type NextFrame = (callback: (now: number) => void) => void;

/** ms between frames, smoothed, from which on they are said to come late, and below which they are not any more: of screens with 60 a second. */
const LATE = 19.5;
const IN_TIME = 17.5;
/** ms from which on they come so late that what moves is painted roughly, until they come in time again. */
const FAR_BEHIND = 24;
const SMOOTHING = 0.1;

/** ms. After a longer pause the loop has slept: that is no late frame. */
const ASLEEP = 250;

/**
 * The one frame loop: in each frame gestures first change what is shown, then time moves on, then everything is drawn. It sleeps while nobody asks for a
 * frame.
 */
export class FrameLoop {
  readonly #next: NextFrame;
  #requested = false;
  #last = -Infinity;
  /** ms between frames, smoothed. */
  #between = 0;
  #isLate = false;
  #isFarBehind = false;
  #changes: (() => void)[] = [];
  readonly #advances = new Set<(now: number) => void>();
  readonly #draws = new Set<() => void>();
  readonly #failed: (error: unknown) => void;

  constructor(
    next: NextFrame = (callback) => void requestAnimationFrame(callback),
    failed: (error: unknown) => void = (error) => console.error(error),
  ) {
    this.#next = next;
    this.#failed = failed;
  }

  /** Whether frames come late: then what stands beside the canvas leaves some of them to it. */
  get isLate(): boolean {
    return this.#isLate;
  }

  /** Whether they come so late that painting roughly is the lesser evil. */
  get isFarBehind(): boolean {
    return this.#isFarBehind;
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
    this.#requested = false;
    this.#watch(now - this.#last);
    this.#last = now;
    const changes = this.#changes;
    this.#changes = [];
    for (const change of changes) this.#guarded(change);
    for (const advance of this.#advances) this.#guarded(() => advance(now));
    for (const draw of this.#draws) this.#guarded(draw);
  };

  /** Notes how long it is since the last frame, ms. */
  #watch(took: number): void {
    if (took > ASLEEP) return;
    this.#between += (took - this.#between) * SMOOTHING;
    if (this.#between > LATE) this.#isLate = true;
    if (this.#between > FAR_BEHIND) this.#isFarBehind = true;
    if (this.#between < IN_TIME) this.#isLate = this.#isFarBehind = false;
  }

  /** What breaks in a frame does not take the others of the frame with it, nor the next frame. */
  #guarded(work: () => void): void {
    try {
      work();
    } catch (error) {
      this.#failed(error);
    }
  }
}
