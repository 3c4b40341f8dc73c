import { describe, expect, test } from 'vitest';
import { riderById, type Scene } from '@pace-line/core';
import { riderOn, sceneOf, LINE } from '../../../../core/src/testing/scenes.ts';
import { ticksOf, type Ticks } from './spacing.ts';

/** A rider that goes so many px of the line in eight seconds, at thirty frames each. */
function ticksOver(px: number, zoom: number, ease: object = { kind: 'steady' }): Ticks {
  const scene: Scene = sceneOf({
    clock: { duration: 8, fps: 30, repeat: 'loop' },
    guides: [LINE],
    riders: [
      riderOn('r', 'line', [
        { time: 0, place: { by: 'distance', value: 0 }, ease },
        { time: 8, place: { by: 'distance', value: px } },
      ]),
    ],
  });
  return ticksOf(scene, riderById(scene, 'r')!, zoom)!;
}

/** Where ticks stand on the line, canvas px. */
const placesOf = ({ short, long }: Ticks): number[] =>
  [...(short + long).matchAll(/M([-\d.]+) /g)].map(([, x]) => Number(x)).sort((a, b) => a - b);

const gapsOf = (ticks: Ticks): number[] =>
  placesOf(ticks).flatMap((x, i, all) => (i === 0 ? [] : x - (all[i - 1] ?? 0)));

describe('spacing ticks', () => {
  test('a fast rider has one at each frame, a slow one so few that they stand apart', () => {
    // 400 px in 240 frames on a screen of four times the size: 6.7 px from one to the next.
    expect(ticksOver(400, 4).every).toBe(1);
    // A rider that crawls was taken for one that rests, and its ticks became a bar.
    for (const [px, zoom] of [
      [400, 1],
      [40, 1],
      [36, 2],
    ] as const) {
      const ticks = ticksOver(px, zoom);
      expect(ticks.every).toBeGreaterThan(1);
      for (const gap of gapsOf(ticks)) expect(gap * zoom).toBeGreaterThanOrEqual(6 - 0.1);
    }
  });
  test('with an ease most stand apart; where it is slow they may crowd', () => {
    const gaps = gapsOf(ticksOver(400, 1, { kind: 'family', family: 'sine', mode: 'in-out' }));
    expect(gaps.filter((gap) => gap >= 5.9).length).toBeGreaterThan(0.8 * gaps.length);
  });
  test('the long ones are a second apart', () => {
    const { long } = ticksOver(400, 4);
    expect([...long.matchAll(/M/g)]).toHaveLength(8);
  });
});
