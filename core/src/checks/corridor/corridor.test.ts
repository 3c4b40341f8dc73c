import { describe, expect, it } from 'vitest';
import { prepare } from '../../motion/index.ts';
import type { Scene } from '../../scene/index.ts';
import { LINE, SQUARE, sceneOf } from '../../testing/scenes.ts';
import { findingsOf } from '../all.ts';
import { checkCorridor } from './index.ts';

const node = (name: string, lap = 0): object => ({ by: 'node', node: name, lap });
const ACROSS = [
  { id: 'm1', time: 0, place: node('a') },
  { id: 'm2', time: 4, place: node('c') },
];

const OTHER = [
  { id: 'm1', time: 0, place: node('oa') },
  { id: 'm2', time: 4, place: node('oc') },
];

/** A drawing of 40 × 20 px that is painted but for its rounded ends: a capsule whose pivot is its middle. */
const CAPSULE = {
  ...{ id: 'capsule', name: 'Capsule', kind: 'svg', width: 40, height: 20, pivot: [20, 10], facing: 0 },
  markup:
    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><rect width="40" height="20" rx="10" fill="#888"/></svg>',
};

const rider = (id: string, guide: string | null, more: object = {}): object => ({
  ...{ id, name: id, art: 'capsule', guide, heading: { mode: 'along' }, pace: { marks: guide ? ACROSS : [] } },
  ...more,
});

const found = (parts: object): ReturnType<typeof checkCorridor> => {
  const scene: Scene = sceneOf({ art: [CAPSULE], ...parts });
  return checkCorridor(scene, prepare(scene));
};

const lane = (width: number, more: object = {}): object => ({ ...LINE, corridor: width, ...more });
const lifting = (values: readonly (readonly [number, number])[]): object => ({
  keys: { lift: values.map(([time, value], i) => ({ id: `k${i}`, time, value, ease: { kind: 'steady' } })) },
});

describe('a lane', () => {
  it('holds a rider that is as wide as it, and not one that is wider', () => {
    expect(found({ guides: [lane(20.2)], riders: [rider('r', 'line')] })).toEqual([]);
    const [one] = found({ guides: [lane(19)], riders: [rider('r', 'line')] });
    expect(one?.depth).toBeCloseTo(0.5, 1);
  });

  it('is left when and by as much as a lift in time says', () => {
    // It rises by 40 px/s for a second from 1 s on: its edge, 10 px from its pivot, passes the lane’s at 25 px when it is lifted by 15.
    const lift = lifting([
      [1, 0],
      [2, 40],
      [3, 0],
    ]);
    const [one, ...more] = found({ guides: [lane(50)], riders: [rider('r', 'line', lift)] });
    expect(more).toEqual([]);
    expect(one?.spans).toHaveLength(1);
    expect(one?.spans[0]?.[0]).toBeCloseTo(1 + 15 / 40, 3);
    expect(one?.spans[0]?.[1]).toBeCloseTo(3 - 15 / 40, 3);
    expect(one?.depth).toBeCloseTo(25, 1);
    expect(one?.at).toBeCloseTo(2, 3);
    const [[, y0], [, y1]] = one!.place;
    expect(Math.abs(y1 - y0)).toBeCloseTo(25, 1);
  });

  it('is asked of the pivot where that is said: 10 px later', () => {
    const checks = { bounds: [{ rider: 'r', area: { kind: 'lane', guide: 'line' }, by: 'pivot' }] };
    const lift = lifting([
      [1, 0],
      [2, 40],
      [3, 0],
    ]);
    const [one, ...more] = found({ guides: [lane(50)], riders: [rider('r', 'line', lift)], checks });
    expect(more).toEqual([]);
    expect(one?.spans[0]?.[0]).toBeCloseTo(1 + 25 / 40, 3);
    expect(one?.depth).toBeCloseTo(15, 1);
  });

  it('holds nobody who is not on it, unless that is said', () => {
    const other = {
      ...LINE,
      id: 'other',
      nodes: LINE.nodes.map((one) => ({ ...one, id: `o${one.id}`, y: one.y + 100 })),
    };
    const parts = { guides: [lane(50), other], riders: [rider('r', 'other', { pace: { marks: OTHER } })] };
    expect(found(parts)).toEqual([]);
    const checks = { bounds: [{ rider: 'r', area: { kind: 'lane', guide: 'line' } }] };
    // Its pivot is 100 px from the line, its far edge 110, and the lane ends at 25.
    expect(found({ ...parts, checks })[0]?.depth).toBeCloseTo(85, 1);
  });

  it('what is not seen, off the canvas or transparent, leaves nothing', () => {
    expect(found({ guides: [lane(5)], riders: [rider('r', 'line', { opacity: 0 })] })).toEqual([]);
    const away = { ...LINE, corridor: 5, nodes: LINE.nodes.map((one) => ({ ...one, y: one.y - 9000 })) };
    expect(found({ guides: [away], riders: [rider('r', 'line')] })).toEqual([]);
  });
});

describe('an area', () => {
  const inside = (side: 'in' | 'out', kind: object = { kind: 'inside', guide: SQUARE.id }): object => ({
    bounds: [{ rider: 'r', side, area: kind }],
  });
  const [q1] = SQUARE.nodes;
  /** A parked capsule beside the square’s first corner, that grows from half its size to twice it. */
  const growing = (x: number, y: number): object =>
    rider('r', null, {
      at: [x, y],
      keys: {
        scale: [
          { id: 'k1', time: 0, value: [0.5, 0.5], ease: { kind: 'steady' } },
          { id: 'k2', time: 4, value: [2, 2], ease: { kind: 'steady' } },
        ],
      },
    });

  it('is left where what grows in it reaches its edge', () => {
    // 30 px from the left edge: 20 px × scale reach it at 1.5, after 4 · (1.5 − 0.5) / 1.5 s; at twice its size it is 10 px beyond.
    const parts = { guides: [SQUARE], riders: [growing(q1.x + 30, q1.y + 50)], checks: inside('in') };
    const [one] = found(parts);
    expect(one?.spans[0]?.[0]).toBeCloseTo((4 * (1.5 - 0.5)) / 1.5, 2);
    expect(one?.depth).toBeCloseTo(10, 1);
  });

  it('is entered where what grows beside it reaches its edge', () => {
    const parts = { guides: [SQUARE], riders: [growing(q1.x - 30, q1.y + 50)], checks: inside('out') };
    const [one] = found(parts);
    expect(one?.spans[0]?.[0]).toBeCloseTo((4 * (1.5 - 0.5)) / 1.5, 2);
    expect(one?.depth).toBeCloseTo(10, 1);
  });

  it('between two closed guides is what one goes round and the other does not', () => {
    const shrunk = {
      ...{ ...SQUARE, id: 'inner' },
      nodes: SQUARE.nodes.map((one) => ({
        ...one,
        id: `i${one.id}`,
        x: 300 + (one.x - 300) / 2,
        y: 300 + (one.y - 300) / 2,
      })),
    };
    const between = { kind: 'between', guides: [SQUARE.id, 'inner'] };
    const xs = SQUARE.nodes.map(({ x }) => x);
    const ys = SQUARE.nodes.map(({ y }) => y);
    const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const middle = rider('r', null, { at: [(300 + (left - 300) / 2 + left) / 2, (top + bottom) / 2] });
    const parts = (one: object): object => ({ guides: [SQUARE, shrunk], riders: [one], checks: inside('in', between) });
    // Something has to move: a rider that stands is looked at all the same.
    const wide = (300 + (left - 300) / 2 - left) / 2;
    if (wide > 20) expect(found(parts(middle))).toEqual([]);
    expect(found(parts(rider('r', null, { at: [(left + right) / 2, (top + bottom) / 2] })))[0]?.depth).toBeGreaterThan(
      5,
    );
  });

  it('is what a rider paints, or a part of its drawing with an id, wherever that is carried', () => {
    const ground = {
      ...{ id: 'ground', name: 'Ground', kind: 'svg', width: 200, height: 100, pivot: [0, 0], facing: 0 },
      markup:
        '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100"><rect width="200" height="100" fill="#ddd"/><g id="road"><rect x="0" y="40" width="200" height="30" fill="#444"/></g></svg>',
    };
    const scenery = { ...rider('floor', null, { at: [100, 100] }), art: 'ground', heading: { mode: 'level' } };
    const car = rider('r', null, { at: [200, 155], heading: { mode: 'level' } });
    const parts = (part: string | null): object => ({
      ...{ art: [CAPSULE, ground], guides: [], riders: [scenery, car] },
      checks: inside('in', { kind: 'art', rider: 'floor', part }),
    });
    expect(found(parts(null))).toEqual([]);
    // The road is from 140 to 170, the capsule from 145 to 165.
    expect(found(parts('road'))).toEqual([]);
    const lower = { ...(parts('road') as { riders: object[] }), riders: [scenery, { ...car, at: [200, 165] }] };
    expect(found(lower)[0]?.depth).toBeCloseTo(5, 1);
    expect(found(parts('roads'))).toEqual([]);
  });
});

it('beside looking at it 2,000 times: times within 1 ms, depth within 0.1 px', () => {
  const lift = lifting([
    [0, 0],
    [0.7, 31],
    [1.6, -28],
    [2.4, 9],
    [3.3, 40],
    [4, 0],
  ]);
  const [one] = found({ guides: [lane(60)], riders: [rider('r', 'line', lift)] });
  const scene = sceneOf({ art: [CAPSULE], guides: [lane(60)], riders: [rider('r', 'line', lift)] });
  const moving = prepare(scene).rider('r')!;
  const [a] = LINE.nodes;
  // The line is level: the capsule’s upper and lower edges are 10 px from its pivot, the lane’s 30 px from the line.
  const beyond = (time: number): number => Math.abs((moving.poseAt(time)[9] ?? 0) - a.y) + 10 - 30;
  const times = Array.from({ length: 80_000 }, (_, k) => (k * 4) / 80_000);
  const out = times.filter((time) => beyond(time) > 0);
  expect(one!.depth).toBeCloseTo(Math.max(...times.map(beyond)), 1);
  const edges = out.filter((time, i) => i === 0 || time - (out[i - 1] ?? 0) > 1e-4);
  expect(one!.spans.map(([from]) => from)).toEqual(edges.map((time) => expect.closeTo(time, 2.9) as number));
});

it('a rider’s are one finding, that says where, by how much and when; accepted it holds', () => {
  const scene = sceneOf({
    ...{
      art: [CAPSULE],
      guides: [lane(44)],
      riders: [
        rider(
          'r',
          'line',
          lifting([
            [1, 0],
            [2, 40],
            [3, 0],
          ]),
        ),
      ],
    },
  });
  const [one, ...more] = findingsOf(scene, ['corridor']);
  expect(more).toEqual([]);
  expect(one?.words).toBe(`leaves the lane of “${LINE.name}” by 28.0 px, 1.30–2.70 s`);
  const meant = { check: 'corridor', riders: ['r'], found: one!.words, why: 'it jumps the kerb' };
  expect(findingsOf({ ...scene, checks: { ...scene.checks, meant: [meant] } }, ['corridor'])[0]?.holds).toBe(true);
});
