import { AT_NODE, CORNER_ANGLE, REVERSAL, VANISHING_SPEED } from '../tolerances.ts';
import { lastAtMost } from '../search.ts';
import { EMPTY_BOX, unionOf, type Box } from './box.ts';
import { tangentAtParameter } from './cubic.ts';
import { PIECE, type Inverse } from './inverse.ts';
import { boundsOfSpan, cuspsOfSpan, inverseOfSpan, spanBetween, turnOfSpan, type PathNode, type Span } from './span.ts';
import { turnBetween } from './vec.ts';

/** Where a path is at a distance, and how it runs there. Filled in place, so that asking allocates nothing. */
export interface Frame {
  /** The distance asked about, px. */
  distance: number;
  /** Position, px. */
  x: number;
  y: number;
  /** Unit tangent, in the path's direction. */
  tangentX: number;
  tangentY: number;
  /** Unit normal (T.y, −T.x): left of the path's direction, up where it runs right. */
  normalX: number;
  normalY: number;
  /** Signed curvature, 1/px, clockwise positive; 0 on straight continuations and where the derivative vanishes. */
  curvature: number;
  /** What `angleOfFrame` needs: the unwrapped turn up to a tangent nearby (rad), and that tangent. */
  turn: number;
  fromX: number;
  fromY: number;
  /** True where the other side of this distance may have another tangent: at nodes and at cusps. */
  atBreak: boolean;
}

/** Angle of the frame's tangent, rad, clockwise positive, unwrapped over distance from the path's start; grows by whole turns from lap to lap. */
export const angleOfFrame = (f: Frame): number =>
  f.turn + Math.atan2(f.fromX * f.tangentY - f.fromY * f.tangentX, f.fromX * f.tangentX + f.fromY * f.tangentY);

// Halves, so that the engine keeps these fields as doubles.
/** A frame to be filled in place: at the origin, along x. */
export const emptyFrame = (): Frame => ({
  distance: 0.5,
  x: 0.5,
  y: 0.5,
  tangentX: 0.5,
  tangentY: 0.5,
  normalX: 0.5,
  normalY: 0.5,
  curvature: 0.5,
  turn: 0.5,
  fromX: 0.5,
  fromY: 0.5,
  atBreak: false,
});

/** Which side of a distance is meant where the tangent jumps: +1 beyond it (towards larger s), −1 before it. */
export type Side = 1 | -1;

/**
 * A path by true arc length. Immutable; derived from nodes by `pathThrough`. Distances are px from its start; on a closed path they wrap, past
 * the ends of an open one the path continues straight along its end tangent.
 */
export class Path {
  readonly isClosed: boolean;
  readonly spans: readonly Span[];
  /** Distance of each span's start, and at last the length: one entry more than spans. */
  readonly starts: Float64Array;
  readonly length: number;
  readonly #origin: PathNode | undefined;
  #turns: Float64Array | undefined;
  #corners: readonly number[] | undefined;
  readonly #inverses: (Inverse | null | undefined)[];

  constructor(nodes: readonly PathNode[], isClosed: boolean) {
    this.isClosed = isClosed && nodes.length > 0;
    this.#origin = nodes[0];
    const count = this.isClosed ? (nodes.length > 1 ? nodes.length : 0) : Math.max(0, nodes.length - 1);
    const spans: Span[] = [];
    this.starts = new Float64Array(count + 1);
    let s = 0;
    for (let i = 0; i < count; i++) {
      const a = nodes[i];
      const b = nodes[(i + 1) % nodes.length];
      if (!a || !b) throw new Error(`Path: no node ${i} of ${nodes.length}`);
      const span = spanBetween(a, b);
      spans.push(span);
      s += span.length;
      this.starts[i + 1] = s;
    }
    this.spans = spans;
    this.length = s;
    this.#inverses = new Array<undefined>(count).fill(undefined);
  }

  /** Index of the span that holds a distance within [0, length], taking the side into account at nodes; never a span of length 0 where another is there. */
  spanAt(s: number, side: Side = 1): number {
    const count = this.spans.length;
    let i = lastAtMost(this.starts, s, count);
    if (side > 0) {
      while (i + 1 < count && s >= (this.starts[i + 1] ?? 0) - AT_NODE) i++;
      while (i > 0 && (this.spans[i]?.length ?? 0) === 0) i--;
    } else {
      while (i > 0 && s <= (this.starts[i] ?? 0) + AT_NODE) i--;
      while (i + 1 < count && (this.spans[i]?.length ?? 0) === 0) i++;
    }
    return i;
  }

  /** The distance wrapped into [0, length) on a closed path; unchanged on an open one. */
  wrap(s: number): number {
    if (!this.isClosed || this.length === 0) return s;
    const wrapped = s - Math.floor(s / this.length) * this.length;
    return wrapped >= this.length ? 0 : wrapped;
  }

  /** Position, tangent, normal, curvature and unwrapped angle at a distance, px. Degenerate paths have the tangent (1, 0). */
  frameAtDistance(s: number, side: Side = 1, out: Frame = emptyFrame()): Frame {
    out.distance = s;
    return this.locate(out, side);
  }

  /** The same, for the distance that the frame already holds: no number is handed over, so that nothing is allocated however it is compiled. */
  locate(out: Frame, side: Side): Frame {
    const length = this.length;
    if (!(length > 0)) return this.#standstill(out);
    const s = out.distance;
    let lap = 0;
    let local = s;
    let beyond = 0;
    if (this.isClosed) {
      lap = Math.floor(s / length);
      local = s - lap * length;
      if (side < 0 && local <= AT_NODE) {
        lap -= 1;
        local = length;
      } else if (side > 0 && local >= length - AT_NODE) {
        lap += 1;
        local = 0;
      }
    } else if (s < 0 || s > length) {
      local = s < 0 ? 0 : length;
      beyond = s - local;
    }
    const starts = this.starts;
    let i = 0;
    for (let high = this.spans.length - 1; i < high;) {
      const middle = (i + high + 1) >> 1;
      if ((starts[middle] ?? 0) <= local) i = middle;
      else high = middle - 1;
    }
    const within = local - (starts[i] ?? 0);
    out.atBreak = within <= AT_NODE || (starts[i + 1] ?? 0) - local <= AT_NODE;
    if (out.atBreak) i = this.spanAt(local, side);
    WITHIN[0] = local - (starts[i] ?? 0);
    this.#evaluate(i, side, lap, out);
    if (beyond !== 0) {
      out.x += out.tangentX * beyond;
      out.y += out.tangentY * beyond;
      out.curvature = 0;
    }
    return out;
  }

  /** Unwrapped angle over one lap of a closed path, with the corner at its start, rad; over the whole of an open one. */
  get winding(): number {
    const turns = this.#turnTable();
    return (turns[this.spans.length] ?? 0) - (turns[0] ?? 0);
  }

  /** Distances of the nodes where the tangent turns at once by more than `least` rad, and of cusps inside spans; a closed path's start among them. */
  corners(least: number = CORNER_ANGLE): readonly number[] {
    if (least !== CORNER_ANGLE) return this.#cornersOver(least);
    return (this.#corners ??= this.#cornersOver(least));
  }

  #cornersOver(least: number): readonly number[] {
    if (!(this.length > 0)) return [];
    const before = emptyFrame();
    const after = emptyFrame();
    const found: number[] = [];
    const consider = (s: number): void => {
      this.frameAtDistance(s, -1, before);
      this.frameAtDistance(s, 1, after);
      const turn = turnBetween(before.tangentX, before.tangentY, after.tangentX, after.tangentY, REVERSAL);
      if (Math.abs(turn) > least && s !== found[found.length - 1]) found.push(s);
    };
    this.spans.forEach((span, i) => {
      const start = this.starts[i] ?? 0;
      if (i > 0 || this.isClosed) consider(start);
      for (const t of cuspsOfSpan(span)) consider(start + (span.panels.s[span.panels.t.indexOf(t)] ?? 0));
    });
    return found;
  }

  get bounds(): Box {
    const first = this.#origin;
    if (!first) return EMPTY_BOX;
    const start: Box = { left: first.x, right: first.x, top: first.y, bottom: first.y };
    return this.spans.reduce((box, span) => unionOf(box, boundsOfSpan(span)), start);
  }

  /** Span and parameter at a distance within [0, length]. */
  parameterAtDistance(s: number, side: Side = 1): { span: number; t: number } {
    const span = this.spanAt(Math.min(Math.max(s, 0), this.length), side);
    const inverse = this.#inverse(span);
    if (!inverse) return { span, t: side > 0 ? 0 : 1 };
    const local = Math.min(Math.max(s - (this.starts[span] ?? 0), 0), this.spans[span]?.length ?? 0);
    return { span, t: parameterIn(inverse, lastAtMost(inverse.starts, local, inverse.starts.length), local) };
  }

  #inverse(i: number): Inverse | null {
    let inverse = this.#inverses[i];
    if (inverse === undefined) {
      const span = this.spans[i];
      this.#inverses[i] = inverse = span ? inverseOfSpan(span) : null;
    }
    return inverse;
  }

  #turnTable(): Float64Array {
    if (this.#turns) return this.#turns;
    const count = this.spans.length;
    const turns = new Float64Array(count + 1);
    let last: readonly [number, number] | undefined;
    let total = 0;
    for (let i = 0; i < count; i++) {
      const span = this.spans[i];
      if (span && span.length > 0) {
        const from = tangentAtParameter(span.cubic, 0, 1) ?? [1, 0];
        if (last) total += turnBetween(last[0], last[1], from[0], from[1], REVERSAL);
        else total = Math.atan2(from[1], from[0]);
        turns[i] = total;
        total += turnOfSpan(span);
        last = tangentAtParameter(span.cubic, 1, -1) ?? [1, 0];
      } else turns[i] = total;
    }
    const first = this.length > 0 ? this.spans[this.spanAt(0, 1)] : undefined;
    if (this.isClosed && last && first) {
      const from = tangentAtParameter(first.cubic, 0, 1) ?? [1, 0];
      total += turnBetween(last[0], last[1], from[0], from[1], REVERSAL);
    }
    turns[count] = total;
    this.#turns = turns;
    return turns;
  }

  /** Fills a frame at the distance `WITHIN[0]` of a span. */
  #evaluate(index: number, side: Side, lap: number, out: Frame): void {
    const span = this.spans[index];
    const inverse = this.#inverse(index);
    if (!span || !inverse) {
      this.#standstill(out);
      return;
    }
    const c = span.cubic;
    const limit = Math.min(Math.max(WITHIN[0] ?? 0, 0), span.length);
    const starts = inverse.starts;
    let piece = 0;
    for (let high = starts.length - 1; piece < high;) {
      const middle = (piece + high + 1) >> 1;
      if ((starts[middle] ?? 0) <= limit) piece = middle;
      else high = middle - 1;
    }
    if (piece > 0 && limit - (starts[piece] ?? 0) <= SIDE_STEP) {
      out.atBreak = true;
      if (side < 0) piece--;
    }
    const t = parameterIn(inverse, piece, limit);
    out.x = ((c.ax * t + c.bx) * t + c.cx) * t + c.dx;
    out.y = ((c.ay * t + c.by) * t + c.cy) * t + c.dy;
    const x1 = (3 * c.ax * t + 2 * c.bx) * t + c.cx;
    const y1 = (3 * c.ay * t + 2 * c.by) * t + c.cy;
    const speed = Math.sqrt(x1 * x1 + y1 * y1);
    let tx: number;
    let ty: number;
    if (speed > VANISHING_SPEED * c.reach) {
      tx = x1 / speed;
      ty = y1 / speed;
      const x2 = 6 * c.ax * t + 2 * c.bx;
      const y2 = 6 * c.ay * t + 2 * c.by;
      out.curvature = (x1 * y2 - y1 * x2) / (speed * speed * speed);
    } else {
      const tangent = tangentAtParameter(c, t, side) ?? X_AXIS;
      tx = tangent[0];
      ty = tangent[1];
      out.curvature = 0;
    }
    out.tangentX = tx;
    out.tangentY = ty;
    out.normalX = ty;
    out.normalY = -tx;
    const row = piece * PIECE;
    const pieces = inverse.pieces;
    out.fromX = pieces[row + 8] ?? 1;
    out.fromY = pieces[row + 9] ?? 0;
    const turns = this.#turns ?? this.#turnTable();
    const lapTurn = lap === 0 ? 0 : lap * ((turns[this.spans.length] ?? 0) - (turns[0] ?? 0));
    out.turn = (turns[index] ?? 0) + (pieces[row + 7] ?? 0) + lapTurn;
  }

  #standstill(out: Frame): Frame {
    out.x = (this.#origin?.x ?? 0) + (this.isClosed ? 0 : out.distance);
    out.y = this.#origin?.y ?? 0;
    out.tangentX = 1;
    out.tangentY = 0;
    out.normalX = 0;
    out.normalY = -1;
    out.curvature = 0;
    out.turn = 0;
    out.fromX = 1;
    out.fromY = 0;
    out.atBreak = false;
    return out;
  }
}

const X_AXIS = [1, 0] as const;

/** Hands a number over without boxing it. */
const WITHIN = new Float64Array(1);

/** px. Asked for the side before a piece's start, the piece before is taken within this. */
const SIDE_STEP = 1e-9;

function parameterIn(inverse: Inverse, piece: number, s: number): number {
  const p = inverse.pieces;
  const row = piece * PIECE;
  const u = (s - (inverse.starts[piece] ?? 0)) * (p[row] ?? 0);
  const t =
    (((((p[row + 6] ?? 0) * u + (p[row + 5] ?? 0)) * u + (p[row + 4] ?? 0)) * u + (p[row + 3] ?? 0)) * u +
      (p[row + 2] ?? 0)) *
      u +
    (p[row + 1] ?? 0);
  return t < 0 ? 0 : t > 1 ? 1 : t;
}

const paths = new WeakMap<readonly PathNode[], { open?: Path; closed?: Path }>();

/**
 * The path through nodes, made once for each node list: after an edit only the spans of changed nodes are integrated again.
 *
 * @example
 * ```ts
 * import { pathThrough } from '@pace-line/core';
 *
 * const path = pathThrough([{ x: 0, y: 0 }, { x: 300, y: 0 }, { x: 300, y: 400 }], false);
 * console.log(path.length); // 700
 * const { x, y } = path.frameAtDistance(350);
 * console.log(x.toFixed(3), y.toFixed(3)); // 300.000 50.000
 * ```
 */
export function pathThrough(nodes: readonly PathNode[], isClosed: boolean): Path {
  let entry = paths.get(nodes);
  if (!entry) paths.set(nodes, (entry = {}));
  return isClosed ? (entry.closed ??= new Path(nodes, true)) : (entry.open ??= new Path(nodes, false));
}
