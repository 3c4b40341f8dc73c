import { curvatureAtParameter } from './inverse.ts';
import { distanceAtParameter } from './arc-length.ts';
import type { cubicFrom } from './cubic.ts';
import type { Path } from './path.ts';
import { rootsInUnit } from './roots.ts';

/** A place on a path that the eye looks for: its crests, its troughs, its tightest bends. */
export interface Landmark {
  readonly kind: 'crest' | 'trough' | 'bend';
  /** px from the path's start. */
  readonly distance: number;
  readonly x: number;
  readonly y: number;
}

/** 1/px. A bend of a radius over this many px is no landmark. */
const WIDEST_BEND = 2000;

/** Parameters at which the curvature of a span is looked at. */
const LOOKS = 48;

const made = new WeakMap<Path, readonly Landmark[]>();

/** Crests (highest on the canvas), troughs (lowest) and tightest bends of a path, in order of distance; made once for each path. */
export function landmarksOf(path: Path): readonly Landmark[] {
  let known = made.get(path);
  if (!known) made.set(path, (known = find(path)));
  return known;
}

function find(path: Path): Landmark[] {
  const found: Landmark[] = [];
  path.spans.forEach((span, i) => {
    const start = path.starts[i] ?? 0;
    const c = span.cubic;
    const put = (kind: Landmark['kind'], t: number): void => {
      const { x, y } = pointOf(c, t);
      found.push({ kind, distance: start + distanceAtParameter(c, span.panels, t), x, y });
    };
    if (span.isStraight || !(span.length > 0)) return;
    for (const t of rootsInUnit([c.cy, 2 * c.by, 3 * c.ay])) {
      const bend = 6 * c.ay * t + 2 * c.by;
      if (Math.abs(bend) > 1e-9) put(bend > 0 ? 'crest' : 'trough', t);
    }
    for (const t of tightest(c)) put('bend', t);
  });
  joints(path, found);
  const inOrder = found.sort((a, b) => a.distance - b.distance);
  // A crest that falls on a node may be found from both of its spans.
  return inOrder.filter((one, i) =>
    inOrder.slice(0, i).every((other) => other.kind !== one.kind || Math.abs(other.distance - one.distance) > 0.5),
  );
}

/** Nodes at which the path turns from rising to falling or back. */
function joints(path: Path, found: Landmark[]): void {
  const last = path.isClosed ? path.spans.length : path.spans.length - 1;
  for (let i = path.isClosed ? 0 : 1; i <= last; i++) {
    const s = path.starts[i] ?? 0;
    if (path.isClosed && i === path.spans.length) continue;
    const before = path.frameAtDistance(s, -1);
    const after = path.frameAtDistance(s, 1);
    const step = Math.min(1, path.length * 1e-3);
    const rise = (side: -1 | 1): number => {
      const t = side < 0 ? before.tangentY : after.tangentY;
      if (Math.abs(t) > 1e-7) return Math.sign(t);
      const there = path.frameAtDistance(s + side * step).y - after.y;
      return Math.abs(there) < 1e-9 ? 0 : Math.sign(there) * side;
    };
    const [up, down] = [rise(-1), rise(1)];
    if (up < 0 && down > 0) found.push({ kind: 'crest', distance: s, x: after.x, y: after.y });
    if (up > 0 && down < 0) found.push({ kind: 'trough', distance: s, x: after.x, y: after.y });
  }
}

type Coefficients = ReturnType<typeof cubicFrom>;

const pointOf = (c: Coefficients, t: number): { x: number; y: number } => ({
  x: ((c.ax * t + c.bx) * t + c.cx) * t + c.dx,
  y: ((c.ay * t + c.by) * t + c.cy) * t + c.dy,
});

/** Parameters of the inner maxima of |curvature|, by golden sections between looks. */
function tightest(c: Coefficients): number[] {
  const value = (t: number): number => Math.abs(curvatureAtParameter(c, t));
  const found: number[] = [];
  for (let i = 1; i < LOOKS; i++) {
    const middle = value(i / LOOKS);
    if (!(middle > value((i - 1) / LOOKS) && middle >= value((i + 1) / LOOKS))) continue;
    let low = (i - 1) / LOOKS;
    let high = (i + 1) / LOOKS;
    for (let turn = 0; turn < 40; turn++) {
      const a = high - (high - low) * 0.6180339887498949;
      const b = low + (high - low) * 0.6180339887498949;
      if (value(a) < value(b)) low = a;
      else high = b;
    }
    const t = (low + high) / 2;
    if (value(t) > 1 / WIDEST_BEND) found.push(t);
  }
  return found;
}
