import { CORNER_ANGLE, PARALLEL_TOLERANCE, REVERSAL } from '../tolerances.ts';
import { curvatureAtParameter } from './inverse.ts';
import { pointAtParameter, tangentAtParameter } from './cubic.ts';
import { fitSamples, type Sample } from './fit.ts';
import type { Path } from './path.ts';
import { cuspsOfSpan, type PathNode, type Span } from './span.ts';
import { turnBetween } from './vec.ts';

/** A point of the raw parallel; `isBack`: from here to the next it runs backward, inside a bend tighter than its distance. */
interface Raw extends Sample {
  isBack: boolean;
  /** On the arc about a place where the path turns back on itself. */
  isTip: boolean;
  /** The smooth piece ends here; the next point stands at the same place with another tangent. */
  isCorner: boolean;
}

/** rad and px: longest step of the raw parallel in turn and in length; the chord is then within 0.02 px of the curve. */
const STEP_ANGLE = 0.03;
const STEP_LENGTH = 5;

/** rad. From this turn on, a corner's two branches may run so close that their parallels cross. */
const TIP_TURN = (170 * Math.PI) / 180;

/**
 * The path at a constant distance (px; positive left of the path's direction): rounded at outer corners, cut where it would run backward inside a
 * tight bend, so that it has no loops there. Within `tolerance` of the true parallel. Empty where nothing is left of it.
 *
 * Where the path's curvature exceeds 1/distance on the inner side, the raw parallel turns back between two cusps; the two branches cross before
 * and behind them, and all between is cut away (see W. Tiller, E. Hanson, "Offsets of two-dimensional profiles", IEEE CG&A, 1984).
 */
export function parallelNodes(
  path: Path,
  distance: number,
  tolerance: number = PARALLEL_TOLERANCE,
): { nodes: PathNode[]; closed: boolean } {
  const raw = rawParallel(path, distance);
  const list = path.isClosed ? turnedToGood(raw) : raw;
  if (!list) return { nodes: [], closed: false };
  const reach = 8 * Math.PI * Math.abs(distance) + 40;
  const cut = withoutCrossedTips(withoutLoops(list, reach, path.isClosed), reach);
  return {
    nodes: fitted(path.isClosed ? fromCorner(cut) : cut, path.isClosed, tolerance * 0.6),
    closed: path.isClosed,
  };
}

/** A smooth stretch of a path: a span, or a part of one between cusps. */
interface Stretch {
  readonly span: Span;
  readonly from: number;
  readonly to: number;
}

function rawParallel(path: Path, distance: number): Raw[] {
  const stretches = path.spans
    .filter((span) => span.length > 0)
    .flatMap((span): Stretch[] => {
      const cuts = [0, ...cuspsOfSpan(span), 1];
      return cuts.slice(1).map((to, i) => ({ span, from: cuts[i] ?? 0, to }));
    });
  const raw: Raw[] = [];
  stretches.forEach((stretch, i) => {
    sampleStretch(stretch, distance, raw);
    const next = stretches[i + 1] ?? (path.isClosed ? stretches[0] : undefined);
    if (next) corner(stretch, next, distance, raw);
  });
  return raw;
}

function sampleStretch({ span, from, to }: Stretch, distance: number, raw: Raw[]): void {
  const c = span.cubic;
  const at = (t: number): Raw => {
    const [x, y] = pointAtParameter(c, t);
    const [tx, ty] = tangentAtParameter(c, t, t >= to ? -1 : 1) ?? [1, 0];
    return rawAt(x, y, tx, ty, distance);
  };
  const refine = (a: Raw, ta: number, b: Raw, tb: number, depth: number): void => {
    const middle = (ta + tb) / 2;
    const turn = Math.abs(turnBetween(a.tangentX, a.tangentY, b.tangentX, b.tangentY, REVERSAL));
    if (depth === 0 || (turn <= STEP_ANGLE && Math.hypot(b.x - a.x, b.y - a.y) <= STEP_LENGTH)) {
      a.isBack = 1 + curvatureAtParameter(c, middle) * distance < 0;
      raw.push(b);
      return;
    }
    const m = at(middle);
    refine(a, ta, m, middle, depth - 1);
    refine(m, middle, b, tb, depth - 1);
  };
  let last = at(from);
  raw.push(last);
  const steps = span.isStraight ? 2 : 16;
  for (let i = 1; i <= steps; i++) {
    const next = at(from + ((to - from) * i) / steps);
    refine(
      last,
      from + ((to - from) * (i - 1)) / steps,
      next,
      from + ((to - from) * i) / steps,
      span.isStraight ? 0 : 14,
    );
    last = next;
  }
}

const rawAt = (x: number, y: number, tx: number, ty: number, distance: number): Raw => ({
  x: x + distance * ty,
  y: y - distance * tx,
  tangentX: tx,
  tangentY: ty,
  isBack: false,
  isTip: false,
  isCorner: false,
});

/** Between two stretches: nothing where they run on smoothly, an arc about the corner on its outer side, a step back on its inner side. */
function corner(here: Stretch, next: Stretch, distance: number, raw: Raw[]): void {
  const [ax, ay] = tangentAtParameter(here.span.cubic, here.to, -1) ?? [1, 0];
  const [bx, by] = tangentAtParameter(next.span.cubic, next.from, 1) ?? [1, 0];
  const turned = turnBetween(ax, ay, bx, by, REVERSAL);
  // An exact reversal may be gone round on either side.
  const turn = Math.abs(turned) > Math.PI - 1e-6 ? Math.sign(distance) * Math.PI : turned;
  const last = raw[raw.length - 1];
  if (!last) return;
  if (Math.abs(turn) <= CORNER_ANGLE) {
    last.isBack = raw[raw.length - 2]?.isBack ?? false;
    return;
  }
  if (turn * distance < 0) {
    last.isBack = true;
    last.isCorner = true;
    return;
  }
  const [x, y] = pointAtParameter(here.span.cubic, here.to);
  const steps = Math.max(2, Math.ceil(Math.abs(turn) / STEP_ANGLE));
  for (let i = 1; i < steps; i++) {
    const a = (turn * i) / steps;
    const one = rawAt(x, y, ax * Math.cos(a) - ay * Math.sin(a), ax * Math.sin(a) + ay * Math.cos(a), distance);
    raw.push({ ...one, isTip: Math.abs(turn) > TIP_TURN });
  }
}

/** A closed list begun in the middle of its longest good stretch; undefined where all of it runs backward. */
function turnedToGood(raw: Raw[]): Raw[] | undefined {
  const count = raw.length;
  if (raw.every((one) => !one.isBack)) return raw;
  let best = { from: -1, size: 0 };
  let from = -1;
  for (let i = 0; i < 2 * count; i++) {
    if (raw[i % count]?.isBack) from = i + 1;
    else if (from >= 0 && i - from + 1 > best.size) best = { from, size: i - from + 1 };
  }
  if (best.size === 0) return undefined;
  const start = (best.from + (best.size >> 1)) % count;
  const turned = [...raw.slice(start), ...raw.slice(0, start)];
  const first = turned[0];
  return first ? [...turned, { ...first, isBack: false, isCorner: false }] : undefined;
}

/** A closed list begun at a corner, where it has one, so that no node is needed where it happened to begin. */
function fromCorner(list: readonly Raw[]): readonly Raw[] {
  const corner = list.findIndex((one) => one.isCorner);
  return corner < 0 ? list : [...list.slice(corner + 1), ...list.slice(1, corner + 1)];
}

/** Cuts away every stretch that runs backward, from where the branch before it crosses the branch behind it. */
function withoutLoops(raw: readonly Raw[], reach: number, closed: boolean): Raw[] {
  let list = [...raw];
  for (let b = list.length - 2; b >= 0; b--) {
    if (!list[b]?.isBack) continue;
    let a = b;
    while (a > 0 && list[a - 1]?.isBack) a--;
    const found = crossing(list, a, b + 1, reach);
    if (found) {
      list = cutAt(list, found);
      b = Math.min(found.i, list.length - 1);
    } else if (!closed && a === 0) {
      list = list.slice(b + 1);
      b = 0;
    } else if (!closed && b + 1 === list.length - 1) {
      list = list.slice(0, a + 1);
      b = a;
    } else {
      const start = list[a];
      if (start) list = [...list.slice(0, a), { ...start, isBack: false, isCorner: true }, ...list.slice(b + 1)];
      b = a;
    }
  }
  return list;
}

/** Cuts away the arcs about places where the path turns back on itself, if the branches beside them cross. */
function withoutCrossedTips(raw: Raw[], reach: number): Raw[] {
  let list = raw;
  for (let b = list.length - 2; b >= 0; b--) {
    if (!list[b]?.isTip) continue;
    let a = b;
    while (a > 0 && list[a - 1]?.isTip) a--;
    const found = crossing(list, a, b, reach);
    if (found) list = cutAt(list, found);
    b = Math.min(a, found?.i ?? a);
  }
  return list;
}

interface Crossing {
  readonly i: number;
  readonly j: number;
  readonly x: number;
  readonly y: number;
}

/** The list without what lies between two steps that cross; a corner stands where they do. */
function cutAt(list: readonly Raw[], { i, j, x, y }: Crossing): Raw[] {
  const plain = { x, y, isBack: false, isTip: false };
  const before = list.slice(i, i + 1).map((one): Raw => ({ ...one, ...plain, isCorner: true }));
  const after = list.slice(j, j + 1).map((one): Raw => ({ ...one, ...plain, isCorner: false }));
  return [...list.slice(0, i + 1), ...before, ...after, ...list.slice(j + 1)];
}

/** Where a step before point `a` crosses a step behind point `b`, the nearest to both; within `reach` px along the parallel. */
function crossing(list: readonly Raw[], a: number, b: number, reach: number): Crossing | undefined {
  let best: Crossing | undefined;
  let least = Infinity;
  let walkedBack = 0;
  for (let i = a - 1; i >= 0; i--) {
    const p = list[i];
    const q = list[i + 1];
    if (!p || !q || walkedBack > reach || walkedBack >= least) break;
    let walked = 0;
    for (let j = b; j + 1 < list.length; j++) {
      const r = list[j];
      const s = list[j + 1];
      if (!r || !s || walked > reach || walkedBack + walked >= least) break;
      const meet = meeting(p, q, r, s);
      if (meet) {
        least = walkedBack + walked;
        best = { i, j, ...meet };
        break;
      }
      walked += Math.hypot(s.x - r.x, s.y - r.y);
    }
    walkedBack += Math.hypot(q.x - p.x, q.y - p.y);
  }
  return best;
}

type Spot = { readonly x: number; readonly y: number };

/** Where two straight steps cross, their ends included. */
function meeting(p: Spot, q: Spot, r: Spot, s: Spot): Spot | undefined {
  const ux = q.x - p.x;
  const uy = q.y - p.y;
  const vx = s.x - r.x;
  const vy = s.y - r.y;
  const det = ux * vy - uy * vx;
  if (Math.abs(det) < 1e-12) return undefined;
  const wx = r.x - p.x;
  const wy = r.y - p.y;
  const k = (wx * vy - wy * vx) / det;
  const l = (wx * uy - wy * ux) / det;
  return k >= -1e-9 && k <= 1 + 1e-9 && l >= -1e-9 && l <= 1 + 1e-9 ? { x: p.x + k * ux, y: p.y + k * uy } : undefined;
}

function fitted(list: readonly Raw[], closed: boolean, tolerance: number): PathNode[] {
  const nodes: PathNode[] = [];
  let piece: Raw[] = [];
  const finish = (): void => {
    const made = isStraight(piece) ? ends(piece) : fitSamples(piece, tolerance);
    const last = nodes[nodes.length - 1];
    const first = made[0];
    if (last && first && Math.hypot(last.x - first.x, last.y - first.y) < 1e-6) {
      nodes[nodes.length - 1] = { ...last, ...(first.out ? { out: first.out } : {}) };
      nodes.push(...made.slice(1));
    } else nodes.push(...made);
    piece = [];
  };
  for (const one of list) {
    piece.push(one);
    if (one.isCorner) finish();
  }
  if (piece.length > 0) finish();
  if (!closed || nodes.length < 2) return nodes;
  const first = nodes[0];
  const last = nodes[nodes.length - 1];
  if (first && last && Math.hypot(first.x - last.x, first.y - last.y) < 1e-6) {
    nodes.pop();
    nodes[0] = { ...first, ...(last.in ? { in: last.in } : {}) };
  }
  return nodes;
}

function isStraight(piece: readonly Raw[]): boolean {
  const first = piece[0];
  return (
    first !== undefined &&
    piece.every((one) => Math.abs(one.tangentX * first.tangentY - one.tangentY * first.tangentX) < 1e-9)
  );
}

function ends(piece: readonly Raw[]): PathNode[] {
  const first = piece[0];
  const last = piece[piece.length - 1];
  if (!first || !last) return [];
  const both = [first, last].map(({ x, y }): PathNode => ({ x, y }));
  return Math.hypot(first.x - last.x, first.y - last.y) < 1e-9 ? both.slice(0, 1) : both;
}
