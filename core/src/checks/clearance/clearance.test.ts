import { describe, expect, it, test } from 'vitest';
import { prepare } from '../../motion/index.ts';
import type { Scene } from '../../scene/index.ts';
import { bruteGap } from '../../testing/brute-gap.ts';
import { colouredStrip, HAIRPIN, LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../../testing/scenes.ts';
import { checkClearance, clearanceWords } from './index.ts';

type Json = Record<string, unknown>;

const drawing = (id: string, inner: string, width = 80, height = 80): Json => ({
  ...{ id, name: id, kind: 'svg', width, height, facing: 0 },
  pivot: [width / 2, height / 2],
  markup: `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" overflow="visible">${inner}</svg>`,
});

const ART = [
  drawing('plate', '<rect x="10" y="20" width="60" height="40"/>'),
  drawing('claw', '<path d="M70 10H10V70H70V55H30V25H70Z"/>'),
  drawing(
    'ring',
    '<path fill-rule="evenodd" d="M40 0A40 40 0 1 1 40 80A40 40 0 1 1 40 0ZM40 12A28 28 0 1 0 40 68A28 28 0 1 0 40 12Z"/>',
  ),
  drawing('dot', '<circle cx="40" cy="40" r="9"/>'),
  drawing('bow', '<path d="M8 60Q40 -10 72 60" fill="none" stroke="#123" stroke-width="7" stroke-linecap="round"/>'),
  colouredStrip('strip', ['#aa0001', '#aa0002', '#aa0003']),
];

const DOWN = {
  ...{ id: 'down', name: 'Down', closed: false, color: '#0B7A75' },
  nodes: [
    { id: 'd1', x: 320, y: 80 },
    { id: 'd2', x: 270, y: 520 },
  ],
};

const at = (node: string, lap = 0): Json => ({ by: 'node', node, lap });
const FLOW = { kind: 'family', family: 'sine', mode: 'in-out' };
const along = (id: string, art: string, guide: string, from: string, to: string, more: Json = {}): Json =>
  riderOn(
    id,
    guide,
    [
      { time: 0, place: at(from), ease: FLOW },
      { time: 4, place: at(to, from === to ? 1 : 0) },
    ],
    { art, ...more },
  );

const two = (riders: Json[], more: Json = {}): Scene =>
  sceneOf({ art: ART, guides: [LINE, SQUARE, DOWN, LOOPS, HAIRPIN], riders, ...more });

const PAIRS: Readonly<Record<string, Scene>> = {
  'convex, crossing': two([along('ra', 'plate', 'line', 'a', 'c'), along('rb', 'plate', 'down', 'd1', 'd2')]),
  'concave, and something that goes into its mouth': two([
    along('ra', 'claw', 'line', 'a', 'c'),
    along('rb', 'dot', 'loops', 'l1', 'l1'),
  ]),
  'a dot within a ring': two([along('ra', 'ring', 'line', 'a', 'c'), along('rb', 'dot', 'loops', 'l2', 'l2')]),
  'a stroke beside a plate, both turning': two([
    along('ra', 'bow', 'loops', 'l3', 'l3'),
    along('rb', 'plate', 'square', 'q1', 'q1'),
  ]),
  'scaled and faded by keys': two([
    along('ra', 'claw', 'line', 'a', 'c', {
      keys: {
        scale: [
          { id: 'k1', time: 0, value: [0.4, 0.4], ease: FLOW },
          { id: 'k2', time: 3, value: [1.8, 0.7], ease: FLOW },
        ],
        opacity: [
          { id: 'k3', time: 1, value: 1, ease: { kind: 'steady' } },
          { id: 'k4', time: 2.2, value: 0, ease: { kind: 'steady' } },
        ],
      },
    }),
    along('rb', 'plate', 'down', 'd1', 'd2'),
  ]),
  'squashed by its speed': two([
    along('ra', 'ring', 'hairpin', 'h1', 'h2', { squash: { by: 'speed', strength: 4 } }),
    along('rb', 'plate', 'square', 'q2', 'q2'),
  ]),
  carried: two([
    along('ra', 'plate', 'line', 'a', 'c'),
    { id: 'rc', name: 'rc', art: 'claw', guide: null, at: [30, -50], stand: 20, carrier: { rider: 'ra' } },
    along('rb', 'dot', 'loops', 'l1', 'l1'),
  ]),
  'in poses': two([
    along('ra', 'strip', 'line', 'a', 'c', { poses: { by: 'time', rate: 3 } }),
    along('rb', 'bow', 'down', 'd1', 'd2'),
  ]),
  'one that leaps': two([
    riderOn(
      'ra',
      'line',
      [
        { time: 0, place: at('a') },
        { time: 1.5, place: at('b') },
        { time: 1.5, place: at('c') },
        { time: 4, place: at('b') },
      ],
      { art: 'plate' },
    ),
    along('rb', 'claw', 'square', 'q3', 'q3'),
  ]),
  'parked, and something that runs by it': two([
    { id: 'ra', name: 'ra', art: 'claw', guide: null, at: [300, 330] },
    along('rb', 'plate', 'line', 'a', 'c', { heading: { mode: 'level' } }),
  ]),
};

/** As many as one waits for; 20,000 (PACE_LINE_LOOKS) take some minutes. */
const LOOKS = Number(process.env['PACE_LINE_LOOKS'] ?? 2500);
const LIMIT = 25;

/** The least gap and the spans of all pairs by looking very often. */
function looked(scene: Scene, i: number, j: number): { gap: number; spans: [number, number][] } {
  const motion = prepare(scene);
  let gap = Infinity;
  const spans: [number, number][] = [];
  let was = false;
  for (let k = 0; k < LOOKS; k++) {
    const time = (k / LOOKS) * motion.length;
    const now = bruteGap(scene, motion, i, j, time, LIMIT + 1);
    gap = Math.min(gap, now);
    if (now <= LIMIT && !was) spans.push([time, time]);
    if (now <= LIMIT) spans[spans.length - 1]![1] = time;
    was = now <= LIMIT;
  }
  return { gap, spans };
}

describe.each(Object.entries(PAIRS))('%s', (_, scene) => {
  const apart = scene.riders.flatMap((a, i) =>
    scene.riders.flatMap((b, j) => (i < j && a.carrier === null && b.carrier === null ? [[i, j] as const] : [])),
  );
  const found = checkClearance(scene, prepare(scene), LIMIT);

  it.each(apart)('is as near as by looking very often, at the same times (%i, %i)', (i, j) => {
    const wanted = looked(scene, i, j);
    const [a, b] = [scene.riders[i]!.id, scene.riders[j]!.id];
    const one = found.find(({ riders }) => riders.includes(a) && riders.includes(b));
    expect(one !== undefined, `found ${wanted.gap}`).toBe(wanted.spans.length > 0);
    if (!one) return;
    expect(Math.abs(one.gap - wanted.gap)).toBeLessThan(0.1);
    expect(one.spans.map(([from]) => from.toFixed(1))).toEqual(wanted.spans.map(([from]) => from.toFixed(1)));
    one.spans.forEach((span, k) =>
      span.forEach((time, end) =>
        expect(Math.abs(time - wanted.spans[k]![end as 0 | 1])).toBeLessThan(0.001 + 4 / LOOKS),
      ),
    );
    const [[ax, ay], [bx, by]] = one.place;
    expect(Math.hypot(ax - bx, ay - by)).toBeCloseTo(one.gap, 6);
  });
});

test('what meets between two looks of a thousand a second is found: a thin plate at 60,000 px/s', () => {
  const thin = drawing('thin', '<rect x="38" y="0" width="1" height="80"/>');
  const fast = two(
    [
      riderOn(
        'ra',
        'line',
        [
          { time: 0, place: at('a') },
          { time: 2, place: at('a') },
          { time: 2 + 400 / 60_000, place: at('c') },
          { time: 4, place: at('c') },
        ],
        { art: 'thin', heading: { mode: 'level' } },
      ),
      { id: 'rb', name: 'rb', art: 'dot', guide: null, at: [311, 300] },
    ],
    { art: [...ART, thin] },
  );
  const [one] = checkClearance(fast, prepare(fast));
  expect(one?.gap).toBe(0);
  expect(one!.at).toBeGreaterThan(2);
  expect(one!.at).toBeLessThan(2 + 400 / 60_000);
});

test('what is one, meant to cross, scenery, or always together is not told', () => {
  const carried = two([
    along('ra', 'plate', 'line', 'a', 'c'),
    { id: 'rc', name: 'rc', art: 'dot', guide: null, at: [40, 40], carrier: { rider: 'ra' } },
  ]);
  expect(checkClearance(carried, prepare(carried))).toEqual([]);
  const crossing = PAIRS['convex, crossing']!;
  const with2 = (patch: object): Scene => ({
    ...crossing,
    riders: [crossing.riders[0]!, { ...crossing.riders[1]!, ...patch }],
  });
  const count = (scene: Scene): number => checkClearance(scene, prepare(scene)).length;
  expect(count(crossing)).toBe(1);
  expect(count(with2({ output: false }))).toBe(0);
  expect(count(with2({ opacity: 0 }))).toBe(0);
  expect(count(with2({ behind: [{ by: 'distance', rider: 'ra', from: at('d1'), to: at('d2') }] }))).toBe(0);
  const water = two(
    [along('ra', 'plate', 'line', 'a', 'c'), { id: 'rw', name: 'rw', art: 'sea', guide: null, at: [400, 300] }],
    { art: [...ART, drawing('sea', '<rect width="800" height="600"/>', 800, 600)] },
  );
  expect(count(water)).toBe(0);
});

test('words: an overlap by when, a narrow place by how near', () => {
  expect(clearanceWords({ gap: 0, at: 1, spans: [[0.5, 1.25]] })).toBe('overlap 0.50–1.25 s');
  expect(
    clearanceWords({
      gap: 0,
      at: 1,
      spans: [
        [0.5, 1.25],
        [2, 3],
      ],
    }),
  ).toBe('overlap 0.50–1.25 s, 2 times');
  expect(clearanceWords({ gap: 3.24, at: 1.5, spans: [[1, 2]] })).toBe('3.2 px at 1.50 s');
});
