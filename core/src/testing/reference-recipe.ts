import type { Guide, Pace } from '../scene/index.ts';
import type { SlowStop } from './reference-ease.ts';
import { follow, spansOf, totalOf } from './reference-path.ts';

type Recipe = NonNullable<Pace['recipe']>;

/** Steps between two marks. */
const STEPS = 1500;

interface Moment {
  readonly time: number;
  readonly distance: number;
}

const known = new WeakMap<Recipe, { stops: string; guide: Guide; moments: readonly Moment[] }>();

/** Where a recipe has brought a rider at a local time, px: the way is cut into very many steps (`count` between two marks), each gone at its mean speed; `cusps`: distances, px, of the sharp turns within its spans. */
export function recipeDistance(
  recipe: Recipe,
  guide: Guide,
  stops: readonly SlowStop[],
  local: number,
  round: number | null,
  { count = STEPS, cusps = [] }: { readonly count?: number; readonly cusps?: readonly number[] } = {},
): number {
  const key = JSON.stringify([stops, round, count, cusps]);
  let made = known.get(recipe);
  if (made?.stops !== key || made.guide !== guide)
    known.set(
      recipe,
      (made = { stops: key, guide, moments: momentsOf(recipe, guide, stops, round, { count, cusps }) }),
    );
  const { moments } = made;
  const i = moments.findLastIndex(({ time }) => time <= local);
  const [from, to] = [moments[Math.max(0, i)], moments[i + 1]];
  if (!from) return 0;
  if (i < 0 || !to) return from.distance;
  return from.distance + ((to.distance - from.distance) * (local - from.time)) / (to.time - from.time);
}

interface Step {
  readonly distance: number;
  readonly x: number;
  readonly y: number;
  readonly tx: number;
  readonly ty: number;
  /** s of rest there. */
  readonly rest: number;
  /** It is a mark, and which. */
  readonly mark: number | null;
}

function momentsOf(
  recipe: Recipe,
  guide: Guide,
  stops: readonly SlowStop[],
  round: number | null,
  fine: { readonly count: number; readonly cusps: readonly number[] },
): readonly Moment[] {
  const spans = spansOf(guide);
  const steps: Step[] = [];
  stops.forEach((stop, k) => {
    const before = stops[k - 1];
    const count = before && before.value !== stop.value ? fine.count : 1;
    const from = before?.value ?? stop.value;
    const even = Array.from({ length: count }, (_, i) => from + ((stop.value - from) * (i + 1)) / count);
    // Where the tangents that a bend is taken from may change at once, a hair on either side.
    const beside = besideNodes(guide, spans, fine.cusps).filter((s) => (s - from) * (s - stop.value) < 0);
    const all = [...even, ...beside].sort((a, b) => (a - b) * Math.sign(stop.value - from));
    all.forEach((distance, i) => {
      const isMark = i === all.length - 1;
      steps.push({
        distance,
        ...follow(guide, spans, distance),
        rest: isMark ? stop.dwell : 0,
        mark: isMark ? k : null,
      });
    });
  });
  const [first, last] = [stops[0], stops[stops.length - 1]];
  const laps = ((last?.value ?? 0) - (first?.value ?? 0)) / totalOf(spans);
  const isRound =
    !('fit' in recipe && !recipe.fit) &&
    round !== null &&
    guide.closed &&
    Math.abs(laps - Math.round(laps)) < 1e-9 &&
    first?.time === 0 &&
    first.dwell === 0 &&
    last?.time === round;
  const speeds = speedsOf(recipe, steps, isRound, guide);
  const durations = steps.map((step, i) => {
    const next = steps[i + 1];
    if (!next || next.distance === step.distance) return 0;
    return (2 * Math.abs(next.distance - step.distance)) / ((speeds[i]?.leaves ?? 0) + (speeds[i + 1]?.comes ?? 0));
  });
  const moving = durations.reduce((sum, one) => sum + one, 0);
  const resting = steps.reduce((sum, { rest }) => sum + rest, 0);
  const begins = first?.time ?? 0;
  const wanted = (last?.time ?? 0) + (last?.dwell ?? 0) - begins - resting;
  const fits = !('fit' in recipe && !recipe.fit);
  const factor = fits && moving > 0 ? Math.max(0, wanted) / moving : 1;
  if (recipe.kind === 'hop' && recipe.landings !== 'fall') return timedMoments(steps, durations, stops);
  const moments: Moment[] = [];
  let time = begins;
  steps.forEach((step, i) => {
    moments.push({ time, distance: step.distance });
    if (step.rest > 0) moments.push({ time: (time += step.rest), distance: step.distance });
    time += (durations[i] ?? 0) * factor;
  });
  return moments;
}

/** From mark to mark in the time between them, however long the arc would take. */
function timedMoments(steps: readonly Step[], durations: readonly number[], stops: readonly SlowStop[]): Moment[] {
  const moments: Moment[] = [];
  const marks = steps.flatMap(({ mark }, i) => (mark === null ? [] : [i]));
  marks.forEach((at, k) => {
    const stop = stops[k];
    const before = stops[k - 1];
    if (!stop) return;
    if (before) {
      const legs = durations.slice(marks[k - 1], at);
      const whole = legs.reduce((sum, one) => sum + one, 0);
      const leaves = before.time + before.dwell;
      let gone = 0;
      legs.slice(0, -1).forEach((one, i) => {
        gone += one;
        const distance = steps[(marks[k - 1] ?? 0) + i + 1]?.distance ?? 0;
        if (whole > 0) moments.push({ time: leaves + ((stop.time - leaves) * gone) / whole, distance });
      });
    }
    moments.push({ time: stop.time, distance: stop.value });
    if (stop.dwell > 0) moments.push({ time: stop.time + stop.dwell, distance: stop.value });
  });
  return moments;
}

/** Distances of the guide's nodes and cusps, over some laps, less and more by half of what a bend is taken over. */
function besideNodes(guide: Guide, spans: ReturnType<typeof spansOf>, cusps: readonly number[]): number[] {
  const total = totalOf(spans);
  const nodes = [0, ...spans.map((_, i) => totalOf(spans.slice(0, i + 1))), ...cusps];
  const laps = guide.closed ? [-1, 0, 1, 2].map((lap) => lap * total) : [0];
  return laps.flatMap((lap) =>
    nodes.flatMap((s) => [-3, 3].flatMap((by) => [-1e-7, 1e-7].map((hair) => lap + s + by + hair))),
  );
}

/** px/s with which a step is reached and left. */
interface Speed {
  comes: number;
  leaves: number;
}

const alike = (speed: number): Speed => ({ comes: speed, leaves: speed });

const gapOf = (a: Step, b: Step): number => Math.abs(b.distance - a.distance);

/** Whether it stands still at a step: a rest, or a turn back. */
function stands(steps: readonly Step[], i: number): boolean {
  const [before, here, after] = [steps[i - 1], steps[i], steps[i + 1]];
  if (!here) return false;
  if (here.rest > 0) return true;
  return (
    before !== undefined &&
    after !== undefined &&
    (here.distance - before.distance) * (after.distance - here.distance) < 0
  );
}

function speedsOf(recipe: Recipe, steps: readonly Step[], isRound: boolean, guide: Guide): readonly Speed[] {
  switch (recipe.kind) {
    case 'constant':
      return steps.map(() => alike(1));
    case 'fall':
      return fallingSpeeds(recipe, steps);
    case 'bends':
      return bendingSpeeds(recipe, steps, isRound, guide);
    case 'hop':
      return hoppingSpeeds(recipe, steps);
    case 'waver':
      return waveringSpeeds(recipe, steps);
  }
}

function waveringSpeeds(recipe: Extract<Recipe, { kind: 'waver' }>, steps: readonly Step[]): readonly Speed[] {
  const gone = [0];
  steps.slice(1).forEach((step, i) => gone.push((gone[i] ?? 0) + gapOf(steps[i]!, step)));
  const whole = gone[gone.length - 1] ?? 0;
  return gone.map((px) => alike(1 + recipe.speed * chance(recipe, 0, whole === 0 ? 0 : px / whole)));
}

/** Noise over a share of a round: of a waver's speed (0) or sway (1). Written out with whole numbers of any size. */
export function chance({ waves, seed }: Extract<Recipe, { kind: 'waver' }>, nth: 0 | 1, share: number): number {
  const size = 2n ** 32n;
  const drawn = Array.from({ length: 2 * waves }, (_, i) => {
    const a = (BigInt(seed) + 0x6d2b79f5n * BigInt(i + 1)) % size;
    let t = ((a ^ (a >> 15n)) * (a | 1n)) % size;
    t = t ^ ((t + (t ^ (t >> 7n)) * (t | 61n)) % size);
    return Number(t ^ (t >> 14n)) / Number(size);
  }).slice(nth * waves, (nth + 1) * waves);
  const mean = drawn.reduce((sum, one) => sum + one, 0) / waves;
  const most = Math.max(...drawn.map((one) => Math.abs(one - mean)));
  const at = share * waves;
  const [a, b] = [drawn[Math.floor(at) % waves] ?? 0, drawn[(Math.floor(at) + 1) % waves] ?? 0];
  const f = at - Math.floor(at);
  return (a - mean + (b - a) * (3 * f ** 2 - 2 * f ** 3)) / most;
}

const heightOf = ({ x, y }: Step, down: number): number =>
  -(x * Math.cos((down * Math.PI) / 180) + y * Math.sin((down * Math.PI) / 180));

function fallingSpeeds(
  { gravity, down, start, least, friction }: Extract<Recipe, { kind: 'fall' }>,
  steps: readonly Step[],
): readonly Speed[] {
  const speeds: Speed[] = [];
  steps.forEach((step, i) => {
    const before = steps[i - 1];
    if (!before) return speeds.push(alike(start));
    const drop = heightOf(before, down) - heightOf(step, down);
    const run = Math.sqrt(Math.max(0, gapOf(before, step) ** 2 - drop ** 2));
    const had = (speeds[i - 1]?.leaves ?? 0) ** 2;
    const has = had + 2 * gravity * (drop - friction * run);
    const comes = has > had ? Math.sqrt(has) : Math.max(least, Math.sqrt(Math.max(0, has)));
    return speeds.push({ comes, leaves: stands(steps, i) ? start : comes });
  });
  return speeds;
}

function bendingSpeeds(
  { sideways, top, up, brake }: Extract<Recipe, { kind: 'bends' }>,
  steps: readonly Step[],
  isRound: boolean,
  guide: Guide,
): readonly Speed[] {
  const spans = spansOf(guide);
  const last = steps.length - 1;
  const speeds = steps.map((step, i) => {
    if (stands(steps, i) || (!isRound && (i === 0 || i === last))) return 0;
    const [before, after] = [-3, 3].map((by) => follow(guide, spans, step.distance + by));
    const turned = Math.acos(
      Math.max(-1, Math.min(1, (before?.tx ?? 1) * (after?.tx ?? 1) + (before?.ty ?? 0) * (after?.ty ?? 0))),
    );
    const bend = turned / 6;
    return Math.min(top, bend > 1e-7 ? Math.sqrt(sideways / bend) : Infinity);
  });
  const close = (): void => {
    if (isRound) speeds[0] = speeds[last] = Math.min(speeds[0] ?? 0, speeds[last] ?? 0);
  };
  for (const _ of [1, 2]) {
    close();
    for (let i = 1; i <= last; i++)
      speeds[i] = Math.min(
        speeds[i] ?? 0,
        Math.sqrt((speeds[i - 1] ?? 0) ** 2 + 2 * up * gapOf(steps[i - 1]!, steps[i]!)),
      );
    close();
    for (let i = last; i > 0; i--)
      speeds[i - 1] = Math.min(
        speeds[i - 1] ?? 0,
        Math.sqrt((speeds[i] ?? 0) ** 2 + 2 * brake * gapOf(steps[i - 1]!, steps[i]!)),
      );
  }
  return speeds.map(alike);
}

function hoppingSpeeds({ gravity, down }: Extract<Recipe, { kind: 'hop' }>, steps: readonly Step[]): readonly Speed[] {
  const marks = steps.flatMap(({ mark }, i) => (mark === null ? [] : [i]));
  const speeds = steps.map(() => alike(0));
  marks.slice(1).forEach((to, k) => {
    const from = marks[k] ?? 0;
    const arc = steps.slice(from, to + 1);
    const heights = arc.map((step) => heightOf(step, down));
    const apex = Math.max(...heights);
    const [rise, drop] = [apex - (heights[0] ?? 0), apex - (heights[heights.length - 1] ?? 0)];
    const lasts = Math.sqrt((2 * Math.max(1, rise)) / gravity) + Math.sqrt((2 * drop) / gravity);
    const angle = (down * Math.PI) / 180;
    const [a, b] = [arc[0], arc[arc.length - 1]];
    const across = Math.abs(
      ((b?.x ?? 0) - (a?.x ?? 0)) * -Math.sin(angle) + ((b?.y ?? 0) - (a?.y ?? 0)) * Math.cos(angle),
    );
    heights.forEach((height, i) => {
      const speed = Math.sqrt((across / lasts) ** 2 + 2 * gravity * (apex - height));
      const here = speeds[from + i];
      if (here && i > 0) here.comes = speed;
      if (here && i < heights.length - 1) here.leaves = speed;
    });
  });
  return speeds;
}
