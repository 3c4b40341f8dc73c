import { describe, expect, test } from 'vitest';
import { drawnShare, prepare } from '../motion/index.ts';
import { leadInOf, type Scene } from '../scene/index.ts';
import { BOX_ART, LINE, LOOPS, riderOn, sceneOf } from '../testing/scenes.ts';
import { bake, measureTake, stillTake, valueOfCurve, type DrawnArt, type DrawnStroke, type Take } from './index.ts';

const at = (node: string, lap = 0) => ({ by: 'node', node, lap });
const lap = [
  { time: 0, place: at('l1'), ease: { kind: 'family', family: 'sine', mode: 'in-out' } },
  { time: 4, place: at('l1', 1) },
];
const over = [
  { time: 0, place: at('a'), ease: { kind: 'family', family: 'cubic', mode: 'out' } },
  { time: 3, place: at('c') },
];
const { markup, ...BOX } = BOX_ART;
const STRIP = { ...BOX, id: 'strip', kind: 'strip', poses: [1, 2, 3].map(() => ({ kind: 'svg', markup })) };

/** One that comes once, three that follow each other unseen until they start, one that draws, one that a comer carries, one that stands. */
const first = (more: Record<string, unknown> = {}, drawn = more['riders'] ? {} : { draws: 'comer' }): Scene =>
  sceneOf({
    art: [BOX_ART, STRIP],
    guides: [LOOPS, { ...LINE, closed: false, stroke: { color: '#123456', width: 3, ...drawn } }],
    riders: [
      riderOn('comer', 'line', over, {
        art: 'strip',
        poses: { by: 'distance', stride: 300 },
        pace: { only: true, delay: 0.5 },
      }),
      { ...riderOn('lamp', 'loops', []), guide: null, at: [40, 10], carrier: { rider: 'comer' } },
      ...[0, 1, 2.5].map((delay, i) => riderOn(`f${i}`, 'loops', lap, { pace: { hidden: true, delay } })),
      riderOn('still', 'loops', lap, { pace: { leadIn: 'stands' } }),
    ],
    ...more,
  });

const artOf = (take: Take, id: string): DrawnArt => {
  const found = take.drawing.find((one): one is DrawnArt => one.kind === 'art' && one.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

describe('a first round', () => {
  const scene = first();
  const motion = prepare(scene);
  const take = bake(scene, { leadIn: true, ways: true });

  test('it lasts whole loops where anything runs in it, and no longer than is asked for where nothing does', () => {
    expect(leadInOf(scene)).toBe(4);
    expect([motion.leadIn, take.leadIn]).toEqual([4, 4]);
    const led = (...paces: Record<string, unknown>[]): number =>
      leadInOf(first({ riders: paces.map((pace, i) => riderOn(`r${i}`, 'line', over, { pace })) }));
    expect(led({ only: true }, { leadIn: 'stands' })).toBe(3);
    expect(led({ only: true }, {})).toBe(4);
    expect(led({ only: true, delay: 1.5, times: 2 }, { leadIn: 'stands' })).toBe(9.5);
    expect(led({ hidden: true, delay: -1 })).toBe(0);
    expect(led({ hidden: true, delay: 4 })).toBe(4);
    expect(led({ hidden: true, delay: 4.5 })).toBe(8);
  });

  test('what comes once does so on its own guide and stays; the others are where they are in the loop, unseen until they start', () => {
    const [begins, halfway, stays] = [-3.6, -2, 1.3].map((time) => motion.poseAt(time));
    expect(begins!.of(0, 'distance')).toBe(0);
    expect(
      leadInOf(first({ riders: scene.riders.map((one) => ({ ...one, poses: { ...one.poses, by: 'time' } })) })),
    ).toBe(8);
    // Cubic out: half of 3 s is seven eighths of the way.
    expect(halfway!.of(0, 'distance')).toBeCloseTo((7 / 8) * motion.riders[0]!.path!.length, 6);
    expect(stays!.of(0, 'distance')).toBeCloseTo(motion.riders[0]!.path!.length, 9);
    expect(motion.poseAt(-1).of(1, 'x')).toBeCloseTo(motion.poseAt(-1).of(0, 'x') + 20, 6);
    const seen = (time: number): number[] => [2, 3, 4].map((i) => motion.poseAt(time).of(i, 'opacity'));
    expect([-3.9, -3.1, -2.9, -1.6, -1.4, 0, 0.5].map(seen)).toEqual([
      ...[
        [1, 0, 0],
        [1, 0, 0],
        [1, 1, 0],
        [1, 1, 0],
        [1, 1, 1],
        [1, 1, 1],
        [1, 1, 1],
      ],
    ]);
    // On both sides of its start.
    expect([1, -1].map((side) => motion.poseAt(-3, undefined, side as 1 | -1).of(3, 'opacity'))).toEqual([1, 0]);
    for (const i of [2, 3, 4]) expect(motion.poseAt(-1.1).of(i, 'x')).toBeCloseTo(motion.poseAt(2.9).of(i, 'x'), 9);
    expect(motion.poseAt(-1.1).of(5, 'x')).toBe(motion.poseAt(0).of(5, 'x'));
    // What is not seen yet tells no distance.
    expect(motion.poseAt(-2).of(4, 'distance')).toBe(0);
    expect(motion.riders[4]!.distanceAt(-2)).toBe(0);
    expect(motion.riders[4]!.distanceAt(-1)).toBeCloseTo(motion.riders[4]!.distanceAt(3), 9);
  });

  test('what runs is written once, by the loop’s own keys; what comes has keys of its own, poses and lines as well', () => {
    const known = (id: string): unknown => {
      const { runs, entering, posing } = artOf(take, id);
      return { runs, entering: entering && Object.keys(entering).length, posing: posing && posing.length };
    };
    expect(known('comer')).toEqual({ runs: false, entering: 7, posing: 5 });
    expect(known('lamp')).toEqual({ runs: false, entering: 7, posing: null });
    expect(known('f0')).toEqual({ runs: true, entering: null, posing: null });
    expect(known('f2')).toEqual({ runs: true, entering: 1, posing: null });
    expect(known('still')).toEqual({ runs: false, entering: null, posing: null });
    const line = take.drawing.find((one): one is DrawnStroke => one.kind === 'stroke')!;
    expect(line.share!.every(({ value }) => value === 1)).toBe(true);
    const { path } = motion.riders[0]!;
    for (const time of [0.2, 0.7, 1.3, 2.9, 3.7]) {
      const there = drawnShare(motion.riders[0]!.distanceAt(time - 4), path!.length);
      expect(valueOfCurve(line.sharing.entering!, time)).toBeCloseTo(there, 3);
      // As one picture of that time has it.
      const still = stillTake(scene, time - 4).drawing.find((one): one is DrawnStroke => one.kind === 'stroke')!;
      expect(still.share![0]!.value).toBeCloseTo(there, 9);
    }
  });

  test('it is within the tolerance of the evaluator, which would be noticed', () => {
    expect(measureTake(scene, take).px).toBeLessThan(0.25);
    const late = take.drawing.map((drawn) =>
      drawn.kind === 'art' && drawn.id === 'comer'
        ? { ...drawn, entering: { ...drawn.entering, x: [{ time: 0, value: 0 }] } }
        : drawn,
    );
    expect(measureTake(scene, { ...take, drawing: late })).toMatchObject({ rider: 'comer' });
  });

  test('a camera that runs in it has no keys of its own there', () => {
    const eye = riderOn('eye', 'loops', lap);
    const seen = bake(
      first({ camera: 'eye', riders: [eye, riderOn('comer', 'line', over, { pace: { only: true } })] }),
      { leadIn: true },
    );
    expect(seen.view).toMatchObject({ runs: true, entering: null });
    const comes = bake(first({ camera: 'eye', riders: [riderOn('eye', 'loops', lap, { pace: { only: true } })] }), {
      leadIn: true,
    });
    expect(comes.view!.runs).toBe(false);
    expect(comes.view!.entering!.x.length).toBeGreaterThan(4);
    expect(comes.view!.x).toHaveLength(1);
  });
});
