import { inflateSync } from 'node:zlib';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { Counts, Matching, paletteFrom } from './palette.ts';
import { differing, pieceSince } from './piece.ts';
import { packed, rowsOf } from './png-data.ts';

/** Pixels of a row of colours, opaque where no alpha is said. */
const pixelsOf = (...colors: readonly (readonly number[])[]): Uint8ClampedArray =>
  Uint8ClampedArray.from(colors.flatMap(([r = 0, g = 0, b = 0, a = 255]) => [r, g, b, a]));

/** A picture of so many px a row, made of few colours and some noise. */
const picture = (width: number, height: number): fc.Arbitrary<Uint8ClampedArray> =>
  fc
    .array(fc.oneof(fc.constantFrom(0, 0xff0000ff, 0xff102030), fc.integer({ min: 0, max: 0xffffffff })), {
      minLength: width * height,
      maxLength: width * height,
    })
    .map((words) => new Uint8ClampedArray(Uint32Array.from(words).buffer));

/** Rows of a PNG as a reader takes them apart, written from the specification: PNG, third edition, 9.2. */
function unfiltered(rows: Uint8Array, width: number): Uint8Array {
  const stride = 4 * width;
  const height = rows.length / (stride + 1);
  const out = new Uint8Array(stride * height);
  const at = (x: number, y: number): number => (x < 0 || y < 0 ? 0 : out[y * stride + x]!);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < stride; x++) {
      const [a, b, c] = [at(x - 4, y), at(x, y - 1), x < 4 ? 0 : at(x - 4, y - 1)];
      const p = a + b - c;
      const [pa, pb, pc] = [Math.abs(p - a), Math.abs(p - b), Math.abs(p - c)];
      const paeth = pa <= pb && pa <= pc ? a : pb <= pc ? b : c;
      const by = [0, a, b, Math.floor((a + b) / 2), paeth][rows[y * (stride + 1)]!]!;
      out[y * stride + x] = rows[y * (stride + 1) + 1 + x]! + by;
    }
  return out;
}

describe('rows of a PNG', () => {
  test('what is filtered and packed comes out as it was', async () => {
    await fc.assert(
      fc.asyncProperty(picture(7, 5), fc.constantFrom('none', 'each'), async (rgba, filtering) => {
        const pixels = new Uint8Array(rgba.buffer);
        const rows = inflateSync(await packed(rowsOf(pixels, 7, filtering)));
        expect(unfiltered(rows, 7)).toEqual(pixels);
      }),
      { numRuns: 60 },
    );
  });
  test('a filter is taken that leaves little of a gradient', () => {
    const ramp = Uint8Array.from(
      { length: 4 * 64 * 8 },
      (_, i) => (Math.floor(i / 4) % 64) * 3 + Math.floor(i / 256) * 5,
    );
    const left = (filtering: 'none' | 'each'): number => new Set(rowsOf(ramp, 64, filtering)).size;
    expect(left('none')).toBeGreaterThan(60);
    expect(left('each')).toBeLessThan(15);
  });
});

describe('pieces of a frame', () => {
  test('a piece laid on the frame before gives the frame', () => {
    fc.assert(
      fc.property(picture(6, 5), picture(6, 5), fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
        // Much stays as it was.
        const now = a.slice();
        for (let i = 0; i < now.length; i += 4) if ((i * 7919) % 97 < 97 * share) now.set(b.subarray(i, i + 4), i);
        const { x, y, width, height, pixels, isOver } = pieceSince(now, a, 6);
        const shown = a.slice();
        for (let v = 0; v < height; v++)
          for (let u = 0; u < width; u++) {
            const from = pixels.subarray(4 * (v * width + u), 4 * (v * width + u) + 4);
            if (!isOver || from[3] === 255) shown.set(from, 4 * ((y + v) * 6 + x + u));
            // What is laid over and is not opaque would be mixed.
            else expect([...from]).toEqual([0, 0, 0, 0]);
          }
        expect(shown).toEqual(now);
      }),
    );
  });
  test('the first is all of it, one that changes nothing is a pixel, and the box is no larger than it must be', () => {
    const frame = new Uint8ClampedArray(4 * 12).fill(9);
    expect(pieceSince(frame, undefined, 4)).toMatchObject({ x: 0, y: 0, width: 4, height: 3, isOver: false });
    expect(pieceSince(frame, frame.slice(), 4)).toMatchObject({ x: 0, y: 0, width: 1, height: 1 });
    const [before, now] = [new Uint8Array(20), new Uint8Array(20)];
    now[6] = now[13] = 1;
    expect(differing(now, before, 5, 4)).toEqual({ x: 1, y: 1, width: 3, height: 2 });
  });
});

describe('colours of a GIF', () => {
  const paletteOf = (rgba: Uint8ClampedArray, most: number): number[][] => {
    const counts = new Counts();
    counts.add(rgba, 1);
    return paletteFrom(counts, most);
  };
  test('as many as there are, where they find room: each exactly; what is hardly there does not count', () => {
    const few = pixelsOf([10, 20, 30], [200, 0, 0], [201, 0, 0], [0, 0, 0, 90]);
    expect(paletteOf(few, 8).sort((a, b) => a[0]! - b[0]!)).toEqual([
      [10, 20, 30],
      [200, 0, 0],
      [201, 0, 0],
    ]);
    expect(paletteOf(pixelsOf([1, 2, 3, 0]), 8)).toEqual([[0, 0, 0]]);
  });
  test('a ramp is cut into even steps, also where more colours are there than are told apart', () => {
    const ramp = pixelsOf(...Array.from({ length: 256 }, (_, i) => [i, i, i]));
    const grays = paletteOf(ramp, 16)
      .map(([r]) => r!)
      .sort((a, b) => a - b);
    expect(grays).toHaveLength(16);
    grays.forEach((gray, i) => expect(Math.abs(gray - (16 * i + 7.5))).toBeLessThanOrEqual(1));
    const many = new Uint8ClampedArray(4 * 80_000);
    for (let i = 0; i < 80_000; i++) many.set([i % 256, Math.floor(i / 256) % 256, (i * 31) % 256, 255], 4 * i);
    const palette = paletteOf(many, 255);
    expect(palette).toHaveLength(255);
    expect(palette.flat().every((one) => Number.isInteger(one) && one >= 0 && one <= 255)).toBe(true);
  });
  test('each pixel has the nearest colour, told at all eight bits', () => {
    const palette = [
      [100, 100, 100],
      [103, 100, 100],
      [255, 255, 255],
    ];
    const row = pixelsOf([101, 100, 100], [102, 100, 100], [103, 99, 100], [180, 180, 180]);
    expect([...new Matching(palette, false).indices(row, 4)]).toEqual([0, 1, 1, 2]);
  });
  test('mixed: a colour between two takes each as often as it is near; one that is there is not touched', () => {
    const palette = [
      [100, 100, 100],
      [116, 100, 100],
    ];
    const shares = [100, 104, 108, 112, 116].map((red) => {
      const flat = pixelsOf(...Array.from({ length: 64 }, () => [red, 100, 100]));
      const index = new Matching(palette, true).indices(flat, 8);
      return index.reduce((sum, one) => sum + one, 0) / 64;
    });
    shares.forEach((share, i) => expect(share, `${i}`).toBeCloseTo(i / 4, 5));
    // Too far apart to be mixed.
    const far = new Matching(
      [
        [0, 0, 0],
        [255, 255, 255],
      ],
      true,
    ).indices(pixelsOf([90, 90, 90], [90, 90, 90]), 2);
    expect([...far]).toEqual([0, 0]);
  });
});
