import { CORNER_ANGLE, REVERSAL } from '../../tolerances.ts';
import { pointAtParameter, tangentAtParameter } from '../cubic.ts';
import type { Sample } from '../fit/index.ts';
import { curvatureAtParameter } from '../inverse.ts';
import type { Path } from '../path.ts';
import { cuspsOfSpan, type Span } from '../span.ts';
import { turnBetween } from '../vec.ts';

/** A smooth stretch of a path: a span, or a part of one between cusps. */
export interface Stretch {
  readonly span: Span;
  readonly from: number;
  readonly to: number;
}

/** A point of the raw parallel; `isBack`: from here to the next it runs backward, inside a bend tighter than its distance. */
export interface Raw extends Sample {
  readonly isBack: boolean;
  /** On the arc about a place where the path turns back on itself. */
  readonly isTip: boolean;
  /** The smooth piece ends here; the next point stands at the same place with another tangent. */
  readonly isCorner: boolean;
  /** The points of the stretch beside which it lies; null on an arc about a corner. */
  readonly of: readonly Raw[] | null;
}

/** rad and px: longest step of the raw parallel in turn and in length; the chord is then within 0.02 px of the curve. */
const STEP_ANGLE = 0.03;
const STEP_LENGTH = 5;

/** rad. From this turn on, a corner's two branches may run so close that their parallels cross. */
const TIP_TURN = (170 * Math.PI) / 180;

/** Stretches of a span's path between its cusps. */
const stretches = new WeakMap<Span, readonly Stretch[]>();

function stretchesOf(span: Span): readonly Stretch[] {
  const known = stretches.get(span);
  if (known) return known;
  const cuts = [0, ...cuspsOfSpan(span), 1];
  const made = cuts.slice(1).map((to, i): Stretch => ({ span, from: cuts[i] ?? 0, to }));
  stretches.set(span, made);
  return made;
}

/** The points at a distance (px) from a path, one smooth stretch after another, with arcs about its outer corners; nothing is cut away yet. */
export function rawParallel(path: Path, distance: number): Raw[] {
  const all = path.spans.filter((span) => span.length > 0).flatMap(stretchesOf);
  const raw: Raw[] = [];
  all.forEach((stretch, i) => {
    for (const one of besideStretch(stretch, distance)) raw.push(one);
    const next = all[i + 1] ?? (path.isClosed ? all[0] : undefined);
    if (next) corner(stretch, next, distance, raw);
  });
  return raw;
}

/** The last distance at which a stretch was looked at: while a guide is dragged, what follows it asks again for all stretches but one or two. */
const beside = new WeakMap<Stretch, { readonly distance: number; readonly points: readonly Raw[] }>();

function besideStretch(stretch: Stretch, distance: number): readonly Raw[] {
  const known = beside.get(stretch);
  if (known?.distance === distance) return known.points;
  const points = sampleStretch(stretch, distance);
  beside.set(stretch, { distance, points });
  return points;
}

function sampleStretch({ span, from, to }: Stretch, distance: number): readonly Raw[] {
  const c = span.cubic;
  const points: Raw[] = [];
  const at = (t: number): Raw => {
    const [x, y] = pointAtParameter(c, t);
    const [tx, ty] = tangentAtParameter(c, t, t >= to ? -1 : 1) ?? [1, 0];
    return { ...rawAt(x, y, tx, ty, distance), of: points };
  };
  /** Adds what lies between two points and the second of them; says of the last one before whether it runs backward from there. */
  const refine = (a: Raw, ta: number, b: Raw, tb: number, depth: number): void => {
    const middle = (ta + tb) / 2;
    const turn = Math.abs(turnBetween(a.tangentX, a.tangentY, b.tangentX, b.tangentY, REVERSAL));
    if (depth === 0 || (turn <= STEP_ANGLE && Math.hypot(b.x - a.x, b.y - a.y) <= STEP_LENGTH)) {
      const isBack = 1 + curvatureAtParameter(c, middle) * distance < 0;
      if (isBack) points[points.length - 1] = { ...a, isBack };
      points.push(b);
      return;
    }
    const m = at(middle);
    refine(a, ta, m, middle, depth - 1);
    refine(m, middle, b, tb, depth - 1);
  };
  let last = at(from);
  points.push(last);
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
  return points;
}

const rawAt = (x: number, y: number, tx: number, ty: number, distance: number): Raw => ({
  x: x + distance * ty,
  y: y - distance * tx,
  tangentX: tx,
  tangentY: ty,
  isBack: false,
  isTip: false,
  isCorner: false,
  of: null,
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
    if (raw[raw.length - 2]?.isBack) raw[raw.length - 1] = { ...last, isBack: true };
    return;
  }
  if (turn * distance < 0) {
    raw[raw.length - 1] = { ...last, isBack: true, isCorner: true };
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
