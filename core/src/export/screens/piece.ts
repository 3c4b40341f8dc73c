import type { PixelRect } from '../../take/index.ts';

/** Bytes of a pixel: red, green, blue, alpha. */
const BYTES = 4;

/** A piece of a frame of an animated PNG, and whether it is laid over what is there, which shows where it is clear. */
export interface Piece extends PixelRect {
  readonly pixels: Uint8Array;
  readonly isOver: boolean;
}

/** What has to be painted of a frame for it to follow another of so many px a row: all of it where there is none before. */
export function pieceSince(frame: Uint8ClampedArray, before: Uint8ClampedArray | undefined, width: number): Piece {
  const now = wordsOf(frame);
  const height = now.length / width;
  if (!before)
    return {
      x: 0,
      y: 0,
      width,
      height,
      isOver: false,
      pixels: new Uint8Array(frame.buffer, frame.byteOffset, frame.length),
    };
  const last = wordsOf(before);
  const rect = differing(now, last, width, height);
  const pixels = new Uint8Array(BYTES * rect.width * rect.height);
  const words = new Uint32Array(pixels.buffer);
  let isOver = true;
  let to = 0;
  for (let y = rect.y; y < rect.y + rect.height && isOver; y++)
    for (let at = y * width + rect.x; at < y * width + rect.x + rect.width; at++, to++) {
      if (now[at] === last[at]) continue;
      words[to] = now[at] ?? 0;
      // Over what is there, what is not opaque would be mixed with it.
      if (frame[BYTES * at + 3] !== 255) isOver = false;
    }
  if (!isOver)
    for (let y = 0; y < rect.height; y++) {
      const from = (rect.y + y) * width + rect.x;
      words.set(now.subarray(from, from + rect.width), y * rect.width);
    }
  return { ...rect, pixels, isOver };
}

/** Pixels as one number each. */
const wordsOf = ({ buffer, byteOffset, length }: Uint8ClampedArray | Uint8Array): Uint32Array =>
  new Uint32Array(buffer, byteOffset, length / BYTES);

/** The smallest box, of at least one px, in which rows of numbers differ. */
export function differing<T extends Uint32Array | Uint8Array>(
  now: T,
  before: T,
  width: number,
  height: number,
): PixelRect {
  let [left, top, right, bottom] = [width, height, 0, 0];
  for (let y = 0; y < height; y++) {
    const from = y * width;
    let x = 0;
    while (x < width && now[from + x] === before[from + x]) x++;
    if (x === width) continue;
    let end = width;
    while (now[from + end - 1] === before[from + end - 1]) end--;
    left = Math.min(left, x);
    right = Math.max(right, end);
    top = Math.min(top, y);
    bottom = y + 1;
  }
  return right === 0
    ? { x: 0, y: 0, width: 1, height: 1 }
    : { x: left, y: top, width: right - left, height: bottom - top };
}
