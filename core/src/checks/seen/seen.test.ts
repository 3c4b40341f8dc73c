import { describe, expect, test } from 'vitest';
import { BOX_ART, LINE, riderOn, sceneOf } from '../../testing/scenes.ts';
import { findingsOf } from '../all.ts';

// The box is 60 × 40 px with its pivot at (20, 20), on a canvas of 800 × 600; the line goes from (100, 300) to (500, 300).
const at = (value: number): object => ({ by: 'distance', value });
/** A number that is as near to another as so many digits say. */
const near = (value: number, digits: number): number => expect.closeTo(value, digits) as number;
const level = { heading: { mode: 'level' } };
const from = (x: number, to: number): object => ({
  ...LINE,
  nodes: [
    { id: 'a', x, y: 300 },
    { id: 'b', x: to, y: 300 },
  ],
});
const run = [
  { time: 0, place: { by: 'node', node: 'a' } },
  { time: 4, place: { by: 'node', node: 'b' } },
];
const found = (check: string, parts: object) =>
  findingsOf(sceneOf({ guides: [LINE], ...parts }), [check]).map(
    ({ holds, riders, words, spans, at: when, figures }) => ({
      ...{ holds, riders, words, spans, when, figures },
    }),
  );
const rides = (guide: object, more: object = {}, marks: object[] = run, id = 'r') => ({
  guides: [guide],
  riders: [riderOn(id, 'line', marks as never, { ...level, ...more })],
});

describe('off the canvas', () => {
  test('for how long is told to a thousandth of a second, and is not wrong', () => {
    // Its left edge is 20 px before the pivot: at 800 px from 820 px on. 250 px/s from −100 px: in sight from −40 px at 0.24 s to 820 px at 3.68 s.
    expect(found('off-canvas', rides(from(-100, 900)))).toEqual([
      {
        ...{ holds: true, riders: ['r'], words: '0.56 s, from 0.00 s', when: 0 },
        spans: [
          [0, near(0.24, 3)],
          [near(3.68, 3), 4],
        ],
        figures: { off: near(0.56, 3) },
      },
    ]);
  });
  test('never on it, and never wholly, are findings; what is larger than the canvas need not be', () => {
    expect(found('off-canvas', rides(from(900, 1300)))).toMatchObject([{ holds: false, words: 'never on it' }]);
    // From 780 px to 790 px: its right edge is 40 px further, 20 px beyond at the start.
    expect(found('off-canvas', rides(from(780, 790)))).toMatchObject([
      {
        holds: false,
        words: 'never wholly on it, 20 px beyond at best, at 0.00 s',
        figures: { beyond: near(20, 6) },
      },
    ]);
    expect(found('off-canvas', rides(from(780, 790), { scale: [20, 20] }))).toEqual([]);
    for (const more of [{ output: false }, { locked: true }, { opacity: 0 }])
      expect(found('off-canvas', rides(from(900, 1300), more))).toEqual([]);
  });
  test('by its outline, not by the box of its drawing: turned by an eighth, a disc needs no more room', () => {
    const disc =
      '<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100"><circle cx="50" cy="50" r="50"/></svg>';
    const art = [{ ...BOX_ART, markup: disc, width: 100, height: 100, pivot: [50, 50] }];
    const turned = { ...rides(from(50, 300), { heading: { mode: 'level', offset: 45 } }), art };
    expect(found('off-canvas', turned)).toEqual([]);
  });
});

describe('reading time', () => {
  const label = (words: string) => [
    {
      ...BOX_ART,
      markup: `<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><title>Not read</title><rect width="60" height="40"/><text y="20">${words}</text></svg>`,
    },
  ];
  /** Rests in the middle for some seconds. */
  const resting = (seconds: number) => [
    { time: 0, place: at(0) },
    { time: 1, place: at(200), dwell: seconds },
    { time: 4, place: at(400) },
  ];
  test('what rests for less than its words take is told', () => {
    const parts = { ...rides(LINE, {}, resting(1)), art: label('Mind the <tspan>gap</tspan>') };
    expect(found('reading', parts)).toMatchObject([
      {
        ...{
          holds: false,
          riders: ['r'],
          words: '3 words rest 1.00 s, reading takes 1.5 s',
          when: near(1, 3),
        },
        figures: { count: 3, rests: near(1, 3), needed: 1.5 },
      },
    ]);
  });
  test('what rests for long enough, what never rests, and what has no words is not', () => {
    expect(found('reading', { ...rides(LINE, {}, resting(1.6)), art: label('Mind the gap') })).toEqual([]);
    expect(found('reading', { ...rides(LINE), art: label('Mind the gap') })).toEqual([]);
    expect(found('reading', rides(LINE, {}, resting(0.5)))).toEqual([]);
  });
  test('a rest over the loop’s end is one', () => {
    const over = [
      { time: 0, place: at(0), dwell: 1 },
      { time: 2, place: at(300) },
      { time: 3, place: at(0), dwell: 1 },
      { time: 4, place: at(0) },
    ];
    expect(found('reading', { ...rides(LINE, {}, over), art: label('Mind the gap') })).toEqual([]);
    expect(found('reading', { ...rides(LINE, {}, over), art: label('Mind the gap, please do mind it') })).toMatchObject(
      [{ figures: { count: 7, rests: near(2, 2) } }],
    );
  });
});

describe('flashes', () => {
  /** Opacity up and down so many times a second, between two values. */
  const blinking = (times: number, scale: number, [low, high] = [0, 1], id = 'r') =>
    rides(
      LINE,
      {
        scale: [scale, scale],
        keys: {
          opacity: Array.from({ length: 8 * times + 1 }, (_, i) => ({
            ...{ id: `${id}-k${i}`, time: i / (2 * times), value: i % 2 === 0 ? low : high },
          })),
        },
      },
      run,
      id,
    );
  // 60 × 40 px at four times the size are 38,400 px²; a quarter of the field of sight is 21,824 px².
  test.each([
    ['three a second are safe', 3, 4, undefined, 0],
    ['four are not', 4, 4, undefined, 1],
    ['where they are small they are', 4, 3, undefined, 0],
    ['faint ones are no flashes', 4, 4, [0.9, 0.99], 0],
    ['a tenth is one', 4, 4, [0.5, 0.6], 1],
  ] as const)('%s', (_, times, scale, range, count) => {
    const told = found('flashes', blinking(times, scale, range as never));
    expect(told).toHaveLength(count);
    if (count > 0) expect(told[0]!.figures).toMatchObject({ flashes: 4, area: near(38_400, -1) });
  });
  test('several small ones that flash together are one large one', () => {
    const riders = ['r', 's'].flatMap((id) => blinking(4, 2.5, [0, 1], id).riders);
    expect(found('flashes', { riders })).toMatchObject([{ riders: ['r', 's'], figures: { area: near(30_000, -1) } }]);
  });
});
