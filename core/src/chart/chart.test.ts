import { describe, expect, it } from 'vitest';
import { prepare } from '../motion/index.ts';
import { LINE, riderOn, sceneOf } from '../testing/scenes.ts';
import {
  copiesInView,
  distanceAtY,
  paceLinePoints,
  pathOfPoints,
  speedRibbon,
  thinned,
  timeAtX,
  xOfTime,
  yOfDistance,
  type Axes,
} from './index.ts';
import { shownCopies } from '../time/index.ts';
import type { SheetPoint } from './axes.ts';

const AXES: Axes = { from: 0, to: 4, low: 0, high: 400, left: 100, right: 900, top: 20, bottom: 220 };

const scene = sceneOf({
  clock: { duration: 4, fps: 30, repeat: 'loop' },
  guides: [LINE],
  riders: [
    riderOn('even', 'line', [
      { time: 0, place: { by: 'node', node: 'a' } },
      { time: 4, place: { by: 'node', node: 'c' } },
    ]),
    riderOn('eased', 'line', [
      { time: 0, place: { by: 'node', node: 'a' }, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
      { time: 4, place: { by: 'node', node: 'c' } },
    ]),
  ],
});

const lineOf = (id: string): SheetPoint[] => {
  const rider = prepare(scene).rider(id);
  if (!rider) throw new Error(id);
  return paceLinePoints(rider, AXES, 2)[0] ?? [];
};

/** The height of a line of straight pieces at x, px. */
function heightAt(points: readonly SheetPoint[], x: number): number {
  const i = points.findIndex((point) => point[0] >= x);
  const [to, from] = [points[i] ?? [0, 0], points[Math.max(0, i - 1)] ?? [0, 0]];
  return to[0] === from[0] ? to[1] : from[1] + ((to[1] - from[1]) * (x - from[0])) / (to[0] - from[0]);
}

describe('the sheet’s axes', () => {
  it('give times and distances there and back', () => {
    for (const t of [0, 1.25, 4]) expect(timeAtX(AXES, xOfTime(AXES, t))).toBeCloseTo(t, 12);
    for (const d of [0, 133, 400]) expect(distanceAtY(AXES, yOfDistance(AXES, d))).toBeCloseTo(d, 12);
  });
});

describe('a pace line on the sheet', () => {
  it('is the closed form of its ease, and its speed the derivative', () => {
    for (const [x, y] of lineOf('eased')) {
      const t = timeAtX(AXES, x);
      expect(distanceAtY(AXES, y)).toBeCloseTo((400 * (1 - Math.cos((Math.PI * t) / 4))) / 2, 6);
    }
    const rider = prepare(scene).rider('eased');
    if (!rider) throw new Error('no rider');
    const { points, most, least } = speedRibbon(rider, AXES);
    for (const [x, speed] of points)
      expect(speed).toBeCloseTo(((400 * Math.PI) / 8) * Math.sin((Math.PI * timeAtX(AXES, x)) / 4), 4);
    expect(most).toBeCloseTo((400 * Math.PI) / 8, 3);
    expect(least).toBe(0);
  });

  it('backs up below the zero of its speed', () => {
    const back = sceneOf({
      guides: [LINE],
      riders: [
        riderOn('back', 'line', [
          { time: 0, place: { by: 'node', node: 'c' } },
          { time: 4, place: { by: 'node', node: 'a' } },
        ]),
      ],
    });
    const rider = prepare(back).rider('back');
    if (!rider) throw new Error('no rider');
    const { points, least } = speedRibbon(rider, AXES);
    expect(least).toBeCloseTo(-100, 6);
    // Past the seam it begins anew: what stands at the very end is not looked at.
    for (const [, speed] of points.slice(1, -1)) expect(speed).toBeCloseTo(-100, 6);
  });

  it('is drawn with the two ends alone where it is straight', () => {
    expect(pathOfPoints([lineOf('even')])).toBe('M100 220L900 20');
  });
});

describe('thinning a line', () => {
  it('leaves out what stays within the width of nothing, and no more', () => {
    const all = lineOf('eased');
    const few = thinned(all, 0.12);
    expect(few.length).toBeLessThan(all.length / 5);
    for (const [x, y] of all) expect(Math.abs(heightAt(few, x) - y)).toBeLessThanOrEqual(0.12 + 1e-9);
    // A tenth of the room takes more of the points: the room is what decides.
    expect(thinned(all, 0.012).length).toBeGreaterThan(2 * few.length);
  });

  it('keeps both ends of a jump, a peak of one point, and lines of one point or none', () => {
    const jump: SheetPoint[] = [
      [0, 0],
      [1, 1],
      [2, 2],
      [2, 50],
      [3, 50],
      [4, 50],
    ];
    expect(thinned(jump)).toEqual([
      [0, 0],
      [2, 2],
      [2, 50],
      [4, 50],
    ]);
    const peak: SheetPoint[] = [
      [0, 0],
      [1, 0],
      [2, 9],
      [3, 0],
      [4, 0],
    ];
    expect(thinned(peak)).toEqual(peak);
    expect(thinned([[3, 4]])).toEqual([[3, 4]]);
    expect(thinned([])).toEqual([]);
  });
});

describe('copies of a time on the sheet', () => {
  const by = { repeat: 'there-and-back', cycle: 1, delay: 0 } as const;
  it('are all there while they stand apart', () => {
    const all = copiesInView(AXES, by, 0.25, 4);
    expect(all.map(({ x, shown }) => [x, shown.direction])).toEqual([
      [150, 1],
      [550, 1],
      [450, -1],
      [850, -1],
    ]);
    expect(all.map(({ isFirst }) => isFirst)).toEqual([true, false, false, false]);
  });
  it('are as many as there is room for where a cycle is far shorter than the loop, and near each that is left out another stands', () => {
    const short = { ...by, cycle: 0.01 };
    const copies = copiesInView({ ...AXES, to: 12 }, short, 0.004, 3600);
    expect(copies.length).toBeLessThan(2 * ((900 - 100) / 4 + 3));
    for (const { time } of shownCopies(short, 0.004, 3600).filter((one) => one.time < 12)) {
      const x = xOfTime({ ...AXES, to: 12 }, time);
      expect(Math.min(...copies.map((one) => Math.abs(one.x - x)))).toBeLessThan(4.001);
    }
  });
  it('but the first, which is edited, are left out beyond the view', () => {
    const zoomed = { ...AXES, from: 2, to: 3 };
    expect(copiesInView(zoomed, by, 0.25, 4).map(({ shown, isFirst }) => [shown.time, isFirst])).toEqual([
      [0.25, true],
      [2.25, false],
    ]);
  });
});
