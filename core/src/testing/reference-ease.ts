import type { Mark } from '../scene/index.ts';

type Ease = Mark['ease'];

/** A stop of a line: a value held from a time on for a dwell, and the ease that follows. */
export interface SlowStop {
  readonly time: number;
  readonly dwell: number;
  readonly value: number;
  readonly ease: Ease;
}

/** The value of a line at a local time; `round`: a cycle, s, after which it starts anew where it ended, with what it covered added. */
export function lineAt(stops: readonly SlowStop[], local: number, round: number | null = null): number {
  let result = stops[0]?.value ?? 0;
  stops.forEach((stop, i) => {
    if (local < stop.time) return;
    result = stop.value;
    const next = stops[i + 1];
    const leaves = stop.time + stop.dwell;
    if (!next || local <= leaves || local > next.time) return;
    const u = Math.min(1, (local - leaves) / (next.time - leaves));
    result += (next.value - result) * progress(stop.ease, u, () => flowSlopes(stops, i, round));
  });
  return result;
}

/** Slopes of the flowing leg after a stop, as shares of the way over shares of the time. */
function flowSlopes(stops: readonly SlowStop[], i: number, round: number | null): readonly [number, number] {
  let all = [...stops];
  let k = i;
  const [first, last] = [all[0], all[all.length - 1]];
  if (round !== null && first && last && first.time === 0 && last.time === round && first.dwell === 0) {
    const moved = (by: 1 | -1) => (stop: SlowStop) => ({
      ...stop,
      time: stop.time + by * round,
      value: stop.value + by * (last.value - first.value),
    });
    // The first mark of a round is the last one of that before.
    all = [...all.slice(0, -1).map(moved(-1)), ...all.slice(0, -1), ...all.map(moved(1))];
    k = i + stops.length - 1;
  }
  const secant = (j: number): number => {
    const [from, to] = [all[j], all[j + 1]];
    return from && to ? (to.value - from.value) / (to.time - from.time - from.dwell) : 0;
  };
  const wide = (j: number): number => (all[j + 1]?.time ?? 0) - (all[j]?.time ?? 0) - (all[j]?.dwell ?? 0);
  const own = secant(k);
  if (own === 0) return [0, 0];
  const held = (rate: number): number =>
    rate * own <= 0 ? 0 : Math.sign(own) * Math.min(Math.abs(rate), 3 * Math.abs(own));
  /** The rate at a stop, of the legs j (before it) and j + 1. */
  const rateAt = (j: number, beside: number): number => {
    const shared = all[j + 1];
    const ease = all[beside]?.ease;
    if (!shared || !ease || !all[beside + 1] || shared.dwell > 0 || !(wide(beside) > 0)) return 0;
    if (ease.kind !== 'flow') {
      if (ease.kind === 'hold') return 0;
      // The slope at its end, from four places there.
      const [u, h] = beside === j ? [1, -2e-5] : [0, 2e-5];
      const [p0 = 0, p1 = 0, p2 = 0, p3 = 0] = [0, 1, 2, 3].map((k) => progress(ease, u + k * h));
      return held((secant(beside) * (18 * p1 - 11 * p0 - 9 * p2 + 2 * p3)) / (6 * h));
    }
    const [h0, d0, h1, d1] = [wide(j), secant(j), wide(j + 1), secant(j + 1)];
    if (d0 * d1 <= 0) return 0;
    return held((3 * (h0 + h1)) / ((2 * h1 + h0) / d0 + (h1 + 2 * h0) / d1));
  };
  return [k > 0 ? rateAt(k - 1, k - 1) / own : 0, rateAt(k, k + 1) / own];
}

/** Steady, with the slopes of a curve at its ends: the integral of a speed that goes evenly from the first one to one that it keeps, and from that to the last one. */
function nearlySteady(curve: (u: number) => number, strength: number, u: number): number {
  if (strength === 0) return u;
  // From places beside the ends: some curves have a step there.
  const slopeAt = (end: 0 | 1): number => {
    const h = end === 0 ? 1e-5 : -1e-5;
    const near = (k: number): number => (curve(end + (k + 1) * h) - curve(end + k * h)) / h;
    // Slopes at one and a half, two and a half and three and a half steps, carried on to the end by a parabola.
    return Math.min(3, Math.max(0, 4.375 * near(1) - 5.25 * near(2) + 1.875 * near(3)));
  };
  const [first, last] = [slopeAt(0), slopeAt(1)];
  const wide = Math.min(1, strength) / 4;
  const [a, b] = [first > 1 ? wide / first : wide, last > 1 ? wide / last : wide];
  const kept = (1 - (a * first) / 2 - (b * last) / 2) / (1 - a / 2 - b / 2);
  const speed = (v: number): number =>
    v < a ? first + ((kept - first) * v) / a : v > 1 - b ? last + ((kept - last) * (1 - v)) / b : kept;
  // Speed is straight between these, so that the trapezoids are exact.
  const stops = [0, a, 1 - b, 1].map((v) => Math.min(v, u));
  return stops.slice(1).reduce((way, v, i) => way + ((speed(stops[i] ?? 0) + speed(v)) / 2) * (v - (stops[i] ?? 0)), 0);
}

const RISING = ['sine', 'quad', 'cubic', 'quart', 'quint', 'expo', 'circ'];

/** Progress of an ease at a share u of its time. `slopes`: those of a leg that flows. */
export function progress(ease: Ease, u: number, slopes: () => readonly [number, number] = () => [0, 0]): number {
  const { part, strength, even, ...bare } = ease as Ease & {
    part?: readonly [number, number];
    strength?: number;
    even?: number;
  };
  if (part) {
    const whole = (v: number): number => progress({ ...ease, part: undefined } as Ease, v);
    const [from, to] = part;
    return (whole(from + (to - from) * u) - whole(from)) / (whole(to) - whole(from));
  }
  if (even !== undefined && ease.kind !== 'hold') {
    const { even: _even, ...whole } = ease as Ease & { even: number };
    return (1 - even) * progress(whole, u, slopes) + even * u;
  }
  if (strength !== undefined) {
    const plain = (v: number): number => progress(bare, v, slopes);
    const rises =
      ease.kind === 'flow' ||
      (ease.kind === 'family' && RISING.includes(ease.family)) ||
      (ease.kind === 'bezier' && [ease.values[1], ease.values[3]].every((y) => y >= 0 && y <= 1));
    if (strength > 1 && rises) return (2 - strength) * plain(u) + (strength - 1) * plain(plain(u));
    return (1 - strength) * nearlySteady(plain, strength, u) + strength * plain(u);
  }
  switch (ease.kind) {
    case 'steady':
      return u;
    case 'hold':
      return u < 1 ? 0 : 1;
    case 'flow':
      return cubic(u, 0, 1, ...slopes());
    case 'spring':
      return springProgress(ease.overshoot, ease.settle, u);
    case 'shaped':
      return shapedProgress(ease, u);
    case 'family':
      return familyProgress(ease.family, ease.mode, u);
    case 'bezier':
      return bezierProgress(ease.values, u);
    case 'points':
      return pointsProgress(ease.points, u);
  }
}

/** A cubic from p0 to p1 over [0, 1] with slopes m0, m1. */
const cubic = (t: number, p0: number, p1: number, m0: number, m1: number): number =>
  (2 * t ** 3 - 3 * t ** 2 + 1) * p0 +
  (t ** 3 - 2 * t ** 2 + t) * m0 +
  (3 * t ** 2 - 2 * t ** 3) * p1 +
  (t ** 3 - t ** 2) * m1;

/** A mass on a spring, let go a way off: the classic damped motion, over what it has covered at u = 1. */
function springProgress(overshoot: number, settle: number, u: number): number {
  const gone = (v: number): number => {
    if (overshoot === 0) {
      // (1 + x) e^-x = 1/100
      let [low, high] = [1, 20];
      for (let i = 0; i < 100; i++) {
        const x = (low + high) / 2;
        if ((1 + x) * Math.exp(-x) > 0.01) low = x;
        else high = x;
      }
      const x = (low / settle) * v;
      return 1 - (1 + x) * Math.exp(-x);
    }
    const zeta = -Math.log(overshoot / 100) / Math.hypot(Math.PI, Math.log(overshoot / 100));
    const natural = Math.log(100) / settle / zeta;
    const damped = natural * Math.sqrt(1 - zeta ** 2);
    return (
      1 - Math.exp(-zeta * natural * v) * (Math.cos(damped * v) + ((zeta * natural) / damped) * Math.sin(damped * v))
    );
  };
  return u >= 1 ? 1 : gone(u) / gone(1);
}

function shapedProgress({ points, ends }: Extract<Ease, { kind: 'shaped' }>, u: number): number {
  if (u >= 1) return 1;
  const all = [{ time: 0, way: 0, slope: null }, ...points, { time: 1, way: 1, slope: null }];
  const i = all.findLastIndex(({ time }) => time <= u);
  const secant = (j: number): number =>
    ((all[j + 1]?.way ?? 0) - (all[j]?.way ?? 0)) / ((all[j + 1]?.time ?? 0) - (all[j]?.time ?? 0));
  const wide = (j: number): number => (all[j + 1]?.time ?? 0) - (all[j]?.time ?? 0);
  const slopeAt = (j: number, side: 0 | 1): number => {
    if (j === 0) return ends[0] ?? secant(0);
    if (j === all.length - 1) return ends[1] ?? secant(j - 1);
    const own = all[j]?.slope ?? null;
    if (typeof own === 'number') return own;
    if (own) return own[side] ?? 0;
    const [d0, d1] = [secant(j - 1), secant(j)];
    if (d0 * d1 <= 0) return 0;
    const [w0, w1] = [2 * wide(j) + wide(j - 1), wide(j) + 2 * wide(j - 1)];
    return (w0 + w1) / (w0 / d0 + w1 / d1);
  };
  const h = wide(i);
  const t = (u - (all[i]?.time ?? 0)) / h;
  return cubic(t, all[i]?.way ?? 0, all[i + 1]?.way ?? 1, h * slopeAt(i, 1), h * slopeAt(i + 1, 0));
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
