import type { Point, RiderData } from './data.ts';
import { framesOf, valueOf } from './tracks.ts';

/** An element, or what holds one as a component does. */
export type Held = Element | { readonly current: Element | null };

export const elementOf = (held: Held): Element | null => ('current' in held ? held.current : held);

export interface Fit {
  readonly from: Held;
  readonly to: Held;
  /** The points of the canvas, px, that lie on the middles of the two. */
  readonly ends?: readonly [Point, Point];
  /** Whether what turns along its guide stays as it is turned on the canvas; absent: what is level stays so, what turns along its guide turns with it. */
  readonly upright?: boolean;
  /** Art is as large as it is on the canvas, as the way is scaled, or grows from the one element's box to the other's. */
  readonly size?: 'own' | 'scaled' | 'elements';
}

const boxOf = (held: Held): DOMRect | undefined => elementOf(held)?.getBoundingClientRect();

/** What is moved against the way that is laid: an element about its rider's place, by keyframes that are made anew when it is laid anew. */
export interface Stay {
  readonly animation: Animation;
  /** Whether the way that it goes begins with the lead-in. */
  readonly runs: number | undefined;
  readonly frames: (laid: Laid) => Keyframe[];
  /** Takes it out again. */
  readonly undo: () => void;
}

/** How the way is laid: the linear part is a turn and a scale, [a, −b; b, a]; and the two boxes. */
export interface Laid {
  readonly a: number;
  readonly b: number;
  readonly from: DOMRect;
  readonly to: DOMRect;
}

/** Lays the drawing so that its two ends lie on the middles of two elements: turned, and as large as they are far apart. Undefined where one of them is not there. */
export function lay(svg: SVGSVGElement, { from, to, ends = ENDS }: Fit): Laid | undefined {
  const [p, q] = [boxOf(from), boxOf(to)];
  if (!p || !q) return undefined;
  const [[ax, ay], [bx, by]] = ends;
  const [px, py] = [p.left + p.width / 2, p.top + p.height / 2];
  const [ex, ey] = [q.left + q.width / 2 - px, q.top + q.height / 2 - py];
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy || 1;
  const a = (ex * dx + ey * dy) / square;
  const b = (ey * dx - ex * dy) / square;
  Object.assign(svg.style, {
    position: 'fixed',
    left: '0',
    top: '0',
    width: svg.viewBox.baseVal.width + 'px',
    height: svg.viewBox.baseVal.height + 'px',
    maxWidth: 'none',
    overflow: 'visible',
    pointerEvents: 'none',
    transformOrigin: '0 0',
    transform: `matrix(${a},${b},${-b},${a},${px - a * ax + b * ay},${py - b * ax - a * ay})`,
  });
  svg.querySelector<SVGElement>(':scope>g')!.style.clipPath = 'none';
  return { a, b, from: p, to: q };
}

/** The linear part that undoes what laying does to art: its turn where that stays upright, its scale where that keeps its size. */
function undoing({ a, b }: Laid, upright: boolean, own: boolean): readonly [number, number, number, number] {
  const scale = Math.hypot(a, b) || 1;
  const k = own ? 1 / scale : 1;
  return upright ? [(k * a) / scale, (-k * b) / scale, (k * b) / scale, (k * a) / scale] : [k, 0, 0, k];
}

/**
 * Wraps what is drawn of a rider in groups that move it against the way, about the place of what it goes with: translate((I − C) place) · C. Place is split into its two channels, so that
 * each has the keys of its own track.
 */
export function stays(
  svg: SVGSVGElement,
  [, channels, [picture, root, turns, width, height, pivotX, pivotY]]: RiderData,
  { upright, size = 'own', ends = ENDS }: Fit,
  held: (element: Element, frames: Keyframe[], runs: number | undefined) => Animation,
): Stay[] {
  if (!root) return [];
  // What carries it may be drawn nowhere: then its own place is told.
  const place = RIDERS.find(([id]) => id === root)?.[1] ?? channels;
  const isUpright = upright ?? !turns;
  const keysOf = (channel: 'x' | 'y'): TrackKeys => {
    const value = place[channel]!;
    return typeof value === 'number' ? [[0, value]] : TRACKS.find(([name]) => name === value)![2];
  };
  const [xs, ys] = [keysOf('x'), keysOf('y')];
  const runs = TRACKS.find(([name]) => name === place['x'] || name === place['y'])?.[5];
  const linear = (laid: Laid): readonly [number, number, number, number] => undoing(laid, isUpright, size === 'own');
  const written =
    (of: (laid: Laid, value: number) => string, keys: TrackKeys) =>
    (laid: Laid): Keyframe[] =>
      framesOf(keys, (value) => ['transform', of(laid, value)]);
  const groups: ((laid: Laid) => Keyframe[])[] =
    size === 'elements'
      ? [(laid) => grown(laid, linear(laid), { xs, ys, ends, width, height, pivotX, pivotY })]
      : [
          written((laid, x) => {
            const [m, n] = linear(laid);
            return `translate(${(1 - m) * x}px,${-n * x}px)`;
          }, xs),
          written((laid, y) => {
            const [, , m, n] = linear(laid);
            return `translate(${-m * y}px,${(1 - n) * y}px)`;
          }, ys),
          written((laid) => `matrix(${linear(laid).join()},0,0)`, [[0, 0]]),
        ];
  // Before all ids of a drawing stands what its title has before its own.
  const id = svg.getAttribute('aria-labelledby')!.replace(/t$/, picture);
  return [...svg.querySelectorAll(`[id="${id}"],[id^="${id}_"]`)].flatMap((inside) => {
    let whole = inside;
    // Up to what stands in the canvas, or in what a camera moves.
    for (
      let above = whole.parentElement;
      above && above.parentElement !== (svg as Element) && !above.id.includes('-v');
      above = above.parentElement
    )
      whole = above;
    return groups.map((frames): Stay => {
      const group = document.createElementNS('http://www.w3.org/2000/svg', 'g');
      group.style.cssText = 'transform-box:view-box;transform-origin:0 0';
      whole.replaceWith(group);
      group.append(whole);
      return { animation: held(group, [], runs), runs, frames, undo: () => group.replaceWith(...group.childNodes) };
    });
  });
}

type TrackKeys = (typeof TRACKS)[number][2];

interface Grown {
  readonly xs: TrackKeys;
  readonly ys: TrackKeys;
  readonly ends: readonly [Point, Point];
  readonly width: number;
  readonly height: number;
  readonly pivotX: number;
  readonly pivotY: number;
}

/** Frames of what grows from one box to the other as it goes the way between them, on a grid and at every key. */
function grown(
  { from, to, a, b }: Laid,
  [m0, m1, m2, m3]: readonly [number, number, number, number],
  { xs, ys, ends: [p, q], width, height, pivotX, pivotY }: Grown,
): Keyframe[] {
  const scale = Math.hypot(a, b) || 1;
  const [dx, dy] = [q[0] - p[0], q[1] - p[1]];
  const square = dx * dx + dy * dy || 1;
  const grid = Array.from({ length: 241 }, (_, i) => i / 240);
  const shares = [...grid, ...[...xs, ...ys].flatMap(([time]) => [Math.max(0, time - 1e-7), time])];
  return [...new Set(shares)]
    .filter((share) => share <= 1)
    .sort((one, other) => one - other)
    .map((share) => {
      const [x, y] = [valueOf(xs, share), valueOf(ys, share)];
      const way = Math.min(1, Math.max(0, ((x - p[0]) * dx + (y - p[1]) * dy) / square));
      const w = (from.width + (to.width - from.width) * way) / width / scale;
      const h = (from.height + (to.height - from.height) * way) / height / scale;
      // The middle of the art lies in its place, not its pivot: boxes cover each other.
      const [ox, oy] = [pivotX - width / 2 - x, pivotY - height / 2 - y];
      const [c0, c1, c2, c3] = [m0 * w, m1 * w, m2 * h, m3 * h];
      return {
        offset: share,
        transform: `matrix(${[c0, c1, c2, c3, x + c0 * ox + c2 * oy, y + c1 * ox + c3 * oy].join()})`,
        easing: 'linear',
      };
    });
}
