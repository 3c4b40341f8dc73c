import { expect, test } from 'vitest';
import { LINE, riderOn, sceneOf } from '../../../../core/src/testing/scenes.ts';
import { bandOf } from './band.ts';

const at = (node: string): object => ({ by: 'node', node });
const bandOn = (marks: readonly Record<string, unknown>[], zoom = 1) => {
  const scene = sceneOf({ guides: [LINE], riders: [riderOn('r', 'line', marks)] });
  return bandOf(scene, scene.riders[0]!, zoom);
};

/** Farthest that an outline reaches from the straight guide, px. */
const reach = (d: string): number => {
  const ys = [...d.matchAll(/[ML]([-\d.]+) ([-\d.]+)/g)].map(([, , y]) => Number(y));
  return Math.max(...ys) - Math.min(...ys);
};

test('as wide as it is fast, at the guide’s left, and at its right where it backs up', () => {
  const steady = bandOn([
    { time: 0, place: at('a') },
    { time: 4, place: at('c') },
  ]);
  expect(reach(steady.forward)).toBeCloseTo(26, 0);
  expect(steady.back).toBe('');
  const turning = bandOn([
    { time: 0, place: at('a') },
    { time: 1, place: at('c') },
    { time: 4, place: at('a') },
  ]);
  // Back it goes at a third of the speed.
  expect(reach(turning.back) / reach(turning.forward)).toBeCloseTo(1 / 3, 1);
  expect(turning.fastest / 3).toBeCloseTo(steady.fastest * (4 / 3), 0);
});

test('the same on the screen at any size; nothing of what stands', () => {
  const marks = [
    { time: 0, place: at('a') },
    { time: 4, place: at('c') },
  ];
  expect(reach(bandOn(marks, 4).forward)).toBeCloseTo(26 / 4, 0);
  expect(bandOn([{ time: 0, place: at('a') }])).toEqual({ forward: '', back: '', fastest: 0 });
});
