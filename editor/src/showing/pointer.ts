import { LONG_WAY, type Tempo } from './tempo.ts';

/** The pointer that is seen while a recipe is shown: a ring of our own over the page, which takes no press itself. */
export class ShownPointer {
  readonly #ring = document.createElement('div');
  #at: readonly [number, number] = [innerWidth / 2, innerHeight / 2];

  constructor() {
    this.#ring.className = 'shown-pointer';
    this.#ring.setAttribute('aria-hidden', 'true');
    this.#put(...this.#at);
    document.body.append(this.#ring);
  }

  get at(): readonly [x: number, y: number] {
    return this.#at;
  }

  #put(x: number, y: number): void {
    this.#at = [x, y];
    this.#ring.style.transform = `translate(${x}px, ${y}px)`;
  }

  /** Shows whether its button is down. */
  press(isDown: boolean): void {
    this.#ring.classList.toggle('down', isDown);
  }

  /** Goes to a place of the window, and calls on the way. */
  async go(to: readonly [number, number], tempo: Tempo, onWay?: (x: number, y: number) => void): Promise<void> {
    const [x0, y0] = this.#at;
    const way = Math.hypot(to[0] - x0, to[1] - y0);
    // Where motion is not welcome it stands there at once; what is dragged is so on its way all the same.
    const isStill = !onWay && matchMedia('(prefers-reduced-motion: reduce)').matches;
    const steps = isStill ? 1 : tempo.steps(0.15 + (0.55 * Math.min(way, LONG_WAY)) / LONG_WAY);
    for (let i = 1; i <= steps; i++) {
      const share = (1 - Math.cos((Math.PI * i) / steps)) / 2;
      this.#put(x0 + (to[0] - x0) * share, y0 + (to[1] - y0) * share);
      onWay?.(...this.#at);
      await tempo.frame();
    }
  }

  remove(): void {
    this.#ring.remove();
  }
}
