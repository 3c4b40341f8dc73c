import { panelsOf, type Panels } from './arc-length.ts';
import { boundsOfCubic, cubicFrom, turnOfCubic, type ControlPoints, type Cubic } from './cubic.ts';
import { inverseOf, type Inverse } from './inverse.ts';
import { add, mix, type Vec } from './vec.ts';
import type { Box } from './box.ts';

/** What geometry needs of a node: its place, px, and its handles as offsets from it; absent = none. */
export interface PathNode {
  readonly x: number;
  readonly y: number;
  readonly in?: Vec | undefined;
  readonly out?: Vec | undefined;
}

/** The piece of a path between two neighbouring nodes. */
export interface Span {
  readonly points: ControlPoints;
  readonly cubic: Cubic;
  readonly panels: Panels;
  readonly length: number;
  readonly isStraight: boolean;
}

/** Control points between two nodes; without handles the points lie at thirds of the chord, so that the parameter runs at constant speed. */
export function controlPointsBetween(a: PathNode, b: PathNode): ControlPoints {
  const p0: Vec = [a.x, a.y];
  const p3: Vec = [b.x, b.y];
  if (!a.out && !b.in) return [p0, mix(p0, p3, 1 / 3), mix(p0, p3, 2 / 3), p3];
  return [p0, a.out ? add(p0, a.out) : p0, b.in ? add(p3, b.in) : p3, p3];
}

const spans = new WeakMap<PathNode, WeakMap<PathNode, Span>>();

/** The span between two nodes, integrated once for each pair of node objects. */
export function spanBetween(a: PathNode, b: PathNode): Span {
  let after = spans.get(a);
  if (!after) spans.set(a, (after = new WeakMap()));
  let span = after.get(b);
  if (!span) {
    const points = controlPointsBetween(a, b);
    const cubic = cubicFrom(points);
    const isStraight = !a.out && !b.in;
    const panels = isStraight ? straightPanels(points) : panelsOf(cubic);
    span = { points, cubic, panels, length: panels.length, isStraight };
    after.set(b, span);
  }
  return span;
}

function straightPanels([a, , , b]: ControlPoints): Panels {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  return { t: [0, 1], s: [0, length], length };
}

const inverses = new WeakMap<Span, Inverse | null>();

/** The fitted inverse of a span, made when it is first asked for; null for a span of length 0. */
export function inverseOfSpan(span: Span): Inverse | null {
  let inverse = inverses.get(span);
  if (inverse === undefined) inverses.set(span, (inverse = inverseOf(span.cubic, span.panels) ?? null));
  return inverse;
}

const boxes = new WeakMap<Span, Box>();

export function boundsOfSpan(span: Span): Box {
  let box = boxes.get(span);
  if (!box) boxes.set(span, (box = boundsOfCubic(span.cubic)));
  return box;
}

const turns = new WeakMap<Span, number>();

/** How far the tangent turns along a span, rad, clockwise positive, unwrapped. */
export function turnOfSpan(span: Span): number {
  if (span.isStraight) return 0;
  let turn = turns.get(span);
  if (turn === undefined) turns.set(span, (turn = turnOfCubic(span.points)));
  return turn;
}

/** Parameters inside a span where its derivative vanishes: exact cusps. Integration has cut the span there. */
export function cuspsOfSpan({ cubic, panels }: Span): number[] {
  return panels.t.filter((t) => {
    if (t <= 0 || t >= 1) return false;
    const x = (3 * cubic.ax * t + 2 * cubic.bx) * t + cubic.cx;
    const y = (3 * cubic.ay * t + 2 * cubic.by) * t + cubic.cy;
    return Math.hypot(x, y) <= 1e-6 * cubic.reach;
  });
}
