import { compileEase } from '../pace/index.ts';
import type { Guide, Mark, Rider, Scene } from '../scene/index.ts';

/** A pose by the slow way: px, rad, px. */
export interface ReferencePose {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
  readonly distance: number;
}

type Point = readonly [number, number];

/** Chords per span. The error of positions is below 1e-3 px on gentle curves: enough to catch a wrong meaning, not a wrong digit. */
const CHORDS = 4000;

/**
 * The evaluator as the scene file's text describes it, written to be read and not to be fast: everything is worked out again at each call, lengths
 * are sums of chords. Tests hold `Motion` against it; nothing else uses it.
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
    result += (distanceOfMark(next) - result) * compileEase(mark.ease).progress(u);
  });
  return result;
}

interface SlowSpan {
  readonly points: readonly Point[];
  readonly length: number;
}

function spansOf(guide: Guide): SlowSpan[] {
  const { nodes } = guide;
  const count = guide.closed ? nodes.length : nodes.length - 1;
  return Array.from({ length: Math.max(0, count) }, (_, i) => {
    const a = nodes[i];
    const b = nodes[(i + 1) % nodes.length];
    if (!a || !b) throw new Error('reference: a span without nodes');
    const p: Point[] = [
      [a.x, a.y],
      [a.x + (a.out?.[0] ?? 0), a.y + (a.out?.[1] ?? 0)],
      [b.x + (b.in?.[0] ?? 0), b.y + (b.in?.[1] ?? 0)],
      [b.x, b.y],
    ];
    const lerp = (u: Point, v: Point, t: number): Point => [u[0] + (v[0] - u[0]) * t, u[1] + (v[1] - u[1]) * t];
    const casteljau = (list: readonly Point[], t: number): Point => {
      const [only] = list;
      if (list.length === 1 && only) return only;
      return casteljau(
        list.slice(1).map((point, k) => lerp(list[k] ?? point, point, t)),
        t,
      );
    };
    const points = Array.from({ length: CHORDS + 1 }, (_unused, k) => casteljau(p, k / CHORDS));
    return { points, length: sum(points) };
  });
}

const gap = (a: Point | undefined, b: Point | undefined): number => (a && b ? Math.hypot(b[0] - a[0], b[1] - a[1]) : 0);
const sum = (points: readonly Point[]): number =>
  points.reduce((total, point, i) => total + gap(points[i - 1], point), 0);
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
  const points = spans.flatMap((span, i) => (i === 0 ? span.points : span.points.slice(1)));
  let local = s;
  if (guide.closed) {
    while (local < 0) local += total;
    while (local >= total) local -= total;
  }
  let walked = 0;
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1];
    const b = points[i];
    const step = gap(a, b);
    if (!a || !b || step === 0) continue;
    const isLast = i === points.length - 1;
    if (local <= walked + step || isLast || (local < 0 && walked === 0)) {
      const u = (local - walked) / step;
      return {
        x: a[0] + (b[0] - a[0]) * u,
        y: a[1] + (b[1] - a[1]) * u,
        tx: (b[0] - a[0]) / step,
        ty: (b[1] - a[1]) / step,
      };
    }
    walked += step;
  }
  return { x: guide.nodes[0]?.x ?? 0, y: guide.nodes[0]?.y ?? 0, tx: 1, ty: 0 };
}
