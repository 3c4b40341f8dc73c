import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Scene } from '../scene/index.ts';
import { referenceOrder, referenceSeen } from '../testing/reference-view.ts';
import { BOX_ART, LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import { displayOrder, prepare, viewOf } from './index.ts';

type Json = Record<string, unknown>;

const IDS = ['ra', 'rb', 'rc', 'rd'] as const;
const share = (value: number): Json => ({ by: 'share', value });
const STARTS = { loops: 'l1', square: 'q1' } as const;

/** One of four riders: what it rides, behind whom it is where, and what carries it. */
const ridden = fc.record({
  guide: fc.constantFrom('loops', 'square', null),
  behind: fc.array(
    fc.record({
      rider: fc.constantFrom(...IDS),
      from: fc.integer({ min: 0, max: 10 }),
      long: fc.integer({ min: 1, max: 8 }),
    }),
    { maxLength: 2 },
  ),
  lead: fc.integer({ min: -200, max: 200 }),
  scale: fc.constantFrom([1, 1], [2, 0.5], [-1.5, 1.5], [0.7, -0.7]),
  stand: fc.integer({ min: -180, max: 180 }),
});

const strokes = fc.tuple(fc.boolean(), fc.boolean(), fc.boolean(), fc.boolean());

const layered = fc
  .tuple(fc.tuple(ridden, ridden, ridden, ridden), strokes)
  .map(([riders, [one, two, three, isCarried]]): Scene => {
    const stroke = (is: boolean): Json => (is ? { stroke: { color: '#112233', width: 2 } } : {});
    return sceneOf({
      guides: [
        { ...LOOPS, ...stroke(one) },
        { ...SQUARE, ...stroke(two) },
        { ...LINE, ...stroke(three), carrier: isCarried ? 'rb' : null },
      ],
      art: [BOX_ART],
      camera: 'rc',
      riders: riders.map(({ guide, behind, ...more }, i) => {
        const id = IDS[i]!;
        const start = guide === null ? undefined : STARTS[guide];
        const lap = [
          { time: 0, place: { by: 'node', node: start } },
          { time: 4, place: { by: 'node', node: start, lap: 1 } },
        ];
        return riderOn(id, guide ?? 'loops', start === undefined ? [] : lap, {
          ...more,
          guide,
          at: [100 * i, 50 * i],
          behind: behind
            .filter(({ rider }) => rider !== id && guide !== null)
            .map(({ rider, from, long }) => ({
              by: 'places',
              rider,
              from: share(from / 10),
              to: share(((from + long) % 10) / 10),
            })),
        });
      }),
    });
  });

describe('what is seen, against the slow reference', () => {
  test('the order in which all of it is drawn, at random times', () => {
    let moved = 0;
    fc.assert(
      fc.property(
        layered,
        fc.array(fc.integer({ min: 0, max: 3999 }), { minLength: 5, maxLength: 5 }),
        (scene, times) => {
          const motion = prepare(scene);
          for (const ms of times) {
            const time = ms / 1000 + 0.0003;
            if (motion.riders.some((rider) => rider.steps(time - 1e-3, time + 1e-3).length > 2)) continue;
            const poses = motion.poseAt(time);
            const drawn = displayOrder(scene)
              .filter((one) => one.kind === 'stroke' || poses.of(one.index, 'under') === one.under)
              .map((one) => ({ kind: one.kind, id: one.kind === 'stroke' ? one.guide.id : one.rider.id }));
            expect(drawn).toEqual(referenceOrder(scene, time));
            if (drawn.filter(({ kind }) => kind === 'rider').some(({ id }, i) => id !== IDS[i])) moved++;
          }
        },
      ),
      { numRuns: 200, seed: 5 },
    );
    expect(moved).toBeGreaterThan(50);
  });

  test('where the camera shows points of the canvas, near ones and far ones', () => {
    fc.assert(
      fc.property(layered, fc.integer({ min: 0, max: 3999 }), fc.constantFrom(0, 0.4, 1, 2), (scene, ms, parallax) => {
        const motion = prepare(scene);
        const [a, b, c, d, e, f] = viewOf(scene.canvas, motion.poseAt(ms / 1000).data, motion.indexOf('rc'), parallax);
        for (const [x, y] of [
          [0, 0],
          [800, 0],
          [333, 600],
        ] as const) {
          const [u, v] = referenceSeen(scene, ms / 1000, parallax, [x, y]);
          expect(Math.hypot(a! * x + c! * y + e! - u, b! * x + d! * y + f! - v)).toBeLessThan(1e-5);
        }
      }),
      { numRuns: 200, seed: 6 },
    );
  });
});
