import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { distanceOfPlace, pathOfGuide, type Scene } from '../scene/index.ts';
import { referencePose } from '../testing/reference.ts';
import { recipeDistance } from '../testing/reference-recipe.ts';
import { BOX_ART, CUSP, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';

type Json = Record<string, unknown>;

const straight = (x: number, y: number): Json => ({
  id: 'way',
  name: 'Way',
  closed: false,
  color: '#0B7A75',
  nodes: [
    { id: 'w1', x: 0, y: 0 },
    { id: 'w2', x, y },
  ],
});

/** A quarter of a circle of radius `r` from the right of its middle to its bottom. */
const quarter = (r: number): Json => {
  const k = r * (4 / 3) * Math.tan(Math.PI / 8);
  return {
    ...straight(0, 0),
    nodes: [
      { id: 'w1', x: r, y: 0, out: [0, k] },
      { id: 'w2', x: 0, y: r, in: [k, 0] },
    ],
  };
};

function riding(guide: Json, recipe: Json, marks: readonly Json[], duration = 4, more: Json = {}): Scene {
  const rider = riderOn('r', String(guide['id']), marks, more);
  return sceneOf({
    clock: { duration, fps: 60, repeat: 'loop' },
    art: [BOX_ART],
    guides: [guide],
    riders: [{ ...rider, pace: { ...(rider['pace'] as Json), recipe } }],
  });
}

const ends = (time = 4): Json[] => [
  { time: 0, place: { by: 'share', value: 0 } },
  { time, place: { by: 'share', value: 1 } },
];

const line = (scene: Scene) => prepare(scene).riders[0]!.line!;

describe('fall', () => {
  test('on an incline: half of g·sin θ·t², within a thousandth', () => {
    const made = line(riding(straight(800, 600), { kind: 'fall', gravity: 900, least: 1, fit: false }, ends()));
    for (let t = 0.1; t < 1.9; t += 0.1) expect(made.distanceAt(t) / ((900 * 0.6 * t * t) / 2)).toBeCloseTo(1, 3);
    expect(made.distanceAt(1.9245)).toBeCloseTo(1000, 0);
    expect(made.speedAt(1)).toBeCloseTo(900 * 0.6, 0);
  });
  test('on a circular arc: the time of the elliptic integral, and v² = 2g·h everywhere, within a thousandth', () => {
    const [g, r] = [1200, 500];
    const made = line(riding(quarter(r), { kind: 'fall', gravity: g, least: 1, fit: false }, ends()));
    // From level to the bottom: √(r/g) · K(sin 45°).
    const lasts = Math.sqrt(r / g) * 1.8540746773;
    expect((made.events()[1] ?? 0) / lasts).toBeCloseTo(1, 3);
    for (let t = 0.2; t < lasts; t += 0.1) {
      const height = r * Math.sin(made.distanceAt(t) / r);
      expect(made.speedAt(t) / Math.sqrt(2 * g * height)).toBeCloseTo(1, 3);
    }
  });
  test('friction takes its share of the run; down may be any way', () => {
    const made = line(
      riding(straight(800, 600), { kind: 'fall', gravity: 1000, friction: 0.3, least: 1, fit: false }, ends()),
    );
    // sin θ − μ·cos θ
    expect(made.distanceAt(1) / ((1000 * (0.6 - 0.3 * 0.8)) / 2)).toBeCloseTo(1, 3);
    const across = line(
      riding(straight(800, 600), { kind: 'fall', gravity: 1000, down: 0, least: 1, fit: false }, ends()),
    );
    expect(across.distanceAt(1) / ((1000 * 0.8) / 2)).toBeCloseTo(1, 3);
  });
  test('fitted it arrives at the last mark in time, as fast in proportion', () => {
    const made = line(riding(straight(800, 600), { kind: 'fall', least: 1 }, ends(3)));
    expect(made.distanceAt(1.5)).toBeCloseTo(250, 0);
    expect([made.distanceAt(3), made.distanceAt(3.5)]).toEqual([1000, 1000]);
  });
  test('what cannot climb the crest is helped over at its least speed', () => {
    const hill = {
      ...straight(0, 0),
      nodes: [
        { id: 'w1', x: 0, y: 0 },
        { id: 'w2', x: 300, y: -100 },
        { id: 'w3', x: 600, y: 100 },
      ],
    };
    const made = line(riding(hill, { kind: 'fall', least: 40, fit: false }, ends(20), 20));
    expect(made.speedAt(2)).toBeCloseTo(40, 6);
  });
});

describe('the others', () => {
  test('constant: one speed between the rests', () => {
    const marks = [
      { time: 0, place: { by: 'share', value: 0 } },
      { time: 1, place: { by: 'share', value: 0.8 }, dwell: 1 },
      { time: 3, place: { by: 'share', value: 0.3 } },
    ];
    const made = line(riding(straight(800, 600), { kind: 'constant' }, marks));
    // 800 px there, 500 px back, in two of three seconds.
    const speed = 1300 / 2;
    expect(made.speedAt(0.5)).toBeCloseTo(speed, 6);
    expect(made.distanceAt(800 / speed + 0.5)).toBeCloseTo(800, 6);
    expect(made.speedAt(2.9)).toBeCloseTo(-speed, 6);
    expect(made.distanceAt(3)).toBeCloseTo(300, 6);
  });
  test('bends: a straight is sped up on, held at the top, braked', () => {
    const made = line(riding(straight(1000, 0), { kind: 'bends', top: 500, up: 500, brake: 1000, fit: false }, ends()));
    // 250 px in 1 s up, 125 px in 0.5 s down, 625 px at 500.
    expect(made.distanceAt(1)).toBeCloseTo(250, 0);
    expect(made.speedAt(0.5)).toBeCloseTo(250, 0);
    expect(made.events()[1]).toBeCloseTo(1 + 1.25 + 0.5, 2);
  });
  test('bends: nowhere faster than the bend allows, and round a closed guide its speed closes', () => {
    const recipe = { kind: 'bends', sideways: 900, top: 5000, up: 700, brake: 700, fit: false };
    const lap = [
      { time: 0, place: { by: 'share', value: 0 } },
      { time: 4, place: { by: 'share', value: 1 } },
    ];
    const scene = riding(LOOPS, recipe, lap);
    const { path } = prepare(scene).riders[0]!;
    const made = line(scene);
    for (let t = 0.01; t < 4; t += 0.02) {
      const { curvature } = path!.frameAtDistance(made.distanceAt(t));
      expect(made.speedAt(t) ** 2 * Math.abs(curvature)).toBeLessThan(900 * 1.25);
    }
    const fitted = line(riding(LOOPS, { ...recipe, fit: true }, lap));
    expect(fitted.speedAt(4, -1)).toBeCloseTo(fitted.speedAt(0), 6);
    expect(fitted.speedAt(0)).toBeGreaterThan(10);
  });
  test('hop: on a thrown arc it is where a thrown thing would be', () => {
    // A parabola of height 200 over 400 px: a quadratic curve, raised to a cubic.
    const arc = {
      ...straight(0, 0),
      nodes: [
        { id: 'w1', x: 0, y: 0, out: [400 / 3, (-400 * 2) / 3] },
        { id: 'w2', x: 400, y: 0, in: [-400 / 3, (-400 * 2) / 3] },
      ],
    };
    const scene = riding(arc, { kind: 'hop' }, ends(2));
    const motion = prepare(scene);
    for (let t = 0.05; t < 2; t += 0.05) {
      const pose = motion.poseAt(t);
      const share = t / 2;
      expect(pose.of(0, 'x')).toBeCloseTo(400 * share, 0);
      expect(pose.of(0, 'y')).toBeCloseTo(-800 * share * (1 - share), 0);
    }
  });
  test('a rider without a way to go stands still', () => {
    for (const kind of ['constant', 'fall', 'bends', 'hop'])
      for (const marks of [[], [{ time: 1, place: { by: 'share', value: 0.5 } }]]) {
        const made = line(riding(straight(800, 600), { kind }, marks));
        expect(made.isStill).toBe(true);
        expect(Number.isFinite(made.distanceAt(2))).toBe(true);
        expect(made.speedAt(2)).toBe(0);
      }
  });
});

const between = (min: number, max: number) =>
  fc.integer({ min: 0, max: 100 }).map((k) => min + ((max - min) * k) / 100);
const fit = fc.boolean();
const recipe = fc.oneof(
  fc.constant({ kind: 'constant' }),
  fc.record({
    kind: fc.constant('fall'),
    gravity: between(200, 3000),
    down: fc.constantFrom(90, 0, 130, -90),
    // From rest on the level, or on the bottom of a bend, everything hangs on the first step.
    start: between(60, 300),
    least: between(20, 80),
    friction: fc.constantFrom(0, 0.1, 0.5),
    fit,
  }),
  fc.record({
    kind: fc.constant('bends'),
    sideways: between(300, 3000),
    top: between(200, 900),
    up: between(300, 2000),
    brake: between(300, 2000),
    fit,
  }),
  fc.record({ kind: fc.constant('hop'), gravity: between(500, 3000), fit }),
  fc.record({
    kind: fc.constant('waver'),
    speed: between(0, 0.8),
    waves: fc.integer({ min: 2, max: 9 }),
    seed: fc.nat(),
  }),
);
const marks = fc
  .array(fc.record({ gap: between(0.3, 1.5), share: between(0, 1.5), dwell: fc.constantFrom(0, 0, 0.3) }), {
    minLength: 2,
    maxLength: 4,
  })
  .map((legs) => {
    let time = 0;
    return legs.map(({ gap, share, dwell }, i) => {
      time += i === 0 ? gap - 0.3 : gap;
      const mark = { time, place: { by: 'share', value: share }, dwell };
      time += dwell;
      return mark;
    });
  });

test('60 scenes with recipes are as the reference integrates them', () => {
  fc.assert(
    fc.property(recipe, marks, fc.constantFrom(LOOPS, SQUARE, straight(600, 300)), (made, list, guide) => {
      const scene = riding(guide, made, list, 8);
      const motion = prepare(scene).riders[0]!;
      const { length } = motion.path!;
      for (const time of [0.4, 1.1, 1.9, 2.6, 3.3, 4.7, 7.9]) {
        const slow = referencePose(scene, scene.riders[0]!, time).distance;
        // The two cut the way into different steps; at corners that counts most.
        expect(Math.abs(motion.distanceAt(time) - slow)).toBeLessThan(
          made.kind === 'bends' ? 0.008 * length + 0.5 : 0.005 * length + 0.5,
        );
      }
    }),
    { numRuns: 60, seed: 9 },
  );
});

describe('each recipe, beside steps so fine that they no longer matter', () => {
  const STEPS = 24_000;
  const wave = {
    ...straight(0, 0),
    nodes: [
      { id: 'w1', x: 0, y: 300, out: [60, -220] },
      { id: 'w2', x: 260, y: 300, in: [-60, -220], out: [60, -160] },
      { id: 'w3', x: 470, y: 300, in: [-60, -160] },
    ],
  };
  const hops = ['w1', 'w2', 'w3'].map((node, i) => ({ time: 2 * i, place: { by: 'node', node } }));
  const late = hops.map((mark, i) => ({ ...mark, time: [0.3, 2.6, 3.9][i], dwell: i === 1 ? 0.4 : 0 }));
  const waver = { kind: 'waver', speed: 0.7, waves: 9, seed: 4 };
  test.each<[string, Json, Json, readonly Json[]]>([
    ['a fall and a climb', { kind: 'fall', start: 700, gravity: 900, friction: 0.1 }, wave, ends()],
    ['a fall from rest', { kind: 'fall', gravity: 2400, least: 20 }, quarter(300), ends()],
    ['hops', { kind: 'hop', gravity: 1800 }, wave, hops],
    ['hops at their times', { kind: 'hop', landings: 'gravity' }, wave, late],
    ['bends at a cusp', { kind: 'bends' }, CUSP, ends()],
    ['bends at the corners of a square', { kind: 'bends', sideways: 500 }, SQUARE, ends()],
    ['bends round a loop', { kind: 'bends', sideways: 300, top: 900 }, LOOPS, ends()],
    ['a waver', waver, LOOPS, ends()],
  ])('%s, within 0.005 px at every time', (_, recipe, guide, marks) => {
    const scene = riding(guide, recipe, marks, 4);
    const [rider] = scene.riders;
    const [ridden] = scene.guides;
    const path = prepare(scene).riders[0]!.path!;
    const { length } = path;
    const fine = { count: STEPS, cusps: path.corners() };
    const stops = rider!.pace.marks.map((mark) => ({
      ...mark,
      value:
        mark.place.by === 'share'
          ? mark.place.value * length
          : distanceOfPlace(ridden!, pathOfGuide(ridden!), mark.place),
    }));
    const made = line(scene);
    let worst = 0;
    for (let i = 1; i < 400; i++) {
      const time = i / 100 + 0.0013;
      const there = recipeDistance(rider!.pace.recipe!, ridden!, stops, time, 4, fine);
      worst = Math.max(worst, Math.abs(made.distanceAt(time) - there));
    }
    expect(worst).toBeLessThan(0.005);
  });
});

describe('waver', () => {
  const lapOf = (more: Json): Scene =>
    riding(SQUARE, { kind: 'waver', ...more }, [
      { time: 0, place: { by: 'node', node: 'q1' } },
      { time: 4, place: { by: 'node', node: 'q1', lap: 1 } },
    ]);
  const speeds = (scene: Scene): number[] =>
    Array.from({ length: 400 }, (_, i) => prepare(scene).riders[0]!.speedAt((i + 0.5) / 100));
  test('the speed goes up and down by its share of one that is even, and closes', () => {
    const scene = lapOf({ speed: 0.5, waves: 5, seed: 3 });
    const all = speeds(scene);
    // The least or the greatest is the share away from 1, by one factor.
    const [least, most] = [Math.min(...all), Math.max(...all)];
    expect(most / least).toBeGreaterThan(1.5 / 1);
    expect(most / least).toBeLessThan(1.5 / 0.5 + 0.01);
    const rider = prepare(scene).riders[0]!;
    expect(rider.speedAt(0)).toBeCloseTo(rider.speedAt(4, -1), 6);
    expect(rider.distanceAt(4, -1)).toBeCloseTo(rider.path!.length, 6);
  });
  test('the same seed does the same, another one another thing', () => {
    const [a, b, c] = [3, 3, 4].map((seed) => speeds(lapOf({ speed: 0.5, seed })));
    expect(a).toEqual(b);
    expect(a).not.toEqual(c);
  });
  test('it sways as far as it is told, to both sides, and back to where it was', () => {
    const scene = lapOf({ speed: 0, sway: 30, waves: 8, seed: 2 });
    const rider = prepare(scene).riders[0]!;
    const lifts = Array.from({ length: 801 }, (_, i) => rider.liftAt(i / 200));
    expect(Math.max(...lifts.map(Math.abs))).toBeCloseTo(30, 2);
    expect(Math.min(...lifts)).toBeLessThan(-5);
    expect(Math.max(...lifts)).toBeGreaterThan(5);
    expect(rider.liftAt(4 - 1e-9)).toBeCloseTo(rider.liftAt(0), 4);
  });
});

describe('what turns round where it backs up', () => {
  const back = [
    { time: 0.5, place: { by: 'share', value: 0.7 }, dwell: 0.3 },
    { time: 1.5, place: { by: 'share', value: 0.2 } },
    { time: 3, place: { by: 'share', value: 0.9 }, dwell: 0.4 },
  ];
  const heading = { mode: 'along', reverse: 'turn' };
  test.each(['loop', 'there-and-back', 'once'])(
    'stands, where it goes by a recipe, %s, as it moved last, and before it first moves once, as it will',
    (repeat) => {
      const way = straight(600, 200);
      for (const recipe of [null, { kind: 'constant' }]) {
        const scene = riding(way, recipe as Json, back, 4, { heading });
        const timed = { ...scene, clock: { ...scene.clock, repeat } } as Scene;
        const [rider] = timed.riders;
        const turned: number[] = [];
        for (const time of [0.1, 0.6, 1.2, 1.9, 2.5, 3.9, 4.3, 7.2, 7.8]) {
          const { angle } = referencePose(timed, rider!, time);
          const made = prepare(timed).poseAt(time).of(0, 'angle');
          const gap = Math.abs(Math.cos(made - angle) - 1);
          expect(gap, `${repeat} at ${time}`).toBeLessThan(1e-9);
          turned.push(Math.round(Math.cos(made - Math.atan2(200, 600))));
        }
        expect(new Set(turned)).toEqual(new Set([1, -1]));
        // It leaves its first mark backward; where it goes round, it has come there forward.
        expect(turned[0]).toBe(repeat === 'once' ? -1 : 1);
      }
    },
  );
});
