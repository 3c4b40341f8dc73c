import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { HAIRPIN, LINE, riderOn, sceneOf, SQUARE, WRITER_SCENES } from '../testing/scenes.ts';
import { referencePose } from '../testing/reference.ts';
import { prepare } from './index.ts';

const marks = [
  { time: 0, place: { by: 'node', node: 'a' } },
  { time: 2, place: { by: 'node', node: 'c' }, dwell: 1 },
  { time: 4, place: { by: 'node', node: 'b' } },
];

const lineScene = (pace: object, clock = { duration: 4, fps: 30, repeat: 'loop' }) =>
  sceneOf({ clock, guides: [LINE], riders: [riderOn('r', 'line', marks, { pace })] });

const xAt = (scene: ReturnType<typeof sceneOf>, time: number, side: 1 | -1 = 1): number =>
  Math.round(prepare(scene).poseAt(time, undefined, side).of(0, 'x') * 1e9) / 1e9;

describe('folding time', () => {
  test('loop wraps both ways; before the first mark and after the last it stays', () => {
    const scene = lineScene({});
    expect([0, 1, 2, 2.5, 3.5, 4, 5, -3].map((t) => xAt(scene, t))).toEqual([100, 300, 500, 500, 400, 100, 300, 300]);
    expect(xAt(scene, 4, -1)).toBe(300);
  });
  test('there-and-back runs forward, then backward', () => {
    const scene = lineScene({ repeat: 'there-and-back' });
    expect([1, 4, 4.5, 5.5, 7, 8, 9, -1].map((t) => xAt(scene, t))).toEqual([300, 300, 400, 500, 300, 100, 300, 300]);
  });
  test('once is held at both ends', () => {
    const scene = lineScene({ repeat: 'once' });
    expect([-2, 0, 1, 4, 9].map((t) => xAt(scene, t))).toEqual([100, 100, 300, 300, 300]);
  });
  test('delay is a phase in a loop, a late start once', () => {
    expect([0, 1, 2, 5].map((t) => xAt(lineScene({ delay: 1 }), t))).toEqual([500, 100, 300, 100]);
    expect([0, 1, 2, 5].map((t) => xAt(lineScene({ delay: 1, repeat: 'once' }), t))).toEqual([100, 100, 300, 300]);
  });
  test('an own cycle folds a rider on its own', () => {
    const scene = sceneOf({
      guides: [LINE],
      riders: [
        riderOn(
          'r',
          'line',
          [
            { time: 0, place: { by: 'share', value: 0 } },
            { time: 1, place: { by: 'share', value: 1 } },
          ],
          { pace: { cycle: 1 } },
        ),
      ],
    });
    expect([0, 0.5, 1.25, 3.75].map((t) => xAt(scene, t))).toEqual([100, 300, 200, 400]);
  });
});

describe('places', () => {
  const placed = (place: object, guide: object = LINE): number => {
    const scene = sceneOf({
      guides: [guide],
      riders: [riderOn('r', (guide as { id: string }).id, [{ time: 0, place }])],
    });
    return prepare(scene).poseAt(0).of(0, 'distance');
  };
  test.each([
    [{ by: 'node', node: 'b', along: 0.25 }, 250],
    [{ by: 'node', node: 'c' }, 400],
    [{ by: 'share', value: 0.5 }, 200],
    [{ by: 'share', value: 1.25 }, 500],
    [{ by: 'distance', value: 150 }, 150],
    [{ by: 'distance', value: 900 }, 400],
    [{ by: 'distance', value: -5 }, 0],
  ])('%j is at %f px on an open guide', (place, distance) => expect(placed(place)).toBe(distance));
  test.each([
    [{ by: 'node', node: 'q2', along: 0.5, lap: 2 }, 950],
    [{ by: 'distance', value: 900 }, 900],
    [{ by: 'share', value: -0.5 }, -200],
  ])('%j is at %f px on a closed guide of 400', (place, distance) => expect(placed(place, SQUARE)).toBe(distance));
});

describe('poses', () => {
  test('the matrix puts the pivot on the guide, turned along it', () => {
    const scene = sceneOf({
      guides: [SQUARE],
      riders: [
        riderOn('r', 'square', [{ time: 0, place: { by: 'node', node: 'q2', along: 0.5 } }], {
          lift: 10,
          scale: [2, 1],
        }),
      ],
    });
    const pose = prepare(scene).poseAt(0);
    const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f') => pose.of(0, key);
    // Downwards on the right side of a clockwise square: the left of travel is to the right of the canvas.
    expect([pose.of(0, 'x'), pose.of(0, 'y')]).toEqual([310, 250]);
    expect(pose.of(0, 'angle')).toBeCloseTo(Math.PI / 2, 12);
    expect(m('a') * 20 + m('c') * 20 + m('e')).toBeCloseTo(310, 9);
    expect(m('b') * 20 + m('d') * 20 + m('f')).toBeCloseTo(250, 9);
    // The art's nose (its right edge, 40 px from the pivot, scaled twice) points down.
    expect(m('b') * 60 + m('d') * 20 + m('f')).toBeCloseTo(330, 9);
  });
  test('level keeps its offset; facing turns only what follows the guide', () => {
    const facing = (mode: string): number => {
      const scene = sceneOf({
        guides: [LINE],
        riders: [riderOn('r', 'line', marks, { heading: { mode, offset: 10 } })],
      });
      const turned = { ...scene, art: scene.art.map((art) => ({ ...art, facing: 90 })) };
      return (prepare(turned).poseAt(1).of(0, 'angle') * 180) / Math.PI;
    };
    expect(facing('level')).toBeCloseTo(10, 9);
    expect(facing('along')).toBeCloseTo(-80, 9);
  });
  test('at a corner: moving, the side it moves to; at rest, the side it came from', () => {
    const scene = sceneOf({
      guides: [SQUARE],
      riders: [
        riderOn('r', 'square', [
          { time: 0, place: { by: 'node', node: 'q1' } },
          { time: 1, place: { by: 'node', node: 'q2' }, dwell: 1 },
          { time: 3, place: { by: 'node', node: 'q3' } },
          { time: 4, place: { by: 'node', node: 'q2' } },
        ]),
      ],
    });
    const angle = (time: number, side: 1 | -1 = 1): number =>
      (prepare(scene).poseAt(time, undefined, side).of(0, 'angle') * 180) / Math.PI;
    expect(angle(1)).toBeCloseTo(0, 9);
    expect(angle(1.5)).toBeCloseTo(0, 9);
    expect(angle(2)).toBeCloseTo(90, 9);
    expect(angle(3)).toBeCloseTo(90, 9);
    expect(angle(3, -1)).toBeCloseTo(90, 9);
    expect(angle(4, -1)).toBeCloseTo(90, 9);
  });
  test('marks at one time are a jump, seen from its two sides', () => {
    const scene = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 2, place: { by: 'node', node: 'b' } },
          { time: 2, place: { by: 'node', node: 'c' } },
        ]),
      ],
    });
    expect([xAt(scene, 2, -1), xAt(scene, 2)]).toEqual([300, 500]);
  });
  test('the unwrapped angle of a hairpin passes a half turn, not a jump', () => {
    const scene = sceneOf({
      guides: [HAIRPIN],
      riders: [
        riderOn('r', 'hairpin', [
          { time: 0, place: { by: 'node', node: 'h1' } },
          { time: 4, place: { by: 'node', node: 'h2' } },
        ]),
      ],
    });
    const motion = prepare(scene);
    expect(motion.poseAt(0).of(0, 'angle')).toBeCloseTo(0, 9);
    expect(motion.poseAt(4, undefined, -1).of(0, 'angle')).toBeCloseTo(Math.PI, 9);
  });
  test('posing into given memory gives that memory back', () => {
    const motion = prepare(lineScene({}));
    const poses = motion.poseAt(0);
    expect(motion.poseAt(1, poses)).toBe(poses);
    expect(poses.of(0, 'x')).toBe(300);
  });
});

describe('against the slow reference', () => {
  test.each(Object.entries(WRITER_SCENES))('%s', { timeout: 240_000 }, (_, scene) => {
    const motion = prepare(scene);
    const events = motion.riders.flatMap((rider) => rider.events(0, motion.length));
    for (let k = 0; k < 6; k++) {
      const time = ((k * 0.6180339887 + 0.05) % 1) * motion.length * 3 - motion.length;
      const folded = time - Math.floor(time / motion.length) * motion.length;
      if (events.some((event) => Math.abs(event - folded) < 2e-3)) continue;
      scene.riders.forEach((rider, i) => {
        const slow = referencePose(scene, rider, time);
        const fast = motion.poseAt(time);
        expect(Math.hypot(fast.of(i, 'x') - slow.x, fast.of(i, 'y') - slow.y)).toBeLessThan(0.05);
        // At rest on a corner the tangent is that of the side it came from, which has a test of its own.
        if (motion.riders[i]!.speedAt(time) === 0) return;
        const turn = Math.atan2(fast.of(i, 'b'), fast.of(i, 'a')) - Math.atan2(slow.matrix[1], slow.matrix[0]);
        expect(Math.abs(turn - 2 * Math.PI * Math.round(turn / (2 * Math.PI)))).toBeLessThan(0.02);
      });
    }
  });

  const coordinate = fc.integer({ min: 0, max: 600 });
  const handle = fc.tuple(fc.integer({ min: -150, max: 150 }), fc.integer({ min: -150, max: 150 }));
  const nodes = fc.array(
    fc.record({ x: coordinate, y: coordinate, in: handle, out: handle }, { requiredKeys: ['x', 'y'] }),
    { minLength: 2, maxLength: 4 },
  );
  test('random guides, marks, delays and repeats', () => {
    fc.assert(
      fc.property(
        nodes,
        fc.boolean(),
        fc.array(
          fc.record({
            gap: fc.double({ min: 0.05, max: 1, noNaN: true }),
            share: fc.double({ min: 0, max: 1, noNaN: true }),
            dwell: fc.double({ min: 0, max: 0.3, noNaN: true }),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        fc.constantFrom('loop', 'there-and-back', 'once'),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -6, max: 12, noNaN: true }),
        (list, closed, legs, repeat, delay, time) => {
          let t = 0;
          const placed = legs.map(({ gap, share, dwell }) => {
            const mark = { time: t + gap, dwell, place: { by: 'share', value: share } };
            t += gap + dwell + 0.01;
            return mark;
          });
          const scene = sceneOf({
            clock: { duration: 8, fps: 30, repeat: 'loop' },
            guides: [{ ...LINE, closed, nodes: list.map((node, i) => ({ id: `n${i}`, ...node })) }],
            riders: [riderOn('r', 'line', placed, { pace: { repeat, delay } })],
          });
          const slow = referencePose(scene, scene.riders[0]!, time);
          const fast = prepare(scene).poseAt(time);
          expect(Math.hypot(fast.of(0, 'x') - slow.x, fast.of(0, 'y') - slow.y)).toBeLessThan(0.5);
        },
      ),
      { numRuns: 60, seed: 11 },
    );
  });
});

test('events hold marks, rests, breaks of eases, corners and turns', () => {
  const motion = prepare(WRITER_SCENES['dwelling']!);
  const events = motion.riders[0]!.events(0, 4);
  for (const time of [0, 0.4, 1.7, 2.5, 3, 3.25, 4])
    expect(events.some((event) => Math.abs(event - time) < 1e-9)).toBe(true);
  // The first leg passes the corner q2, half way, while it bounces: at the first touch of the parabola where 7.5625 u² = 1/2.
  const crossing = 0.4 + 1.3 * Math.sqrt(0.5 / 7.5625);
  expect(events.some((event) => Math.abs(event - crossing) < 1e-9)).toBe(true);
});
