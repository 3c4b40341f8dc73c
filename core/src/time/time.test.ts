import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  cutsAtWraps,
  foldTime,
  isHeld,
  REPEATS,
  shownCopies,
  shownTimes,
  timesOfLocals,
  type Folding,
} from './index.ts';

const folding = fc.record({
  delay: fc.double({ min: -5, max: 5, noNaN: true }),
  cycle: fc.double({ min: 0.2, max: 4, noNaN: true }),
  repeat: fc.constantFrom(...REPEATS),
  times: fc.constantFrom(null, null, 1, 3),
});

describe('unfolding is folding backwards', () => {
  test('each time at which a local time passes folds to it', () => {
    fc.assert(
      fc.property(folding, fc.double({ min: 0, max: 1, noNaN: true }), (by, share) => {
        const local = share * by.cycle;
        for (const time of timesOfLocals(by, [local], -3, 7)) {
          const off = Math.abs(foldTime(time, by).local - local);
          expect(Math.min(off, Math.abs(by.cycle - off))).toBeLessThan(1e-9);
        }
        for (const time of shownTimes(by, local, 6)) {
          const off = Math.abs(foldTime(time, by).local - local);
          if (!isHeld(by, time)) expect(Math.min(off, Math.abs(by.cycle - off))).toBeLessThan(1e-8);
        }
      }),
      { seed: 4 },
    );
  });
  test('three rounds, then it holds where the last one ends; before its delay it stands at its start', () => {
    const by: Folding = { delay: 1, cycle: 2, repeat: 'loop', times: 3 };
    expect([-5, 0.5, 1, 1.5, 3, 4.5, 6.9, 7, 20].map((time) => foldTime(time, by).local)).toEqual([
      ...[0, 0, 0, 0.5, 0, 1.5],
      expect.closeTo(1.9, 9),
      ...[2, 2],
    ]);
    expect(foldTime(7, by, -1).local).toBe(2);
    expect(foldTime(3, by, -1).local).toBe(2);
    expect([0, 1.5, 7, 7.5].map((time) => isHeld(by, time))).toEqual([true, false, false, true]);
    expect(timesOfLocals(by, [0, 2], -10, 30).sort((a, b) => a - b)).toEqual([1, 3, 3, 5, 5, 7]);
    expect(shownTimes(by, 0.5, 12)).toEqual([1.5, 3.5, 5.5]);
    expect(cutsAtWraps(by, 0, 12)).toEqual([0, 3, 5, 12]);
    const back: Folding = { ...by, repeat: 'there-and-back', times: 2 };
    expect(foldTime(8.5, back)).toEqual({ local: 0.5, direction: -1 });
    expect(foldTime(9, back)).toEqual({ local: 0, direction: -1 });
    expect(shownCopies(back, 0.5, 30)).toHaveLength(4);
  });
  test('a mark at the start is not shown again at the very end, one at the end not at the very start', () => {
    const by: Folding = { delay: 0, cycle: 2, repeat: 'loop' };
    expect(shownTimes(by, 0, 4)).toEqual([0, 2]);
    expect(shownTimes(by, 2, 4)).toEqual([2, 4]);
    expect(shownTimes(by, 0.5, 4)).toEqual([0.5, 2.5]);
    expect(shownTimes({ ...by, repeat: 'there-and-back' }, 0.5, 8)).toEqual([0.5, 4.5]);
    expect(shownTimes({ ...by, repeat: 'once', delay: 1 }, 0.5, 4)).toEqual([1.5]);
  });
  test('there and back a mark is shown on the way back too, where local time runs backward; not once more at a turn', () => {
    const by: Folding = { delay: 0, cycle: 2, repeat: 'there-and-back' };
    expect(shownCopies(by, 0.5, 8)).toEqual([
      { time: 0.5, direction: 1 },
      { time: 4.5, direction: 1 },
      { time: 3.5, direction: -1 },
      { time: 7.5, direction: -1 },
    ]);
    for (const local of [0, 2]) expect(shownCopies(by, local, 4).every(({ direction }) => direction === 1)).toBe(true);
    const late: Folding = { ...by, delay: 1.2 };
    for (const { time, direction } of shownCopies(late, 0.7, 8))
      expect(foldTime(time, late)).toMatchObject({ local: expect.closeTo(0.7, 9) as number, direction });
    expect(shownCopies({ ...by, repeat: 'loop' }, 0.5, 4)).toHaveLength(2);
  });
  test('a line is cut where a loop starts anew', () => {
    expect(cutsAtWraps({ delay: 0.5, cycle: 2, repeat: 'loop' }, -1, 5)).toEqual([-1, 0.5, 2.5, 4.5, 5]);
    expect(cutsAtWraps({ delay: 0, cycle: 2, repeat: 'there-and-back' }, 0, 5)).toEqual([0, 5]);
  });
});

test('a cycle that fits millions of times into a loop is shown as often as can be told apart', () => {
  const by: Folding = { cycle: 0.001, delay: 0, repeat: 'loop' };
  expect(shownTimes(by, 0.0005, 3600)).toHaveLength(1000);
  expect(shownCopies({ ...by, repeat: 'there-and-back' }, 0.0005, 3600)).toHaveLength(2000);
  expect(cutsAtWraps(by, 0, 3600)).toEqual([0, 3600]);
  expect(cutsAtWraps(by, 0, 0.0025)).toEqual([0, 0.001, 0.002, 0.0025]);
});

test('of times that pass millions of times only as many are told as can be held, those that come first', () => {
  const by: Folding = { cycle: 0.001, delay: 0, repeat: 'there-and-back' };
  const times = timesOfLocals(by, [0, 0.0004], 0, 7200);
  expect(times.length).toBeGreaterThan(200_000 - 1);
  expect(times.length).toBeLessThan(200_000 + 4);
  expect(Math.max(...times.slice(-4))).toBeLessThan(110);
  // A short stretch of the same, far out, is told whole.
  expect(timesOfLocals(by, [0.0004], 5000, 5000.01)).toHaveLength(10);
  // And so is what passes often, but not too often.
  expect(timesOfLocals({ ...by, cycle: 0.1 }, [0.04], 0, 3600)).toHaveLength(36_000);
});
