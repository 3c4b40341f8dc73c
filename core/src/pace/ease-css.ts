import { farthest } from '../search.ts';
import { compileLeg, strengthOfEase, type Ease } from './eases/index.ts';

/** What reading an ease's CSS text gives. */
export type EaseReading = { readonly ok: true; readonly ease: Ease } | { readonly ok: false; readonly message: string };

const refuse = (message: string): EaseReading => ({ ok: false, message });

/** The keywords of CSS Easing Functions Level 2 and what they stand for. */
const KEYWORDS: Readonly<Record<string, Ease>> = {
  linear: { kind: 'steady' },
  ease: { kind: 'bezier', values: [0.25, 0.1, 0.25, 1] },
  'ease-in': { kind: 'bezier', values: [0.42, 0, 1, 1] },
  'ease-out': { kind: 'bezier', values: [0, 0, 0.58, 1] },
  'ease-in-out': { kind: 'bezier', values: [0.42, 0, 0.58, 1] },
  'step-end': { kind: 'hold' },
};

/**
 * Reads an ease as CSS writes it: a keyword, `cubic-bezier()` or `linear()`; the name of a property and a semicolon may stand around it.
 *
 * @example
 * ```ts
 * import { cssOfEase, easeFromCss } from '@pace-line/core';
 *
 * const read = easeFromCss('cubic-bezier(0.42, 0, 0.58, 1)');
 * if (read.ok) console.log(cssOfEase(read.ease)); // cubic-bezier(0.42, 0, 0.58, 1)
 * ```
 */
export function easeFromCss(text: string): EaseReading {
  const bare = text
    .trim()
    .replace(/^[-a-z]+\s*:\s*/i, '')
    .replace(/;$/, '')
    .trim()
    .toLowerCase();
  const keyword = KEYWORDS[bare];
  if (keyword) return { ok: true, ease: keyword };
  const [, name, inside] = /^([-a-z]+)\(([^()]*)\)$/.exec(bare) ?? [];
  if (name === 'cubic-bezier') return bezierFrom(inside ?? '');
  if (name === 'linear') return linearFrom(inside ?? '');
  if (name === 'steps') return refuse('steps() cannot be an ease of a leg: set marks with “hold, then jump” instead');
  return refuse('an ease is cubic-bezier(…), linear(…), or a word such as ease-in-out');
}

const numberOf = (text: string): number => (/^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/.test(text) ? Number(text) : NaN);

function bezierFrom(inside: string): EaseReading {
  const values = inside.split(',').map((one) => numberOf(one.trim()));
  const [x1 = NaN, y1 = NaN, x2 = NaN, y2 = NaN] = values;
  if (values.length !== 4 || values.some(Number.isNaN)) return refuse('cubic-bezier() has four numbers');
  if (x1 < 0 || x1 > 1 || x2 < 0 || x2 > 1)
    return refuse('the first and the third number of cubic-bezier() are times: between 0 and 1');
  if (Math.abs(y1) > 100 || Math.abs(y2) > 100) return refuse('that curve goes more than a hundred times too far');
  return { ok: true, ease: { kind: 'bezier', values: [x1, y1, x2, y2] } };
}

/** `linear()`: stops with at most two percentages each; those without one stand evenly between their neighbours, none before an earlier one. */
function linearFrom(inside: string): EaseReading {
  const places: { way: number; time: number | null }[] = [];
  for (const stop of inside.split(',')) {
    const words = stop.trim().split(/\s+/);
    const ways = words.filter((word) => !word.endsWith('%')).map(numberOf);
    const times = words.filter((word) => word.endsWith('%')).map((word) => numberOf(word.slice(0, -1)) / 100);
    const [way = NaN] = ways;
    if (ways.length !== 1 || times.length > 2 || [...ways, ...times].some(Number.isNaN))
      return refuse(`“${stop.trim()}” is no stop of linear(): it is a number with one or two percentages`);
    places.push({ way, time: times[0] ?? null });
    if (times[1] !== undefined) places.push({ way, time: times[1] });
  }
  const [first, last] = [places[0], places[places.length - 1]];
  if (!first || !last || places.length < 2) return refuse('linear() has two stops or more');
  first.time ??= 0;
  last.time ??= 1;
  if (first.way !== 0 || last.way !== 1 || first.time !== 0 || last.time !== 1)
    return refuse('a leg goes from 0 at 0 % to 1 at 100 %: linear() must too');
  let highest = 0;
  for (const place of places) if (place.time !== null) place.time = highest = Math.max(highest, place.time);
  return { ok: true, ease: { kind: 'points', points: spread(places) } };
}

function spread(places: readonly { way: number; time: number | null }[]): [number, number][] {
  const known = places.flatMap(({ time }, i) => (time === null ? [] : [i]));
  return places.map(({ way, time }, i) => {
    if (time !== null) return [Math.min(1, time), way];
    const before = known.findLast((k) => k < i) ?? 0;
    const after = known.find((k) => k > i) ?? places.length - 1;
    const [a, b] = [places[before]?.time ?? 0, places[after]?.time ?? 1];
    return [a + ((b - a) * (i - before)) / (after - before), way];
  });
}

/** How far, as a share of the way, the text of an ease may be from it. */
const CSS_TOLERANCE = 0.001;

/** Looks at an ease between two of its breaks. */
const LOOKS = 256;

/** An ease as CSS text: a keyword or a `cubic-bezier()` where that is exact, else a `linear()` within a thousandth of the way. */
export function cssOfEase(ease: Ease): string {
  if (ease.kind === 'steady') return 'linear';
  if (ease.kind === 'hold') return 'step-end';
  const whole = compileLeg(ease);
  const isPlain = !('part' in ease && ease.part) && strengthOfEase(ease) === 1;
  if (ease.kind === 'bezier' && isPlain) return `cubic-bezier(${ease.values.map((v) => short(v)).join(', ')})`;
  const [y1, y2] = [whole.rate(0) / 3, 1 - whole.rate(1) / 3];
  const cubic = (u: number): number => 3 * y1 * u * (1 - u) ** 2 + 3 * y2 * u * u * (1 - u) + u ** 3;
  const looks = Array.from({ length: LOOKS + 1 }, (_, i) => i / LOOKS);
  if (looks.every((u) => Math.abs(cubic(u) - whole.progress(u)) < 1e-4))
    return `cubic-bezier(0.3333, ${short(y1)}, 0.6667, ${short(y2)})`;
  const times = [...new Set([...looks, ...whole.breaks])].sort((a, b) => a - b);
  const points = times.map((time) => [time, whole.progress(time)] as const);
  const kept = [points[0]];
  for (let at = 0; at < points.length - 1;) {
    at = farthest(at, points.length - 1, true, (end) => (isStraight(points, at, end) ? true : undefined)).end;
    kept.push(points[at]);
  }
  const stops = kept.map((point, i) => {
    const [time, way] = point ?? [0, 0];
    return i === 0 || i === kept.length - 1 ? short(way) : `${short(way)} ${short(time * 100, 2)}%`;
  });
  return `linear(${stops.join(', ')})`;
}

function isStraight(points: readonly (readonly [number, number])[], a: number, b: number): boolean {
  const [from, to] = [points[a], points[b]];
  if (!from || !to) return false;
  for (let i = a + 1; i < b; i++) {
    const [time = 0, way = 0] = points[i] ?? [];
    const share = (time - from[0]) / (to[0] - from[0]);
    if (Math.abs(from[1] + (to[1] - from[1]) * share - way) > CSS_TOLERANCE) return false;
  }
  return true;
}

const short = (value: number, digits = 4): string => String(Number(value.toFixed(digits)) + 0);
