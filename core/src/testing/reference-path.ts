import type { Guide, Place } from '../scene/index.ts';

type Point = readonly [number, number];

/** A span as a table of parameters and the chord lengths up to them. */
export interface SlowSpan {
  readonly points: readonly [Point, Point, Point, Point];
  readonly ts: readonly number[];
  readonly lengths: readonly number[];
  readonly length: number;
}

const tables = new WeakMap<Guide, SlowSpan[]>();

export function spansOf(guide: Guide): SlowSpan[] {
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
      lengths.push((lengths[lengths.length - 1] ?? 0) + lengthBetween(points, t0, t1));
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

/** Where the derivative vanishes, as at a node without a handle, a hair inside it has a direction. */
function tangentOf(points: SlowSpan['points'], t: number): Point {
  const [a, b, c, d] = points;
  const [ab, bc, cd] = [lerp(a, b, t), lerp(b, c, t), lerp(c, d, t)];
  const [from, to] = [lerp(ab, bc, t), lerp(bc, cd, t)];
  const size = gap(from, to);
  const isEnd = t <= 0 || t >= 1;
  if (isEnd && !(size > 1e-6 * (gap(a, b) + gap(b, c) + gap(c, d)))) return tangentOf(points, t > 0 ? 1 - 1e-9 : 1e-9);
  return size > 0 ? [(to[0] - from[0]) / size, (to[1] - from[1]) / size] : [1, 0];
}

export const totalOf = (spans: readonly SlowSpan[]): number => spans.reduce((total, span) => total + span.length, 0);

export function distanceOf(guide: Guide, spans: readonly SlowSpan[], { place }: { readonly place: Place }): number {
  const total = totalOf(spans);
  if (place.by === 'share') return place.value * total;
  if (place.by === 'distance') return guide.closed ? place.value : Math.max(0, Math.min(total, place.value));
  const index = guide.nodes.findIndex((node) => node.id === place.node);
  const before = totalOf(spans.slice(0, index));
  return before + place.along * (spans[index]?.length ?? 0) + (guide.closed ? place.lap * total : 0);
}

export function follow(
  guide: Guide,
  spans: readonly SlowSpan[],
  s: number,
): { x: number; y: number; tx: number; ty: number } {
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
      const [tx, ty] = tangentOf(span.points, t);
      const beyond = guide.closed ? 0 : local - held;
      return { x: x + tx * beyond, y: y + ty * beyond, tx, ty };
    }
    start += span.length;
  }
  throw new Error('reference: a distance on no span');
}

/** Between two entries of the table by correcting, lengths being sums of chords, extrapolated. */
function parameterAt({ points, ts, lengths }: SlowSpan, s: number): number {
  const i = Math.max(
    1,
    lengths.findIndex((length) => length >= s),
  );
  const [s0, s1] = [lengths[i - 1] ?? 0, lengths[i] ?? 0];
  const [t0, t1] = [ts[i - 1] ?? 0, ts[i] ?? 1];
  if (!(s1 > s0)) return t1;
  const whole = lengthBetween(points, t0, t1);
  const goal = ((s - s0) / (s1 - s0)) * whole;
  // The length so far is nearly straight between two entries: what is missing, over the slope of the whole, a few times.
  let t = t0 + ((t1 - t0) * goal) / whole;
  for (let k = 0; k < 6; k++)
    t = Math.min(t1, Math.max(t0, t + ((goal - lengthBetween(points, t0, t)) * (t1 - t0)) / whole));
  return t;
}

/** Chords, with their errors of the second and fourth order taken out (Richardson, twice). */
function lengthBetween(points: SlowSpan['points'], a: number, b: number): number {
  const chords = (count: number): number => {
    let sum = 0;
    let last = pointOf(points, a);
    for (let i = 1; i <= count; i++) {
      const next = pointOf(points, a + ((b - a) * i) / count);
      sum += gap(last, next);
      last = next;
    }
    return sum;
  };
  const [few, some, many] = [chords(4), chords(8), chords(16)];
  return (16 * ((4 * many - some) / 3) - (4 * some - few) / 3) / 15;
}

/** How large riders are at a distance along a guide with a depth. */
export function depthFactor(guide: Guide, s: number): number {
  const total = totalOf(spansOf(guide));
  const stops = (guide.depth?.stops ?? []).map(({ at, scale }) => ({ at: at * total, scale }));
  const [first, last] = [stops[0], stops[stops.length - 1]];
  if (!first || !last) return 1;
  // A closed guide goes on: the stops of the lap before and of the one after.
  const lap = Math.floor(s / total);
  const at = guide.closed ? s - lap * total : s;
  const all = guide.closed
    ? [{ at: last.at - total, scale: last.scale }, ...stops, { at: first.at + total, scale: first.scale }]
    : [{ at: -Infinity, scale: first.scale }, ...stops, { at: Infinity, scale: last.scale }];
  const i = all.findIndex((one, k) => at >= one.at && at <= (all[k + 1]?.at ?? -Infinity));
  const [a, b] = [all[i], all[i + 1]];
  if (!a || !b) throw new Error('reference: no depth');
  if (!Number.isFinite(a.at) || !Number.isFinite(b.at)) return Number.isFinite(a.at) ? a.scale : b.scale;
  return b.at > a.at ? a.scale + ((b.scale - a.scale) * (at - a.at)) / (b.at - a.at) : b.scale;
}

interface DepthTable {
  readonly at: readonly number[];
  readonly sums: readonly number[];
}

const depthTables = new WeakMap<Guide, DepthTable>();

/** Cells of a table between two stops. */
const CELLS = 1000;

/** px over the factor along a guide, cell by cell by Simpson's rule; cells end at the stops. */
function depthTableOf(guide: Guide): DepthTable {
  const known = depthTables.get(guide);
  if (known) return known;
  const total = totalOf(spansOf(guide));
  const stops = (guide.depth?.stops ?? []).map((stop) => stop.at * total);
  const cuts = [...new Set([0, ...stops, total])].sort((a, b) => a - b);
  const at = [0];
  const sums = [0];
  cuts.slice(1).forEach((to, i) => {
    const from = cuts[i] ?? 0;
    for (let k = 1; k <= CELLS; k++) {
      const [a, b] = [from + ((to - from) * (k - 1)) / CELLS, from + ((to - from) * k) / CELLS];
      at.push(b);
      sums.push((sums[sums.length - 1] ?? 0) + cellOver(guide, a, b));
    }
  });
  const table = { at, sums };
  depthTables.set(guide, table);
  return table;
}

/** Simpson's rule between two places without a stop between them. */
function cellOver(guide: Guide, a: number, b: number): number {
  const hair = (b - a) * 1e-9;
  const ends = 1 / depthFactor(guide, a + hair) + 1 / depthFactor(guide, b - hair);
  return ((b - a) / 6) * (ends + 4 / depthFactor(guide, (a + b) / 2));
}

/** The last entry of a table that is not above a value, by halving. */
function cellOf(from: readonly number[], value: number): number {
  let [low, high] = [0, from.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((from[middle] ?? 0) <= value) low = middle;
    else high = middle;
  }
  return low;
}

/** px over the factor from the guide's start to a distance, laps and what lies beyond the ends included. */
export function overDepth(guide: Guide, s: number): number {
  const { at, sums } = depthTableOf(guide);
  const total = at[at.length - 1] ?? 0;
  const whole = sums[sums.length - 1] ?? 0;
  const lap = guide.closed ? Math.floor(s / total) : 0;
  const inner = s - lap * total;
  if (inner < 0) return inner / depthFactor(guide, 0);
  if (inner > total) return whole + (inner - total) / depthFactor(guide, total);
  const i = cellOf(at, inner);
  return lap * whole + (sums[i] ?? 0) + cellOver(guide, at[i] ?? 0, inner);
}

/** The distance at which so many px over the factor have gone by. */
export function underDepth(guide: Guide, sum: number): number {
  const { at, sums } = depthTableOf(guide);
  const total = at[at.length - 1] ?? 0;
  const whole = sums[sums.length - 1] ?? 0;
  const lap = guide.closed ? Math.floor(sum / whole) : 0;
  const inner = sum - lap * whole;
  if (inner < 0) return inner * depthFactor(guide, 0);
  if (inner > whole) return total + (inner - whole) * depthFactor(guide, total);
  const i = cellOf(sums, inner);
  const start = at[i] ?? 0;
  // What is missing, times the factor there, a few times.
  let s = start;
  for (let k = 0; k < 6; k++) s += (inner - (sums[i] ?? 0) - cellOver(guide, start, s)) * depthFactor(guide, s);
  return lap * total + s;
}
