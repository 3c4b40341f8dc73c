import type { Guide, Mark, Rider, Scene } from '../scene/index.ts';

/** A pose by the slow way: px, rad, px. */
export interface ReferencePose {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
  readonly distance: number;
}

type Point = readonly [number, number];

/**
 * The evaluator as the scene file's text describes it, written to be read and not to be fast: everything is worked out again at each call. It shares no line with the real
 * one: lengths are sums of chords, eases are written out, the tangent is the derivative's. Every pose stage is added here first. Angles are not unwrapped. Nothing
 * but tests uses it.
 */
export function referencePose(scene: Scene, rider: Rider, time: number): ReferencePose {
  const art = scene.art.find((one) => one.id === rider.art);
  const guide = scene.guides.find((one) => one.id === rider.guide);
  const offset = (rider.heading.offset * Math.PI) / 180;
  if (!guide) return { x: rider.at[0], y: rider.at[1], angle: offset, distance: 0 };
  const cycle = rider.pace.cycle ?? scene.clock.duration;
  const local = fold(time - rider.pace.delay, cycle, rider.pace.repeat ?? scene.clock.repeat);
  const spans = spansOf(guide);
  const distance = distanceAt(rider.pace.marks, local, (mark) => distanceOf(guide, spans, mark));
  const at = follow(guide, spans, distance + rider.lead);
  const facing = ((art?.facing ?? 0) * Math.PI) / 180;
  return {
    x: at.x + rider.lift * at.ty,
    y: at.y - rider.lift * at.tx,
    angle: rider.heading.mode === 'along' ? Math.atan2(at.ty, at.tx) - facing + offset : offset,
    distance,
  };
}

function fold(t: number, cycle: number, repeat: string): number {
  if (repeat === 'once') return Math.max(0, Math.min(cycle, t));
  const period = repeat === 'loop' ? cycle : 2 * cycle;
  let rest = t;
  while (rest < 0) rest += period;
  while (rest >= period) rest -= period;
  return rest <= cycle ? rest : 2 * cycle - rest;
}

function distanceAt(marks: readonly Mark[], local: number, distanceOfMark: (mark: Mark) => number): number {
  const first = marks[0];
  if (!first) return 0;
  let result = distanceOfMark(first);
  marks.forEach((mark, i) => {
    if (local < mark.time) return;
    result = distanceOfMark(mark);
    const next = marks[i + 1];
    const leaves = mark.time + mark.dwell;
    if (!next || local <= leaves) return;
    const u = Math.min(1, (local - leaves) / (next.time - leaves));
    result += (distanceOfMark(next) - result) * progress(mark.ease, u);
  });
  return result;
}

type Ease = Mark['ease'];

/** Progress of an ease at a share u of its time. */
export function progress(ease: Ease, u: number): number {
  const part = 'part' in ease ? ease.part : undefined;
  if (part) {
    const whole = (v: number): number => progress({ ...ease, part: undefined } as Ease, v);
    const [from, to] = part;
    return (whole(from + (to - from) * u) - whole(from)) / (whole(to) - whole(from));
  }
  switch (ease.kind) {
    case 'steady':
      return u;
    case 'hold':
      return u < 1 ? 0 : 1;
    case 'family':
      return familyProgress(ease.family, ease.mode, u);
    case 'bezier':
      return bezierProgress(ease.values, u);
    case 'points':
      return pointsProgress(ease.points, u);
  }
}

/** By halving the parameter two hundred times. */
function bezierProgress([x1, y1, x2, y2]: readonly [number, number, number, number], u: number): number {
  const value = (a: number, b: number, t: number): number =>
    3 * a * t * (1 - t) ** 2 + 3 * b * t ** 2 * (1 - t) + t ** 3;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (value(x1, x2, middle) < u) low = middle;
    else high = middle;
  }
  return value(y1, y2, (low + high) / 2);
}

function pointsProgress(points: readonly (readonly [number, number])[], u: number): number {
  if (u >= 1) return 1;
  const i = points.findLastIndex(([t]) => t <= u);
  const [t0, p0] = points[i] ?? [0, 0];
  const [t1, p1] = points[i + 1] ?? [1, 1];
  return p0 + ((p1 - p0) * (u - t0)) / (t1 - t0);
}

/** The usual closed forms, each written for its own mode, in powers and roots. */
function familyProgress(family: string, mode: string, u: number): number {
  const bounceOut = (v: number): number =>
    v < 4 / 11
      ? (121 / 16) * v ** 2
      : v < 8 / 11
        ? (121 / 16) * (v - 6 / 11) ** 2 + 3 / 4
        : v < 10 / 11
          ? (121 / 16) * (v - 9 / 11) ** 2 + 15 / 16
          : (121 / 16) * (v - 21 / 22) ** 2 + 63 / 64;
  const slow = (v: number): number => {
    switch (family) {
      case 'sine':
        return 1 - Math.cos((Math.PI / 2) * v);
      case 'quad':
        return v ** 2;
      case 'cubic':
        return v ** 3;
      case 'quart':
        return v ** 4;
      case 'quint':
        return v ** 5;
      case 'expo':
        return v <= 0 ? 0 : 2 ** (10 * (v - 1));
      case 'circ':
        return 1 - Math.sqrt(1 - v ** 2);
      case 'back': {
        const c = mode === 'in-out' ? 1.70158 * 1.525 : 1.70158;
        return (c + 1) * v ** 3 - c * v ** 2;
      }
      case 'elastic':
        if (v <= 0 || v >= 1) return v;
        return mode === 'in-out'
          ? -(2 ** (10 * v - 10)) * Math.sin((2 * Math.PI * (10 * v - 11.125)) / 4.5)
          : -(2 ** (10 * v - 10)) * Math.sin((2 * Math.PI * (10 * v - 10.75)) / 3);
      case 'bounce':
        return 1 - bounceOut(1 - v);
      default:
        throw new Error(`reference: no family "${family}"`);
    }
  };
  if (mode === 'in') return slow(u);
  if (mode === 'out') return 1 - slow(1 - u);
  return u < 0.5 ? slow(2 * u) / 2 : 1 - slow(2 - 2 * u) / 2;
}

/** A span as a table of parameters and the chord lengths up to them. */
interface SlowSpan {
  readonly points: readonly [Point, Point, Point, Point];
  readonly ts: readonly number[];
  readonly lengths: readonly number[];
  readonly length: number;
}

const tables = new WeakMap<Guide, SlowSpan[]>();

function spansOf(guide: Guide): SlowSpan[] {
  const known = tables.get(guide);
  if (known) return known;
  const { nodes } = guide;
  const count = guide.closed ? nodes.length : nodes.length - 1;
  const spans = Array.from({ length: Math.max(0, count) }, (_, i) => {
    const a = nodes[i];
    const b = nodes[(i + 1) % nodes.length];
    if (!a || !b) throw new Error('reference: a span without nodes');
    const isStraight = !a.out && !b.in;
    const third = (u: number): Point => [a.x + (b.x - a.x) * u, a.y + (b.y - a.y) * u];
    return tableOf([
      [a.x, a.y],
      isStraight ? third(1 / 3) : [a.x + (a.out?.[0] ?? 0), a.y + (a.out?.[1] ?? 0)],
      isStraight ? third(2 / 3) : [b.x + (b.in?.[0] ?? 0), b.y + (b.in?.[1] ?? 0)],
      [b.x, b.y],
    ]);
  });
  tables.set(guide, spans);
  return spans;
}

/** Halved until a chord and two chords of its halves differ by less than a ten-millionth of a px, and at least into 256 pieces. */
function tableOf(points: SlowSpan['points']): SlowSpan {
  const ts = [0];
  const lengths = [0];
  const walk = (t0: number, p0: Point, t1: number, p1: Point, depth: number): void => {
    const t = (t0 + t1) / 2;
    const p = pointOf(points, t);
    const two = gap(p0, p) + gap(p, p1);
    if (depth >= 8 && (two - gap(p0, p1) < 1e-7 || depth > 40)) {
      ts.push(t1);
      lengths.push((lengths[lengths.length - 1] ?? 0) + two);
      return;
    }
    walk(t0, p0, t, p, depth + 1);
    walk(t, p, t1, p1, depth + 1);
  };
  walk(0, points[0], 1, points[3], 0);
  return { points, ts, lengths, length: lengths[lengths.length - 1] ?? 0 };
}

const gap = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1]);
const lerp = (u: Point, v: Point, t: number): Point => [u[0] + (v[0] - u[0]) * t, u[1] + (v[1] - u[1]) * t];

/** De Casteljau. */
function pointOf([a, b, c, d]: SlowSpan['points'], t: number): Point {
  const [ab, bc, cd] = [lerp(a, b, t), lerp(b, c, t), lerp(c, d, t)];
  return lerp(lerp(ab, bc, t), lerp(bc, cd, t), t);
}

function tangentOf([a, b, c, d]: SlowSpan['points'], t: number): Point {
  const [ab, bc, cd] = [lerp(a, b, t), lerp(b, c, t), lerp(c, d, t)];
  const [from, to] = [lerp(ab, bc, t), lerp(bc, cd, t)];
  const size = gap(from, to);
  return size > 0 ? [(to[0] - from[0]) / size, (to[1] - from[1]) / size] : [1, 0];
}

const totalOf = (spans: readonly SlowSpan[]): number => spans.reduce((total, span) => total + span.length, 0);

function distanceOf(guide: Guide, spans: readonly SlowSpan[], { place }: Mark): number {
  const total = totalOf(spans);
  if (place.by === 'share') return place.value * total;
  if (place.by === 'distance') return guide.closed ? place.value : Math.max(0, Math.min(total, place.value));
  const index = guide.nodes.findIndex((node) => node.id === place.node);
  const before = totalOf(spans.slice(0, index));
  return before + place.along * (spans[index]?.length ?? 0) + (guide.closed ? place.lap * total : 0);
}

function follow(guide: Guide, spans: readonly SlowSpan[], s: number): { x: number; y: number; tx: number; ty: number } {
  const total = totalOf(spans);
  const [first] = guide.nodes;
  if (!(total > 0)) return { x: (first?.x ?? 0) + (guide.closed ? 0 : s), y: first?.y ?? 0, tx: 1, ty: 0 };
  let local = s;
  if (guide.closed) {
    while (local < 0) local += total;
    while (local >= total) local -= total;
  }
  let start = 0;
  const held = Math.max(0, Math.min(total, local));
  for (const [i, span] of spans.entries()) {
    const isLast = i === spans.length - 1;
    if (span.length > 0 && (held < start + span.length || isLast || totalOf(spans.slice(i + 1)) === 0)) {
      const t = parameterAt(span, held - start);
      const [x, y] = pointOf(span.points, t);
      // Just beside a node the derivative may vanish; a hair inside it has a direction.
      const [tx, ty] = tangentOf(span.points, Math.min(1 - 1e-9, Math.max(1e-9, t)));
      const beyond = guide.closed ? 0 : local - held;
      return { x: x + tx * beyond, y: y + ty * beyond, tx, ty };
    }
    start += span.length;
  }
  throw new Error('reference: a distance on no span');
}

function parameterAt({ ts, lengths }: SlowSpan, s: number): number {
  const i = Math.max(
    1,
    lengths.findIndex((length) => length >= s),
  );
  const [s0, s1] = [lengths[i - 1] ?? 0, lengths[i] ?? 0];
  const [t0, t1] = [ts[i - 1] ?? 0, ts[i] ?? 1];
  return s1 > s0 ? t0 + ((t1 - t0) * Math.min(1, (s - s0) / (s1 - s0))) / 1 : t1;
}
