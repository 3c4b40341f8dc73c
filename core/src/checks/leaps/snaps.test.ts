import { describe, expect, it } from 'vitest';
import type { Scene } from '../../scene/index.ts';
import { HAIRPIN, LINE, SQUARE, sceneOf } from '../../testing/scenes.ts';
import { findingsBy } from '../findings.ts';
import { jump } from './index.ts';
import { checkJumps } from './jumps.ts';
import { checkSnaps } from './snaps.ts';

const node = (name: string, lap = 0): object => ({ by: 'node', node: name, lap });
const LAP = [
  { id: 'm1', time: 0, place: node('q1') },
  { id: 'm2', time: 4, place: node('q1', 1) },
];
const ACROSS = [
  { id: 'm1', time: 0, place: node('a') },
  { id: 'm2', time: 4, place: node('c') },
];

interface More {
  readonly heading?: object;
  readonly pace?: object;
  readonly rider?: object;
  readonly others?: readonly object[];
}

function riding(guide: object, marks: object[], { heading, pace, rider, others = [] }: More = {}): Scene {
  return sceneOf({
    guides: [guide],
    riders: [
      {
        ...{ id: 'r', name: 'Rider', art: 'box', guide: (guide as { id: string }).id },
        heading: { mode: 'along', offset: 0, ...heading },
        pace: { marks, ...pace },
        ...rider,
      },
      ...others,
    ],
  });
}

const degrees = (rad: number): number => (rad * 180) / Math.PI;

describe('leaps of rotation', () => {
  it('a nose that follows a square snaps by 90° at each corner within the loop', () => {
    const [found, ...more] = checkSnaps(riding(SQUARE, LAP));
    expect(more).toEqual([]);
    expect(found).toMatchObject({ rider: 'r', kind: 'rotation' });
    expect(degrees(found!.amount)).toBeCloseTo(90, 4);
    found!.times.forEach((time, i) => expect(time).toBeCloseTo(i + 1, 5));
    expect(found!.times).toHaveLength(3);
  });

  it('smoothed over a length of guide, or level, it does not', () => {
    expect(checkSnaps(riding(SQUARE, LAP, { heading: { smooth: 20 } }))).toEqual([]);
    expect(checkSnaps(riding(SQUARE, LAP, { heading: { mode: 'level' } }))).toEqual([]);
  });

  it('a corner of less than the limit is none', () => {
    const bent = (down: number): object => ({
      ...LINE,
      nodes: LINE.nodes.map((one) => ({ ...one, y: one.id === 'b' ? one.y + down : one.y })),
    });
    const [, middle] = LINE.nodes;
    expect(middle?.id).toBe('b');
    // Two sides of 200 px that fall and rise by `down`: they meet at twice atan(down / 200).
    expect(checkSnaps(riding(bent(200 * Math.tan((7 * Math.PI) / 180)), ACROSS))).toEqual([]);
    const [found] = checkSnaps(riding(bent(200 * Math.tan((8 * Math.PI) / 180)), ACROSS));
    expect(degrees(found!.amount)).toBeCloseTo(16, 1);
  });

  it('what turns round where it backs up is found; mirrored there, or kept, it is none', () => {
    const back = [
      ...ACROSS.slice(0, 1),
      { id: 'm2', time: 2, place: node('c') },
      { id: 'm3', time: 4, place: node('a') },
    ];
    const [found] = checkSnaps(riding(LINE, back, { heading: { reverse: 'turn' } }));
    expect(degrees(found!.amount)).toBeCloseTo(180, 6);
    expect(found!.times).toEqual([expect.closeTo(2, 6)]);
    expect(checkSnaps(riding(LINE, back, { heading: { reverse: 'keep' } }))).toEqual([]);
    expect(checkSnaps(riding(LINE, back, { heading: { reverse: 'turn', left: 'mirror' } }))).toEqual([]);
  });
});

describe('what is asked for as a leap is none', () => {
  const hold = { kind: 'hold' };
  const held = (values: readonly unknown[]): object[] =>
    values.map((value, i) => ({ id: `k${i}`, time: i * 1.5, value, ease: hold }));

  it('keyframes that hold and then jump', () => {
    for (const keys of [
      { turn: held([0, 70]) },
      {
        scale: held([
          [1, 1],
          [2, 2],
        ]),
      },
      { opacity: held([1, 0.4]) },
    ])
      expect(checkSnaps(riding(LINE, ACROSS, { heading: { mode: 'level' }, rider: { keys } }))).toEqual([]);
  });

  it('beside such keyframes a corner is still found', () => {
    const [found] = checkSnaps(riding(SQUARE, LAP, { rider: { keys: { turn: held([0, 70]) } } }));
    expect(degrees(found!.amount)).toBeCloseTo(90, 4);
    expect(found!.times).toHaveLength(3);
  });

  it('positions that are held for frames, of the place and of all else', () => {
    const round = { ...SQUARE, nodes: SQUARE.nodes.map((one) => one) };
    const scene = riding(round, LAP, { heading: { mode: 'level' }, pace: { on: 4 } });
    expect(checkSnaps(scene)).toEqual([]);
    expect(checkJumps(scene)).toEqual([]);
    expect(checkSnaps(riding(SQUARE, LAP, { pace: { on: 4 } }))[0]?.times).toHaveLength(3);
  });

  it('what is off the canvas, or transparent', () => {
    const away = { ...SQUARE, nodes: SQUARE.nodes.map((one) => ({ ...one, y: one.y - 9000 })) };
    expect(checkSnaps(riding(away, LAP))).toEqual([]);
    expect(checkSnaps(riding(SQUARE, LAP, { rider: { opacity: 0 } }))).toEqual([]);
  });
});

it('sizes and opacities leap where a carrier that hands them on does, and the carrier is told alone', () => {
  const carried = {
    ...{ id: 'c', name: 'Flag', art: 'box', guide: null, heading: { mode: 'level', offset: 0 } },
    ...{ carrier: { rider: 'r' }, pace: { marks: [] } },
  };
  const found = checkSnaps(riding(SQUARE, LAP, { others: [carried] }));
  expect(found.map(({ rider }) => rider)).toEqual(['r']);
});

it('a rider’s leaps are one finding, of its place first', () => {
  const [found, ...more] = findingsBy([jump], riding(SQUARE, LAP, { rider: { lift: 10 } }));
  expect(more).toEqual([]);
  expect(found?.words).toBe('14 px at 1.00 s, 3 times; rotation 90° at 1.00 s, 3 times');
  expect(found?.figures).toMatchObject({
    gap: expect.closeTo(14.142, 2) as number,
    rotation: expect.closeTo(Math.PI / 2, 6) as number,
  });
  const [corner] = findingsBy(
    [jump],
    riding(HAIRPIN, [
      { id: 'm1', time: 0, place: { by: 'share', value: 0 } },
      { id: 'm2', time: 4, place: { by: 'share', value: 1 } },
    ]),
  );
  expect(corner?.words ?? '').not.toContain('px');
});
