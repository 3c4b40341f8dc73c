import { describe, expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { newHeading, riderById, type Scene } from '../scene/index.ts';
import { BOX_ART, LINE, LOOPS, riderOn, sceneOf } from '../testing/scenes.ts';
import { problemsWhenRead } from '../testing/ways.ts';
import * as c from './index.ts';

type Json = Record<string, unknown>;

const lap = [
  { time: 0, place: { by: 'node', node: 'l1' }, ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
  { time: 2, place: { by: 'node', node: 'l3' } },
  { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
];

const withRiders = (...riders: Json[]): Scene =>
  sceneOf({ art: [BOX_ART, { ...BOX_ART, id: 'paper' }], guides: [LOOPS, { ...LINE, closed: false }], riders });

const boat = riderOn('boat', 'loops', lap, { heading: { mode: 'along', left: 'mirror' }, scale: [1.2, 1.2] });
const lamp = riderOn('lamp', 'loops', [], {
  art: 'paper',
  guide: null,
  at: [400, 120],
  stand: 20,
  heading: { mode: 'level', offset: 7 },
  scale: [0.5, 0.5],
});

const CORNERS = [
  [0, 0],
  [60, 0],
  [0, 40],
] as const;

/** Largest distance that three corners of a rider's art moved between two scenes at a time. */
function moved(before: Scene, after: Scene, id: string, time: number): number {
  const corners = (scene: Scene): [number, number][] => {
    const motion = prepare(scene);
    const pose = motion.poseAt(time);
    const m = (key: 'a' | 'b' | 'c' | 'd' | 'e' | 'f') => pose.of(motion.indexOf(id), key);
    return CORNERS.map(([x, y]) => [m('a') * x + m('c') * y + m('e'), m('b') * x + m('d') * y + m('f')]);
  };
  const [from, to] = [corners(before), corners(after)];
  return Math.max(...from.map(([x, y], i) => Math.hypot(x - to[i]![0], y - to[i]![1])));
}

const all = { turn: true, scale: true, mirror: true };
const TIMES = [0.3, 1.4, 2.6, 3.7];

describe('carrying', () => {
  const scene = withRiders(boat, lamp);
  test.each(TIMES)(
    'at %d s a rider that is carried from then on, set free, and carried otherwise stays where it is',
    (time) => {
      const carried = c.carryRider(scene, { rider: 'lamp', carrier: { rider: 'boat', ...all }, time });
      expect(moved(scene, carried, 'lamp', time)).toBeLessThan(1e-3);
      expect(moved(scene, carried, 'lamp', time + 0.5)).toBeGreaterThan(1);
      const upright = c.carryRider(carried, { rider: 'lamp', carrier: { rider: 'boat', ...all, turn: false }, time });
      expect(moved(scene, upright, 'lamp', time)).toBeLessThan(1e-3);
      expect(moved(scene, c.carryRider(upright, { rider: 'lamp', carrier: null, time }), 'lamp', time)).toBeLessThan(
        1e-3,
      );
      expect(problemsWhenRead(upright)).toEqual([]);
    },
  );
  test('a guide and who rides it stay where they are, and go with the carrier from there', () => {
    const both = withRiders(boat, riderOn('cart', 'line', [{ time: 0, place: { by: 'share', value: 0.3 } }]));
    const time = 1.4;
    const carried = c.carryGuide(both, { guide: 'line', carrier: 'boat', time });
    const pivot = (of: Scene, key: 'x' | 'y'): number => prepare(of).poseAt(time).of(1, key);
    expect(pivot(carried, 'x')).toBeCloseTo(pivot(both, 'x'), 6);
    expect(pivot(carried, 'y')).toBeCloseTo(pivot(both, 'y'), 6);
    expect(riderById(carried, 'cart')?.carrier).toEqual({ rider: 'boat', ...all });
    expect(problemsWhenRead(carried)).toEqual([]);
    const free = c.carryGuide(carried, { guide: 'line', carrier: null, time });
    expect(moved(both, free, 'cart', time)).toBeLessThan(1e-6);
    expect(riderById(free, 'cart')?.carrier).toBeNull();
  });
  test('circles are refused, by carriers and by targets', () => {
    const carried = c.carryRider(scene, { rider: 'lamp', carrier: { rider: 'boat', ...all }, time: 0 });
    expect(c.carryRider.can(carried, { rider: 'lamp', carrier: { rider: 'lamp', ...all }, time: 0 })?.code).toBe(
      'carried-in-circle',
    );
    expect(c.carryGuide.can(carried, { guide: 'loops', carrier: 'lamp', time: 0 })?.code).toBe('carried-in-circle');
  });
  test('neither by looking at each other, nor by riding what one carries oneself', () => {
    const two = withRiders(boat, lamp);
    const toward = (rider: string) => newHeading({ mode: 'toward', target: { kind: 'rider', rider } });
    const looks = c.setHeading(two, { rider: 'lamp', heading: toward('boat'), keepAngle: null });
    expect(c.setHeading.can(looks, { rider: 'boat', heading: toward('lamp'), keepAngle: null })?.code).toBe(
      'carried-in-circle',
    );
    const carried = c.carryGuide(two, { guide: 'line', carrier: 'lamp', time: 0 });
    expect(c.attachRider.can(carried, { rider: 'lamp', guide: 'line', seating: 'seat', time: 0 })?.code).toBe(
      'carried-in-circle',
    );
    expect(() => c.attachRider(carried, { rider: 'lamp', guide: 'line', seating: 'seat', time: 0 })).toThrow(
      c.SceneError,
    );
    const deep = withRiders(
      boat,
      ...Array.from({ length: 9 }, (_, i) => ({ ...lamp, id: `d${i}`, name: `d${i}`, stand: 0 })),
    );
    const chain = (scene: Scene, i: number): Scene =>
      c.carryRider(scene, { rider: `d${i}`, carrier: { rider: i === 0 ? 'boat' : `d${i - 1}`, ...all }, time: 0 });
    const eight = Array.from({ length: 8 }, (_, i) => i).reduce(chain, deep);
    expect(problemsWhenRead(eight)).toEqual([]);
    expect(() => chain(eight, 8)).toThrow(c.SceneError);
  });
  test('a rider keeps its place on the canvas when it is put on a guide that is carried', () => {
    const carried = c.carryGuide(withRiders(boat, lamp), { guide: 'line', carrier: 'boat', time: 1.4 });
    const put = c.attachRider(carried, { rider: 'lamp', guide: 'line', seating: 'keep', time: 1.4 });
    const at = (of: Scene, key: 'x' | 'y'): number => prepare(of).poseAt(1.4).of(1, key);
    for (const key of ['x', 'y'] as const) expect(at(put, key)).toBeCloseTo(at(carried, key), 3);
  });
  test('what loses its carrier, or what it looks at, stays as it was at the start', () => {
    const carried = c.carryRider(scene, { rider: 'lamp', carrier: { rider: 'boat', ...all }, time: 0 });
    const watched = withRiders(
      boat,
      riderOn('gull', 'loops', [], {
        guide: null,
        at: [50, 50],
        heading: { mode: 'toward', target: { kind: 'rider', rider: 'boat' } },
      }),
    );
    const alone = c.deleteRiders(carried, { ids: ['boat'] });
    expect(moved(carried, alone, 'lamp', 0)).toBeLessThan(1e-3);
    const looks = c.deleteRiders(watched, { ids: ['boat'] });
    expect(moved(watched, looks, 'gull', 0)).toBeLessThan(1e-6);
    for (const left of [alone, looks]) expect(problemsWhenRead(left)).toEqual([]);
  });
  test('moved by hand it goes as far as the hand, whatever its carrier does', () => {
    const carried = c.carryRider(scene, { rider: 'lamp', carrier: { rider: 'boat', ...all }, time: 1 });
    const next = c.moveRiders(carried, { ids: ['lamp'], dx: 30, dy: -10, time: 1 });
    const at = (of: Scene, key: 'x' | 'y'): number => prepare(of).poseAt(1).of(1, key);
    expect([at(next, 'x') - at(carried, 'x'), at(next, 'y') - at(carried, 'y')]).toEqual([
      expect.closeTo(30, 6),
      expect.closeTo(-10, 6),
    ]);
  });
  test('a new pivot leaves a carried, mirrored, turned rider drawn where it is', () => {
    const carried = c.carryRider(scene, { rider: 'lamp', carrier: { rider: 'boat', ...all, turn: false }, time: 0 });
    const next = c.setArt(carried, { id: 'paper', patch: { pivot: [50, 5] } });
    expect(moved(carried, next, 'lamp', 0)).toBeLessThan(1e-3);
    expect(prepare(next).poseAt(0).of(1, 'x')).not.toBeCloseTo(prepare(carried).poseAt(0).of(1, 'x'), 0);
  });
});

describe('leaving a guide', () => {
  test.each(TIMES)(
    'parked at %d s it looks the same, mirrored or not; back on its guide it faces as before',
    (time) => {
      const scene = withRiders({
        ...boat,
        lift: 12,
        keys: { turn: [{ id: 'k1', time: 0, value: 10 }], scale: [{ id: 'k2', time: 1, value: [0.8, 0.8] }] },
      });
      const parked = c.detachRiders(scene, { ids: ['boat'], time });
      expect(moved(scene, parked, 'boat', time)).toBeLessThan(1e-3);
      const back = c.attachRider(parked, { rider: 'boat', guide: 'loops', seating: 'seat', time });
      const [was, now] = [scene.riders[0]!, back.riders[0]!];
      expect(now.heading).toEqual(was.heading);
      expect(now.keys).toEqual(was.keys);
      expect(now.pace.marks.map(({ time: at, ease }) => [at, ease])).toEqual(
        was.pace.marks.map(({ time: at, ease }) => [at, ease]),
      );
      expect(moved(c.setRider(scene, { id: 'boat', patch: { lift: 0 } }), back, 'boat', 1.1)).toBeLessThan(1e-3);
    },
  );
});

describe('keys', () => {
  const keyed = withRiders({
    ...boat,
    keys: {
      turn: [
        { id: 'k1', time: 0, value: 0, ease: { kind: 'family', family: 'cubic', mode: 'in-out' } },
        { id: 'k2', time: 2, value: 40, mark: 'boat-m2' },
        { id: 'k3', time: 4, value: 0 },
      ],
    },
  });
  const ids = ['n1', 'n2', 'n3'] as const;
  const turn = (scene: Scene) => scene.riders[0]!.keys.turn;

  test('one set on the line changes nothing; one at a key’s time gives that the value', () => {
    const value = c.keyValueAt(keyed.riders[0]!.keys, 'turn', 1.3);
    const set = c.setKey(keyed, { rider: 'boat', channel: 'turn', time: 1.3, value, ids });
    expect(turn(set)).toHaveLength(4);
    for (const time of [0.2, 0.9, 1.3, 1.7, 3]) expect(moved(keyed, set, 'boat', time)).toBeLessThan(1e-6);
    const again = c.setKey(set, { rider: 'boat', channel: 'turn', time: 2, value: 50, ids: ['m1', 'm2', 'm3'] });
    expect(turn(again).map((key) => key.value)).toEqual([0, value, 50, 0]);
    expect(c.setKey.can(keyed, { rider: 'boat', channel: 'turn', time: 4.5, value, ids })?.code).toBe('outside-cycle');
  });
  test('the first stretch gets neutral keys beside it', () => {
    const set = c.setKey(keyed, { rider: 'boat', channel: 'squash', time: 2, value: 0.6, ids });
    expect(set.riders[0]!.keys.squash.map(({ time, value }) => [time, value])).toEqual([
      [1.75, 1],
      [2, 0.6],
      [2.25, 1],
    ]);
    expect(problemsWhenRead(set)).toEqual([]);
  });
  test('tied to a mark they go with it; of a deleted one they are free', () => {
    const later = c.retimeMark(keyed, { rider: 'boat', mark: 'boat-m2', time: 2.5 });
    expect(turn(later).map(({ time }) => time)).toEqual([0, 2.5, 4]);
    const gone = c.deleteMarks(later, { rider: 'boat', marks: ['boat-m2'] });
    expect(turn(gone).map(({ mark }) => mark)).toEqual([null, null, null]);
    const tied = c.tieKeys(keyed, { rider: 'boat', keys: ['k3'], mark: 'boat-m3' });
    expect(turn(tied)[2]!.mark).toBe('boat-m3');
  });
  test('moved together they stop at the ends of the cycle', () => {
    const shifted = c.shiftKeys(keyed, { rider: 'boat', keys: ['k1', 'k2'], seconds: 9 });
    expect(turn(shifted).map(({ time }) => time)).toEqual([2, 4, 4]);
    expect(turn(c.shiftKeys(keyed, { rider: 'boat', keys: ['k2'], seconds: -1 }))[1]!.time).toBe(1);
  });
  test('copied to another rider, at another time', () => {
    const two = withRiders({ ...boat, keys: { turn: turn(keyed) } }, lamp);
    const clip = c.copyKeys(two, 'boat', ['k1', 'k2']);
    const pasted = c.pasteKeys(two, { rider: 'lamp', clip, time: 1 });
    expect(riderById(pasted, 'lamp')!.keys.turn.map(({ time, value }) => [time, value])).toEqual([
      [1, 0],
      [3, 40],
    ]);
    expect(problemsWhenRead(pasted)).toEqual([]);
    expect(c.pasteKeys.can(two, { rider: 'lamp', clip, time: 3 })?.code).toBe('marks-do-not-fit');
  });
  test('a longer clock stretches them with the marks', () => {
    const longer = c.setClock(keyed, { duration: 8 });
    expect(turn(longer).map(({ time }) => time)).toEqual([0, 4, 8]);
    expect(turn(c.setPace(keyed, { rider: 'boat', patch: { cycle: 2 } })).map(({ time }) => time)).toEqual([0, 1, 2]);
  });
});

describe('edits of the whole', () => {
  const scene = withRiders({
    ...boat,
    lift: 20,
    heading: { mode: 'level' },
    roll: { radius: 15 },
    keys: {
      lift: [
        { id: 'k1', time: 0, value: 5 },
        { id: 'k2', time: 4, value: -5 },
      ],
    },
  });
  test('a guide reversed under what rolls on it leaves it where it is, turning as it did', () => {
    const turned = c.reverseGuide(scene, { guide: 'loops', riders: 'place' });
    for (const time of TIMES) expect(moved(scene, turned, 'boat', time)).toBeLessThan(1e-3);
  });
  test('a canvas grown with all on it shows the same, grown', () => {
    const grown = c.resizeCanvas(scene, { width: 1600, height: 1200, refit: 'scale' });
    const [small, large] = [prepare(scene).poseAt(1.3), prepare(grown).poseAt(1.3)];
    for (const key of ['a', 'b', 'c', 'd', 'e', 'f'] as const)
      expect(large.of(0, key)).toBeCloseTo(2 * small.of(0, key), 6);
  });
  test('copies are carried by, and look toward, what was copied with them', () => {
    const carried = c.carryRider(withRiders(boat, lamp), {
      rider: 'lamp',
      carrier: { rider: 'boat', ...all },
      time: 0,
    });
    const clip = c.copyThings(carried, [], ['boat', 'lamp']);
    const pasted = c.pasteThings(carried, clip, 0, []);
    const copy = riderById(pasted.scene, pasted.riders[1]!);
    expect(copy?.carrier?.rider).toBe(pasted.riders[0]);
    expect(problemsWhenRead(pasted.scene)).toEqual([]);
  });
});

describe('the movement of another', () => {
  const source = {
    ...boat,
    lift: 14,
    keys: { turn: [{ id: 'k1', time: 1, value: 10, mark: 'boat-m2' }] },
  };
  test('all of it: another drawing moves just the same, nothing of it is lost', () => {
    const scene = withRiders(source, lamp);
    const moving = c.takeMovement(scene, { from: 'boat', to: 'lamp', parts: c.MOVEMENT_PARTS });
    expect(problemsWhenRead(moving)).toEqual([]);
    const motion = prepare(moving);
    for (const time of TIMES) {
      const pose = motion.poseAt(time);
      for (const key of ['x', 'y', 'angle'] as const) expect(pose.of(1, key)).toBeCloseTo(pose.of(0, key), 9);
    }
    const [from, to] = moving.riders;
    expect(to!.scale).toEqual([0.5, 0.5]);
    expect(to!.pace.marks.map(({ time, place, ease }) => [time, place, ease])).toEqual(
      from!.pace.marks.map(({ time, place, ease }) => [time, place, ease]),
    );
    expect(to!.keys.turn[0]!.mark).toBe(to!.pace.marks[1]!.id);
    expect(from).toBe(scene.riders[0]);
  });
  test('some of it: heading alone leaves place and pace; a pace of another guide needs that guide', () => {
    const scene = withRiders(source, riderOn('cart', 'line', [{ time: 0, place: { by: 'share', value: 0.3 } }]));
    const turned = c.takeMovement(scene, { from: 'boat', to: 'cart', parts: ['heading'] });
    expect(riderById(turned, 'cart')!.heading).toEqual(riderById(turned, 'boat')!.heading);
    expect(riderById(turned, 'cart')!.pace).toEqual(riderById(scene, 'cart')!.pace);
    expect(c.takeMovement.can(scene, { from: 'boat', to: 'cart', parts: ['pace'] })?.code).toBe('pace-needs-guide');
    expect(c.takeMovement.can(scene, { from: 'boat', to: 'boat', parts: ['pace'] })?.code).toBe('nothing-copied');
  });
  test('keys that lie past the cycle of who would get them are refused, with their pace they go along', () => {
    const short = {
      ...boat,
      id: 'skiff',
      name: 'skiff',
      pace: { cycle: 1, marks: [{ id: 's1', time: 0, place: { by: 'share', value: 0 } }] },
    };
    const late = { ...source, keys: { turn: [{ id: 'k1', time: 3, value: 10 }] } };
    const scene = withRiders(late, short);
    const args = { from: 'boat', to: 'skiff' };
    expect(c.takeMovement.can(scene, { ...args, parts: ['keys'] })?.code).toBe('marks-do-not-fit');
    expect(problemsWhenRead(c.takeMovement(scene, { ...args, parts: ['pace', 'keys'] }))).toEqual([]);
  });
  test('eight along a closed guide at one speed are as far from each other, everywhere', () => {
    const even = withRiders(
      riderOn('seed', 'loops', [
        { time: 0, place: { by: 'node', node: 'l1' } },
        { time: 4, place: { by: 'node', node: 'l1', lap: 1 } },
      ]),
    );
    const many = c.copiesAlong(even, { rider: 'seed', count: 8, spread: { by: 'time' } });
    expect(many.riders).toHaveLength(8);
    expect(new Set(many.riders.map(({ name }) => name)).size).toBe(8);
    expect(problemsWhenRead(many)).toEqual([]);
    const motion = prepare(many);
    const { length } = motion.riders[0]!.path!;
    const along = motion.riders.map((one) => one.distanceAt(1.37) % length).sort((a, b) => a - b);
    along.slice(1).forEach((distance, i) => expect(distance - along[i]!).toBeCloseTo(length / 8, 6));
    expect(c.copiesAlong.can(withRiders(lamp), { rider: 'lamp', count: 8, spread: { by: 'time' } })?.code).toBe(
      'parked',
    );
  });
});

describe('keys that go with marks of others', () => {
  const scene: Scene = sceneOf({
    guides: [LINE],
    riders: [
      riderOn('cart', 'line', [
        { time: 0, place: { by: 'share', value: 0 } },
        { time: 1, place: { by: 'share', value: 0.5 }, dwell: 0.5 },
        { time: 4, place: { by: 'share', value: 1 } },
      ]),
      riderOn('card', 'line', [{ time: 0, place: { by: 'share', value: 0.5 } }], {
        pace: { delay: 0.2 },
        keys: {
          opacity: [
            { id: 'o1', time: 0.8, value: 0 },
            { id: 'o2', time: 1, value: 1 },
            { id: 'o3', time: 1.5, value: 1 },
            { id: 'o4', time: 1.9, value: 0 },
          ],
        },
      }),
    ],
  });
  const arrival = c.tieKeys(scene, { rider: 'card', keys: ['o1', 'o2'], mark: 'cart-m2' });
  const tied = c.tieKeys(arrival, { rider: 'card', keys: ['o3', 'o4'], mark: 'cart-m2', edge: 'end' });
  const times = (of: Scene): number[] => of.riders[1]!.keys.opacity.map(({ time }) => Math.round(time * 1e9) / 1e9);
  test('it fades in when another arrives and out when that leaves, wherever that is moved, however long it rests', () => {
    expect(problemsWhenRead(tied)).toEqual([]);
    const later = c.retimeMark(tied, { rider: 'cart', mark: 'cart-m2', time: 1.7 });
    expect(times(later)).toEqual([1.5, 1.7, 2.2, 2.6]);
    const longer = c.setDwell(later, { rider: 'cart', mark: 'cart-m2', dwell: 1.1 });
    expect(times(longer)).toEqual([1.5, 1.7, 2.8, 3.2]);
  });
  test('of a mark or a rider that is gone they are free, and stay', () => {
    const gone = c.deleteMarks(tied, { rider: 'cart', marks: ['cart-m2'] });
    expect(gone.riders[1]!.keys.opacity.map(({ mark }) => mark)).toEqual([null, null, null, null]);
    expect(times(gone)).toEqual(times(tied));
    const alone = c.deleteRiders(tied, { ids: ['cart'] });
    expect(problemsWhenRead(alone)).toEqual([]);
    expect(alone.riders[0]!.keys.opacity.map(({ mark }) => mark)).toEqual([null, null, null, null]);
  });
  test('a copy goes with the same mark, and where another scene has no such mark it is free', () => {
    const clip = c.copyThings(tied, [], ['card']);
    const there = c.pasteThings({ ...scene, riders: [] }, clip, 0, []).scene;
    expect(problemsWhenRead(there)).toEqual([]);
    expect(there.riders[0]!.keys.opacity.every(({ mark }) => mark === null)).toBe(true);
    const both = c.pasteThings(tied, c.copyThings(tied, [], ['card', 'cart']), 0, []).scene;
    expect(both.riders[3]!.keys.opacity[0]!.mark).toBe(both.riders[2]!.pace.marks[1]!.id);
    expect(problemsWhenRead(both)).toEqual([]);
    expect(c.tieKeys.can(scene, { rider: 'card', keys: ['o1'], mark: 'nowhere' })?.code).toBe('no-mark');
    // What an edit does to the keys itself is not done twice.
    const shifted = c.shiftKeys(tied, { rider: 'card', keys: ['o1'], seconds: -0.3 });
    expect(times(shifted)[0]).toBeCloseTo(0.5, 9);
  });
});
