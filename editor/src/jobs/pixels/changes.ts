import type { PixelRect } from '@pace-line/core';

/** What has changed from one frame to the next, as they are asked for one after the other. */
export class Changes {
  readonly #width: number;
  readonly #height: number;
  #before: Uint32Array | undefined;
  #frame = -2;
  #found: PixelRect;

  constructor(width: number, height: number) {
    this.#width = width;
    this.#height = height;
    this.#found = { x: 0, y: 0, width, height };
  }

  /** The smallest piece in which what is on the canvas differs from the frame before; all of it where that was not seen. */
  since(frame: number, context: Pick<OffscreenCanvasRenderingContext2D, 'getImageData'>): PixelRect {
    if (frame === this.#frame) return this.#found;
    const { data } = context.getImageData(0, 0, this.#width, this.#height);
    const now = new Uint32Array(data.buffer, data.byteOffset, data.length / 4);
    const before = frame === this.#frame + 1 ? this.#before : undefined;
    this.#found = before ? this.#between(before, now) : { x: 0, y: 0, width: this.#width, height: this.#height };
    this.#before = now;
    this.#frame = frame;
    return this.#found;
  }

  #between(before: Uint32Array, now: Uint32Array): PixelRect {
    const width = this.#width;
    let [left, right, top, bottom] = [width, -1, -1, -1];
    for (let y = 0; y < this.#height; y++)
      for (let x = 0, at = y * width; x < width; x++, at++) {
        if (before[at] === now[at]) continue;
        if (x < left) left = x;
        if (x > right) right = x;
        if (top < 0) top = y;
        bottom = y;
      }
    if (right < 0) return { x: 0, y: 0, width: 1, height: 1 };
    return { x: left, y: top, width: right - left + 1, height: bottom - top + 1 };
  }
}
