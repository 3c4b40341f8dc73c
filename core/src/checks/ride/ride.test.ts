import { describe, expect, it } from 'vitest';
import type { Scene } from '../../scene/index.ts';
import { BOX_ART, colouredStrip, LINE, riderOn, sceneOf } from '../../testing/scenes.ts';
import { findingsOf, offersFor, type Told } from '../all.ts';
import { withOffer } from '../offers/index.ts';

const only = (scene: Scene, check: string): readonly Told[] => findingsOf(scene, [check]);

const figure = (one: Told | undefined, name: string): number =>
  Number((one?.figures as Record<string, unknown> | undefined)?.[name]);

/** A wheel of 15 px in a box of 40. */
const WHEEL = {
  ...BOX_ART,
  ...{ id: 'wheel', name: 'wheel', width: 40, height: 40, pivot: [20, 20] },
  markup:
    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><circle cx="20" cy="20" r="15" fill="#345"/></svg>',
};

const across = [
  { time: 0, place: { by: 'node', node: 'a' } },
  { time: 4, place: { by: 'node', node: 'c' } },
];

/** A circle of 100 px about (400, 300), clockwise from its right. */
const K = 55.22847498;
const CIRCLE = {
  ...{ id: 'circle', name: 'circle', closed: true, color: '#0B7A75' },
  nodes: [
    { id: 'c1', x: 500, y: 300, in: [0, -K], out: [0, K], join: 'smooth' },
    { id: 'c2', x: 400, y: 400, in: [K, 0], out: [-K, 0], join: 'smooth' },
    { id: 'c3', x: 300, y: 300, in: [0, K], out: [0, -K], join: 'smooth' },
    { id: 'c4', x: 400, y: 200, in: [-K, 0], out: [K, 0], join: 'smooth' },
  ],
};
const round = [
  { time: 0, place: { by: 'node', node: 'c1' } },
  { time: 4, place: { by: 'node', node: 'c1', lap: 1 } },
];

const rolling = (roll: object, more: object = {}): Scene =>
  sceneOf({
    art: [BOX_ART, WHEEL],
    guides: [LINE],
    riders: [riderOn('r', 'line', across, { art: 'wheel', roll, ...more })],
  });

describe('what rolls', () => {
  it('with another radius than it is drawn slips by what is between them', () => {
    // Half the box is 20 px: of each px that it goes, the rim at 15 px takes back three quarters.
    const [found, ...more] = only(rolling({}), 'slip');
    expect(more).toEqual([]);
    expect(found).toMatchObject({ holds: false, riders: ['r'] });
    expect(figure(found, 'way')).toBeCloseTo(400, 3);
    expect(figure(found, 'slipped')).toBeCloseTo(100, 2);
    expect(figure(found, 'drawn')).toBeCloseTo(15, 1);
    expect(found?.words).toBe('100 px in 400 px: rolls with 20 px, drawn with 15 px');
    expect(found?.spans).toHaveLength(1);
    expect(found?.spans[0]?.[1]).toBeCloseTo(4, 4);
  });

  it('does not slip with that radius: on a line, round a circle inside and outside, over corners, turned or carried', () => {
    const scenes = [
      rolling({ radius: 15 }),
      rolling({ radius: 15, guide: 'centre', side: 'right' }),
      rolling({ radius: 7.5 }, { scale: [0.5, 0.5] }),
      ...(['left', 'right'] as const).map((side) =>
        sceneOf({
          art: [BOX_ART, WHEEL],
          guides: [CIRCLE],
          riders: [riderOn('r', 'circle', round, { art: 'wheel', roll: { radius: 15, side } })],
        }),
      ),
      sceneOf({
        art: [BOX_ART, WHEEL],
        guides: [LINE, { ...CIRCLE, carrier: 'cart' }],
        riders: [
          riderOn('cart', 'line', across, {
            scale: [2, 2],
            keys: {
              turn: [
                { id: 't1', time: 0, value: 0 },
                { id: 't2', time: 4, value: 90 },
              ],
            },
          }),
          riderOn('r', 'circle', round, { art: 'wheel', roll: { radius: 15 }, carrier: { rider: 'cart' } }),
        ],
      }),
    ];
    for (const [i, scene] of scenes.entries()) expect(only(scene, 'slip'), `scene ${i}`).toEqual([]);
  });

  it('slips where keyframes turn it besides', () => {
    // Half a turn more on the way: π · 15 px.
    const keys = {
      turn: [
        { id: 'k1', time: 0, value: 0 },
        { id: 'k2', time: 4, value: 180 },
      ],
    };
    const [found] = only(rolling({ radius: 15 }, { keys }), 'slip');
    expect(figure(found, 'slipped')).toBeCloseTo(Math.PI * 15, 0);
    expect(found?.words).toMatch(/^47 px in 400 px, fastest at \d\.\d\d s$/);
  });

  it('is offered the radius of its drawing, and slips no more; a square has none', () => {
    const scene = rolling({});
    const [found] = only(scene, 'slip');
    const { offers } = offersFor(scene, found!);
    expect(offers).toHaveLength(1);
    expect(offers[0]).toMatchObject({ kind: 'radius' });
    expect(only(withOffer(scene, offers[0]!), 'slip')).toEqual([]);
    // The corners of a box are no rim: what rolls as half of it is taken for what it says.
    const box = sceneOf({ guides: [LINE], riders: [riderOn('r', 'line', across, { roll: {} })] });
    expect(only(box, 'slip')).toEqual([]);
  });
});

describe('what strides', () => {
  const strip = colouredStrip('strip', ['#111', '#222', '#333', '#444']);
  const striding = (more: object, guide: object = CIRCLE, marks: readonly Record<string, unknown>[] = round): Scene =>
    sceneOf({
      art: [BOX_ART, strip],
      guides: [guide],
      riders: [
        riderOn('r', (guide as { id: string }).id, marks, {
          art: 'strip',
          poses: { by: 'distance', stride: 40 },
          ...more,
        }),
      ],
    });

  it('slips where it is lifted to the outside of a bend: its way is longer than its strides', () => {
    // 20 px outside a circle of 100 px: 2π · 20 px.
    const [found] = only(striding({ lift: 20 }), 'slip');
    expect(figure(found, 'slipped')).toBeCloseTo(40 * Math.PI, 0);
    expect(figure(found, 'way')).toBeCloseTo(240 * Math.PI, 0);
    expect(only(striding({}), 'slip')).toEqual([]);
    expect(only(striding({ lift: 20 }, LINE, across), 'slip')).toEqual([]);
  });

  it('slips where it becomes smaller, and takes as long strides', () => {
    // From twice its mean size less … to more: half of the way by a third too far, on the mean by 1/6.
    const keys = {
      scale: [
        { id: 'k1', time: 0, value: [1, 1] },
        { id: 'k2', time: 4, value: [0.5, 0.5] },
      ],
    };
    const [found] = only(striding({ keys }, LINE, across), 'slip');
    // |1 − size / 0.75| for sizes from 1 to 0.5: a sixth in the mean.
    expect(figure(found, 'slipped')).toBeCloseTo(400 / 6, 0);
  });

  it('by time, or without poses, is not asked', () => {
    expect(only(striding({ lift: 20, poses: { by: 'time' } }), 'slip')).toEqual([]);
    expect(only(striding({ lift: 20, art: 'box' }), 'slip')).toEqual([]);
  });
});

describe('what stops on its way', () => {
  const ease = { kind: 'family', family: 'sine', mode: 'in-out' };
  const marks = (middle: object = {}, last: object = {}): Record<string, unknown>[] => [
    { time: 0, place: { by: 'node', node: 'a' }, ease },
    { time: 1.5, place: { by: 'node', node: 'b' }, ease, ...middle },
    { time: 4, place: { by: 'node', node: 'c' }, ...last },
  ];
  const scene = (list: readonly Record<string, unknown>[], pace: object = {}): Scene =>
    sceneOf({ guides: [LINE], riders: [riderOn('r', 'line', list, { pace })] });

  it('is told at its mark, with its time in the loop', () => {
    const [found, ...more] = only(scene(marks()), 'stall');
    expect(more).toEqual([]);
    expect(found).toMatchObject({ holds: false, riders: ['r'], at: 1.5, words: 'at mark 2, 1.50 s' });
    const [later] = only(scene(marks(), { delay: 1 }), 'stall');
    expect(later?.at).toBeCloseTo(2.5, 9);
    // There and back it passes the mark twice.
    const [back] = only(scene(marks(), { repeat: 'there-and-back', cycle: 4 }), 'stall');
    expect(back?.spans.length).toBeGreaterThanOrEqual(1);
  });

  it('is not what rests because it is asked to, turns round, or passes at speed', () => {
    expect(only(scene(marks({ dwell: 0.3 })), 'stall')).toEqual([]);
    expect(only(scene(marks({}, { place: { by: 'node', node: 'a' } })), 'stall')).toEqual([]);
    expect(only(scene(marks({ ease: { kind: 'steady' } })), 'stall')).toEqual([]);
  });

  it('is offered to go on, and does', () => {
    const stopping = scene(marks());
    const [found] = only(stopping, 'stall');
    const { offers } = offersFor(stopping, found!);
    expect(offers.map(({ kind }) => kind)).toEqual(['flow']);
    const after = withOffer(stopping, offers[0]!);
    expect(findingsOf(after).filter(({ check, holds }) => check === 'stall' && !holds)).toEqual([]);
  });
});
