import { describe, expect, test } from 'vitest';
import { checkClosing, checkSeam, mendsOfSeam } from '../checks/index.ts';
import { bake } from '../take/index.ts';
import { pathOfGuide, riderById, type Rider, type Scene } from '../scene/index.ts';
import { POSE, prepare } from '../motion/index.ts';
import { BOX_ART, colouredStrip, LINE, LOOPS, riderOn, sceneOf, SQUARE } from '../testing/scenes.ts';
import { problemsWhenRead } from '../testing/ways.ts';
import * as c from './index.ts';

type Json = Record<string, unknown>;

const lap = [
  { time: 0, place: { by: 'node', node: 'l1' } },
  { time: 2, place: { by: 'node', node: 'l3' }, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
  { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
];
const flyer = riderOn('flyer', 'loops', lap);
const post = riderOn('post', 'loops', [], { guide: null, at: [400, 200] });
const far = riderOn('far', 'loops', [], { guide: null, at: [100, 500] });
const strip = colouredStrip('strip', ['#111111', '#222222', '#333333', '#444444']);

const withRiders = (...riders: Json[]): Scene =>
  sceneOf({ art: [BOX_ART, strip], guides: [LOOPS, LINE, SQUARE], riders });

const at = (scene: Scene, id: string, time: number): [number, number] => {
  const pose = prepare(scene).rider(id)!.poseAt(time);
  return [pose[POSE.x]!, pose[POSE.y]!];
};
const isSound = (scene: Scene): void => expect(problemsWhenRead(scene)).toEqual([]);
const rider = (scene: Scene, id: string): Rider => riderById(scene, id)!;

describe('linked riders', () => {
  const linked = c.copiesAlong(withRiders(flyer), { rider: 'flyer', count: 8, spread: { by: 'time' }, linked: true });
  test('share their marks: what is done to one is done to all, phases stay', () => {
    expect(linked.riders).toHaveLength(8);
    const third = linked.riders[2]!;
    const mark = third.pace.marks[1]!.id;
    const later = c.retimeMark(linked, { rider: third.id, mark, time: 2.5, distance: 300 });
    isSound(later);
    for (const one of later.riders) {
      expect(one.pace.marks.map(({ time }) => time)).toEqual([0, 2.5, 4]);
      expect(one.pace.marks[1]!.place).toEqual(later.riders[0]!.pace.marks[1]!.place);
    }
    expect(later.riders.map(({ pace }) => pace.delay)).toEqual(linked.riders.map(({ pace }) => pace.delay));
    expect(new Set(later.riders.flatMap(({ pace }) => pace.marks.map(({ id }) => id))).size).toBe(24);
  });
  test('a mark more, and one less, goes to all with ids of their own', () => {
    const more = c.insertMark(linked, { rider: 'flyer', id: 'new', time: 1 });
    isSound(more);
    expect(more.riders.every(({ pace }) => pace.marks.length === 4)).toBe(true);
    const less = c.deleteMarks(more, { rider: more.riders[5]!.id, marks: [more.riders[5]!.pace.marks[1]!.id] });
    isSound(less);
    expect(less.riders.every(({ pace }) => pace.marks.length === 3)).toBe(true);
  });
  test('on its own, or on another guide, one has marks of its own', () => {
    const [, second] = linked.riders;
    const free = c.setPace(linked, { rider: second!.id, patch: { link: null } });
    const edited = c.deleteMarks(free, { rider: 'flyer', marks: [rider(free, 'flyer').pace.marks[1]!.id] });
    expect(rider(edited, second!.id).pace.marks).toHaveLength(3);
    expect(edited.riders[2]!.pace.marks).toHaveLength(2);
    const moved = c.attachRider(linked, { rider: second!.id, guide: 'line', seating: 'seat', time: 0 });
    isSound(moved);
    const again = c.deleteMarks(moved, { rider: 'flyer', marks: [rider(moved, 'flyer').pace.marks[1]!.id] });
    expect(rider(again, second!.id).pace.marks).toHaveLength(3);
  });
});

describe('strung between two', () => {
  const scene = withRiders(flyer, post, far);
  const strung = c.stringRider(scene, {
    rider: 'far',
    strung: { from: 'post', to: 'flyer', fromAt: null, toAt: null, stretch: true },
  });
  test.each([0.4, 1.7, 3.1])('at %d s it reaches from one to the other, and taken down it stays', (time) => {
    isSound(strung);
    const pose = prepare(strung).rider('far')!.poseAt(time);
    const [x, y] = at(strung, 'post', time);
    expect([pose[POSE.x], pose[POSE.y]]).toEqual([expect.closeTo(x, 9), expect.closeTo(y, 9)]);
    // The edge that its nose points at, 40 px from the pivot.
    const [a, b, e, f] = [pose[POSE.a]!, pose[POSE.b]!, pose[POSE.e]!, pose[POSE.f]!];
    const [cc, d] = [pose[POSE.c]!, pose[POSE.d]!];
    const tip = [a * 60 + cc * 20 + e, b * 60 + d * 20 + f];
    const [tx, ty] = at(strung, 'flyer', time);
    expect(Math.hypot(tip[0]! - tx, tip[1]! - ty)).toBeLessThan(1e-9);
    const down = c.stringRider(strung, { rider: 'far', strung: null, time });
    isSound(down);
    const [dx, dy] = at(down, 'far', time);
    expect(Math.hypot(dx - x, dy - y)).toBeLessThan(1e-6);
  });
  test('circles are refused, and so are itself and nobody', () => {
    const by = (from: string, to: string) => ({ from, to, fromAt: null, toAt: null, stretch: false });
    expect(() => c.stringRider(strung, { rider: 'post', strung: by('far', 'flyer') })).toThrow('carried-in-circle');
    expect(c.stringRider.can(scene, { rider: 'far', strung: by('far', 'post') })?.code).toBe('carried-in-circle');
    expect(c.stringRider.can(scene, { rider: 'far', strung: by('nobody', 'post') })?.code).toBe('no-rider');
  });
  test('who is put on a guide, or carried, hangs no longer; nor who has lost an end', () => {
    const rides = c.attachRider(strung, { rider: 'far', guide: 'line', seating: 'seat', time: 0 });
    expect(rider(rides, 'far').strung).toBeNull();
    isSound(rides);
    const lost = c.deleteRiders(strung, { ids: ['post'] });
    expect(rider(lost, 'far').strung).toBeNull();
    isSound(lost);
  });
});

describe('what refers to what is gone is let go of', () => {
  const scene = ((): Scene => {
    const base = withRiders(
      {
        ...flyer,
        behind: [
          { by: 'places', rider: 'post', from: { by: 'node', node: 'l2' }, to: { by: 'node', node: 'l3' } },
          { by: 'marks', rider: 'post', from: 'flyer-m1', to: 'flyer-m2' },
        ],
      },
      {
        ...post,
        art: 'strip',
        inside: { guide: 'square' },
        poses: { by: 'mark', mark: { rider: 'flyer', mark: 'flyer-m2' } },
      },
      far,
    );
    return c.setCamera(base, { rider: 'far' });
  })();
  test('a rider, a mark, a guide, an outline that is opened', () => {
    isSound(scene);
    const without = c.deleteRiders(scene, { ids: ['post', 'far'] });
    expect(rider(without, 'flyer').behind).toEqual([]);
    expect(without.camera).toBeNull();
    isSound(without);
    const unmarked = c.deleteMarks(scene, { rider: 'flyer', marks: ['flyer-m2'] });
    expect(rider(unmarked, 'flyer').behind).toHaveLength(1);
    expect(rider(unmarked, 'post').poses.mark).toBeNull();
    isSound(unmarked);
    for (const edit of [
      c.setClosed(scene, { guide: 'square', closed: false }),
      c.deleteGuides(scene, { ids: ['square'], time: 0 }),
    ]) {
      expect(rider(edit, 'post').inside).toBeNull();
      isSound(edit);
    }
  });
  test('places of stretches go with the nodes, turned round and pasted as well', () => {
    const less = c.deleteNodes(scene, { guide: 'loops', nodes: ['l2'] });
    isSound(less);
    const split = c.reverseGuide(scene, { guide: 'loops', riders: 'place' });
    isSound(split);
    const { length } = pathOfGuide(scene.guides[0]!);
    expect(prepare(split).riders[0]!.distanceAt(1)).toBeCloseTo(-prepare(scene).riders[0]!.distanceAt(1), 3);
    expect(length).toBeGreaterThan(0);
    const pasted = c.pasteThings(scene, c.copyThings(scene, ['loops'], ['flyer', 'post']), 20, ['loops']);
    isSound(pasted.scene);
    const copy = rider(pasted.scene, pasted.riders[0]!);
    expect(copy.behind.map((one) => one.rider)).toEqual([pasted.riders[1], pasted.riders[1]]);
    expect(rider(pasted.scene, pasted.riders[1]!).poses.mark?.rider).toBe(pasted.riders[0]);
  });
});

describe('depth along a guide', () => {
  const deep = (speed: boolean): Scene =>
    c.setGuide(
      withRiders(
        riderOn('r', 'line', [
          { time: 0, place: { by: 'node', node: 'a' } },
          { time: 4, place: { by: 'node', node: 'c' } },
        ]),
      ),
      {
        id: 'line',
        patch: {
          depth: {
            stops: [
              { at: 0, scale: 0.5 },
              { at: 1, scale: 1.5 },
            ],
            speed,
          },
        },
      },
    );
  test('it scales in a straight line; with speed, a steady leg follows the exponential', () => {
    expect(prepare(deep(false)).rider('r')!.poseAt(1)[POSE.scaleX]).toBeCloseTo(0.75, 9);
    // ds/dτ in proportion to 0.5 + s/400: s = 200 (3^(t/4) − 1).
    for (const time of [0.5, 2, 3.3]) {
      const moving = prepare(deep(true)).rider('r')!;
      expect(moving.distanceAt(time)).toBeCloseTo(200 * (3 ** (time / 4) - 1), 6);
      expect(moving.speedAt(time)).toBeCloseTo(50 * Math.log(3) * 3 ** (time / 4), 6);
    }
  });
  test('turned round it is the same on the canvas', () => {
    const scene = deep(true);
    const turned = c.reverseGuide(scene, { guide: 'line', riders: 'place' });
    isSound(turned);
    for (const time of [0.5, 2, 3.3]) {
      const [x, y] = at(scene, 'r', time);
      const [tx, ty] = at(turned, 'r', time);
      expect(Math.hypot(x - tx, y - ty)).toBeLessThan(1e-6);
    }
  });
  test('kept where it is beside such a guide, it is there', () => {
    const depth = { stops: [{ at: 0.2, scale: 0.5 }], speed: true };
    const far = { stops: [...depth.stops, { at: 0.8, scale: 1.5 }], speed: true };
    const scene = c.setGuide(withRiders({ ...flyer, lift: 10 }), { id: 'loops', patch: { depth: far } });
    const kept = c.setSeating(scene, { rider: 'flyer', seating: 'keep', point: [260, 150], time: 1.2 });
    const [x, y] = at(kept, 'flyer', 1.2);
    expect(Math.hypot(x - 260, y - 150)).toBeLessThan(1e-3);
  });
});

test('what is raised by a share of its height stands on its guide at any scale', () => {
  const scene = withRiders(
    riderOn('r', 'line', [{ time: 0, place: { by: 'node', node: 'b' } }], {
      raise: 50,
      keys: {
        scale: [
          { id: 'k1', time: 0, value: [1, 1] },
          { id: 'k2', time: 4, value: [2, 2] },
        ],
      },
    }),
  );
  for (const [time, scale] of [
    [0, 1],
    [2, 1.5],
    [3.999999, 2],
  ] as const)
    expect(at(scene, 'r', time)[1]).toBeCloseTo(300 - 20 * scale, 3);
});

test('the guide comes to its rider: it stays where it is, and sits', () => {
  const scene = withRiders({ ...flyer, lift: 40, lead: -30 });
  const brought = c.bringGuide(scene, { rider: 'flyer', time: 1.3 });
  const [x, y] = at(scene, 'flyer', 1.3);
  const [bx, by] = at(brought, 'flyer', 1.3);
  expect(Math.hypot(x - bx, y - by)).toBeLessThan(1e-6);
  expect(rider(brought, 'flyer')).toMatchObject({ lift: 0, lead: 0 });
  expect(c.bringGuide.can(scene, { rider: 'flyer', time: 0 })).toBeUndefined();
  expect(c.bringGuide.can(withRiders(post), { rider: 'post', time: 0 })?.code).toBe('parked');
});

describe('when everything closes', () => {
  const cycles = (...all: number[]): Scene =>
    withRiders(
      ...all.map((cycle, i) =>
        riderOn(
          `r${i}`,
          'loops',
          [
            { time: 0, place: { by: 'share', value: 0 } },
            { time: cycle, place: { by: 'share', value: 1 } },
          ],
          { pace: { cycle } },
        ),
      ),
    );
  test.each([
    [[4, 2, 0.5], 1],
    [[4, 3], 3],
    [[3, 1.6], 6],
    [[2.5, 1.2], 15],
  ])('cycles of %j s in a loop of 4 s: after %d loops', (all, loops) => {
    const scene = cycles(...all);
    expect(checkClosing(scene)?.loops).toBe(loops);
    // By the poses: there all are as at the start, and after no fewer loops.
    const differs = (count: number): boolean =>
      scene.riders.some(({ id }) => {
        const [x, y] = at(scene, id, 0.1);
        const [lx, ly] = at(scene, id, 4 * count + 0.1);
        return Math.hypot(x - lx, y - ly) > 1e-6;
      });
    for (let count = 1; count < loops; count++) expect(differs(count)).toBe(true);
    expect(differs(loops)).toBe(false);
    const long = c.lengthenLoop(scene, { loops });
    isSound(long);
    expect(checkClosing(long)?.loops).toBe(1);
    expect(checkSeam(long).every(({ closes }) => closes)).toBe(true);
    expect(at(long, 'r0', 1.234)).toEqual(at(scene, 'r0', 1.234));
  });
  test('fitted cycles close, and it is told by how much each changes', () => {
    const { open } = checkClosing(cycles(4, 1.3, 2.9))!;
    expect(open.map(({ rider: id, fits }) => [id, Math.round(fits * 1e6) / 1e6])).toEqual([
      ['r1', 1.333333],
      ['r2', 4],
    ]);
  });
  test('one that never closes says so', () => expect(checkClosing(cycles(Math.PI))?.loops).toBeUndefined());
});

test('strides that do not close are seen, and mended', () => {
  const walks = (stride: number): Scene =>
    withRiders({ ...riderOn('r', 'loops', lap), art: 'strip', poses: { by: 'distance', stride } });
  const { length } = pathOfGuide(walks(100).guides[0]!);
  const open = walks(length / 7.5);
  expect(checkSeam(open)[0]).toMatchObject({ closes: false, skipped: 1 });
  const [mend] = mendsOfSeam(open, 'r');
  expect(mend?.kind).toBe('whole-strides');
  const mended = mend!.apply(open);
  expect(checkSeam(mended)[0]).toMatchObject({ closes: true, skipped: 0 });
  expect(rider(mended, 'r').poses.stride).toBeCloseTo(length / 8, 6);
});

test('who is carried is not blamed for a carrier whose seam shows', () => {
  const jumps = riderOn('jumps', 'line', [
    { time: 0, place: { by: 'node', node: 'a' } },
    { time: 4, place: { by: 'node', node: 'c' } },
  ]);
  const lamp = riderOn('lamp', 'line', [], { guide: null, carrier: { rider: 'jumps' } });
  const rod = riderOn('rod', 'line', [], { guide: null, strung: { from: 'lamp', to: 'post', stretch: true } });
  const found = checkSeam(withRiders(jumps, lamp, post, rod));
  expect(found.filter(({ closes }) => !closes).map((one) => one.rider)).toEqual(['jumps']);
  // What is wrong with itself is told all the same.
  const turns = {
    turn: [
      { id: 't1', time: 0, value: 0 },
      { id: 't2', time: 4, value: 50 },
    ],
  };
  const both = checkSeam(withRiders(flyer, { ...lamp, carrier: { rider: 'flyer' }, keys: turns }));
  expect(both.filter(({ closes }) => !closes).map((one) => one.rider)).toEqual(['lamp']);
});

describe('many along one guide', () => {
  const steady = riderOn('r', 'square', [
    { time: 0, place: { by: 'node', node: 'q1' }, ease: { kind: 'family', family: 'cubic', mode: 'in-out' } },
    { time: 4, place: { by: 'node', node: 'q1', lap: 1 } },
  ]);
  const feet = (scene: Scene, time: number): number[] => prepare(scene).riders.map((one) => one.footAt(time));
  test('as far from each other everywhere, however they hasten', () => {
    const scene = c.copiesAlong(withRiders(steady), { rider: 'r', count: 5, spread: { by: 'distance' } });
    isSound(scene);
    for (const time of [0.3, 1.9, 3.3]) {
      const all = feet(scene, time);
      all.slice(1).forEach((foot, i) => expect(foot - all[i]!).toBeCloseTo(80, 9));
    }
    expect(
      c.copiesAlong.can(withRiders(riderOn('r', 'line', [])), { rider: 'r', count: 3, spread: { by: 'distance' } })
        ?.code,
    ).toBe('needs-closed');
  });
  test('in a train, and each later than the one before', () => {
    const train = c.copiesAlong(withRiders(steady), { rider: 'r', count: 4, spread: { by: 'train', gap: 30 } });
    feet(train, 2).forEach((foot, i) => expect(foot).toBeCloseTo(200 - 30 * i, 9));
    expect(train.riders).toHaveLength(4);
    const later = c.copiesAlong(withRiders(steady), { rider: 'r', count: 3, spread: { by: 'stagger', seconds: 0.5 } });
    expect(later.riders.map(({ pace }) => pace.delay)).toEqual([0, 0.5, 1]);
  });
  test('art in turn, sizes varied, the same each time', () => {
    const args = { rider: 'r', count: 6, spread: { by: 'time' } as const, arts: ['strip'], vary: 0.3 };
    const scene = c.copiesAlong(withRiders(steady), args);
    isSound(scene);
    expect(scene.riders.map(({ art }) => art)).toEqual(['box', 'strip', 'box', 'strip', 'box', 'strip']);
    const sizes = scene.riders.slice(1).map(({ scale }) => scale[0]);
    expect(new Set(sizes).size).toBe(5);
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(0.7);
    expect(Math.max(...sizes)).toBeLessThanOrEqual(1.3);
    expect(c.copiesAlong(withRiders(steady), args)).toEqual(scene);
    expect(c.copiesAlong.can(withRiders(steady), { ...args, arts: ['nothing'] })?.code).toBe('no-art');
  });
});

test.each([
  ['in time', { by: 'time', rate: 240 }, 100],
  ['along', { by: 'distance', stride: 0.1 }, 4],
])('poses that change faster than anything shows %s are told, not written', (_, poses, duration) => {
  const marks = lap.map((mark) => ({ ...mark, time: (mark.time * duration) / 4 }));
  const scene = sceneOf({
    art: [BOX_ART, strip],
    guides: [LOOPS],
    clock: { duration, fps: 30, repeat: 'loop' },
    riders: [{ ...riderOn('r', 'loops', marks), art: 'strip', poses }],
  });
  expect(() => bake(scene)).toThrow('change so often');
});
