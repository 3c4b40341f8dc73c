import { describe, expect, test } from 'vitest';
import { LINE, ridersOn as riding, SQUARE } from '../testing/scenes.ts';
import { findingsOf } from './all.ts';
import { meetingsOn } from './index.ts';

const at = (value: number) => ({ by: 'distance', value });

describe('meetings', () => {
  test('two that go against each other meet in the middle', () => {
    const scene = riding(
      LINE,
      [
        { time: 0, place: at(0) },
        { time: 4, place: at(400) },
      ],
      [
        { time: 0, place: at(400) },
        { time: 4, place: at(0) },
      ],
    );
    const { meetings, closest } = meetingsOn(scene, 'line');
    expect(meetings).toHaveLength(1);
    expect(meetings[0]).toMatchObject({ riders: ['r1', 'r2'] });
    expect([meetings[0]!.time, meetings[0]!.distance]).toEqual([expect.closeTo(2, 9), expect.closeTo(200, 6)]);
    expect(closest!.gap).toBe(0);
  });
  test('on a closed guide one laps the other, and those that keep their distance never meet', () => {
    const fast = riding(
      SQUARE,
      [
        { time: 0, place: at(0) },
        { time: 4, place: at(1200) },
      ],
      [
        { time: 0, place: at(100) },
        { time: 4, place: at(500) },
      ],
    );
    // 200 px/s faster: 100 px behind, then a lap more.
    const { meetings: passed } = meetingsOn(fast, 'square');
    expect(passed.map(({ time }) => Math.round(time * 1e6) / 1e6)).toEqual([0.5, 2.5]);
    // Nobody meets who is not seen, or not sent.
    const [first, second] = fast.riders;
    for (const hidden of [{ opacity: 0 }, { output: false }])
      expect(meetingsOn({ ...fast, riders: [first!, { ...second!, ...hidden }] }, 'square').meetings).toEqual([]);
    // At one place of the guide, a lap apart as they are counted.
    expect(passed[1]!.feet.map((foot) => Math.round(foot))).toEqual([750, 350]);
    expect(passed[1]!.distance).toBeCloseTo(350, 4);
    const apart = riding(
      SQUARE,
      [
        { time: 0, place: at(0) },
        { time: 4, place: at(400) },
      ],
      [
        { time: 0, place: at(350) },
        { time: 4, place: at(750) },
      ],
    );
    const { meetings, closest } = meetingsOn(apart, 'square');
    expect(meetings).toEqual([]);
    expect(closest!.gap).toBeCloseTo(50, 6);
  });
  test('alone nobody is met', () =>
    expect(meetingsOn(riding(LINE, [{ time: 0, place: at(0) }]), 'line')).toEqual({ meetings: [], closest: null }));
});
describe('as it is told', () => {
  const run = (from: number, to: number): object[] => [
    { time: 0, place: at(from) },
    { time: 4, place: at(to) },
  ];
  test('each two that meet, with when, where and how fast one passes; it is never wrong', () => {
    // All are at 200 px at 2 s: at 100 px/s, the other way, and half as fast.
    const scene = riding(LINE, run(0, 400), run(400, 0), run(100, 300));
    const told = findingsOf(scene, ['meeting']);
    expect(told.map(({ riders, words, holds, isNote }) => [riders.join(), words, holds, isNote])).toEqual([
      ['r1,r2', 'at 2.00 s, passing at 200 px/s', true, true],
      ['r1,r3', 'at 2.00 s, passing at 50 px/s', true, true],
      ['r2,r3', 'at 2.00 s, passing at 150 px/s', true, true],
    ]);
    const [{ place, spans, figures } = { place: null, spans: [], figures: {} }] = told;
    const middle = [expect.closeTo(place![0][0], 6), expect.closeTo(place![0][1], 6)];
    expect(place![1]).toEqual(middle);
    expect(spans).toEqual([[expect.closeTo(2, 9), expect.closeTo(2, 9)]]);
    expect(figures).toMatchObject({ guide: 'line', distances: [expect.closeTo(200, 6)] });
  });
  test('where nobody meets, how near two come', () => {
    const [one, ...others] = findingsOf(riding(SQUARE, run(0, 400), run(350, 750)), ['meeting']);
    expect(others).toEqual([]);
    expect(one).toMatchObject({
      holds: true,
      words: expect.stringMatching(/^never, closest 50 px at \d\.\d\d s$/) as string,
    });
  });
});
