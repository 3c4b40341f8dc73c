import { describe, expect, test } from 'vitest';
import { prepare } from '../motion/index.ts';
import { compileLeg, EASE_OFFERS, newRecipe, reversedEase, type Ease } from '../pace/index.ts';
import type { Scene } from '../scene/index.ts';
import { LINE, LOOPS, riderOn, sceneOf } from '../testing/scenes.ts';
import {
  freezeRecipe,
  mirrorMarks,
  retimeMark,
  reverseMarks,
  setRecipe,
  shiftMarks,
  slowRider,
  squashAtMark,
  squashLandings,
  stretchMarks,
} from './index.ts';

const scene: Scene = sceneOf({
  clock: { duration: 8, fps: 30, repeat: 'loop' },
  guides: [LINE, LOOPS],
  riders: [
    riderOn('r', 'line', [
      { time: 0.5, place: { by: 'share', value: 0.1 }, ease: { kind: 'family', family: 'cubic', mode: 'in' } },
      { time: 2, place: { by: 'share', value: 0.9 }, dwell: 0.5, ease: { kind: 'spring', overshoot: 20, settle: 0.8 } },
      {
        time: 4,
        place: { by: 'share', value: 0.3 },
        ease: { kind: 'shaped', points: [{ time: 0.3, way: 0.8 }], ends: [0, null] },
      },
      { time: 6, place: { by: 'share', value: 0.6 } },
    ]),
    riderOn('other', 'line', [
      { time: 0, place: { by: 'share', value: 0 } },
      { time: 8, place: { by: 'share', value: 1 } },
    ]),
  ],
});
const marks = ['r-m1', 'r-m2', 'r-m3', 'r-m4'];
const timesOf = (of: Scene): number[] => of.riders[0]!.pace.marks.map(({ time }) => Math.round(time * 1e9) / 1e9);
const at = (of: Scene, time: number): number => prepare(of).riders[0]!.distanceAt(time);

const EASES: readonly (readonly [string, Ease])[] = [
  ...EASE_OFFERS.filter(({ ease }) => ease.kind !== 'flow').map(({ name, ease }) => [name, ease] as const),
  ['strong', { kind: 'family', family: 'sine', mode: 'in', strength: 1.7 }],
  ['a part', { kind: 'family', family: 'back', mode: 'in-out', part: [0.1, 0.7] }],
  [
    'points',
    {
      kind: 'points',
      points: [
        [0, 0],
        [0.2, 0.7],
        [1, 1],
      ],
    },
  ],
  ['bent', { kind: 'shaped', points: [{ time: 0.3, way: 0.8, slope: [3, -1] }], ends: [0, null] }],
];

test.each(EASES)('%s, reversed, gets there as it gets back', (_, ease) => {
  const [there, back] = [compileLeg(ease), compileLeg(reversedEase(ease))];
  const within = ease.kind === 'spring' ? 0.01 : 1e-9;
  for (const u of [0.013, 0.21, 0.5, 0.77, 0.98])
    expect(Math.abs(back.progress(u) - (1 - there.progress(1 - u)))).toBeLessThan(within);
});

describe('several marks at once', () => {
  test('reversed, the motion between them runs backward; twice, it is as it was', () => {
    const made = reverseMarks(scene, { rider: 'r', marks });
    for (const t of [0.01, 0.4, 1.2, 2.9, 4.4, 5.3]) expect(at(made, 0.5 + t)).toBeCloseTo(at(scene, 6 - t), 0);
    expect(timesOf(made)).toEqual([0.5, 2.5, 4, 6]);
    const again = reverseMarks(made, { rider: 'r', marks });
    for (let t = 0.5; t < 6; t += 0.173) expect(Math.abs(at(again, t) - at(scene, t))).toBeLessThan(8);
    expect(timesOf(again)).toEqual(timesOf(scene));
  });
  test('mirrored, it goes the other way along the guide', () => {
    const made = mirrorMarks(scene, { rider: 'r', marks });
    const sum = at(scene, 0.5) + at(scene, 2);
    for (const t of [0.5, 1.1, 2.2, 2.8, 4.9, 6]) expect(at(made, t)).toBeCloseTo(sum - at(scene, t), 6);
    expect(timesOf(made)).toEqual(timesOf(scene));
  });
  test('stretched about a time, each side goes as far as there is room', () => {
    expect(timesOf(stretchMarks(scene, { rider: 'r', marks, factor: 0.5, about: 3 }))).toEqual([1.75, 2.5, 3.5, 4.5]);
    // 2.5 s before it is no more room than to the start: 1.2 times.
    expect(timesOf(stretchMarks(scene, { rider: 'r', marks, factor: 9, about: 3 }))).toEqual([0, 1.8, 4.2, 6.6]);
    // Between their neighbours.
    const inner = stretchMarks(scene, { rider: 'r', marks: ['r-m2', 'r-m3'], factor: 9, about: 3 });
    expect(timesOf(inner)).toEqual([0.5, 0.5, 5.5, 6]);
    const away = stretchMarks(scene, { rider: 'r', marks: ['r-m3', 'r-m4'], factor: 0.001, about: 0 });
    expect(timesOf(away)[2]).toBeGreaterThanOrEqual(2.5);
  });
  test('they need to be two', () => {
    for (const one of [reverseMarks, mirrorMarks])
      expect(one.can(scene, { rider: 'r', marks: ['r-m1'] })).toMatchObject({ code: 'stretch-needs-two' });
  });
});

test('one rider slower: its marks and cycle with it, the other and the loop as they were', () => {
  const made = slowRider(scene, { rider: 'r', factor: 2 });
  expect(timesOf(made)).toEqual([1, 4, 8, 12]);
  expect(made.riders[0]!.pace.cycle).toBe(16);
  expect(made.riders[1]).toBe(scene.riders[1]);
  expect(made.clock).toBe(scene.clock);
  expect(slowRider(made, { rider: 'r', factor: 0.5 }).riders[0]!.pace.cycle).toBeNull();
  expect(slowRider.can(scene, { rider: 'r', factor: 0 })).toMatchObject({ code: 'duration' });
});

test('landings squash by how fast they are, and their keys go with their marks', () => {
  const made = squashLandings(scene, { rider: 'r', strength: 0.4 });
  const { squash, keys } = made.riders[0]!;
  expect(squash).toMatchObject({ by: 'keys', axis: 'fixed', angle: 90 });
  const pressed = keys.squash.filter(({ value }) => value < 1);
  expect(pressed.map(({ mark }) => mark)).toContain('r-m2');
  expect(Math.min(...pressed.map(({ value }) => value))).toBeCloseTo(0.6, 9);
  expect(pressed.every(({ value }) => value >= 0.6 - 1e-9)).toBe(true);
  // Its foot stands still while it is pressed, and the area stays.
  const pose = prepare(made).poseAt(2);
  const foot = (of: typeof pose): number => of.of(0, 'b') * 30 + of.of(0, 'd') * 40 + of.of(0, 'f');
  expect(foot(pose)).toBeCloseTo(foot(prepare(scene).poseAt(2)), 9);
  const moved = shiftMarks(made, { rider: 'r', marks: ['r-m2'], seconds: 0.25, px: 0 });
  expect(moved.riders[0]!.keys.squash.filter(({ mark }) => mark === 'r-m2').map(({ time }) => time)[2]).toBeCloseTo(
    2.25,
    9,
  );
  const softer = squashLandings(made, { rider: 'r', strength: 0.2 }).riders[0]!.keys.squash;
  expect(Math.min(...softer.map(({ value }) => value))).toBeCloseTo(0.8, 9);
  expect(squashLandings(made, { rider: 'r', strength: 0 }).riders[0]!.keys.squash).toHaveLength(0);
});

test('one press squashes at a mark: five keys that fit between its neighbours, and go with it', () => {
  const made = squashAtMark(scene, { rider: 'r', mark: 'r-m2' });
  const keys = made.riders[0]!.keys.squash;
  expect(keys.map(({ mark }) => mark)).toEqual(Array(5).fill('r-m2'));
  const [neutral, stretched, contact, again, after] = keys.map(({ value }) => value) as [
    number,
    number,
    number,
    number,
    number,
  ];
  expect([neutral, after, keys[2]!.time]).toEqual([1, 1, 2]);
  expect(contact).toBeLessThan(0.9);
  expect(stretched).toBeCloseTo(1 + (1 - contact) / 2, 9);
  expect(again).toBe(stretched);
  expect(keys[0]!.time).toBeGreaterThanOrEqual(1.5);
  // Pressed anew it has five again; on a mark close by both have room.
  const twice = squashAtMark(made, { rider: 'r', mark: 'r-m2' });
  expect(twice.riders[0]!.keys.squash).toHaveLength(5);
  const near = retimeMark(made, { rider: 'r', mark: 'r-m2', time: 1.1 });
  const both = squashAtMark(squashAtMark(near, { rider: 'r', mark: 'r-m2' }), { rider: 'r', mark: 'r-m1' });
  expect(both.riders[0]!.keys.squash).toHaveLength(10);
  const times = both.riders[0]!.keys.squash.map(({ time }) => time);
  expect(times).toEqual([...times].sort((a, b) => a - b));
  // The drawing's area is kept at every moment, its foot is where it was.
  const [with_, without] = [prepare(made), prepare(scene)];
  for (let time = 1.7; time < 2.4; time += 0.013) {
    const pose = with_.poseAt(time);
    expect(pose.of(0, 'a') * pose.of(0, 'd') - pose.of(0, 'b') * pose.of(0, 'c')).toBeCloseTo(
      determinant(without, time),
      9,
    );
  }
  expect(squashAtMark.can(scene, { rider: 'r', mark: 'zz' })).toMatchObject({ code: 'no-mark' });
});

test('a contact at the seam of a loop is pressed on both sides of it', () => {
  const round = {
    ...scene,
    riders: scene.riders.map((rider) => ({
      ...rider,
      pace: {
        ...rider.pace,
        marks: rider.pace.marks.map((mark, i, all) => ({ ...mark, time: (8 * i) / (all.length - 1) })),
      },
    })),
  };
  const first = round.riders[0]!.pace.marks[0]!.id;
  const keys = squashAtMark(round, { rider: 'r', mark: first }).riders[0]!.keys.squash;
  expect(keys[0]).toMatchObject({ time: 0, mark: first });
  expect(keys[keys.length - 1]!.time).toBe(8);
  expect(keys[0]!.value).toBe(keys[keys.length - 1]!.value);
  expect(keys).toHaveLength(6);
});

test('what wavers, frozen, goes and sways as it did', () => {
  const made = setRecipe(scene, { rider: 'r', recipe: { ...newRecipe('waver'), sway: 24 } as never });
  const frozen = freezeRecipe(made, { rider: 'r' });
  expect(frozen.riders[0]!.keys.lift.length).toBeGreaterThan(4);
  for (let t = 0; t < 8; t += 0.0713) {
    const [a, b] = [prepare(made).poseAt(t), prepare(frozen).poseAt(t)];
    expect(Math.hypot(a.of(0, 'x') - b.of(0, 'x'), a.of(0, 'y') - b.of(0, 'y'))).toBeLessThan(0.5);
  }
});

function determinant(motion: ReturnType<typeof prepare>, time: number): number {
  const pose = motion.poseAt(time);
  return pose.of(0, 'a') * pose.of(0, 'd') - pose.of(0, 'b') * pose.of(0, 'c');
}
