import type { Palette } from './gif-library.ts';

/** Distinct colours that are told apart; of more, those that share the upper bits of each channel are counted as one. */
const MOST_APART = 65_536;

/** Bits of a channel that are then kept. */
const KEPT_BITS = 6;

/** How often each colour is there: red, green and blue in a number of 24 bits. */
export class Counts {
  readonly #counts = new Map<number, number>();

  /** Counts every so many of the pixels that are more than half there. */
  add(rgba: Uint8ClampedArray, step: number): void {
    let [last, run] = [-1, 0];
    for (let at = 0; at < rgba.length; at += 4 * step) {
      if ((rgba[at + 3] ?? 0) < 128) continue;
      const color = packedColor(rgba[at] ?? 0, rgba[at + 1] ?? 0, rgba[at + 2] ?? 0);
      if (color === last) run++;
      else {
        if (run > 0) this.#more(last, run);
        [last, run] = [color, 1];
      }
    }
    if (run > 0) this.#more(last, run);
  }

  #more(color: number, by: number): void {
    this.#counts.set(color, (this.#counts.get(color) ?? 0) + by);
  }

  /** Colours with their weights. */
  weighed(): readonly Weighed[] {
    const all = [...this.#counts].map(([color, weight]): Weighed => ({ color: channelsOf(color), weight }));
    return all.length > MOST_APART ? together(all) : all;
  }
}

type Color = readonly [red: number, green: number, blue: number];

interface Weighed {
  readonly color: Color;
  readonly weight: number;
}

const packedColor = (red: number, green: number, blue: number): number => red | (green << 8) | (blue << 16);
const channelsOf = (color: number): Color => [color & 0xff, (color >> 8) & 0xff, color >> 16];

/** Means of colours that are nearly one. */
function together(all: readonly Weighed[]): Weighed[] {
  const drop = 8 - KEPT_BITS;
  const cells = new Map<number, Weighed[]>();
  for (const one of all) {
    const [red, green, blue] = one.color;
    const key = packedColor(red >> drop, green >> drop, blue >> drop);
    const cell = cells.get(key);
    if (cell) cell.push(one);
    else cells.set(key, [one]);
  }
  return [...cells.values()].map((cell) => {
    const { mean, weight } = spreadOf(cell);
    return { color: mean, weight };
  });
}

interface Spread {
  readonly all: readonly Weighed[];
  readonly mean: Color;
  readonly weight: number;
  /** The channel in which they differ most, and by how much: the weighted sum of squares from the mean. */
  readonly axis: 0 | 1 | 2;
  readonly spread: number;
}

function spreadOf(all: readonly Weighed[]): Spread {
  let weight = 0;
  const [sums, squares] = [
    [0, 0, 0],
    [0, 0, 0],
  ];
  for (const { color, weight: w } of all) {
    weight += w;
    for (let k = 0; k < 3; k++) {
      const value = color[k] ?? 0;
      sums[k] = (sums[k] ?? 0) + w * value;
      squares[k] = (squares[k] ?? 0) + w * value * value;
    }
  }
  const mean = sums.map((sum) => sum / weight) as unknown as Color;
  const spreads = squares.map((square, k) => square - weight * (mean[k] ?? 0) ** 2);
  const spread = Math.max(...spreads);
  return { all, mean, weight, axis: spreads.indexOf(spread) as 0 | 1 | 2, spread };
}

/**
 * At most so many colours that stand for all: the group that is spread most is cut at its mean, until there are enough; each becomes its mean.
 * S. J. Wan, P. Prusinkiewicz, S. K. M. Wong, "Variance-based color image quantization for frame buffer display", 1990.
 */
export function paletteFrom(counts: Counts, most: number): Palette {
  const colors = counts.weighed();
  if (colors.length === 0) return [[0, 0, 0]];
  const groups = [spreadOf(colors)];
  while (groups.length < most) {
    const at = groups.reduce((worst, { spread }, i) => (spread > (groups[worst]?.spread ?? 0) ? i : worst), 0);
    const group = groups[at];
    // What is left of the sum of squares is rounding.
    if (!group || group.all.length < 2 || group.spread < 1e-6 * group.weight) break;
    const { all, axis, mean } = group;
    const low = all.filter(({ color }) => color[axis] <= mean[axis]);
    const high = all.filter(({ color }) => color[axis] > mean[axis]);
    if (high.length === 0) break;
    groups[at] = spreadOf(low);
    groups.push(spreadOf(high));
  }
  return groups.map(({ mean }) => mean.map(Math.round));
}

/** Levels at which two colours are mixed, and the order in which a pattern of four by four takes the second (B. E. Bayer, 1973). */
const LEVELS = 16;
const PATTERN = [0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5];

/** Farthest that two colours may be apart to be mixed: beyond it the mixture is seen as dots. */
const MIXED_WITHIN = 48;

/** The colours of a palette that stand for others: the nearest, or that and a second with which it is mixed. Each colour is looked for once. */
export class Matching {
  readonly #palette: Palette;
  readonly #flat: Int16Array;
  readonly #mixes: boolean;
  /** By colour: the first, the second and at how many levels that is taken; and one more, as none is 0. */
  readonly #known = new Uint32Array(1 << 24);

  constructor(palette: Palette, mixes: boolean) {
    this.#palette = palette;
    this.#flat = Int16Array.from(palette.flat());
    this.#mixes = mixes;
  }

  /** Which colour of the palette each pixel has. */
  indices(rgba: Uint8ClampedArray, width: number): Uint8Array {
    const found = new Uint8Array(rgba.length / 4);
    let [last, match] = [-1, 0];
    for (let i = 0; i < found.length; i++) {
      const color = packedColor(rgba[4 * i] ?? 0, rgba[4 * i + 1] ?? 0, rgba[4 * i + 2] ?? 0);
      if (color !== last) [last, match] = [color, this.#match(color)];
      const level = match >>> 16;
      const isSecond = level > 0 && (PATTERN[((i % width) & 3) + 4 * (Math.floor(i / width) & 3)] ?? 0) < level;
      found[i] = isSecond ? (match >>> 8) & 0xff : match & 0xff;
    }
    return found;
  }

  #match(color: number): number {
    const known = this.#known[color] ?? 0;
    if (known > 0) return known - 1;
    const wanted = channelsOf(color);
    const first = this.#nearest(wanted);
    const match = this.#mixes ? this.#mixed(wanted, first) : first;
    this.#known[color] = match + 1;
    return match;
  }

  #nearest([red, green, blue]: Color): number {
    let [best, least] = [0, Infinity];
    const flat = this.#flat;
    for (let i = 0; i < flat.length; i += 3) {
      const [r, g, b] = [(flat[i] ?? 0) - red, (flat[i + 1] ?? 0) - green, (flat[i + 2] ?? 0) - blue];
      const off = r * r + g * g + b * b;
      if (off < least) [best, least] = [i / 3, off];
    }
    return best;
  }

  /** The second colour on the way to which what is wanted lies, seen from the first; with the share of the way. What is exact is not mixed. */
  #mixed(wanted: Color, first: number): number {
    const near = this.#palette[first] ?? [];
    const way = wanted.map((value, k) => value - (near[k] ?? 0));
    let [best, level, least] = [first, 0, lengthOf(way)];
    this.#palette.forEach((other, i) => {
      const step = other.map((value, k) => value - (near[k] ?? 0));
      const long = lengthOf(step);
      if (i === first || long === 0 || long > MIXED_WITHIN ** 2) return;
      const share = Math.min(0.5, step.reduce((sum, one, k) => sum + one * (way[k] ?? 0), 0) / long);
      if (share <= 0) return;
      // A coarser mixture is taken only where it is nearer by some of its coarseness.
      const off = lengthOf(way.map((one, k) => one - share * (step[k] ?? 0))) + COARSE * long * share * (1 - share);
      if (off < least) [best, level, least] = [i, Math.round(share * LEVELS), off];
    });
    return first | (best << 8) | (level << 16);
  }
}

/** Share of the variance of a mixture that counts as being off. */
const COARSE = 0.02;

const lengthOf = (way: readonly number[]): number => way.reduce((sum, one) => sum + one * one, 0);
