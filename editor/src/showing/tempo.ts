/** px of the window that a pointer takes its longest time for. */
export const LONG_WAY = 900;

/** Frames a second in which a shown pointer moves. */
const RATE = 60;

/** Thrown into what is being shown when it is given up. */
export class GivenUp extends Error {}

/** How fast a recipe is shown, and whether it goes on. */
export class Tempo {
  readonly #speed: () => number;
  readonly #isOn: () => boolean;

  constructor(speed: () => number, isOn: () => boolean) {
    this.#speed = speed;
    this.#isOn = isOn;
  }

  /** Beside the speed of an unhurried hand. */
  get speed(): number {
    return this.#speed();
  }

  /** How many frames something takes that an unhurried hand does in so many seconds; at least two. */
  steps(seconds: number): number {
    return Math.max(2, Math.round((seconds * RATE) / this.speed));
  }

  async frame(): Promise<void> {
    await new Promise((resolve) => requestAnimationFrame(resolve));
    if (!this.#isOn()) throw new GivenUp();
  }

  /** Waits for so many seconds of an unhurried hand. */
  async wait(seconds: number): Promise<void> {
    const until = performance.now() + (seconds * 1000) / this.speed;
    do await this.frame();
    while (performance.now() < until);
  }

  /** Waits for what is to appear, s of the clock at most; undefined where it does not. */
  async until<T>(look: () => T | undefined, seconds = 5): Promise<T | undefined> {
    const last = performance.now() + seconds * 1000;
    for (;;) {
      const found = look();
      if (found !== undefined || performance.now() > last) return found;
      await this.frame();
    }
  }
}
