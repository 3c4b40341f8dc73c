import type { PixelRect } from '@pace-line/core';

/** px. Sides of pieces are multiples of this, so that one canvas serves for many. */
const STEP = 64;

/** Canvases that wait for their next use: more than are under way at once. */
const MOST_WAITING = 4;

/** A piece at least as large, whose sides are rounded up as far as the frame goes. */
export function coarse({ x, y, width, height }: PixelRect, whole: { width: number; height: number }): PixelRect {
  const [w, h] = [width, height].map((side) => Math.ceil(side / STEP) * STEP);
  const [wide, high] = [Math.min(w ?? width, whole.width), Math.min(h ?? height, whole.height)];
  return { x: Math.min(x, whole.width - wide), y: Math.min(y, whole.height - high), width: wide, height: high };
}

type Context = OffscreenCanvasRenderingContext2D;

/** Canvases by their size: to make one takes as long as to paint on it many times. */
export class Canvases {
  readonly #waiting: Context[] = [];

  /** One of a size that nobody uses; what is on it is of its last use. */
  take(width: number, height: number): Context {
    const at = this.#waiting.findIndex(({ canvas }) => canvas.width === width && canvas.height === height);
    const [found] = at < 0 ? [] : this.#waiting.splice(at, 1);
    if (found) return found;
    const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('this browser gives no canvas to paint on');
    return context;
  }

  /** For the next use. */
  giveBack(context: Context): void {
    this.#waiting.push(context);
    if (this.#waiting.length > MOST_WAITING) this.#waiting.shift();
  }
}
