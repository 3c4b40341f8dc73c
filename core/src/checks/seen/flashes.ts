import type { Check, Finding } from '../check.ts';
import { watchedIn, type Look, type Watched } from './watched.ts';

/** Share of the whole range by which brightness changes at least in a flash (WCAG 2.2, general flash: a tenth of the largest relative luminance). */
const SWING = 0.1;
/** Flashes that may be within a second (WCAG 2.3.1). */
const ALLOWED = 3;
/** px² that flash together at least: a quarter of 341 × 256 px, which is ten degrees of sight (WCAG 2.3.1). */
const AREA = (341 * 256) / 4;

/** Riders that fade in and out so fast, and so large, that the loop may not be safe to show. Each change of opacity counts as if it went from black to white. */
export const flashes: Check<'flashes'> = {
  id: 'flashes',
  label: 'Flashes',
  about: 'Opacity that comes and goes more than three times a second over a large part of the canvas (WCAG 2.3.1)',
  find({ scene, motion }) {
    const { width, height } = scene.canvas;
    const length = motion.length;
    const repeats = scene.clock.repeat !== 'once';
    const flashing = watchedIn({ scene, length, motion: motion.riders })
      .map((one) => flashingOf(one, length, repeats, width, height))
      .filter((one) => one !== undefined)
      .sort((a, b) => b.area - a.area);
    // What flashes at different times is not added up.
    const [largest] = flashing;
    if (!largest) return [];
    const together = flashing.filter(({ from, to }) => from <= largest.to && to >= largest.from);
    const area = together.reduce((sum, one) => sum + one.area, 0);
    if (area < AREA) return [];
    const most = Math.max(...together.map(({ count }) => count));
    const finding: Finding = {
      ...{ check: 'flashes', holds: false, riders: together.map(({ rider }) => rider), at: largest.from, place: null },
      spans: [[largest.from, largest.to]],
      words: `${most} in a second from ${largest.from.toFixed(2)} s, over ${Math.round(area)} px²; ${ALLOWED} are safe`,
      figures: { flashes: most, area },
    };
    return [finding];
  },
};

interface Flashing {
  readonly rider: string;
  readonly from: number;
  readonly to: number;
  /** Flashes in the second in which there are most. */
  readonly count: number;
  /** px² of the canvas. */
  readonly area: number;
}

/** The second in which a rider flashes most; undefined where that is safe. */
function flashingOf(
  { rider, looks }: Watched,
  length: number,
  repeats: boolean,
  width: number,
  height: number,
): Flashing | undefined {
  const swings = swingsOf(
    repeats ? [...looks, ...looks.map((look) => ({ ...look, time: look.time + length }))] : looks,
  );
  // A flash is a swing and the one back.
  const needed = 2 * (ALLOWED + 1);
  let worst: Flashing | undefined;
  for (let i = 0; i < swings.length && (swings[i]?.time ?? 0) < length; i++) {
    const from = swings[i]?.time ?? 0;
    const within = swings.slice(i).filter(({ time }) => time <= from + 1);
    if (within.length < needed) continue;
    const count = Math.floor(within.length / 2);
    const area = Math.max(...within.map((look) => areaOn(look, width, height)));
    if (!worst || count > worst.count)
      worst = { rider: rider.id, from, to: Math.min(within.at(-1)?.time ?? from, length), count, area };
  }
  return worst && worst.area > 0 ? worst : undefined;
}

/** px² of the canvas on which a rider is seen at most: what it covers, or the part of the canvas that its box is on. */
function areaOn({ left, top, right, bottom, area }: Look, width: number, height: number): number {
  const across = Math.max(0, Math.min(right, width) - Math.max(left, 0));
  const down = Math.max(0, Math.min(bottom, height) - Math.max(top, 0));
  return Math.min(area, across * down);
}

/** The looks at which opacity has gone up or down by a swing, in turn; each as it is where there is most to be seen of it. */
function swingsOf(looks: readonly Look[]): Look[] {
  const swings: Look[] = [];
  let [low, high] = [looks[0], looks[0]];
  let direction = 0;
  for (const look of looks) {
    if (!low || !high) break;
    if (look.opacity > high.opacity) high = look;
    if (look.opacity < low.opacity) low = look;
    if (direction !== 1 && look.opacity - low.opacity >= SWING - 1e-9) {
      [direction, high] = [1, look];
      swings.push(look);
    } else if (direction !== -1 && high.opacity - look.opacity >= SWING - 1e-9) {
      swings.push({ ...high, time: look.time });
      [direction, low] = [-1, look];
    }
  }
  return swings;
}
