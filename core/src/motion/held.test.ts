import { describe, expect, test } from 'vitest';
import { bake, measureTake } from '../take/index.ts';
import { LINE, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import type { Scene } from '../scene/index.ts';
import { prepare } from './index.ts';

const ends = [
  { time: 0, place: { by: 'node', node: 'a' } },
  { time: 4, place: { by: 'node', node: 'c' } },
];

const held = (on: number, more: Record<string, unknown> = {}): Scene =>
  sceneOf({
    clock: { duration: 4, fps: 24, repeat: 'loop' },
    guides: [LINE],
    riders: [riderOn('r', 'line', ends, { pace: { on }, ...more })],
  });

describe('poses that stay on several frames', () => {
  test.each([2, 3, 5])('on %i: each frame shows what the first of its group did', (on) => {
    const [motion, free] = [prepare(held(on)), prepare(held(1))];
    for (let frame = 0; frame < 96; frame++) {
      const first = Math.floor(frame / on) * on;
      for (const within of [0, 0.3, 0.99])
        expect(motion.poseAt((frame + within) / 24).of(0, 'x')).toBeCloseTo(free.poseAt(first / 24).of(0, 'x'), 9);
    }
  });
  test('from earlier times it is what was held until then', () => {
    const motion = prepare(held(2));
    const at = (time: number, side: 1 | -1): number => motion.poseAt(time, undefined, side).of(0, 'x');
    expect(at(2, -1)).toBeCloseTo(at(2 - 2 / 24, 1), 9);
    expect(at(2, 1)).toBeGreaterThan(at(2, -1));
    expect(at(1.99, -1)).toBe(at(1.99, 1));
  });
  test('its pace line is as it was, and what carries it does not stop', () => {
    const scene = sceneOf({
      clock: { duration: 4, fps: 24, repeat: 'loop' },
      guides: [LINE, { ...SQUARE, carrier: 'r' }],
      riders: [
        riderOn('r', 'line', ends),
        riderOn(
          's',
          'square',
          [
            { time: 0, place: { by: 'node', node: 'q1' } },
            { time: 4, place: { by: 'node', node: 'q1', lap: 1 } },
          ],
          { carrier: { rider: 'r' }, pace: { on: 4 } },
        ),
      ],
    });
    const motion = prepare(scene);
    const [before, after] = [0.51, 0.6].map((time) => motion.poseAt(time));
    const moved = after!.of(0, 'x') - before!.of(0, 'x');
    expect(moved).toBeGreaterThan(1);
    expect(after!.of(1, 'x') - before!.of(1, 'x')).toBeCloseTo(moved, 9);
    expect(motion.rider('s')!.distanceAt(0.6)).toBeGreaterThan(motion.rider('s')!.distanceAt(0.51));
  });
  test('a take of it holds, jumps, and is nowhere off', () => {
    const scene = held(3, {
      heading: { mode: 'along' },
      keys: {
        turn: [
          { id: 't', time: 0, value: 0 },
          { id: 'u', time: 4, value: 90 },
        ],
      },
    });
    const take = bake(scene);
    const [drawn] = take.drawing;
    expect(measureTake(scene, take).px).toBeLessThan(0.25);
    expect(drawn?.kind === 'art' && drawn.curves.x.length).toBeLessThanOrEqual(2 * 32 + 1);
  });
});
