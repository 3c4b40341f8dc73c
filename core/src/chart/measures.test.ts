import { describe, expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { LINE, ridersOn as riding, SQUARE } from '../testing/scenes.ts';
import { measuresOf, standoutsOf } from './index.ts';

const at = (value: number) => ({ by: 'distance', value });
const quad = { kind: 'family', family: 'quad', mode: 'in-out' };

describe('what a rider does over time', () => {
  const scene = riding(LINE, [
    { time: 0, place: at(0), ease: quad },
    { time: 2, place: at(400), dwell: 0.5, ease: quad },
    { time: 4, place: at(0) },
  ]);
  const measures = measuresOf(prepare(scene).riders[0]!, 4, 400);
  test('speed and acceleration are those of the closed form, on both sides of what is not smooth', () => {
    // 400 px in 2 s: half of it at 400 px/s², up to 400 px/s.
    const near = (time: number) => measures.filter((one) => Math.abs(one.time - time) < 1e-9);
    expect(near(0.5)[0]!.speed).toBeCloseTo(200, 3);
    expect(near(0.5)[0]!.acceleration).toBeCloseTo(400, 2);
    expect(near(1).map(({ acceleration }) => Math.round(acceleration))).toEqual([400, -400]);
    expect(near(2.2)[0]).toMatchObject({ speed: 0, acceleration: 0 });
    expect(Math.min(...measures.map(({ speed }) => speed))).toBeCloseTo(-400 / 0.75, 1);
  });
  test('its peaks and its stand between two moves are named', () => {
    const found = standoutsOf(measures);
    expect(found.map(({ kind }) => kind)).toEqual(['peak', 'stall', 'peak']);
    expect(found[0]!.time).toBeCloseTo(1, 2);
    expect(found[1]!.time).toBeGreaterThan(1.9);
    expect(found[1]!.time).toBeLessThan(2.01);
    expect(found[2]!.time).toBeCloseTo(3.25, 1);
  });
  test('along a square it turns at its corners only', () => {
    const round = measuresOf(
      prepare(
        riding(SQUARE, [
          { time: 0, place: at(0) },
          { time: 4, place: at(400) },
        ]),
      ).riders[0]!,
      4,
      200,
    );
    expect(Math.max(...round.map(({ turn }) => Math.abs(turn)))).toBeLessThan(1e-6);
  });
});
